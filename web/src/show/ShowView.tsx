import { Link, useSearchParams } from 'react-router'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import { api, errorText } from '../data/api.ts'
import { StateMark } from '../shelf/StateMark.tsx'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'

/** Which figures stand there: all that are dressed, or those that wait for their picture, or those that have it. */
const WHICH = [
  { key: 'all', label: 'All dressed', holds: () => true },
  { key: 'waiting', label: 'Built, not shown yet', holds: ({ state }: ShelfOutfit) => state === 'built' },
  { key: 'shown', label: 'Shown', holds: ({ state }: ShelfOutfit) => state === 'shown' },
] as const

/** What is made of a whole roster to be shown. */
const OF_A_ROSTER = [
  { path: 'sheet', label: 'Sheet, page, recipe' },
  { path: 'line-up', label: 'Line-up' },
  { path: 'series', label: 'Series, leaflet, carton, packs' },
  { path: 'ranking', label: 'Ranking' },
] as const

/** All that can be shown: a card of everybody who is dressed, and of every roster its sheet, page, recipe, line-up and series. */
export function ShowView() {
  const { data, error, isLoading, refetch } = api.endpoints.shelves.useQuery()
  const [search, setSearch] = useSearchParams()
  if (isLoading) return <Waiting>Laying the cards out…</Waiting>
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  const rosters = (data?.rosters ?? [])
    .map((roster) => ({ roster, dressed: roster.outfits.filter(({ placements }) => placements.length > 0) }))
    .filter(({ dressed }) => dressed.length > 0)
  const everybody = rosters.flatMap(({ dressed }) => dressed)
  if (everybody.length === 0)
    return (
      <EmptyNote title="There is nobody to show yet">
        Dress somebody on the bench, and a card of them stands here, to be printed or sent.{' '}
        <Link to="/" className="font-semibold text-act hover:underline">
          To the rosters
        </Link>
        {' or '}
        <Link to="/bring-in" className="font-semibold text-act hover:underline">
          take in a recipe
        </Link>{' '}
        somebody handed on.
      </EmptyNote>
    )
  const which = WHICH.find(({ key }) => key === search.get('which')) ?? WHICH[0]
  const shown = rosters
    .map(({ roster, dressed }) => ({ roster, dressed, picked: dressed.filter(which.holds) }))
    .filter(({ picked }) => picked.length > 0)
  return (
    <div className="mx-auto max-w-[1400px] px-5 py-5">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-3xl">Show</h1>
        <p className="text-soft">
          Pick a figure for its card, drawn or with a photo; of a roster take the sheet, the page, the recipe or the
          line-up.
        </p>
        <Link to="/bring-in" className="ml-auto text-[14px] font-semibold text-act hover:underline">
          Take in a recipe
        </Link>
      </div>
      <div role="group" aria-label="Who stands here" className="mt-3 flex flex-wrap gap-1.5">
        {WHICH.map(({ key, label, holds }) => (
          <button
            key={key}
            type="button"
            aria-pressed={key === which.key}
            onClick={() => setSearch(key === 'all' ? {} : { which: key }, { replace: true })}
            className={`rounded-full border px-3 py-0.5 ${key === which.key ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
          >
            {label} <span className="tabular-nums">{everybody.filter(holds).length}</span>
          </button>
        ))}
      </div>
      {shown.length === 0 && (
        <p className="mt-8 text-soft">
          {which.key === 'waiting'
            ? 'Nobody waits for a picture: whoever is built has been shown.'
            : 'Nobody has been shown yet. Whoever is built counts as shown once a card or line-up is taken away.'}
        </p>
      )}
      {shown.map(({ roster, dressed, picked }) => (
        <Of key={roster.id} roster={roster} dressed={dressed.length} picked={picked} />
      ))}
    </div>
  )
}

function Of({ roster, dressed, picked }: { roster: RosterShelf; dressed: number; picked: readonly ShelfOutfit[] }) {
  const shown = roster.outfits.filter(({ state }) => state === 'shown').length
  return (
    <section aria-label={roster.name} className="mt-6">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-rule pb-1">
        <h2 className="text-xl">
          <Link to={`/rosters/${roster.id}`} className="hover:text-act hover:underline">
            {roster.name}
          </Link>
        </h2>
        <span className="text-[13.5px] text-soft">
          {counted(dressed, 'figure')} dressed
          {shown > 0 && `, ${shown} shown`}
        </span>
        <span className="ml-auto flex flex-wrap gap-x-4">
          {OF_A_ROSTER.map(({ path, label }) => (
            <Link
              key={path}
              to={`/rosters/${roster.id}/${path}`}
              className="text-[14px] font-semibold text-act hover:underline"
            >
              {label}
            </Link>
          ))}
        </span>
      </div>
      <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(132px,1fr))] gap-2">
        {picked.map(({ id, name, placements, state }) => (
          <li key={id}>
            <Link
              to={`/outfits/${id}/card`}
              aria-label={`Card of ${name}`}
              className="group block rounded-[10px] border border-rule bg-card px-2 pt-2 pb-1.5 text-center hover:border-act"
            >
              <Figure placements={placements} label="" className="mx-auto h-[148px]" />
              <span className="mt-1 block truncate font-head font-bold group-hover:text-act">{name}</span>
              <StateMark state={state} narrow />
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}
