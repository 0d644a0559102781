import { basketOf, type Settlement } from './settle.ts'
import type { SourcingProblem } from './types.ts'

/** Whether a settled purchase reaches every minimum, is shipped, and keeps the limits on parcels and money. */
export function keepsLimits(problem: SourcingProblem, { baskets }: Pick<Settlement, 'baskets'>): boolean {
  const { parcels, budget } = problem.limits
  const spent = baskets.reduce((sum, { goods, shipping, handling }) => sum + goods + shipping + handling, 0)
  if ((parcels !== null && baskets.length > parcels) || (budget !== null && spent > budget)) return false
  const sellers = new Map(problem.sellers.map((seller) => [seller.id, seller]))
  const offers = new Map(problem.offers.map((offer) => [offer.id, offer]))
  return baskets.every(({ seller: id, goods, lines }) => {
    const seller = sellers.get(id)!
    const bought = lines.map((line) => ({ ...offers.get(line.offer)!, ...line }))
    return goods >= seller.minimum && basketOf(seller, bought).withinBands
  })
}
