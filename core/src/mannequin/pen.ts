import { isDeep, mix } from '../colour/index.ts'
import type { Colour, Slot } from '../catalogue/index.ts'
import { boundsOf, IDENTITY, multiply, rect, transformPath, type Matrix } from './path.ts'

/** One plain shape of a drawing, in figure units (y down, sole at 0). `clip` is path data the shape is cut to. */
export interface Shape {
  slot: Slot | 'plinth'
  d: string
  fill: string
  stroke?: string
  strokeWidth?: number
  opacity?: number
  clip?: string
}

export const INK = '#2A2730'
const OUTLINE = 1.6

/** Below this an area is a sheen or a shade that leaves the colour under it to be seen. */
const OPAQUE = 0.6

/** A colour as the pen uses it. */
export interface Paint {
  hex: string
  finish: Colour['finish']
}

export const paint = (hex: string, finish: Colour['finish'] = 'solid'): Paint => ({ hex, finish })

/**
 * Collects shapes for one slot under a matrix. Mould drawings only ever see a pen; they know nothing of where on the
 * figure they stand.
 */
export interface Pen {
  /** A solid piece with ink outline, a shade on its right edge and the sheen of its finish. */
  piece(d: string, colour: Paint): void
  /** A flat area without outline, cut to `clip` when given. */
  area(d: string, fill: string, clip?: string, opacity?: number): void
  /** A line; `fill` stays open. */
  line(d: string, stroke?: string, width?: number, clip?: string): void
  /** The same pen moved, turned or mirrored. */
  under(matrix: Matrix): Pen
}

/** Make a pen that appends to `shapes`; a flat one leaves out lines, sheens and shades, which cover nothing. */
export function penFor(shapes: Shape[], slot: Shape['slot'], matrix: Matrix = IDENTITY, flat = false): Pen {
  const at = (d: string) => transformPath(d, matrix)
  const scale = Math.sqrt(Math.abs(matrix[0] * matrix[3] - matrix[1] * matrix[2]))
  return {
    piece(d, colour) {
      const outline = at(d)
      if (flat) return void shapes.push({ slot, d: outline, fill: colour.hex })
      const clear = colour.finish === 'clear'
      shapes.push({
        slot,
        d: outline,
        fill: colour.hex,
        stroke: INK,
        strokeWidth: OUTLINE * scale,
        ...(clear ? { opacity: 0.62 } : {}),
      })
      const box = boundsOf(outline)
      const width = box.right - box.left
      const band = Math.min(9, width * 0.2)
      const strip = (x: number, w: number) => rect(x, box.top, w, box.bottom - box.top)
      const height = box.bottom - box.top
      const sheen = (x: number, w: number, tone: string, opacity: number) =>
        shapes.push({ slot, d: transformPath(strip(x, w), IDENTITY), fill: tone, opacity, clip: outline })
      if (width > 7 && height > 7 && !clear) sheen(box.right - band, band, INK, 0.14)
      if (colour.finish === 'metal') {
        sheen(box.left + width * 0.22, width * 0.12, '#FFFFFF', 0.5)
        sheen(box.left + width * 0.4, width * 0.04, '#FFFFFF', 0.35)
      } else if (colour.finish === 'pearl') {
        sheen(box.left + width * 0.14, width * 0.3, '#FFFFFF', 0.22)
      } else if (clear) {
        sheen(box.left + width * 0.14, width * 0.14, '#FFFFFF', 0.55)
      } else if (colour.finish === 'glow') {
        shapes.push({
          slot,
          d: outline,
          fill: 'none',
          stroke: mix(colour.hex, '#FFFFFF', 0.5),
          strokeWidth: 3,
          opacity: 0.6,
        })
      }
    },
    area(d, fill, clip, opacity) {
      if (flat && (opacity ?? 1) < OPAQUE) return
      shapes.push({
        slot,
        d: at(d),
        fill,
        ...(clip ? { clip: at(clip) } : {}),
        ...(opacity === undefined ? {} : { opacity }),
      })
    },
    line(d, stroke = INK, width = OUTLINE, clip) {
      if (flat) return
      shapes.push({
        slot,
        d: at(d),
        fill: 'none',
        stroke,
        strokeWidth: width * scale,
        ...(clip ? { clip: at(clip) } : {}),
      })
    },
    under(inner) {
      return penFor(shapes, slot, multiply(matrix, inner), flat)
    },
  }
}

/** A darker tone of a colour for folds, strands and seams. */
export const darker = (hex: string, amount = 0.28) => mix(hex, INK, amount)
/** A lighter tone of a colour. */
export const lighter = (hex: string, amount = 0.3) => mix(hex, '#FFFFFF', amount)
/** Mix `amount` of `other` into a colour. */
export const mixInto = (hex: string, other: string, amount: number) => mix(hex, other, amount)
/** The tone of strands and folds: darker than the piece, or lighter where the piece is too dark for that to show. */
export const fine = (hex: string) => (isDeep(hex) ? lighter(hex, 0.22) : darker(hex, 0.4))
