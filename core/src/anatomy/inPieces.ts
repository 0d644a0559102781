import type { Component, Slot } from '../catalogue/index.ts'

/**
 * What is worn where something worn has come to be known as an assembly: its pieces in its place, which keep what was done
 * to it (`order`, turned, altered) where the piece is worn in the same slot. A slot where something else is worn keeps that.
 * The same list where nothing is made of pieces. O(placements × components).
 */
export function inPieces<T extends { slot: Slot; part: string; order: number; made?: object | null }>(
  worn: readonly T[],
  componentsOf: (part: string) => readonly Pick<Component, 'slot' | 'part'>[],
  plain: (slot: Slot, part: string) => T,
): readonly T[] {
  if (worn.every(({ part }) => componentsOf(part).length === 0)) return worn
  const filled = new Set(worn.flatMap(({ slot, part }) => (componentsOf(part).length === 0 ? [slot] : [])))
  return worn.flatMap((placement) => {
    const components = componentsOf(placement.part)
    // What something is made of keeps its place there.
    if (components.length === 0 || placement.made) return [placement]
    return components.flatMap(({ slot, part }): T[] => {
      if (filled.has(slot)) return []
      filled.add(slot)
      return [slot === placement.slot ? { ...placement, part } : plain(slot, part)]
    })
  })
}
