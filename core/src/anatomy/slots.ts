import type { MadeAs, PartKind, Slot } from '../catalogue/index.ts'

interface SlotFacts {
  label: string
  /** Kinds of part that may be put here, assemblies included (they fill their other slots too). */
  accepts: readonly PartKind[]
  /** More than one part at once, in order. */
  stack?: true
  /** Two parts at most, one over the other where the outer one's mould allows it (overHair.ts). */
  layered?: true
}

/** What each slot is called and takes. */
export const SLOT_FACTS: Record<Slot, SlotFacts> = {
  headgear: { label: 'Headgear', accepts: ['headgear'], layered: true },
  head: { label: 'Head', accepts: ['head'] },
  face: { label: 'Face', accepts: ['face'] },
  neck: { label: 'Neck', accepts: ['neck'], stack: true },
  torso: { label: 'Torso', accepts: ['torso', 'dressed-torso'] },
  armRight: { label: 'Right arm', accepts: ['arm-right'] },
  armLeft: { label: 'Left arm', accepts: ['arm-left'] },
  handRight: { label: 'Right hand', accepts: ['hand'] },
  handLeft: { label: 'Left hand', accepts: ['hand'] },
  wristRight: { label: 'Right wrist', accepts: ['wrist'] },
  wristLeft: { label: 'Left wrist', accepts: ['wrist'] },
  waist: { label: 'Waist', accepts: ['waist'] },
  hips: { label: 'Hips', accepts: ['hips', 'leg-pair'] },
  legRight: { label: 'Right leg', accepts: ['leg-right'] },
  legLeft: { label: 'Left leg', accepts: ['leg-left'] },
  lower: { label: 'Skirt or gown', accepts: ['lower'] },
  feet: { label: 'Under the feet', accepts: ['feet'] },
  heldRight: { label: 'Held, right', accepts: ['held'] },
  heldLeft: { label: 'Held, left', accepts: ['held'] },
  beside: { label: 'Beside', accepts: ['beside'], stack: true },
}

/** Rows of the spine: one label, one or more slots that are usually dressed alike. Crown to sole. */
export const SPINE: readonly { key: string; label: string; slots: readonly Slot[] }[] = [
  { key: 'headgear', label: 'Headgear', slots: ['headgear'] },
  { key: 'head', label: 'Head', slots: ['head'] },
  { key: 'face', label: 'Face', slots: ['face'] },
  { key: 'neck', label: 'Neck', slots: ['neck'] },
  { key: 'torso', label: 'Torso', slots: ['torso'] },
  { key: 'arms', label: 'Arms', slots: ['armRight', 'armLeft'] },
  { key: 'hands', label: 'Hands', slots: ['handRight', 'handLeft'] },
  { key: 'wrists', label: 'Wrists', slots: ['wristRight', 'wristLeft'] },
  { key: 'waist', label: 'Waist', slots: ['waist'] },
  { key: 'legs', label: 'Legs', slots: ['legRight', 'legLeft', 'hips', 'lower'] },
  { key: 'feet', label: 'Under the feet', slots: ['feet'] },
  { key: 'heldRight', label: 'Held, right', slots: ['heldRight'] },
  { key: 'heldLeft', label: 'Held, left', slots: ['heldLeft'] },
  { key: 'beside', label: 'Beside', slots: ['beside'] },
]

/** Slots a kind of part can be put into. */
export function slotsFor(kind: PartKind): Slot[] {
  return (Object.keys(SLOT_FACTS) as Slot[]).filter((slot) => SLOT_FACTS[slot].accepts.includes(kind))
}

/** The slots each way of wearing something made may use. */
export const MADE_SLOTS: Readonly<Record<MadeAs, readonly Slot[]>> = {
  held: ['heldRight', 'heldLeft'],
  beside: ['beside'],
  back: ['neck'],
  shoulders: ['neck'],
  lower: ['lower'],
}
