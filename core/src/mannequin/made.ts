import { own } from '../base/index.ts'
import type { MadeBand, MadeAs, Slot } from '../catalogue/index.ts'
import { drawArm, drawHand, drawHead, drawHips, drawLeg, drawTorso, type HexOf } from './body.ts'
import { withoutCutOff } from './cutOff.ts'
import { drawEmblem, emblemPoint } from './emblems.ts'
import { legLengthOf, MEASURES, mmPerUnit } from './geometry.ts'
import { HEADGEAR } from './headgear.ts'
import { ITEMS } from './items.ts'
import { COMPANIONS, LOWER_PIECES, WAIST_PIECES } from './lowerAndWaist.ts'
import { NECK_PIECES } from './neckPieces.ts'
import { multiply, rotation, scaling, transformPath, translation, type Matrix } from './path.ts'
import { darker, INK, penFor, type Pen, type Shape } from './pen.ts'
import { FACE_PIECES, FEET_PIECES, plainBand, WRIST_PIECES } from './smallPieces.ts'
import { layersSeen, type DrawnPiece } from './worn.ts'

/** How far down a lower piece reaches that is part of something made, in figure units. */
const LOOSE_REACH = 90

interface LooseOptions {
  back: boolean
  hexOf: HexOf
  flat: boolean
}

/**
 * Draw a part by itself: with its grip at 0,0 where it is made to be held, its foot where it stands beside a figure, and its
 * middle otherwise.
 */
function drawLoose(pen: Pen, piece: DrawnPiece, { back, hexOf }: LooseOptions): void {
  const { mould, paints, recipe } = piece
  const { kind, silhouette } = mould
  const view = back ? 'back' : 'front'
  const at = (x: number, y: number) => pen.under(translation(x, y))
  const badge = (on: Pen, of: Parameters<typeof emblemPoint>[0]) => {
    const layers = back ? recipe.back : recipe.front
    const point = layers.length > 0 && emblemPoint(of, silhouette, back)
    if (point) drawEmblem(on, point, layers, paints.main, hexOf)
  }
  switch (kind) {
    case 'held':
      own(ITEMS, silhouette)?.(pen, paints)
      return badge(pen, 'held')
    case 'beside':
      own(COMPANIONS, silhouette)?.(pen, paints, back)
      return badge(pen, 'beside')
    case 'headgear': {
      const drawing = own(HEADGEAR, silhouette) ?? HEADGEAR['crop']!
      drawing.behind?.(pen, paints)
      drawing[view]?.(pen, paints)
      return badge(pen, 'headgear')
    }
    case 'head':
      return drawHead(pen, paints.main, layersSeen(piece, view), hexOf, back, silhouette)
    case 'face':
      return own(FACE_PIECES, silhouette)?.[view]?.(pen, paints)
    case 'neck': {
      const middle = at(0, -MEASURES.torso.height / 2)
      const drawing = own(NECK_PIECES, silhouette)
      if (back) return drawing?.back(middle, paints)
      drawing?.behind?.(middle, paints)
      drawing?.front?.(middle, paints)
      return badge(middle, 'neck')
    }
    case 'torso':
    case 'dressed-torso':
      return drawTorso(at(0, -MEASURES.torso.height / 2), paints.main, layersSeen(piece, view), hexOf, back)
    case 'arm-left':
    case 'arm-right':
      return drawArm(at(0, -MEASURES.arm.length / 2), paints.main, recipe.front, hexOf, silhouette)
    case 'hand':
      return drawHand(pen, paints.main, silhouette)
    case 'wrist':
      return (own(WRIST_PIECES, silhouette) ?? plainBand)(at(0, -46), paints)
    case 'waist': {
      const drawing = own(WAIST_PIECES, silhouette)
      return ((back ? drawing?.back : undefined) ?? drawing?.front)?.(at(0, -8), paints, LOOSE_REACH)
    }
    case 'hips':
      return drawHips(at(0, -MEASURES.hips.height / 2), paints.main, recipe.front, hexOf)
    case 'leg-left':
    case 'leg-right':
    case 'leg-pair': {
      const length = legLengthOf(mould)
      return drawLeg(at(0, -MEASURES.leg[length] / 2), paints.main, length, recipe.front, hexOf)
    }
    case 'lower': {
      const draw = own(LOWER_PIECES, silhouette) ?? LOWER_PIECES['skirt']!
      return draw(at(0, -LOOSE_REACH / 2), paints, LOOSE_REACH)
    }
    case 'feet': {
      const height = Math.max(3, mould.height / mmPerUnit())
      return (own(FEET_PIECES, silhouette) ?? FEET_PIECES['riser-plate']!)(at(0, height / 2), paints, height)
    }
  }
}

const placedBy = ({ x, y, turn, mirrored }: { x: number; y: number; turn: number; mirrored: boolean }): Matrix =>
  [translation(x, y), rotation(turn), ...(mirrored ? [scaling(-1, 1)] : [])].reduce(multiply)

/** Which pieces of something made are drawn: those over the hand or body, those under it, or all. */
type Depth = 'over' | 'under' | 'all'

/**
 * Shapes of something made of several parts, each piece in its place, under `matrix`; bands lie over the pieces of their
 * depth, which is under. What is trimmed of a piece is taken off it as it lies by itself.
 */
export function shapesOfMade(
  pieces: readonly DrawnPiece[],
  slot: Slot,
  matrix: Matrix,
  depth: Depth,
  options: LooseOptions,
): Shape[] {
  const shapes: Shape[] = []
  const seen = pieces.filter(({ placement: { made } }) => depth === 'all' || (depth === 'over') === made!.front)
  for (const piece of seen) {
    const { made, altered } = piece.placement
    const drawn: Shape[] = []
    drawLoose(penFor(drawn, slot, undefined, options.flat), piece, options)
    const placed = multiply(matrix, placedBy(made!))
    for (const shape of withoutCutOff(drawn, [{ altered, from: 0, to: drawn.length }]))
      shapes.push({
        ...shape,
        d: transformPath(shape.d, placed),
        ...(shape.clip ? { clip: transformPath(shape.clip, placed) } : {}),
      })
  }
  const bands = depth === 'over' || options.flat ? [] : (pieces[0]?.placement.made?.bands ?? [])
  const pen = penFor(shapes, slot, matrix)
  for (const band of bands) drawBand(pen, band, options.hexOf)
  return shapes
}

function drawBand(pen: Pen, { colour, x, y, toX, toY }: MadeBand, hexOf: HexOf): void {
  const line = `M${x} ${y}L${toX} ${toY}`
  const hex = hexOf(colour) ?? INK
  pen.line(line, darker(hex, 0.6), 3.2)
  pen.line(line, hex, 1.8)
}

/** The middle of some made pieces on their board, which lead lines point to. */
export function middleOf(pieces: readonly DrawnPiece[]): { x: number; y: number } {
  const sum = pieces.reduce((all, { placement: { made } }) => ({ x: all.x + made!.x, y: all.y + made!.y }), {
    x: 0,
    y: 0,
  })
  return { x: sum.x / pieces.length, y: sum.y / pieces.length }
}

/** Where boards of what is worn so begin on a figure whose torso begins at `torsoTop` and ends at `hipTop`. */
export function boardOrigin(
  as: MadeAs,
  { torsoTop, hipTop }: { torsoTop: number; hipTop: number },
  hand: { x: number; y: number },
): { x: number; y: number } {
  if (as === 'held') return { x: hand.x, y: torsoTop + hand.y }
  if (as === 'beside') return { x: 82, y: 0 }
  if (as === 'lower') return { x: 0, y: hipTop }
  return { x: 0, y: torsoTop + (as === 'back' ? 30 : 12) }
}
