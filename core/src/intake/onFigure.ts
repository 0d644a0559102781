import type { PartKind, Slot } from '../catalogue/index.ts'

/** Where a part of a kind is worn, the first place first; assemblies are worn by their pieces. */
const WORN_AT: Partial<Record<PartKind, readonly Slot[]>> = {
  headgear: ['headgear'],
  head: ['head'],
  face: ['face'],
  neck: ['neck'],
  torso: ['torso'],
  'arm-right': ['armRight'],
  'arm-left': ['armLeft'],
  hand: ['handRight', 'handLeft'],
  wrist: ['wristRight', 'wristLeft'],
  waist: ['waist'],
  hips: ['hips'],
  'leg-right': ['legRight'],
  'leg-left': ['legLeft'],
  lower: ['lower'],
  feet: ['feet'],
  held: ['heldRight', 'heldLeft'],
  beside: ['beside'],
}
/** Places that take several, one over or beside the other. */
const STACKS: Partial<Record<Slot, number>> = { neck: 3, beside: 3, headgear: 2 }

/** A part of a figure as a list has it. */
export interface CountedPart {
  part: string
  kind: PartKind
  count: number
  /** What an assembly comes apart into; nothing for what is one piece. */
  pieces: readonly { slot: Slot; part: string; kind: PartKind }[]
}

/** What a figure wears of some parts, each in the first place that is free, and what no place is left for. */
export function onFigure(parts: readonly CountedPart[]): {
  worn: { slot: Slot; order: number; part: string }[]
  left: { part: string; count: number }[]
} {
  const worn: { slot: Slot; order: number; part: string }[] = []
  const left: { part: string; count: number }[] = []
  const taken = (slot: Slot) => worn.filter((one) => one.slot === slot).length
  const free = (slot: Slot) => taken(slot) < (STACKS[slot] ?? 1)
  const put = (slot: Slot, part: string) => worn.push({ slot, order: taken(slot), part })
  for (const { part, kind, count, pieces } of parts) {
    let rest = count
    for (; rest > 0; rest--) {
      if (pieces.length > 0) {
        if (!pieces.every(({ slot }) => free(slot))) break
        for (const piece of pieces) put(piece.slot, piece.part)
      } else {
        const slot = WORN_AT[kind]?.find(free)
        if (!slot) break
        put(slot, part)
      }
    }
    if (rest > 0) left.push({ part, count: rest })
  }
  return { worn, left }
}
