import type { PartKind } from '../catalogue/index.ts'
import { HEADGEAR } from './headgear.ts'
import { ITEMS } from './items.ts'
import { COMPANIONS, LOWER_PIECES, WAIST_PIECES } from './lowerAndWaist.ts'
import { NECK_PIECES } from './neckPieces.ts'

/** Silhouettes the mannequin can draw, by kind of part. Kinds that are not listed have one fixed shape. */
export const SILHOUETTES: Partial<Record<PartKind, readonly string[]>> = {
  headgear: Object.keys(HEADGEAR),
  neck: Object.keys(NECK_PIECES),
  waist: Object.keys(WAIST_PIECES),
  lower: Object.keys(LOWER_PIECES),
  held: Object.keys(ITEMS),
  beside: Object.keys(COMPANIONS),
}
