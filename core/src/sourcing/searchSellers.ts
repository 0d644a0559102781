import { seeded } from '../random/index.ts'
import type { Compact } from './compact.ts'
import { SellerPricer, UNMET } from './priceSellers.ts'

/** A set of sellers to buy from with its estimated total. */
export interface SellerSet {
  open: Uint8Array
  cost: number
}

export interface SearchOptions {
  now: () => number
  /** Moment, on the clock of `now`, at which the search ends. */
  until: number
  /** Most sellers in a set; null for any number. */
  most: number | null
  /** Sets to begin from besides the greedy one. */
  from?: readonly Uint8Array[]
  /** Different sets kept. */
  keep?: number
}

/** Shakes that bring nothing better, for each seller, after which the search has seen enough. */
const PATIENCE = 12

/** With at most so many sellers every set is priced as well. */
const FEW = 6

/** Within this of the best total a set is priced more closely. */
const NEAR = 1.04

/**
 * Search for good sets of sellers: from a greedy start and from sets given, open, close and swap sellers while that
 * saves, then shake the best set and go again until the time is up (iterated local search; Lourenço, Martin and Stützle,
 * Handbook of Metaheuristics, 2003). With few sellers every set is priced closely too, so that no valley can hide the
 * best. Gives the best sets found, cheapest first.
 */
export function searchSellers(c: Compact, { now, until, most, from = [], keep = 6 }: SearchOptions): SellerSet[] {
  const pricer = new SellerPricer(c)
  const count = c.sellers.length
  const random = seeded(count * 7919 + c.options.length)
  const pool = new Map<string, SellerSet>()
  const worst = () => Math.max(...[...pool.values()].map(({ cost }) => cost))
  const remember = (open: Uint8Array, cost: number) => {
    if (pool.size >= keep && cost >= worst()) return
    pool.set(open.join(''), { open: open.slice(), cost })
    if (pool.size > keep) for (const [key, set] of pool) if (set.cost === worst()) return void pool.delete(key)
  }
  const size = (open: Uint8Array) => open.reduce((sum, one) => sum + one, 0)
  const late = () => now() >= until
  let leader = Infinity
  /** Totals near the best so far are worth the closer look. */
  const priced = (open: Uint8Array) => {
    const cost = pricer.price(open, leader * NEAR)
    if (cost < leader) leader = cost
    return cost
  }

  /** Steepest descent over single openings and closings, then first-better swaps; changes `open` in place. */
  const descend = (open: Uint8Array): number => {
    let cost = priced(open)
    for (;;) {
      // Sellers a set names and does not need only blur which sets are the same.
      if (priced(open) < UNMET) open.set(pricer.sellersUsed())
      let best = cost
      let flip = -1
      const full = most !== null && size(open) >= most
      for (let s = 0; s < count; s++) {
        if (open[s] === 0 && full) continue
        open[s] = 1 - open[s]!
        const now_ = priced(open)
        open[s] = 1 - open[s]!
        if (now_ < best - 1e-6) [best, flip] = [now_, s]
      }
      if (flip >= 0) {
        open[flip] = 1 - open[flip]!
        cost = best
        if (late()) return cost
        continue
      }
      const swapped = swapBetter(open, cost)
      if (swapped === null || late()) return swapped ?? cost
      cost = swapped
    }
  }
  const swapBetter = (open: Uint8Array, cost: number): number | null => {
    const inside = [...open.keys()].filter((s) => open[s] === 1)
    const outside = [...open.keys()].filter((s) => open[s] === 0)
    for (let i = outside.length - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1))
      ;[outside[i], outside[j]] = [outside[j]!, outside[i]!]
    }
    for (const out of inside) {
      open[out] = 0
      for (const in_ of outside) {
        open[in_] = 1
        const swapped = priced(open)
        if (swapped < cost - 1e-6) return swapped
        open[in_] = 0
      }
      open[out] = 1
      if (late()) return null
    }
    return null
  }

  const starts = [new Uint8Array(count), ...from.map((set) => set.slice())]
  let current: SellerSet | null = null
  for (const open of starts) {
    const cost = descend(open)
    remember(open, cost)
    if (!current || cost < current.cost) current = { open, cost }
    if (late()) break
  }
  for (let idle = 0; idle < PATIENCE * count && !late() && current && count > 1; idle++) {
    const open: Uint8Array = current.open.slice()
    const kicks = 2 + Math.floor(random() * 3)
    for (let k = 0; k < kicks; k++) {
      const s = Math.floor(random() * count)
      const full = most !== null && size(open) >= most
      if (open[s] === 1 || !full) open[s] = 1 - open[s]!
    }
    const record = leader
    const cost = descend(open)
    remember(open, cost)
    if (leader < record - 1e-6) idle = 0
    // A step to something hardly dearer lets the search leave a valley.
    if (cost < current.cost * (1 + 0.002 * random())) current = { open, cost }
  }
  // A set comes after all it contains, so one that names sellers it does not need is passed over where it saves nothing.
  for (let bits = 0; count <= FEW && bits < 1 << count && !late(); bits++) {
    const open = Uint8Array.from({ length: count }, (_, s) => (bits >> s) & 1)
    if (most !== null && size(open) > most) continue
    const cost = pricer.price(open, Infinity)
    const known = pool.get((cost < UNMET ? pricer.sellersUsed() : open).join(''))
    if (!known || cost < known.cost - 1e-6) remember(open, cost)
  }
  return [...pool.values()].sort((a, b) => a.cost - b.cost)
}

/** Units by offer id that the estimate buys from a set. */
export function unitsFrom(c: Compact, { open }: SellerSet): Map<string, number> {
  const pricer = new SellerPricer(c)
  pricer.price(open, Infinity)
  return pricer.units()
}
