import { formatDay } from '@outfit/core/base'
import { useSearchParams } from 'react-router'
import type { AwaitedParcel, RosterShelf } from '@outfit/core/shelf'
import { EmptyNote } from '../ui/Notes.tsx'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { RosterPins } from './RosterPins.tsx'
import { END, ShelfBoard } from './ShelfBoard.tsx'
import { shelfHeight } from '../roster/shelfData.ts'

/** One roster as a shelf, or two side by side. */
export function RosterView() {
  const [search] = useSearchParams()
  const beside = search.get('beside')
  return (
    <RosterFrame wide={beside !== null}>
      {({ roster, rosters, parcels }) => {
        const other = rosters.find(({ id }) => id === beside && id !== roster.id)
        const shown = other ? [roster, other] : [roster]
        const width = (outfits: RosterShelf['outfits']) =>
          (other ? 600 : 1240) - END * new Set(outfits.map(({ faction }) => faction)).size
        const height = Math.min(...shown.map(({ outfits }) => shelfHeight(outfits, width(outfits), other ? 190 : 300)))
        return (
          <>
            {roster.outfits.length === 0 && !other ? (
              <EmptyNote title="Nobody stands here yet">
                Add characters: paste a list of names, one a line. Each gets an outfit to be dressed on the bench.
              </EmptyNote>
            ) : (
              <ShelfBoard rosters={shown} height={height} />
            )}
            {roster.outfits.length > 0 && (
              <p className="mt-2 text-[13.5px] text-soft">
                Drag a figure along the shelf or into another faction, or press Alt and an arrow key on it. Numbers
                follow, and who comes first is first at the drawer.
              </p>
            )}
            <Awaited roster={roster} parcels={parcels} />
            {roster.outfits.some(({ placements }) => placements.length > 0) && <RosterPins outfits={roster.outfits} />}
          </>
        )
      }}
    </RosterFrame>
  )
}

const today = () => new Date().toISOString().slice(0, 10)
const day = (date: string) => formatDay(date, { day: 'numeric', month: 'long' })

/** Parcels that outfits of a roster wait for; late ones are said so. */
function Awaited({ roster, parcels }: { roster: RosterShelf; parcels: readonly AwaitedParcel[] }) {
  const own = parcels.flatMap((parcel) => {
    const waiting = roster.outfits.filter(({ id }) => parcel.outfits.includes(id))
    return waiting.length > 0 ? [{ parcel, waiting }] : []
  })
  if (own.length === 0) return null
  return (
    <section aria-labelledby="awaited" className="mt-6">
      <h2 id="awaited" className="text-xl">
        On the way
      </h2>
      <ul>
        {own.map(({ parcel, waiting }) => {
          const late = parcel.expectedOn < today()
          return (
            <li key={parcel.id} className="border-t border-rule py-1.5">
              <strong>{parcel.seller}</strong>{' '}
              <span className={late ? 'font-semibold text-problem' : 'text-soft'}>
                {late ? `late: was expected on ${day(parcel.expectedOn)}` : `expected on ${day(parcel.expectedOn)}`}
              </span>
              , holds up {waiting.map(({ name }) => name).join(', ')}{' '}
              <span className="text-soft">
                ({parcel.parts} {parcel.parts === 1 ? 'part' : 'parts'} of it)
              </span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
