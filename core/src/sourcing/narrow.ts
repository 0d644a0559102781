import type { THING_KINDS } from '../prices/index.ts'

type Kind = (typeof THING_KINDS)[number]

/** Something for sale that brings some of what is wanted: an offer, or the cheapest of all offers of a thing. */
export interface Bringing {
  kind: Kind
  /** Wanted parts it brings. */
  parts: readonly string[]
  condition: 'new' | 'used'
  currency: string
  price: number
}

/**
 * The cheapest for each wanted part: of each kind, condition and currency that bring the part, the `most` that cost least
 * for each wanted part they bring, and whatever costs as little as the last of these. In the order given; O(n log n) for n
 * pairs of an offer and a part.
 *
 * It may be asked first of the cheapest offer of each thing: whatever offers of the others there are, none is among the
 * cheapest.
 */
export function cheapestForEach<B extends Bringing>(all: readonly B[], most: Readonly<Record<Kind, number>>): B[] {
  const worth = all.map(({ price, parts }) => price / parts.length)
  const rivals = new Map<string, number[]>()
  all.forEach(({ kind, condition, currency, parts }, i) => {
    for (const part of parts) {
      const key = `${kind} ${condition} ${currency} ${part}`
      const list = rivals.get(key)
      if (list) list.push(i)
      else rivals.set(key, [i])
    }
  })
  const near = new Set<B>()
  for (const list of rivals.values()) {
    const costs = list.map((i) => worth[i]!).sort((a, b) => a - b)
    const limit = costs[Math.min(most[all[list[0]!]!.kind], costs.length) - 1]!
    for (const i of list) if (worth[i]! <= limit) near.add(all[i]!)
  }
  return all.filter((one) => near.has(one))
}
