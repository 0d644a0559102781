import { useState } from 'react'
import { toast } from 'sonner'
import type { OutfitDetail } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { useSettings } from '../data/settingsApi.ts'
import { Button } from '../ui/Button.tsx'

const VOTER = 'outfit.voter'

/** Who voted last in this browser, or else who this workspace is of. */
function useVoter(): string {
  const { maker } = useSettings()
  return localStorage.getItem(VOTER) ?? maker
}

/** Who is for which take, and which one it is to be, with the reason. */
export function Verdict({ outfit }: { outfit: OutfitDetail }) {
  const [voter, setVoter] = useState(useVoter())
  const chosen = outfit.takes.find((take) => take.chosen)
  const [pick, setPick] = useState(chosen?.id ?? '')
  const [reason, setReason] = useState(chosen?.reason ?? '')
  const [vote, voting] = api.endpoints.vote.useMutation()
  const [choose, choosing] = api.endpoints.chooseTake.useMutation()
  const { id, version, takes } = outfit
  const busy = voting.isLoading || choosing.isLoading
  const name = voter.trim()
  const mine = takes.find(({ voters }) => voters.includes(name))?.id
  const cast = async (take: string) => {
    localStorage.setItem(VOTER, name)
    const answer = await vote({ outfit: id, version, voter: name, take: mine === take ? null : take })
    if (answer.error) toast.error(errorText(answer.error))
  }
  const decide = async () => {
    const answer = await choose({ outfit: id, version, take: pick, reason: reason.trim() })
    if (answer.error) return void toast.error(errorText(answer.error))
    toast(`Take ${takes.find((take) => take.id === pick)?.label} stands on the shelf now.`)
  }
  const field = 'rounded-[8px] border border-rule bg-card px-2 py-1'
  return (
    <section aria-label="Votes and verdict">
      <h2 className="text-lg">Votes and verdict</h2>
      <label className="mt-1 flex items-center gap-2">
        Your name
        <input
          value={voter}
          maxLength={60}
          onChange={(event) => setVoter(event.target.value)}
          className={`${field} w-[160px]`}
        />
      </label>
      <ul aria-label="Votes" className="mt-1.5">
        {takes.map((take) => (
          <li key={take.id} className="flex items-center gap-2 py-0.5">
            <Button
              className="px-2.5 py-0.5 text-[13.5px]"
              disabled={busy || !name}
              aria-pressed={mine === take.id}
              onClick={() => void cast(take.id)}
            >
              {mine === take.id ? 'Take back' : `For ${take.label}`}
            </Button>
            <span className="flex h-4 gap-0.5" aria-hidden>
              {take.voters.map((who) => (
                <span key={who} className="h-full w-4 rounded-[3px] bg-act" />
              ))}
            </span>
            <span className={take.voters.length > 0 ? '' : 'text-soft'}>
              {take.voters.length > 0 ? take.voters.join(', ') : 'nobody yet'}
            </span>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void decide()
        }}
      >
        <label className="flex items-center gap-2">
          It is
          <select value={pick} onChange={(event) => setPick(event.target.value)} className={field}>
            {takes.map((take) => (
              <option key={take.id} value={take.id}>
                {take.label}
              </option>
            ))}
          </select>
        </label>
        <input
          value={reason}
          maxLength={500}
          placeholder="because …"
          aria-label="Reason of the verdict"
          onChange={(event) => setReason(event.target.value)}
          className={`${field} min-w-0 flex-1 placeholder:text-soft`}
        />
        <Button type="submit" disabled={busy || !pick}>
          Choose it
        </Button>
      </form>
      {chosen?.reason && (
        <p className="mt-1 text-[13.5px] text-soft">
          Take {chosen.label} was chosen: “{chosen.reason}”
        </p>
      )}
    </section>
  )
}
