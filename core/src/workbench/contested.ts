import type { Catalogue, Part } from '../catalogue/index.ts'
import type { Asking, Portion } from '../drawer/index.ts'
import { alikeParts } from './alikeParts.ts'

/** Why an outfit has a part that another lacks. */
export type Why = 'stands' | 'promised' | 'first' | 'fewest'

export interface Contested {
  part: string
  /** Outfits that have one of the drawer's, each with why. */
  has: { id: string; name: string; why: Why; donor: string | null }[]
  /** Outfits that lack one, in the order in which they come. */
  lacks: { id: string; name: string }[]
  /** Owned parts nobody needs: those no eye tells apart, and the most alike of the others. */
  equal: string[]
  near: { part: string; apart: number }[]
  /** Lowest single price; null where nobody sells it. */
  price: number | null
}

/** So many near parts are told for each contested one. */
const MOST_NEAR = 3

type Allotted = Asking & Portion & { id: string; name: string }

/**
 * Parts two outfits count on that the drawer has too few of: who has them and why, who lacks them, and the ways out. In the
 * order of the outfits that lack them. O(outfits × parts).
 */
export function contestedParts(
  allotted: readonly Allotted[],
  spare: Readonly<Record<string, number>>,
  prices: (part: string) => number | null,
  catalogue: Catalogue,
): Contested[] {
  const lacking = new Map<string, { id: string; name: string; at: number }[]>()
  allotted.forEach(({ id, name, placements, sources }, at) =>
    placements.forEach(({ part }, i) => {
      if (sources[i] === null) lacking.set(part, [...(lacking.get(part) ?? []), { id, name, at }])
    }),
  )
  const free = Object.entries(spare).flatMap(([code, qty]): Part[] => {
    const part = qty > 0 ? catalogue.parts.get(code) : undefined
    return part ? [part] : []
  })
  return [...lacking].flatMap(([code, lacks]): Contested[] => {
    const firstLacking = Math.min(...lacks.map(({ at }) => at))
    const has = allotted.flatMap((other, at) => {
      const standing = { ...other.standing }
      return other.placements.flatMap(({ part }, i) => {
        const source = other.sources[i]
        if (part !== code || !source || source.elsewhere) return []
        const stands = source.donor === null && (standing[part] ?? 0) > 0
        if (stands) standing[part]!--
        const why = (): Why => {
          if (stands) return 'stands'
          if ((other.promised?.[part] ?? 0) > 0) return 'promised'
          return at < firstLacking ? 'first' : 'fewest'
        }
        return [{ id: other.id, name: other.name, why: why(), donor: source.donor }]
      })
    })
    const part = catalogue.parts.get(code)
    if (has.length === 0 || !part) return []
    const alike = alikeParts(part, free, catalogue)
    return [
      {
        part: code,
        has,
        lacks: lacks.map(({ id, name }) => ({ id, name })),
        equal: alike.filter(({ apart }) => apart === 0).map((one) => one.part),
        near: alike.filter(({ apart }) => apart > 0).slice(0, MOST_NEAR),
        price: prices(code),
      },
    ]
  })
}
