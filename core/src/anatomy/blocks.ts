import type { Placement, Slot } from '../catalogue/index.ts'

/** Whether a placement begins something worn as one: a part by itself, or the first piece of something made of several. */
const begins = ({ made }: Placement) => !made || made.piece === 0

/** What is worn in a slot, the innermost first: each part by itself, the pieces of something made of several together. */
export function blocksIn(placements: readonly Placement[], slot: Slot): Placement[][] {
  const blocks: Placement[][] = []
  for (const placement of placements.filter((p) => p.slot === slot).sort((a, b) => a.order - b.order)) {
    if (begins(placement) || blocks.length === 0) blocks.push([placement])
    else blocks.at(-1)!.push(placement)
  }
  return blocks
}

/** Blocks of a slot with their orders counted through. */
export function inOrder(blocks: readonly (readonly Placement[])[]): Placement[] {
  return blocks.flat().map((placement, order) => ({ ...placement, order }))
}
