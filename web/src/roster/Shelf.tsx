import { Link } from 'react-router'
import type { ShelfOutfit } from '@outfit/core/roster'
import { MM_PER_UNIT } from '@outfit/core/mannequin'
import { Figure } from '../ui/Figure.tsx'
import { byFaction, PLACE } from './shelfData.ts'

/** Height of the picture above the board, in millimetres of the figures and in pixels. */
const TOP_MM = 72
const RULE_MM = [0, 15, 30, 45, 60]

/** A wooden shelf with a millimetre rule behind it; figures stand at true relative height in their factions. */
export function Shelf({ outfits, height }: { outfits: readonly ShelfOutfit[]; height: number }) {
  const perMm = height / TOP_MM
  const window = { x: -72, y: -TOP_MM / MM_PER_UNIT, width: 144, height: TOP_MM / MM_PER_UNIT }
  return (
    <div className="relative flex gap-10 overflow-x-auto pb-2 pl-14">
      {byFaction(outfits).map(({ faction, outfits: group }, i) => (
        <section key={faction} aria-label={faction} className={i === 0 ? '' : 'border-l border-rule pl-6'}>
          <h3 className="text-base">{faction}</h3>
          <ul className="flex">
            {group.map(({ outfit, number }) => (
              <li key={outfit.id}>
                <Link
                  to={`/outfits/${outfit.id}/bench`}
                  className="group block rounded-[10px] text-center"
                  style={{ width: Math.floor(height * PLACE) }}
                >
                  <span className="relative block" style={{ height }}>
                    <Figure
                      placements={outfit.placements}
                      label={outfit.name}
                      window={window}
                      plinth={false}
                      className="absolute bottom-0 left-0 h-full w-full overflow-visible transition-transform group-hover:-translate-y-1 motion-reduce:transition-none"
                    />
                  </span>
                  <span className="mt-5 block font-head font-bold group-hover:text-act">
                    {number} · {outfit.name}
                  </span>
                  <span className="block text-[13px] text-soft">
                    {outfit.toBuy === 0 ? 'all owned' : `${outfit.owned} owned, ${outfit.toBuy} to buy`}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <div aria-hidden className="pointer-events-none absolute top-6 right-0 left-0" style={{ height }}>
        {RULE_MM.map((mm) => (
          <div
            key={mm}
            className="absolute right-0 left-0 -z-10 h-0 border-t border-dashed border-rule/70 text-[11px] leading-none text-soft"
            style={{ bottom: mm * perMm }}
          >
            <span className="relative -top-3.5">{mm} mm</span>
          </div>
        ))}
        <div className="absolute right-0 -bottom-3.5 left-0 h-3.5 rounded-[3px] border-b-4 border-wood-edge bg-wood" />
      </div>
    </div>
  )
}
