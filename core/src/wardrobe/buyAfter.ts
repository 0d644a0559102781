import { planSourcing } from '../sourcing/index.ts'
import { buyingOf } from './buying.ts'
import { castFirst } from './castFirst.ts'
import type { RosterOptions } from './planRoster.ts'
import { settleRoster, type SettledRoster } from './settleRoster.ts'
import { supplyOf } from './supply.ts'
import type { RosterProblem } from './types.ts'
import { Wardrobe } from './wardrobe.ts'

/**
 * What casting every outfit by itself and buying afterwards comes to, which a plan of both together is compared with: choices
 * of `castFirst`, bought by `planSourcing` within the limits; null where not all of it can be bought.
 */
export function buyAfter(
  problem: RosterProblem,
  { solve, now, stopRequested }: Pick<RosterOptions, 'solve' | 'now' | 'stopRequested'>,
): Omit<SettledRoster, 'faults'> | null {
  const wardrobe = new Wardrobe(problem, supplyOf(problem), () => false)
  const first = castFirst(wardrobe)
  const chosen = problem.outfits.map(({ slots }, i) =>
    slots.map(({ id, candidates }, s) => ({ id, candidate: candidates[first[wardrobe.placesOf[i]![s]!]!]! })),
  )
  const parts = chosen.flat().flatMap(({ candidate }) => candidate.parts)
  const bought = planSourcing(buyingOf(problem, parts), { solve, now, ...(stopRequested ? { stopRequested } : {}) })
  if (bought.status === 'impossible' || bought.unmet.length > 0) return null
  const { faults: _, ...settled } = settleRoster(
    problem,
    chosen.map((slots) => Object.fromEntries(slots.map(({ id, candidate }) => [id, candidate.id]))),
    new Map(bought.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty]))),
  )
  return settled
}
