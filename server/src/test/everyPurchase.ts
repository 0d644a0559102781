import type { SourcingProblem } from '@outfit/core/sourcing'

interface Best {
  unmet: number
  total: number
}

/**
 * The oracle of sourcing: tries every purchase there is and every way to fill the needs from it, by the words of
 * docs/formats.md and with nothing of the planner's code. For a handful of offers only.
 */
export function everyPurchase(problem: SourcingProblem): Best & { units: Map<string, number> } {
  let best: Best = { unmet: Infinity, total: Infinity }
  let bought: number[] = []
  const units = problem.offers.map(() => 0)
  const tryFrom = (i: number): void => {
    if (i === problem.offers.length) {
      const tried = worth(problem, units)
      if (!tried || tried.unmet > best.unmet || (tried.unmet === best.unmet && tried.total >= best.total)) return
      best = tried
      bought = [...units]
      return
    }
    const { qty, multiple } = problem.offers[i]!
    for (let n = 0; n <= qty; n += multiple) {
      units[i] = n
      tryFrom(i + 1)
    }
    units[i] = 0
  }
  tryFrom(0)
  return { ...best, units: new Map(problem.offers.map(({ id }, i) => [id, bought[i]!])) }
}

/** What one purchase comes to; null when it breaks a rule or a limit. */
function worth(
  { needs, owned, sellers, offers, resale, limits }: SourcingProblem,
  units: readonly number[],
): Best | null {
  let spent = 0
  let parcels = 0
  for (const seller of sellers) {
    const lines = offers.flatMap((offer, i) =>
      offer.seller === seller.id && units[i]! > 0 ? [{ offer, n: units[i]! }] : [],
    )
    if (lines.length === 0) continue
    parcels += 1
    const goods = lines.reduce((sum, { offer, n }) => sum + offer.price * n, 0)
    if (goods < seller.minimum) return null
    if (limits.arriveBy !== null && seller.arrivesInDays > limits.arriveBy) return null
    const amount = lines.reduce(
      (sum, { offer, n }) => sum + n * { value: offer.price, count: 1, weight: offer.weight }[seller.shipping.basis],
      0,
    )
    const band = seller.shipping.bands.find(({ upTo }) => upTo === null || upTo >= amount)
    if (!band) return null
    spent += goods + seller.handling + band.price
  }
  if (limits.parcels !== null && parcels > limits.parcels) return null
  if (limits.budget !== null && spent > limits.budget) return null

  const bought = new Map<string, number>()
  offers.forEach(({ yields }, i) => {
    for (const { part, qty } of yields) bought.set(part, (bought.get(part) ?? 0) + qty * units[i]!)
  })
  const own = new Map<string, number>()
  for (const { part, qty } of owned) own.set(part, (own.get(part) ?? 0) + qty)
  const credit = new Map(resale.map(({ part, price }) => [part, price]))
  const wanted = needs.flatMap((need) => Array.from({ length: need.qty }, () => need.accept))
  const used = new Map<string, number>()
  let best: Best = { unmet: Infinity, total: Infinity }
  const fill = (i: number, unmet: number, penalties: number): void => {
    if (unmet > best.unmet) return
    if (i === wanted.length) {
      let credits = 0
      for (const [part, qty] of bought) {
        const fromBought = Math.max(0, (used.get(part) ?? 0) - (own.get(part) ?? 0))
        credits += (qty - fromBought) * (credit.get(part) ?? 0)
      }
      const total = spent + penalties - credits
      if (unmet < best.unmet || total < best.total) best = { unmet, total }
      return
    }
    for (const { part, penalty } of wanted[i]!) {
      const taken = used.get(part) ?? 0
      if (taken >= (own.get(part) ?? 0) + (bought.get(part) ?? 0)) continue
      used.set(part, taken + 1)
      fill(i + 1, unmet, penalties + penalty)
      used.set(part, taken)
    }
    fill(i + 1, unmet + 1, penalties)
  }
  fill(0, 0, 0)
  return best
}
