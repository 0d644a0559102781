import type { THING_KINDS } from '../prices/index.ts'

type Kind = (typeof THING_KINDS)[number]

/** Something for sale that brings some of what is wanted: an offer, or the cheapest of all offers of a thing. */
export interface Bringing {
  kind: Kind
  condition: 'new' | 'used'
  currency: string
  price: number
}

/** A map inside another, made where there is none. */
function within<K, L, V>(map: Map<K, Map<L, V>>, key: K): Map<L, V> {
  let own = map.get(key)
  if (!own) map.set(key, (own = new Map()))
  return own
}

/**
 * Up to what price for each wanted part it brings (`partsOf`) something is among the cheapest for any of them: of each kind,
 * condition and currency that bring the part, the `most` that cost least for each wanted part they bring, and whatever costs
 * as little as the last of these. O(n · most) for n pairs of an offer and a part.
 *
 * It may be asked first of the cheapest offer of each thing: no offer that costs more than these limits is among the
 * cheapest, whatever other offers there are.
 */
export function limitsForEach<B extends Bringing>(
  all: readonly B[],
  partsOf: (one: B) => readonly string[],
  most: Readonly<Record<Kind, number>>,
): (one: B) => number {
  /** The least worths for each part, ascending, within what competes. */
  const rivals = new Map<Kind, Map<string, Map<string, Map<string, number[]>>>>()
  const rivalsOf = ({ kind, condition, currency }: Bringing) =>
    within(within(within(rivals, kind), condition), currency)
  for (const one of all) {
    const parts = partsOf(one)
    const [own, worth, size] = [rivalsOf(one), one.price / parts.length, most[one.kind]]
    for (const part of parts) {
      const least = own.get(part)
      if (!least) own.set(part, [worth])
      else if (least.length < size || worth < least[size - 1]!) {
        // A plain mitt is brought by tens of thousands: few of them come this far.
        let at = least.length
        while (at > 0 && least[at - 1]! > worth) at -= 1
        least.splice(at, 0, worth)
        if (least.length > size) least.pop()
      }
    }
  }
  return (one) => {
    const [own, parts] = [rivalsOf(one), partsOf(one)]
    // Of fewer than the most, all there are.
    let limit = 0
    for (const part of parts) limit = Math.max(limit, own.get(part)?.[most[one.kind] - 1] ?? Infinity)
    return limit
  }
}

/** Those among the cheapest for any wanted part they bring (`limitsForEach`), in the order given. */
export function cheapestForEach<B extends Bringing>(
  all: readonly B[],
  partsOf: (one: B) => readonly string[],
  most: Readonly<Record<Kind, number>>,
): B[] {
  const limitOf = limitsForEach(all, partsOf, most)
  return all.filter((one) => one.price / partsOf(one).length <= limitOf(one))
}
