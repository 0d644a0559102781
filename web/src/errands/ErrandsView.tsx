import { Check, Minus, Plus } from 'lucide-react'
import { useCallback, useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { toast } from 'sonner'
import { doneOf, type Errand, type ErrandStop, type TickCollision } from '@outfit/core/errands'
import { homeMoney } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import { errandApi } from '../data/errandApi.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { keepInterface } from './offline.ts'
import { useErrands } from './useErrands.ts'

const HEADS: Readonly<Record<ErrandStop['kind'], string>> = {
  bin: 'Bin',
  donor: 'Off',
  seller: 'At the stall of',
  anywhere: 'Nobody sells it singly',
}

/** What one takes along for a roster: bins to open, stalls to visit, each thing with a tick, also without a connection. */
export function ErrandsView() {
  const { roster, plan } = useParams()
  const of = plan ? `plans/${plan}` : `rosters/${roster}`
  const [names, setNames] = useState<ReadonlyMap<string, string>>(new Map())
  const onCollisions = useCallback(
    (collisions: readonly TickCollision[]) => {
      for (const { id, mine, theirs, stays } of collisions)
        toast.warning(`${names.get(id) ?? 'Something'}: ${mine} here, ${theirs} on another device; ${stays} stays.`, {
          duration: 20_000,
        })
    },
    [names],
  )
  const { list, got, tick, waiting, away, problem, refetch } = useErrands(of, onCollisions)
  const [untick] = errandApi.endpoints.untick.useMutation()
  const [hides, hide] = useState(false)
  const [opensAlone, setOpensAlone] = useState(false)
  useEffect(() => setOpensAlone(keepInterface()), [])
  useEffect(() => {
    if (list) setNames(new Map(list.stops.flatMap(({ errands }) => errands.map(({ id, name }) => [id, name] as const))))
  }, [list])
  if (problem) return <ErrorNote onRetry={() => void refetch()}>{errorText(problem)}</ErrorNote>
  if (!list) return <Waiting>Writing the list…</Waiting>
  const { done, all } = doneOf(list.stops, got)
  const begin = async () => {
    const answer = await untick(of)
    if (answer.error) return tellError(answer.error)
    tell('Nothing is ticked any more.')
  }
  const stops = list.stops
    .map((stop) => ({ ...stop, errands: hides ? stop.errands.filter(({ id, qty }) => got(id) < qty) : stop.errands }))
    .filter(({ errands }) => errands.length > 0)
  return (
    <div className="mx-auto max-w-[760px] px-5 py-4 phone:px-3">
      {roster && (
        <Link to={`/rosters/${roster}`} className="inline-flex items-center font-semibold text-act hover:underline">
          ‹ {list.of.name}
        </Link>
      )}
      <h1 className="text-3xl">To take along</h1>
      <p className="text-soft">
        {roster
          ? 'What is owned by bin, in the order one walks along them; what is to be bought with whoever asks least.'
          : `What the plan for ${list.of.name} buys, stall by stall.`}
      </p>
      {all === 0 ? (
        <EmptyNote title="Nothing is to be fetched">
          Everybody stands built, or waits for parcels. Dress somebody, and what that takes is here.
        </EmptyNote>
      ) : (
        <>
          <div className="sticky top-0 z-10 mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-paper py-2">
            <strong className="font-head text-[18px]" role="status">
              {done} of {all}
            </strong>
            <label className="flex items-center gap-2">
              <input type="checkbox" checked={hides} onChange={({ target }) => hide(target.checked)} />
              Hide what is ticked
            </label>
            <span role="status" className={waiting > 0 || away ? 'text-notice' : 'text-soft'}>
              {away
                ? `No connection: ${waiting === 1 ? '1 tick waits here' : waiting > 0 ? `${counted(waiting, 'tick')} wait here` : 'ticks wait here'}`
                : waiting > 0
                  ? 'Telling…'
                  : 'All told'}
            </span>
          </div>
          {stops.map((stop) => (
            <Stop key={`${stop.kind} ${stop.code}`} stop={stop} pictures={list.pictures} got={got} onTick={tick} />
          ))}
          {stops.length === 0 && <p className="mt-6 text-lg">All of it is fetched.</p>}
        </>
      )}
      <div className="mt-6 flex flex-wrap gap-2">
        <a
          href={`/api/${of}/errands/list.html`}
          download
          className="inline-flex items-center rounded-[10px] border border-act/70 bg-card px-3 py-1.5 font-semibold text-act hover:border-act"
        >
          As a file of its own
        </a>
        {done > 0 && <Button onClick={() => void begin()}>Untick everything</Button>}
      </div>
      <p className="mt-2 text-[14px] text-soft">
        {opensAlone
          ? 'This list opens without a connection; what is ticked then is told once there is one.'
          : 'Without a connection this list goes on as long as its page stays open; the file opens by itself.'}
      </p>
    </div>
  )
}

interface StopProps {
  stop: ErrandStop
  pictures: Readonly<Record<string, string>>
  got: (id: string) => number
  onTick: (id: string, count: number) => void
}

function Stop({ stop, pictures, got, onTick }: StopProps) {
  return (
    <section className="mt-4" aria-label={`${HEADS[stop.kind]} ${stop.name}`}>
      <h2 className="text-xl">
        <span className="font-sans text-sm font-normal tracking-normal text-soft">{HEADS[stop.kind]}</span> {stop.name}
      </h2>
      <ul className="mt-1 divide-y divide-rule border-y border-rule">
        {stop.errands.map((errand) => (
          <Row key={errand.id} errand={errand} picture={pictures[errand.part]} got={got(errand.id)} onTick={onTick} />
        ))}
      </ul>
    </section>
  )
}

interface RowProps {
  errand: Errand
  picture: string | undefined
  got: number
  onTick: (id: string, count: number) => void
}

function Row({ errand: { id, name, colour, qty, forWhom, price }, picture, got, onTick }: RowProps) {
  const done = got >= qty
  const about = [
    price === null ? '' : `${homeMoney(price)} each`,
    forWhom.length > 0 ? `for ${forWhom.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join(' · ')
  return (
    <li className="flex items-center gap-2">
      <button
        type="button"
        role="checkbox"
        aria-checked={done ? true : got > 0 ? 'mixed' : false}
        aria-label={`${name}, ${colour}`}
        onClick={() => onTick(id, done ? 0 : qty)}
        className="flex min-h-16 flex-1 items-center gap-3 text-left hover:bg-band"
      >
        <span
          aria-hidden
          className={`flex size-7 shrink-0 items-center justify-center rounded-[8px] border-2 ${done ? 'border-good bg-good text-paper' : 'border-rule bg-card'}`}
        >
          {done && <Check className="size-5" />}
        </span>
        <span
          aria-hidden
          className="figure size-12 shrink-0 [&>svg]:size-full"
          dangerouslySetInnerHTML={{ __html: picture ?? '' }}
        />
        <span className={`min-w-0 ${done ? 'text-soft line-through' : ''}`}>
          <strong>
            {qty > 1 && `${qty} × `}
            {name}
          </strong>{' '}
          <span className="text-soft">{colour}</span>
          <span className="block text-[14px] text-soft">{about}</span>
        </span>
      </button>
      {qty > 1 && (
        <span className="flex shrink-0 items-center gap-1">
          <Button aria-label={`One ${name} fewer`} disabled={got === 0} onClick={() => onTick(id, got - 1)}>
            <Minus aria-hidden className="size-4" />
          </Button>
          <span className="min-w-10 text-center tabular-nums">
            {got} of {qty}
          </span>
          <Button aria-label={`One ${name} more`} disabled={done} onClick={() => onTick(id, got + 1)}>
            <Plus aria-hidden className="size-4" />
          </Button>
        </span>
      )}
    </li>
  )
}
