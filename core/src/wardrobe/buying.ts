import type { SourcingProblem } from '../sourcing/index.ts'
import { summedParts } from './supply.ts'
import type { RosterProblem } from './types.ts'

/** The buying of some parts out of what a roster problem offers, as a sourcing problem. */
export function buyingOf(
  { currency, owned, sellers, offers, resale, limits }: RosterProblem,
  parts: readonly { part: string; qty: number }[],
  { parcels, arriveBy, budget, seconds, gap }: SourcingProblem['limits'] = limits,
): SourcingProblem {
  return {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency,
    needs: [...summedParts(parts)].map(([part, qty]) => ({ id: part, qty, accept: [{ part, penalty: 0 }] })),
    owned,
    sellers,
    offers,
    resale,
    limits: { parcels, arriveBy, budget, seconds, gap },
  }
}
