import { basketOf, settle } from './settle.ts'
import type { Basket, SourcingProblem } from './types.ts'

/** Whether a purchase reaches every minimum, is shipped, and keeps the limits on parcels and money. */
export function keepsLimits(problem: SourcingProblem, units: ReadonlyMap<string, number>): boolean {
  const { baskets } = settle(problem, units)
  const { parcels, budget } = problem.limits
  const minimums = new Map(problem.sellers.map(({ id, minimum }) => [id, minimum]))
  const spent = baskets.reduce((sum, { goods, shipping, handling }) => sum + goods + shipping + handling, 0)
  if ((parcels !== null && baskets.length > parcels) || (budget !== null && spent > budget)) return false
  return baskets.every((basket) => basket.goods >= minimums.get(basket.seller)! && isShipped(problem, basket))
}

/** Whether some band of the seller holds the basket. */
function isShipped(problem: SourcingProblem, { seller: id, lines }: Basket): boolean {
  const seller = problem.sellers.find((s) => s.id === id)!
  const offers = new Map(problem.offers.map((offer) => [offer.id, offer]))
  return basketOf(
    seller,
    lines.map((line) => ({ ...offers.get(line.offer)!, ...line })),
  ).withinBands
}
