import { mouldOf, type Catalogue, type Part, type Placement } from '../catalogue/index.ts'
import { slotsFor } from './slots.ts'
import { wear } from './wear.ts'

interface Counted {
  part: string
  qty: number
}

/** What is worn with one part more, in the first slot where nothing has to come off for it; null where there is none. */
function joining(worn: readonly Placement[], part: Part, catalogue: Catalogue): Placement[] | null {
  const pieces = Math.max(1, part.components.length)
  for (const slot of slotsFor(mouldOf(catalogue, part).kind)) {
    const next = wear(worn, slot, part, catalogue)
    if (next.length === worn.length + pieces) return next
  }
  return null
}

/**
 * Dress a bare doll in as many of some parts as fit beside each other, the first of them first: assemblies by their pieces,
 * hands on both sides, a hat over hair that goes under it. `left` is what no place is left for, or what the catalogue does not
 * have. O(units × slots × placements).
 */
export function dressedIn(parts: readonly Counted[], catalogue: Catalogue): { worn: Placement[]; left: Counted[] } {
  let worn: Placement[] = []
  const left: Counted[] = []
  for (const { part: code, qty } of parts) {
    const part = catalogue.parts.get(code)
    let rest = qty
    for (; part && rest > 0; rest--) {
      const next = joining(worn, part, catalogue)
      if (!next) break
      worn = next
    }
    if (rest > 0) left.push({ part: code, qty: rest })
  }
  return { worn, left }
}

/**
 * Hang loose atomic parts on a doll, each in the first free slot that takes it, so that a heap of parts can be drawn.
 * What finds no slot, or is not in the catalogue, is left out.
 */
export const putOn = (parts: readonly Counted[], catalogue: Catalogue): Placement[] =>
  dressedIn(
    parts.filter(({ part }) => catalogue.parts.get(part)?.components.length === 0),
    catalogue,
  ).worn
