import type { Placement } from '../catalogue/index.ts'
import type { Source } from '../drawer/index.ts'

/** So many of a part that nobody needs, in a bin. */
export interface FreeLot {
  part: string
  bin: string
  condition: 'new' | 'used'
  qty: number
}

export interface Leftover extends FreeLot {
  /** What they would cost today at the lowest single price; null where nobody sells the part. */
  worth: number | null
  /** Names of outfits that lack the part. */
  usefulFor: string[]
}

/**
 * What is left over of some lying parts after what outfits still need: dearest first, what nobody sells last. `needed` is
 * how many loose ones outfits count on; `most` how many of a part are looked at at all. O(lying + placements).
 */
export function leftovers(
  lying: readonly FreeLot[],
  needed: Readonly<Record<string, number>>,
  outfits: readonly { name: string; placements: readonly Placement[]; sources: readonly Source[] }[],
  price: (part: string) => number | null,
  most?: Readonly<Record<string, number>>,
): Leftover[] {
  const useful = new Map<string, Set<string>>()
  for (const { name, placements, sources } of outfits)
    placements.forEach(({ part }, i) => {
      if (sources[i] === null) useful.set(part, (useful.get(part) ?? new Set()).add(name))
    })
  const kept = new Map(Object.entries(needed))
  const room = new Map<string, number>(Object.entries(most ?? {}))
  const left = lying.flatMap((one): Leftover[] => {
    const keep = Math.min(one.qty, kept.get(one.part) ?? 0)
    kept.set(one.part, (kept.get(one.part) ?? 0) - keep)
    const spare = one.qty - keep
    const qty = most ? Math.min(spare, room.get(one.part) ?? 0) : spare
    if (qty <= 0) return []
    room.set(one.part, (room.get(one.part) ?? 0) - qty)
    const single = price(one.part)
    return [
      {
        part: one.part,
        bin: one.bin,
        condition: one.condition,
        qty,
        worth: single === null ? null : single * qty,
        usefulFor: [...(useful.get(one.part) ?? [])].sort(),
      },
    ]
  })
  return dearestFirst(left)
}

/** Leftovers in the order in which one would sell them: dearest first, what nobody sells last. */
export const dearestFirst = (left: readonly Leftover[]): Leftover[] =>
  [...left].sort((a, b) => (b.worth ?? -1) - (a.worth ?? -1) || (a.part < b.part ? -1 : 1))
