import type { Wardrobe } from './wardrobe.ts'

/** A change of the sellers who are bought from, -1 for none, and what it promises to save. */
export interface SellerMove {
  open: number
  close: number
  saves: number
}

/** Nothing costs a place more than this; it stands for what cannot be had. */
const MOST = 1e7

/**
 * What everybody would cost with this seller or that: as if each place chose the best that one seller or the drawer has, and
 * each seller charged what it charges now, or for a small parcel. Stocks, bands and, unless `asWorn`, what places take off
 * each other are left out; whoever acts on it sees the whole. O(choices × ways).
 */
export class SellerOutlook {
  /** The least each place costs with each seller, the drawer last. */
  private readonly costs: Float64Array
  private readonly charges: Float64Array
  private readonly width: number
  private readonly active: Uint8Array

  constructor(
    private readonly wardrobe: Wardrobe,
    asWorn: boolean,
  ) {
    const { ledger, places, allowed } = wardrobe
    const count = ledger.sellerCount
    this.width = count + 1
    this.active = new Uint8Array(this.width)
    for (const seller of wardrobe.moves.active()) this.active[seller] = 1
    this.active[count] = 1
    this.costs = new Float64Array(places.length * this.width).fill(MOST)
    places.forEach((_, place) => {
      for (const choice of allowed[place]!) this.enter(place, choice, asWorn)
    })
    this.charges = Float64Array.from({ length: count }, (_, s) =>
      this.active[s] === 1 ? ledger.chargeOf(s) : ledger.smallParcel(s),
    )
  }

  /** What opening, closing and swapping promise, the most promising first. */
  moves(): SellerMove[] {
    return this.movesFrom(this.active).sort((a, b) => b.saves - a.saves)
  }

  private movesFrom(set: Uint8Array): SellerMove[] {
    const { costs, charges, width } = this
    const count = width - 1
    const gain = new Float64Array(count)
    const loss = new Float64Array(count)
    /** What a swap saves beyond opening and closing on their own: places of the closed one that go over. */
    const both = new Float64Array(count * count)
    for (let at = 0; at < costs.length; at += width) {
      let [first, best, second] = [count, MOST, MOST]
      for (let s = 0; s < width; s++) {
        if (set[s] === 0) continue
        const its = costs[at + s]!
        if (its < best) [first, best, second] = [s, its, best]
        else if (its < second) second = its
      }
      if (first < count) loss[first]! += second - best
      for (let s = 0; s < count; s++) {
        if (set[s] === 1) continue
        const its = costs[at + s]!
        if (its < best) gain[s]! += best - its
        // Had the first been closed, the place would go to the new one instead of to its second.
        if (first < count && its < second) both[s * count + first]! += second - Math.max(its, best)
      }
    }
    const moves: SellerMove[] = []
    for (let close = 0; close < count; close++)
      if (set[close] === 1) moves.push({ open: -1, close, saves: charges[close]! - loss[close]! })
    for (let open = 0; open < count; open++) {
      if (set[open] === 1) continue
      const opened = gain[open]! - charges[open]!
      moves.push({ open, close: -1, saves: opened })
      for (let close = 0; close < count; close++)
        if (set[close] === 1)
          moves.push({ open, close, saves: opened + charges[close]! - loss[close]! + both[open * count + close]! })
    }
    return moves
  }

  /** Enter what a choice costs a place with each seller who has the first of its parts. */
  private enter(place: number, choice: number, asWorn: boolean): void {
    const { wardrobe, costs, width } = this
    const { ledger, places, problem } = wardrobe
    const { needs, counts, score } = places[place]!.choices[choice]!
    const off = asWorn ? wardrobe.offOf(place, choice) : 0
    const at = place * width
    let rest = ((off - score) * problem.worth) / 1000
    if (needs.length === 0) {
      costs[at + width - 1] = Math.min(costs[at + width - 1]!, rest)
      return
    }
    // Of several parts all but the first come from wherever they are cheapest.
    for (let k = 1; k < needs.length; k++)
      rest += counts[k]! * ledger.ways[needs[k]!]!.reduce((least, { price }) => Math.min(least, price), MOST)
    for (const { seller, price } of ledger.ways[needs[0]!]!) {
      const cost = rest + price * counts[0]!
      if (cost < costs[at + seller]!) costs[at + seller] = cost
    }
  }
}
