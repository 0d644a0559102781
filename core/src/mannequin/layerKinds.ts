import type { PartKind } from '../catalogue/index.ts'
import { ARM_LAYERS, HIP_LAYERS } from './body.ts'
import { EMBLEM_LAYERS } from './emblems.ts'
import { FACE_LAYERS } from './face.ts'
import type { LayerDrawing } from './layer.ts'
import { legLayers } from './legPrints.ts'
import { TORSO_LAYERS } from './torsoPrints.ts'

const LEG_LAYERS = legLayers('full')

/** Print layers each kind of part understands, by name. */
export const LAYERS: Partial<Record<PartKind, Record<string, LayerDrawing>>> = {
  head: FACE_LAYERS,
  torso: TORSO_LAYERS,
  'arm-left': ARM_LAYERS,
  'arm-right': ARM_LAYERS,
  hips: HIP_LAYERS,
  'leg-left': LEG_LAYERS,
  'leg-right': LEG_LAYERS,
  headgear: EMBLEM_LAYERS,
  neck: EMBLEM_LAYERS,
  held: EMBLEM_LAYERS,
  beside: EMBLEM_LAYERS,
  waist: EMBLEM_LAYERS,
}

/** Their names. */
export const LAYER_KINDS = Object.fromEntries(
  Object.entries(LAYERS).map(([kind, layers]) => [kind, Object.keys(layers)]),
) as Partial<Record<PartKind, readonly string[]>>
