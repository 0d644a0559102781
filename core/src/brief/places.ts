import type { Slot } from '../catalogue/index.ts'

/** Where a wish looks: a row of the spine, except that things held are one place, in whichever hand they are. */
export const PLACES = [
  'headgear',
  'head',
  'face',
  'neck',
  'torso',
  'arms',
  'hands',
  'wrists',
  'waist',
  'legs',
  'feet',
  'held',
  'beside',
] as const
export type Place = (typeof PLACES)[number]

interface PlaceFacts {
  label: string
  slots: readonly Slot[]
  /** How several parts there are judged: the best of them shows the wish, or every side counts alike. */
  judge: 'best' | 'mean'
}

export const PLACE_FACTS: Readonly<Record<Place, PlaceFacts>> = {
  headgear: { label: 'Headgear', slots: ['headgear'], judge: 'best' },
  head: { label: 'Head', slots: ['head'], judge: 'best' },
  face: { label: 'Face', slots: ['face'], judge: 'best' },
  neck: { label: 'Neck', slots: ['neck'], judge: 'best' },
  torso: { label: 'Torso', slots: ['torso'], judge: 'best' },
  arms: { label: 'Arms', slots: ['armRight', 'armLeft'], judge: 'mean' },
  hands: { label: 'Hands', slots: ['handRight', 'handLeft'], judge: 'mean' },
  wrists: { label: 'Wrists', slots: ['wristRight', 'wristLeft'], judge: 'mean' },
  waist: { label: 'Waist', slots: ['waist'], judge: 'best' },
  legs: { label: 'Legs', slots: ['legRight', 'legLeft', 'lower'], judge: 'mean' },
  feet: { label: 'Under the feet', slots: ['feet'], judge: 'best' },
  held: { label: 'Held', slots: ['heldRight', 'heldLeft'], judge: 'best' },
  beside: { label: 'Beside', slots: ['beside'], judge: 'best' },
}

const BY_SLOT = new Map<Slot, Place>(
  PLACES.flatMap((place) => PLACE_FACTS[place].slots.map((slot): [Slot, Place] => [slot, place])),
)

/** The place a slot belongs to; hips belong to the legs but show no wish of their own. */
export const placeOf = (slot: Slot): Place => BY_SLOT.get(slot) ?? 'legs'
