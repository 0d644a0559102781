import { own } from '../base/index.ts'
import type { Layer } from '../catalogue/index.ts'
import { FACE_LAYERS } from './face.ts'
import { MEASURES, type LegLength } from './geometry.ts'
import { HEADS } from './heads.ts'
import { contextFor, type LayerDrawing } from './layer.ts'
import { legLayers, legOutline } from './legPrints.ts'
import { ellipse, rect, rotation, scaling, translation } from './path.ts'
import { darker, INK, type Paint, type Pen } from './pen.ts'
import { TORSO, TORSO_LAYERS } from './torsoPrints.ts'

/** Finds the sRGB hex of a palette colour by its code. */
export type HexOf = (code: string) => string | undefined

/** Put print layers on a surface; layers this surface does not know are left out. `flip` undoes a mirrored view. */
function printOn(
  pen: Pen,
  layers: readonly Layer[],
  table: Record<string, LayerDrawing>,
  base: Paint,
  outline: string,
  hexOf: HexOf,
  flip: boolean,
) {
  const surface = flip ? pen.under(scaling(-1, 1)) : pen
  for (const layer of layers) own(table, layer.kind)?.(contextFor(layer, surface, base.hex, outline, hexOf))
}

/** A head (origin in its middle) with one of its faces. `back` undoes the mirrored view for what is printed. */
export function drawHead(
  pen: Pen,
  skin: Paint,
  face: readonly Layer[],
  hexOf: HexOf,
  back = false,
  silhouette = 'head',
) {
  const { outline, under, over } = own(HEADS, silhouette) ?? HEADS['head']!
  under?.(pen, skin)
  pen.piece(outline, skin)
  printOn(pen, face, FACE_LAYERS, skin, outline, hexOf, back)
  over?.(pen, skin, back)
}

/** The neck stub in torso units, in the colour of the head. */
export function drawNeck(pen: Pen, skin: Paint) {
  const { width, height } = MEASURES.neck
  pen.piece(rect(-width / 2, -height - 2, width, height + 6, 3), skin)
}

/** The torso in its own units with its print. */
export function drawTorso(pen: Pen, cloth: Paint, layers: readonly Layer[], hexOf: HexOf, flip = false) {
  pen.piece(TORSO, cloth)
  printOn(pen, layers, TORSO_LAYERS, cloth, TORSO, hexOf, flip)
  pen.line(TORSO)
}

const SLEEVE = 'M-8 -8Q0 -12 8 -8Q13 -5 13 3L13 50Q13 54 9 54L-9 54Q-13 54 -13 50L-13 3Q-13 -5 -8 -8Z'

/** Layers a sleeve print may use, in arm units. */
export const ARM_LAYERS: Record<string, LayerDrawing> = {
  cuff: ({ pen, colour, outline }) => {
    pen.area(rect(-15, 43, 30, 12), colour('colour'), outline)
    pen.line('M-13 43L13 43', darker(colour('colour'), 0.5), 1.3)
  },
  'short-sleeve': ({ pen, colour, outline }) => {
    pen.area(rect(-15, 22, 30, 34), colour('skin'), outline)
    pen.line('M-13 22L13 22', INK, 1.4)
  },
  'rolled-sleeve': ({ pen, colour, outline, base }) => {
    pen.area(rect(-15, 36, 30, 20), colour('skin'), outline)
    pen.area(rect(-15, 29, 30, 8), darker(base, 0.12), outline)
    pen.line('M-13 29L13 29M-13 37L13 37', INK, 1.2)
  },
  stripe: ({ pen, colour, outline }) => pen.area(rect(2, -12, 7, 70), colour('colour'), outline),
  hoops: ({ pen, colour, outline }) => {
    for (const y of [4, 20, 36]) pen.area(rect(-15, y, 30, 8), colour('colour'), outline)
  },
  armband: ({ pen, colour, outline }) => pen.area(rect(-15, 12, 30, 9), colour('colour'), outline),
}

/** Where the shoulder pivots, in torso units, for the figure's right side (−1) or left (1). */
const shoulder = (side: -1 | 1) => ({ x: side * 40, y: 10 })

/** Pen turned so that the arm of a side hangs straight down from 0,0. */
export const armPen = (torsoPen: Pen, side: -1 | 1) => {
  const { x, y } = shoulder(side)
  return torsoPen.under(translation(x, y)).under(rotation(-side * MEASURES.arm.angle))
}

/** Middle of the mitt in torso units. */
export function mitt(side: -1 | 1) {
  const angle = (MEASURES.arm.angle * Math.PI) / 180
  const { x, y } = shoulder(side)
  return { x: x + side * Math.sin(angle) * 60, y: y + Math.cos(angle) * 60 }
}

/** Sleeve silhouettes, in arm units. */
export const SLEEVES: Record<string, string> = {
  arm: SLEEVE,
  'puff-sleeve':
    'M-9 -9Q0 -14 9 -9Q19 -4 18 10Q17 22 12 25L13 50Q13 54 9 54L-9 54Q-13 54 -13 50L-12 25Q-17 22 -18 10Q-19 -4 -9 -9Z',
}

/** An arm hanging straight down from 0,0 with its print. */
export function drawArm(pen: Pen, cloth: Paint, layers: readonly Layer[], hexOf: HexOf, silhouette = 'arm') {
  const outline = own(SLEEVES, silhouette) ?? SLEEVE
  pen.piece(outline, cloth)
  printOn(pen, layers, ARM_LAYERS, cloth, outline, hexOf, false)
  if (layers.length) pen.line(outline)
}

/** Hands by silhouette, origin at the middle, as the figure's right one. */
export const HANDS: Record<string, (pen: Pen, skin: Paint) => void> = {
  hand(pen, skin) {
    pen.piece(ellipse(0, 0, MEASURES.hand), skin)
    pen.line('M-6 5Q0 -3 6 5', INK, 1.5)
  },
  'hook-hand'(pen, skin) {
    pen.piece(rect(-8, -12, 16, 9, 3), skin)
    pen.line('M0 -3L0 4Q0 13 8 12Q14 10 11 3', darker(skin.hex, 0.35), 4.4)
  },
  gripper(pen, skin) {
    pen.piece(rect(-9, -12, 18, 12, 4), skin)
    for (const s of [-1, 1]) pen.piece(`M${s * 3} -2L${s * 11} -2L${s * 12} 9L${s * 5} 13L${s * 5} 6Z`, skin)
  },
}

/** A hand, origin at its middle; a mitt with the crease of the thumb where no silhouette is known. */
export function drawHand(pen: Pen, skin: Paint, silhouette = 'hand') {
  ;(own(HANDS, silhouette) ?? HANDS['hand']!)(pen, skin)
}

const HIP_BAND = rect(-MEASURES.hips.width / 2, 0, MEASURES.hips.width, MEASURES.hips.height, 7)

/** Layers a hip print may use, in hip units. */
export const HIP_LAYERS: Record<string, LayerDrawing> = {
  hem: ({ pen, colour, outline }) => pen.area(rect(-50, -2, 100, 26), colour('colour'), outline),
  waders: ({ pen, colour, outline }) => pen.area(rect(-50, 6, 100, 20), colour('colour'), outline),
  belt: ({ pen, colour, outline }) => {
    pen.area(rect(-50, 2, 100, 9), colour('colour', '#4A3423'), outline)
    pen.line(rect(-7, 1, 14, 11, 2), colour('buckle', '#C9A24A'), 2)
  },
}

/** The hip band, origin at the middle of its top edge. */
export function drawHips(pen: Pen, cloth: Paint, layers: readonly Layer[], hexOf: HexOf) {
  pen.piece(HIP_BAND, cloth)
  printOn(pen, layers, HIP_LAYERS, cloth, HIP_BAND, hexOf, false)
  if (layers.length) pen.line(HIP_BAND)
}

/** One leg, origin at the middle of its top edge. */
export function drawLeg(
  pen: Pen,
  cloth: Paint,
  length: LegLength,
  layers: readonly Layer[],
  hexOf: HexOf,
  flip = false,
) {
  const outline = legOutline(length)
  pen.piece(outline, cloth)
  printOn(pen, layers, legLayers(length), cloth, outline, hexOf, flip)
  pen.line(outline)
}
