import type { Catalogue, Part } from '../catalogue/index.ts'
import type { Asking } from './allot.ts'
import type { Portion } from './shareOut.ts'
import { alikeParts } from '../parts/index.ts'

/** Why an outfit has a part that another lacks. */
export type Why = 'stands' | 'promised' | 'first' | 'fewest'

export interface Contested {
  part: string
  /** Outfits that have some of the drawer's, how many and why. */
  has: { id: string; name: string; why: Why; qty: number }[]
  /** Outfits that lack some, in the order in which they come. */
  lacks: { id: string; name: string; qty: number }[]
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
 * Parts two outfits count on that the drawer has too few of: who has them and why, who lacks them, and the ways out. What
 * stands on built outfits only is nothing to quarrel about. In the order of the outfits that lack them. O(outfits × parts).
 */
export function contestedParts(
  allotted: readonly Allotted[],
  spare: Readonly<Record<string, number>>,
  prices: (part: string) => number | null,
  catalogue: Catalogue,
): Contested[] {
  const lacking = new Map<string, { id: string; name: string; qty: number; at: number }[]>()
  allotted.forEach(({ id, name, placements, sources }, at) =>
    placements.forEach(({ part }, i) => {
      if (sources[i] !== null) return
      const known = lacking.get(part) ?? []
      const own = known.find((one) => one.id === id)
      if (own) own.qty++
      else lacking.set(part, [...known, { id, name, qty: 1, at }])
    }),
  )
  const free = Object.entries(spare).flatMap(([code, qty]): Part[] => {
    const part = qty > 0 ? catalogue.parts.get(code) : undefined
    return part ? [part] : []
  })
  return [...lacking].flatMap(([code, lacks]): Contested[] => {
    const firstLacking = Math.min(...lacks.map(({ at }) => at))
    const has = allotted.flatMap((other, at) => {
      const worn = other.placements.filter((placement, i) => {
        const source = other.sources[i]
        return placement.part === code && source && !source.elsewhere
      })
      const standing = Math.min(worn.length, other.standing?.[code] ?? 0)
      const given = worn.length - standing
      const why = (): Why => {
        if ((other.promised?.[code] ?? 0) > 0) return 'promised'
        return at <= firstLacking ? 'first' : 'fewest'
      }
      const { id, name } = other
      return [
        ...(given > 0 ? [{ id, name, why: why(), qty: given }] : []),
        ...(standing > 0 ? [{ id, name, why: 'stands' as const, qty: standing }] : []),
      ]
    })
    const part = catalogue.parts.get(code)
    if (has.every(({ why }) => why === 'stands') || !part) return []
    const alike = alikeParts(part, free, catalogue)
    return [
      {
        part: code,
        has,
        lacks: lacks.map(({ id, name, qty }) => ({ id, name, qty })),
        equal: alike.filter(({ apart }) => apart === 0).map((one) => one.part),
        near: alike.filter(({ apart }) => apart > 0).slice(0, MOST_NEAR),
        price: prices(code),
      },
    ]
  })
}
