import { Undo2 } from 'lucide-react'
import { errorText } from '../data/api.ts'
import { intakeApi } from '../data/intakeApi.ts'
import { dayInWords } from '../parcels/parcelWords.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { tell, warn } from '../ui/tell.ts'
import { KIND_WORDS } from './listWords.ts'

/** Lists shown before all are asked for. */
const FIRST = 8

/** What was brought in, with one press to take each back. */
export function TakenLists() {
  const { data: lists = [] } = intakeApi.endpoints.takenLists.useQuery()
  const [takeBack, taking] = intakeApi.endpoints.takeListBack.useMutation()
  if (lists.length === 0) return null
  const back = async (id: string, name: string) => {
    const { error } = await takeBack(id)
    if (error) warn(errorText(error))
    else tell(`${name} is taken back.`)
  }
  const shown = (some: typeof lists) => (
    <ul className="mt-1">
      {some.map(({ id, at, name, kind, rows, takenBack, canTakeBack }) => (
        <li key={id} className="flex min-h-[40px] flex-wrap items-center gap-x-4 gap-y-1 border-t border-rule py-1.5">
          <span className="min-w-0 flex-1 basis-full truncate sm:basis-0" title={name}>
            <strong>{name}</strong>
          </span>
          <span className="text-[14px] text-soft">
            {KIND_WORDS[kind].toLowerCase()}, {counted(rows, 'row')}, {dayInWords(at)}
          </span>
          <span className="ml-auto flex justify-end text-[14px] sm:w-[190px]">
            {takenBack ? (
              <span className="text-soft">taken back {dayInWords(takenBack)}</span>
            ) : canTakeBack ? (
              <Button look="plain" disabled={taking.isLoading} onClick={() => void back(id, name)}>
                <Undo2 aria-hidden className="size-4" /> Take back
              </Button>
            ) : (
              <span className="text-soft">{kind === 'prices' ? 'too long ago' : 'nothing was new'}</span>
            )}
          </span>
        </li>
      ))}
    </ul>
  )
  return (
    <section aria-labelledby="taken" className="mt-8">
      <h2 id="taken" className="text-lg">
        Brought in before
      </h2>
      {shown(lists.slice(0, FIRST))}
      {lists.length > FIRST && (
        <details>
          <summary className="cursor-pointer py-1 font-semibold">{lists.length - FIRST} older</summary>
          {shown(lists.slice(FIRST))}
        </details>
      )}
    </section>
  )
}
