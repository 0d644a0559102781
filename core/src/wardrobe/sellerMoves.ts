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
 * What opening, closing and exchanging sellers promises, the most promising first: as if each place, with all others as they
 * are, chose the best that one seller or the drawer has, and each seller charged what it charges now, or for a small parcel.
 * Stocks and bands are left out, and what places take off each other where several change; whoever makes a move sees the
 * whole. It is the look of a local search for facility location, where an exchange costs no more than the two best sellers of
 * each place (Resende and Werneck, European Journal of Operational Research 174, 2006).
 * O(choices × ways + places × sellers + sellers × sellers bought from).
 */
export function sellerMoves(wardrobe: Wardrobe): SellerMove[] {
  const { ledger, places } = wardrobe
  const count = ledger.sellerCount
  const width = count + 1
  const set = new Uint8Array(width)
  for (const seller of wardrobe.moves.active()) set[seller] = 1
  // The drawer is always there.
  set[count] = 1
  const costs = costsWith(wardrobe)
  const charge = (seller: number) => (set[seller] === 1 ? ledger.chargeOf(seller) : ledger.smallParcel(seller))
  const gain = new Float64Array(count)
  const loss = new Float64Array(count)
  /** What an exchange saves beyond opening and closing on their own: places of the closed one that go over. */
  const both = new Float64Array(count * count)
  for (let at = 0; at < places.length * width; at += width) {
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
    if (set[close] === 1) moves.push({ open: -1, close, saves: charge(close) - loss[close]! })
  for (let open = 0; open < count; open++) {
    if (set[open] === 1) continue
    const opened = gain[open]! - charge(open)
    moves.push({ open, close: -1, saves: opened })
    for (let close = 0; close < count; close++)
      if (set[close] === 1)
        moves.push({ open, close, saves: opened + charge(close) - loss[close]! + both[open * count + close]! })
  }
  return moves.sort((a, b) => b.saves - a.saves)
}

/** The least each place costs with each seller, the drawer last, by place × sellers. */
function costsWith(wardrobe: Wardrobe): Float64Array {
  const { ledger, places, allowed, problem } = wardrobe
  const width = ledger.sellerCount + 1
  const costs = new Float64Array(places.length * width).fill(MOST)
  places.forEach(({ choices }, place) => {
    const at = place * width
    for (const choice of allowed[place]!) {
      const { needs, counts, score } = choices[choice]!
      let rest = ((wardrobe.offOf(place, choice) - score) * problem.worth) / 1000
      if (needs.length === 0) {
        costs[at + width - 1] = Math.min(costs[at + width - 1]!, rest)
        continue
      }
      // Of several parts all but the first come from wherever they are cheapest.
      for (let k = 1; k < needs.length; k++)
        rest += counts[k]! * ledger.ways[needs[k]!]!.reduce((least, { price }) => Math.min(least, price), MOST)
      for (const { seller, price } of ledger.ways[needs[0]!]!) {
        const cost = rest + price * counts[0]!
        if (cost < costs[at + seller]!) costs[at + seller] = cost
      }
    }
  })
  return costs
}
