import { Link } from 'react-router'
import type { Colour } from '@outfit/core/catalogue'
import type { GridFamily } from '@outfit/core/parts'
import { nearestColours } from '@outfit/core/colour'
import { homeMoney } from '@outfit/core/market'
import type { Candidate } from '../data/api.ts'
import { Swatch } from '../ui/Swatch.tsx'
import { WhatIs } from '../ui/WhatIs.tsx'

/** Nearest colours shown. */
const MOST = 4

/** For a colour that was never made: the nearest that were, with the difference in words. */
export function NearestColours({
  wished,
  grid,
  family,
}: {
  wished: Colour
  grid: readonly GridFamily[]
  family: readonly Candidate[]
}) {
  const made = grid.flatMap(({ cells }) => cells.flatMap(({ colour, part }) => (part ? [{ ...colour, part }] : [])))
  return (
    <div className="mt-3">
      <h2 className="text-base">
        Nearest that exist <WhatIs word="difference" said="ΔE" />
      </h2>
      <ul aria-label="Nearest that exist">
        {nearestColours(wished.hex, made)
          .slice(0, MOST)
          .map(({ colour, deltaE, words }) => {
            const candidate = family.find(({ part }) => part.code === colour.part.code)
            return (
              <li key={colour.code} className="flex items-center gap-1.5 border-t border-rule py-1 first:border-0">
                <Swatch colour={colour} />
                <Link to={`/parts/${colour.part.code}`} className="font-semibold text-act hover:underline">
                  {colour.name}
                </Link>
                <span className="text-soft">
                  ΔE {deltaE.toFixed(1)}, {words}
                </span>
                <span className="ml-auto">
                  {candidate?.owned
                    ? `owned ${candidate.owned}`
                    : candidate?.lowest
                      ? `from ${homeMoney(candidate.lowest)}`
                      : ''}
                </span>
              </li>
            )
          })}
      </ul>
    </div>
  )
}
