import { fillUp } from './fillUp.ts'
import { settle } from './settle.ts'
import type { Basket, Offer, SourcingProblem } from './types.ts'

/** The naive plan with what it would really cost. */
export interface NaivePlan {
  total: number
  baskets: Basket[]
  unmet: { need: string; qty: number }[]
  /** Parcels that were under their seller's minimum and had to be filled up with goods nobody asked for. */
  filledUp: { seller: string; short: number; spent: number }[]
  /** Sellers whose list is too short to reach their minimum, so that the order would be refused. */
  refused: string[]
}

/**
 * Buy each missing part from whoever names the lowest price for it, one part after the other, as one does by hand; then
 * charge what those parcels cost. A whole figure or box is bought only for a part that nobody sells singly; what else it brings
 * is there for the parts that follow.
 */
export function cheapestOfEach(problem: SourcingProblem): NaivePlan {
  const units = new Map<string, number>()
  /** What is owned, and what was bought and not needed so far. */
  const there = new Map(problem.owned.map(({ part, qty }) => [part, qty]))
  const single = (offer: Offer) => (offer.yields.length === 1 ? 0 : 1)
  const byPrice = [...problem.offers].sort(
    (a, b) => single(a) - single(b) || a.price - b.price || (a.id < b.id ? -1 : 1),
  )
  /** Offers by price, by their place in that, of each part. */
  const bringing = new Map<string, number[]>()
  byPrice.forEach(({ yields }, at) => {
    for (const { part } of yields) {
      const list = bringing.get(part)
      if (list) list.push(at)
      else bringing.set(part, [at])
    }
  })
  for (const need of problem.needs) {
    let open = need.qty
    const use = () => {
      for (const { part } of need.accept) {
        const used = Math.min(open, there.get(part) ?? 0)
        there.set(part, (there.get(part) ?? 0) - used)
        open -= used
      }
    }
    use()
    const accepted = new Set(need.accept.map(({ part }) => part))
    const able = new Set([...accepted].flatMap((part) => bringing.get(part) ?? []))
    for (const at of [...able].sort((a, b) => a - b)) {
      if (open <= 0) break
      const offer = byPrice[at]!
      const useful = offer.yields.filter(({ part }) => accepted.has(part))
      const qty = useful.reduce((sum, entry) => sum + entry.qty, 0)
      if (qty === 0) continue
      const already = units.get(offer.id) ?? 0
      const steps = Math.min(
        Math.ceil(open / (qty * offer.multiple)),
        Math.floor((offer.qty - already) / offer.multiple),
      )
      if (steps <= 0) continue
      units.set(offer.id, already + steps * offer.multiple)
      for (const { part, qty: each } of offer.yields)
        there.set(part, (there.get(part) ?? 0) + steps * offer.multiple * each)
      use()
    }
  }
  const filledUp: NaivePlan['filledUp'] = []
  const refused: string[] = []
  for (const { seller, goods } of settle(problem, units).baskets) {
    const short = problem.sellers.find(({ id }) => id === seller)!.minimum - goods
    if (short <= 0) continue
    const filler = cheapestFiller(problem, seller, units, short)
    if (!filler) {
      refused.push(seller)
      continue
    }
    for (const [offer, qty] of filler.units) units.set(offer, (units.get(offer) ?? 0) + qty)
    filledUp.push({ seller, short, spent: filler.spent })
  }
  const { total, baskets, unmet } = settle(problem, units)
  return { total, baskets, unmet: unmet.map(({ need, qty }) => ({ need, qty })), filledUp, refused }
}

/** What the cheapest of each buys; null where a seller would refuse it. */
export function naiveUnits(problem: SourcingProblem): Map<string, number> | null {
  const { baskets, refused } = cheapestOfEach(problem)
  if (refused.length > 0) return null
  return new Map(baskets.flatMap(({ lines }) => lines.map(({ offer, qty }): [string, number] => [offer, qty])))
}

/** The cheapest further goods of a seller worth at least `short`; null when the whole list is not worth that much. */
function cheapestFiller(problem: SourcingProblem, seller: string, bought: ReadonlyMap<string, number>, short: number) {
  const offers = problem.offers.filter((offer) => offer.seller === seller)
  const steps = fillUp(
    offers.map(({ id, price, qty, multiple }) => ({
      worth: price * multiple,
      price: price * multiple,
      stock: Math.floor((qty - (bought.get(id) ?? 0)) / multiple),
    })),
    short,
  )
  if (!steps) return null
  const units = new Map(offers.map(({ id, multiple }, i) => [id, steps[i]! * multiple]))
  return { spent: offers.reduce((sum, { price, multiple }, i) => sum + steps[i]! * price * multiple, 0), units }
}
