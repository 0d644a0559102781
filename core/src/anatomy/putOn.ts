import { mouldOf, type Catalogue, type Placement } from '../catalogue/index.ts'
import { SLOT_FACTS, slotsFor } from './slots.ts'

/**
 * Hang loose atomic parts on a doll, each in the first free slot that takes it, so that a heap of parts can be drawn.
 * What finds no slot, or is not in the catalogue, is left out.
 */
export function putOn(parts: readonly { part: string; qty: number }[], catalogue: Catalogue): Placement[] {
  const placements: Placement[] = []
  for (const { part: code, qty } of parts) {
    const part = catalogue.parts.get(code)
    if (!part || part.components.length > 0) continue
    const slots = slotsFor(mouldOf(catalogue, part).kind)
    for (let unit = 0; unit < qty; unit++) {
      const slot = slots.find((s) => SLOT_FACTS[s].stack || !placements.some((p) => p.slot === s))
      if (!slot) break
      placements.push({ slot, part: code, order: placements.filter((p) => p.slot === slot).length, turned: false })
    }
  }
  return placements
}
