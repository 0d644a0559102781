/** Where one part of an outfit can be had. Prices are of single parts, home currency, minor units. */
export interface PartSupply {
  name: string
  /** How many the outfit wears. */
  qty: number
  /** Everyone who sells it, singly or inside something larger. */
  sellers: string[]
  /** Lowest single price of each seller who sells it singly. */
  prices: number[]
  /** Figures and releases that carry it. */
  carriers: number
}

/** How easily a stranger puts the same outfit together. */
export interface Replicability {
  /** Fewest sellers that have all that is sold at all. */
  sources: string[]
  /** Share of the parts that are common, in [0, 1]. */
  common: number
  /** What the parts sold singly cost at the lowest and at the middle price, before shipping. */
  low: number
  middle: number
  /** Parts nobody sells in any form. */
  unsold: string[]
  /** Parts sold only inside something larger. */
  inside: string[]
  /** The part with the fewest sellers; null when all are alike. */
  hardest: { name: string; sellers: number } | null
}

/** A part is common where so many sell or carry it. */
export const COMMON_FROM = 3

/** Tries of the search for the fewest sellers; with more, the best found so far is taken. */
const MOST_TRIES = 20_000

/** Work out how replicable an outfit is. O(parts × sellers), but for the fewest sellers, which is a set cover. */
export function replicability(parts: readonly PartSupply[]): Replicability {
  const sold = parts.filter(({ sellers }) => sellers.length > 0)
  const singly = parts.filter(({ prices }) => prices.length > 0)
  const units = (list: readonly PartSupply[]) => list.reduce((sum, { qty }) => sum + qty, 0)
  const all = units(parts)
  const counts = sold.map(({ sellers }) => new Set(sellers).size)
  const scarce = sold[counts.indexOf(Math.min(...counts))]
  return {
    sources: fewestSellers(sold.map(({ sellers }) => sellers)),
    common:
      all === 0
        ? 1
        : units(parts.filter(({ sellers, carriers }) => Math.max(new Set(sellers).size, carriers) >= COMMON_FROM)) /
          all,
    low: singly.reduce((sum, { qty, prices }) => sum + qty * Math.min(...prices), 0),
    middle: singly.reduce((sum, { qty, prices }) => sum + qty * lowerMedian(prices), 0),
    unsold: parts.filter(({ sellers }) => sellers.length === 0).map(({ name }) => name),
    inside: sold.filter(({ prices }) => prices.length === 0).map(({ name }) => name),
    hardest: scarce && new Set(counts).size > 1 ? { name: scarce.name, sellers: Math.min(...counts) } : null,
  }
}

/** A price somebody really asks: of two in the middle the lower, where `quantile` of prices would lie between them. */
const lowerMedian = (values: readonly number[]) => [...values].sort((a, b) => a - b)[(values.length - 1) >> 1]!

/** The fewest sellers of which each list has one (set cover by branching on the scarcest part). Sorted by name. */
function fewestSellers(lists: readonly (readonly string[])[]): string[] {
  let best: string[] = [...new Set(lists.flat())]
  let tries = 0
  const branch = (taken: readonly string[]) => {
    tries += 1
    if (tries > MOST_TRIES || taken.length >= best.length) return
    const open = lists.filter((list) => !list.some((seller) => taken.includes(seller)))
    const scarcest = open.reduce<readonly string[] | null>(
      (least, list) => (least === null || list.length < least.length ? list : least),
      null,
    )
    if (scarcest === null) {
      best = [...taken]
      return
    }
    const reach = (seller: string) => open.filter((list) => list.includes(seller)).length
    for (const seller of [...new Set(scarcest)].sort((a, b) => reach(b) - reach(a) || (a < b ? -1 : 1)))
      branch([...taken, seller])
  }
  branch([])
  return best.sort()
}

const listed = (names: readonly string[]) =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`

/** The same as sentences a stranger can act on. `money` writes an amount. */
export function replicabilityInWords(found: Replicability, money: (minor: number) => string): string[] {
  const { sources, common, low, middle, unsold, inside, hardest } = found
  return [
    sources.length === 0
      ? 'Nobody sells any of it today.'
      : `${sources.length === 1 ? `${sources[0]} alone has` : `${listed(sources)} together have`} ${unsold.length > 0 ? 'all that is sold' : 'all of it'}.`,
    `${Math.round(common * 100)} % of its parts are common.`,
    ...(low > 0
      ? [
          `Bought singly ${inside.length > 0 ? 'the rest' : 'it'} costs ${low === middle ? money(low) : `from ${money(low)}, at middling prices ${money(middle)}`}, before shipping.`,
        ]
      : []),
    ...(inside.length > 0
      ? [`${listed(inside)} ${inside.length === 1 ? 'comes' : 'come'} only inside something larger.`]
      : []),
    ...(unsold.length > 0
      ? [
          `${listed(unsold)} ${unsold.length === 1 ? 'is' : 'are'} for sale nowhere: look for a swap, or choose the nearest.`,
        ]
      : []),
    ...(hardest
      ? [
          `Look for ${hardest.name} first: ${hardest.sellers === 1 ? 'one seller has it' : `${hardest.sellers} sellers have it`}.`,
        ]
      : []),
  ]
}
