import type { Seller, SourcingProblem } from './types.ts'

/**
 * Whether goods nobody needs can make a parcel of this seller possible or cheaper: they reach a minimum, or a shipping
 * band that costs less than the one before.
 */
export function gainsByFillers({ minimum, shipping: { bands } }: Pick<Seller, 'minimum' | 'shipping'>): boolean {
  return minimum > 0 || bands.some(({ price }, i) => i > 0 && price < bands[i - 1]!.price)
}

/**
 * The problem without what no plan can use: sellers too slow, offers that yield neither an accepted part nor more than
 * they cost, offers sold only in steps above their stock. Plans of the result are plans of the original. O(size).
 */
export function reduceProblem(problem: SourcingProblem): SourcingProblem {
  const wanted = new Set(problem.needs.flatMap((need) => (need.qty > 0 ? need.accept.map(({ part }) => part) : [])))
  const resale = new Map(problem.resale.map(({ part, price }) => [part, price]))
  const { arriveBy } = problem.limits
  const inTime = new Set(
    problem.sellers.filter((seller) => arriveBy === null || seller.arrivesInDays <= arriveBy).map(({ id }) => id),
  )
  const offers = problem.offers.filter((offer) => {
    if (!inTime.has(offer.seller) || offer.qty < offer.multiple) return false
    if (offer.yields.some(({ part }) => wanted.has(part))) return true
    const credit = offer.yields.reduce((sum, { part, qty }) => sum + qty * (resale.get(part) ?? 0), 0)
    return credit >= offer.price && credit > 0
  })
  const useful = new Set(offers.map(({ seller }) => seller))
  const sellers = problem.sellers.filter(({ id }) => useful.has(id))
  const fillable = new Set(sellers.filter(gainsByFillers).map(({ id }) => id))
  const kept = new Set(offers)
  return {
    ...problem,
    sellers,
    offers: problem.offers.filter(
      (o) => kept.has(o) || (fillable.has(o.seller) && inTime.has(o.seller) && o.qty >= o.multiple),
    ),
  }
}
