import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { PLACE_FACTS } from '@outfit/core/brief'
import { homeMoney } from '@outfit/core/market'
import type { Wish } from '@outfit/core/catalogue'
import type { Later } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { NewEntry } from './NewEntry.tsx'

/** All that is put off: what was answered first, then what still waits, then what is done. */
export function LaterView() {
  const { data: entries, error, refetch } = api.endpoints.later.useQuery(undefined, { refetchOnMountOrArgChange: true })
  const { data: wishes = [] } = api.endpoints.wishes.useQuery()
  const [showDone, setShowDone] = useState(false)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!entries) return <Waiting>Opening the list…</Waiting>
  const answered = entries.filter(({ answer, done }) => answer !== null && !done)
  const open = entries.filter(({ answer, done }) => answer === null && !done)
  const done = entries.filter((entry) => entry.done)
  return (
    <div className="mx-auto max-w-[880px] px-5 py-5">
      <h1 className="text-2xl">Later</h1>
      <p className="text-soft">
        What shall be better one day, and what you wait for. A part that comes in by import, or an offer, answers it.
      </p>
      <NewEntry />
      {entries.length + wishes.length === 0 && (
        <EmptyNote title="Nothing is put off">Note an improvement above, or wait for a part from its page.</EmptyNote>
      )}
      {answered.length > 0 && (
        <section aria-label="Answered" className="mt-5">
          <h2 className="text-lg text-good">✶ Answered</h2>
          <List entries={answered} />
        </section>
      )}
      {open.length > 0 && (
        <section aria-label="Waiting" className="mt-5">
          <h2 className="text-lg">Waiting</h2>
          <List entries={open} />
        </section>
      )}
      {wishes.length > 0 && (
        <section aria-label="Wished for on part pages" className="mt-5">
          <h2 className="text-lg">Wished for on part pages</h2>
          <ul className="mt-1 border-t border-rule">
            {wishes.map((wish) => (
              <WishEntry key={wish.id} wish={wish} />
            ))}
          </ul>
        </section>
      )}
      {done.length > 0 && (
        <section aria-label="Done" className="mt-5">
          <button
            type="button"
            aria-expanded={showDone}
            onClick={() => setShowDone(!showDone)}
            className="font-semibold text-act hover:underline"
          >
            {showDone ? 'Hide' : 'Show'} what is done ({done.length})
          </button>
          {showDone && <List entries={done} />}
        </section>
      )}
    </div>
  )
}

function List({ entries }: { entries: readonly Later[] }) {
  return (
    <ul className="mt-1 border-t border-rule">
      {entries.map((entry) => (
        <Entry key={entry.id} entry={entry} />
      ))}
    </ul>
  )
}

function Entry({ entry }: { entry: Later }) {
  const [setDone] = api.endpoints.setLaterDone.useMutation()
  const [drop] = api.endpoints.dropLater.useMutation()
  const [make] = api.endpoints.makeLater.useMutation()
  const { id, note, outfit, outfitName, place, waitsFor, part, like, colour, atMost, answer, answerName, done } = entry
  const takeOff = async () => {
    const gone = await drop(id)
    if (gone.error) return void toast.error(errorText(gone.error))
    toast('Off the list.', {
      action: {
        label: 'Undo',
        onClick: () =>
          void make({
            note,
            ...(outfit && { outfit }),
            ...(place && { place }),
            ...(part && { part }),
            ...(like && colour && { like, colour }),
            ...(atMost !== null && { atMost }),
          }),
      },
    })
  }
  return (
    <li className="flex items-baseline gap-3 border-b border-rule py-2 phone:items-start phone:gap-1">
      <label className="flex justify-center phone:size-11">
        <input
          type="checkbox"
          checked={done}
          aria-label={`${note}: done`}
          onChange={(event) => void setDone({ id, done: event.target.checked })}
          className="size-4 translate-y-0.5 accent-[var(--act)]"
        />
      </label>
      <div className="min-w-0 flex-1">
        <p className={done ? 'text-soft line-through' : 'font-semibold'}>{note}</p>
        <p className="text-[13.5px] text-soft">
          {outfit && (
            <Link to={`/outfits/${outfit}/bench`} className="text-act underline">
              {outfitName}
            </Link>
          )}
          {place && ` · ${PLACE_FACTS[place].label.toLowerCase()}`}
          {waitsFor &&
            ` · waits for ${part ? `an offer of ${waitsFor}` : waitsFor}${atMost === null ? '' : ` for ${homeMoney(atMost)} or less`}`}
        </p>
        {answer && (
          <p className="text-[13.5px] font-semibold text-good">
            ✶ Answered by{' '}
            <Link to={`/parts/${answer}`} className="underline">
              {answerName}
            </Link>
          </p>
        )}
      </div>
      <button
        type="button"
        aria-label={`Take off the list: ${note}`}
        onClick={() => void takeOff()}
        className="rounded-full p-1 text-soft hover:bg-band hover:text-ink"
      >
        <Trash2 aria-hidden className="size-4" />
      </button>
    </li>
  )
}

/** A mould and colour wished for on the page of a part. */
function WishEntry({ wish: { id, name, fulfilledBy } }: { wish: Wish }) {
  const [drop] = api.endpoints.dropWish.useMutation()
  return (
    <li className="flex items-baseline gap-3 border-b border-rule py-2">
      <p className="min-w-0 flex-1">
        <span className="font-semibold">{name}</span>
        {fulfilledBy && (
          <span className="ml-2 text-[13.5px] font-semibold text-good">
            ✶ made at last:{' '}
            <Link to={`/parts/${fulfilledBy}`} className="underline">
              {fulfilledBy}
            </Link>
          </span>
        )}
      </p>
      <button
        type="button"
        aria-label={`Wish no longer for ${name}`}
        onClick={() => void drop(id)}
        className="rounded-full p-1 text-soft hover:bg-band hover:text-ink"
      >
        <Trash2 aria-hidden className="size-4" />
      </button>
    </li>
  )
}
