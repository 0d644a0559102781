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
 * charge what those parcels cost. A whole figure or box is bought only for a part that nobody sells singly.
 */
export function cheapestOfEach(problem: SourcingProblem): NaivePlan {
  const units = new Map<string, number>()
  const owned = new Map(problem.owned.map(({ part, qty }) => [part, qty]))
  const single = (offer: Offer) => (offer.yields.length === 1 ? 0 : 1)
  const byPrice = [...problem.offers].sort(
    (a, b) => single(a) - single(b) || a.price - b.price || (a.id < b.id ? -1 : 1),
  )
  for (const need of problem.needs) {
    let open = need.qty
    for (const { part } of need.accept) {
      const own = Math.min(open, owned.get(part) ?? 0)
      owned.set(part, (owned.get(part) ?? 0) - own)
      open -= own
    }
    const accepted = new Set(need.accept.map(({ part }) => part))
    for (const offer of byPrice) {
      if (open <= 0) break
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
      const got = steps * offer.multiple * qty
      open -= got
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

/**
 * The cheapest further goods of a seller worth at least `short`: a bounded subset-sum over amounts up to `short`,
 * O(steps × short). Null when the whole list is not worth that much.
 */
function cheapestFiller(problem: SourcingProblem, seller: string, bought: ReadonlyMap<string, number>, short: number) {
  interface Way {
    spent: number
    offer: string
    before: Way | null
  }
  /** Best way to each amount (capped at `short`): what it really costs, the last step and the way it went on from. */
  const ways: (Way | undefined)[] = [{ spent: 0, offer: '', before: null }]
  const multiples = new Map(problem.offers.map(({ id, multiple }) => [id, multiple]))
  for (const offer of problem.offers) {
    if (offer.seller !== seller || offer.price === 0) continue
    const step = offer.price * offer.multiple
    const stock = Math.floor((offer.qty - (bought.get(offer.id) ?? 0)) / offer.multiple)
    for (let n = 0; n < Math.min(stock, Math.ceil(short / step)); n++)
      for (let amount = short - 1; amount >= 0; amount--) {
        const way = ways[amount]
        if (!way) continue
        const to = Math.min(short, amount + step)
        const spent = way.spent + step
        if (!ways[to] || spent < ways[to].spent) ways[to] = { spent, offer: offer.id, before: way }
      }
  }
  const best = ways[short]
  if (!best) return null
  const units = new Map<string, number>()
  for (let way = best; way.before; way = way.before)
    units.set(way.offer, (units.get(way.offer) ?? 0) + multiples.get(way.offer)!)
  return { spent: best.spent, units }
}
