import { Link } from 'react-router'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { PinCount } from './PinCount.tsx'
import { byFaction, PLACE } from '../roster/shelfData.ts'
import { ShelfRule } from './ShelfRule.tsx'
import { StandingFigure } from './StandingFigure.tsx'

/** A wooden shelf with a millimetre rule behind it; figures stand at true relative height in their factions. */
export function Shelf({ outfits, height }: { outfits: readonly ShelfOutfit[]; height: number }) {
  return (
    <div className="relative flex gap-10 overflow-x-auto pb-2 pl-14">
      {byFaction(outfits).map(({ faction, outfits: group }, i) => (
        <section
          key={faction}
          aria-label={faction || 'No faction'}
          className={i === 0 ? '' : 'border-l border-rule pl-6'}
        >
          <h3 className="min-h-6 text-base">{faction}</h3>
          <ul className="flex">
            {group.map(({ outfit, number }) => (
              <li key={outfit.id}>
                <Link
                  to={`/outfits/${outfit.id}/bench`}
                  className="group block rounded-[10px] text-center"
                  style={{ width: Math.floor(height * PLACE) }}
                >
                  <StandingFigure outfit={outfit} height={height} />
                  <span className="mt-5 block font-head font-bold group-hover:text-act">
                    {number} · {outfit.name}
                  </span>
                  {outfit.placements.length === 0 ? (
                    <span className="block text-[13px] text-soft">wears nothing yet</span>
                  ) : (
                    <>
                      <PinCount pins={outfit.pins} />
                      <span className="block text-[13px] text-soft">
                        {outfit.toBuy === 0 ? 'all owned' : `${outfit.owned} owned, ${outfit.toBuy} to buy`}
                      </span>
                    </>
                  )}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <ShelfRule height={height} />
    </div>
  )
}
