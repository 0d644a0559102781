import type { PartKind } from '../catalogue/index.ts'
import { ARM_LAYERS, HIP_LAYERS } from './body.ts'
import { FACE_LAYERS } from './face.ts'
import { legLayers } from './legPrints.ts'
import { TORSO_LAYERS } from './torsoPrints.ts'

const legs = Object.keys(legLayers('full'))

/** Print layers each kind of part understands. */
export const LAYER_KINDS: Partial<Record<PartKind, readonly string[]>> = {
  head: Object.keys(FACE_LAYERS),
  torso: Object.keys(TORSO_LAYERS),
  'arm-left': Object.keys(ARM_LAYERS),
  'arm-right': Object.keys(ARM_LAYERS),
  hips: Object.keys(HIP_LAYERS),
  'leg-left': legs,
  'leg-right': legs,
}
