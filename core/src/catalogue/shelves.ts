import type { PartKind } from './types.ts'

/** How the finder groups kinds of part: what a person means by a slot, crown to sole. */
export const SHELVES = {
  headgear: { label: 'Headgear', kinds: ['headgear'] },
  head: { label: 'Head', kinds: ['head', 'face'] },
  neck: { label: 'Neck', kinds: ['neck'] },
  torso: { label: 'Torso', kinds: ['torso', 'dressed-torso'] },
  arms: { label: 'Arms', kinds: ['arm-left', 'arm-right', 'wrist'] },
  hands: { label: 'Hands', kinds: ['hand'] },
  waist: { label: 'Waist', kinds: ['waist'] },
  legs: { label: 'Legs', kinds: ['hips', 'leg-left', 'leg-right', 'leg-pair', 'lower'] },
  feet: { label: 'Under the feet', kinds: ['feet'] },
  held: { label: 'Held', kinds: ['held'] },
  beside: { label: 'Beside', kinds: ['beside'] },
} as const satisfies Record<string, { label: string; kinds: readonly PartKind[] }>

export type ShelfKey = keyof typeof SHELVES

export const SHELF_KEYS = Object.keys(SHELVES) as ShelfKey[]

const shelfByKind = new Map<PartKind, ShelfKey>(
  SHELF_KEYS.flatMap((key) => SHELVES[key].kinds.map((kind): [PartKind, ShelfKey] => [kind, key])),
)

/** The group a kind of part belongs to. */
export function shelfOf(kind: PartKind): ShelfKey {
  const shelf = shelfByKind.get(kind)
  if (!shelf) throw new Error(`No shelf holds parts of kind ${kind}. Add it to SHELVES.`)
  return shelf
}
