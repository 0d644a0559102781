/** Something for sale that brings a part, perhaps with others: prices in minor units of the home currency. */
export interface Bringer {
  kind: 'part' | 'figure' | 'release'
  code: string
  name: string
  sellerName: string
  condition: 'new' | 'used'
  price: number
  /** Least number that is sold, and of each unit what it yields. */
  multiple: number
  yields: readonly { part: string; qty: number }[]
}

/** A way to get a part: what to buy, and what would be left over besides it. */
export interface WayToGet extends Omit<Bringer, 'yields'> {
  /** Price of the fewest units sold at once. */
  cost: number
  left: { part: string; qty: number }[]
  /** What the leftovers would cost singly, as far as somebody sells them. */
  leftWorth: number
  /** Leftover units nobody sells singly, which `leftWorth` leaves out. */
  leftUnpriced: number
}

/**
 * The ways to get a part, cheapest first, each thing by its cheapest offer. `needed` are the atomic parts it is made of
 * (itself, if it is atomic). Offers that do not bring all of them are no way. O(offers × yields).
 */
export function waysToGet(
  needed: readonly { part: string; qty: number }[],
  offers: readonly Bringer[],
  lowest: ReadonlyMap<string, number>,
): WayToGet[] {
  const best = new Map<string, WayToGet>()
  for (const { yields, ...offer } of offers) {
    const brought = new Map<string, number>()
    for (const { part, qty } of yields) brought.set(part, (brought.get(part) ?? 0) + qty * offer.multiple)
    if (needed.some(({ part, qty }) => (brought.get(part) ?? 0) < qty)) continue
    for (const { part, qty } of needed) brought.set(part, brought.get(part)! - qty)
    const left = [...brought].filter(([, qty]) => qty > 0).map(([part, qty]) => ({ part, qty }))
    const cost = offer.price * offer.multiple
    const key = `${offer.kind} ${offer.code}`
    if ((best.get(key)?.cost ?? Infinity) <= cost) continue
    best.set(key, {
      ...offer,
      cost,
      left,
      leftWorth: left.reduce((sum, { part, qty }) => sum + qty * (lowest.get(part) ?? 0), 0),
      leftUnpriced: left.reduce((sum, { part, qty }) => sum + (lowest.has(part) ? 0 : qty), 0),
    })
  }
  return [...best.values()].sort((a, b) => a.cost - b.cost || (a.code < b.code ? -1 : 1))
}

/** A figure or box that brings several of some wanted parts, against buying those singly. */
export interface Whole extends WayToGet {
  /** Wanted units it brings, and how many of them there are in all. */
  brings: number
  /** What the wanted units it brings cost at lowest single prices, as far as somebody sells them. */
  singly: number
  /** Brought units that nobody sells singly, which `singly` leaves out. */
  onlyHere: number
  /** What buying it saves against `singly`, its leftovers counted at their worth; below 0 it costs more. */
  saves: number
}

/**
 * Figures and boxes that bring at least two units of what is wanted, or all of it, the most saving first, each by its
 * cheapest offer. O(offers × yields).
 */
export function wholesFor(
  wanted: readonly { part: string; qty: number }[],
  offers: readonly Bringer[],
  lowest: ReadonlyMap<string, number>,
): Whole[] {
  const wants = new Map<string, number>()
  for (const { part, qty } of wanted) wants.set(part, (wants.get(part) ?? 0) + qty)
  const all = [...wants.values()].reduce((sum, qty) => sum + qty, 0)
  const best = new Map<string, Whole>()
  for (const { yields, ...offer } of offers) {
    if (offer.kind === 'part') continue
    const brought = new Map<string, number>()
    for (const { part, qty } of yields) brought.set(part, (brought.get(part) ?? 0) + qty * offer.multiple)
    let [brings, singly, onlyHere] = [0, 0, 0]
    const left: { part: string; qty: number }[] = []
    for (const [part, qty] of brought) {
      const used = Math.min(qty, wants.get(part) ?? 0)
      brings += used
      if (lowest.has(part)) singly += used * lowest.get(part)!
      else onlyHere += used
      if (qty > used) left.push({ part, qty: qty - used })
    }
    const cost = offer.price * offer.multiple
    const key = `${offer.kind} ${offer.code}`
    if (brings < Math.min(2, all) || brings === 0 || (best.get(key)?.cost ?? Infinity) <= cost) continue
    const leftWorth = left.reduce((sum, { part, qty }) => sum + qty * (lowest.get(part) ?? 0), 0)
    best.set(key, {
      ...offer,
      cost,
      left,
      leftWorth,
      leftUnpriced: left.reduce((sum, { part, qty }) => sum + (lowest.has(part) ? 0 : qty), 0),
      brings,
      singly,
      onlyHere,
      saves: singly + leftWorth - cost,
    })
  }
  return [...best.values()].sort((a, b) => b.saves - a.saves || a.cost - b.cost || (a.code < b.code ? -1 : 1))
}
