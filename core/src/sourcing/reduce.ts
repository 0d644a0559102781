import type { SourcingProblem } from './types.ts'

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
  // A minimum can be reached with goods nobody needs, so the rest of a seller's list stays while there is a minimum.
  const useful = new Set(offers.map(({ seller }) => seller))
  const sellers = problem.sellers.filter(({ id }) => useful.has(id))
  const withMinimum = new Set(sellers.filter(({ minimum }) => minimum > 0).map(({ id }) => id))
  const kept = new Set(offers)
  return {
    ...problem,
    sellers,
    offers: problem.offers.filter(
      (o) => kept.has(o) || (withMinimum.has(o.seller) && inTime.has(o.seller) && o.qty >= o.multiple),
    ),
  }
}
