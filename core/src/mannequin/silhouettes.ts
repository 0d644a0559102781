import type { PartKind } from '../catalogue/index.ts'
import { HANDS, SLEEVES } from './body.ts'
import { HEADGEAR } from './headgear.ts'
import { HEADS } from './heads.ts'
import { ITEMS } from './items.ts'
import { COMPANIONS, LOWER_PIECES, WAIST_PIECES } from './lowerAndWaist.ts'
import { NECK_PIECES } from './neckPieces.ts'
import { FACE_PIECES, FEET_PIECES, WRIST_PIECES } from './smallPieces.ts'

/** Silhouettes the mannequin can draw, by kind of part. Kinds that are not listed have one fixed shape. */
export const SILHOUETTES: Partial<Record<PartKind, readonly string[]>> = {
  headgear: Object.keys(HEADGEAR),
  head: Object.keys(HEADS),
  face: Object.keys(FACE_PIECES),
  neck: Object.keys(NECK_PIECES),
  'arm-left': Object.keys(SLEEVES),
  'arm-right': Object.keys(SLEEVES),
  hand: Object.keys(HANDS),
  wrist: Object.keys(WRIST_PIECES),
  feet: Object.keys(FEET_PIECES),
  waist: Object.keys(WAIST_PIECES),
  lower: Object.keys(LOWER_PIECES),
  held: Object.keys(ITEMS),
  beside: Object.keys(COMPANIONS),
}
