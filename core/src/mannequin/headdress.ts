import { own } from '../base/index.ts'
import { overHairOf } from '../anatomy/index.ts'
import { HEADGEAR, type HeadgearDrawing } from './headgear.ts'
import { boundsOf, rect } from './path.ts'
import type { Shape } from './pen.ts'
import type { DrawnPiece } from './worn.ts'

/** Where a hat's brim lies, in head units: hair tucked under it shows below this line alone. */
const BRIM = -15

/** One piece on the head as it is drawn. */
export interface HeadPiece {
  worn: DrawnPiece
  drawing: HeadgearDrawing
  /** Only what is below the brim shows. */
  tucked: boolean
}

/** What is drawn on the head, the innermost first. Hair under a helmet is not drawn at all. */
export function headPieces(worn: readonly DrawnPiece[]): HeadPiece[] {
  const [inner, outer] = worn
  const piece = (one: DrawnPiece, tucked = false): HeadPiece => ({
    worn: one,
    drawing: own(HEADGEAR, one.mould.silhouette) ?? HEADGEAR['crop']!,
    tucked,
  })
  if (!inner) return []
  if (!outer) return [piece(inner)]
  const over = overHairOf(outer.mould)
  if (over === 'hides') return [piece(outer)]
  return [piece(inner, over === 'tucked'), piece(outer)]
}

/** How far the pieces rise above the skull, in millimetres. */
export const headdressHeight = (pieces: readonly HeadPiece[]): number =>
  Math.max(0, ...pieces.filter(({ tucked }) => !tucked).map(({ worn }) => worn.mould.height))

/**
 * Cut shapes drawn on a head whose middle is at `headMiddle` to what shows under a brim. A shape that is cut already and
 * rises above the brim is a sheen or a strand of what is hidden there, and is left out.
 */
export function underBrim(shapes: readonly Shape[], headMiddle: number): Shape[] {
  const brim = headMiddle + BRIM
  const below = rect(-140, brim, 280, 200)
  return shapes.flatMap((shape) => {
    if (!shape.clip) return [{ ...shape, clip: below }]
    return Math.max(boundsOf(shape.d).top, boundsOf(shape.clip).top) >= brim ? [shape] : []
  })
}
