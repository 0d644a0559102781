import { formatDay } from '@outfit/core/base'
import { useNavigate } from 'react-router'
import { rosterApi } from '../data/rosterApi.ts'
import { Button } from '../ui/Button.tsx'
import { tell, tellError } from '../ui/tell.ts'

const WHAT = { roster: 'a roster', outfits: 'off a roster', uniform: 'a uniform' } as const

/** What was taken down or off, the newest first; each is put back as it was. */
export function TakenDown({ silent = false }: { /** Where nothing is, say nothing. */ silent?: boolean }) {
  const { data } = rosterApi.endpoints.removed.useQuery()
  const [putBack, { isLoading }] = rosterApi.endpoints.putBack.useMutation()
  const navigate = useNavigate()
  const back = async (id: string, name: string) => {
    const answer = await putBack(id)
    if (answer.error) return tellError(answer.error)
    tell(`${name} is put back.`)
    if (answer.data.roster) void navigate(`/rosters/${answer.data.roster}`)
  }
  if (silent && !data?.length) return null
  return (
    <section aria-labelledby="taken-down" className="mt-6">
      <h2 id="taken-down" className="text-xl">
        Taken down or off
      </h2>
      {data?.length === 0 && <p className="text-soft">Nothing is waiting to be put back.</p>}
      <ul>
        {data?.map(({ id, at, what, name }) => (
          <li key={id} className="flex items-center gap-3 border-t border-rule py-1">
            <strong>{name}</strong>
            <span className="text-soft">
              {WHAT[what]}, {formatDay(at, { dateStyle: 'medium', timeStyle: 'short' })}
            </span>
            <Button className="ml-auto px-2.5 py-0.5" disabled={isLoading} onClick={() => void back(id, name)}>
              Put back<span className="sr-only"> {name}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}
