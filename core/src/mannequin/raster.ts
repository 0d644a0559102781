import type { Pixels } from '../colour/index.ts'
import { memoized } from '../base/index.ts'
import { crossingsAt, polygonsOf } from './covered.ts'
import type { Drawing } from './drawFigure.ts'

/** Figure units a pixel is wide and high; fine enough for a mitt, coarse enough for hundreds of figures. */
const CELL = 1.5

/** Spans of pixels a path covers, as row, first and last, by the even-odd rule along each row. */
const spansOf = memoized(spansIn, (d, window) => `${d}|${window.x} ${window.y} ${window.width} ${window.height}`)

function spansIn(d: string, { x: left, y: top, width, height }: Drawing['window']): Int16Array {
  const [columns, rows] = [Math.ceil(width / CELL), Math.ceil(height / CELL)]
  const polygons = polygonsOf(d)
  const spans: number[] = []
  for (let row = 0; row < rows; row++) {
    const crossings = crossingsAt(polygons, top + (row + 0.5) * CELL)
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const first = Math.max(0, Math.ceil((crossings[i]! - left) / CELL - 0.5))
      const last = Math.min(columns - 1, Math.floor((crossings[i + 1]! - left) / CELL - 0.5))
      if (last >= first) spans.push(row, first, last)
    }
  }
  return Int16Array.from(spans)
}

/**
 * A flat drawing as pixels of 1.5 figure units; see-through where nothing is drawn. Outlines, sheens and shades are left out.
 * O(shapes × rows they cover + pixels).
 */
export function rasterOf({ shapes, window }: Pick<Drawing, 'shapes' | 'window'>): Pixels {
  const [columns, rows] = [Math.ceil(window.width / CELL), Math.ceil(window.height / CELL)]
  const data = new Uint8ClampedArray(columns * rows * 4)
  const colours = new Uint32Array(data.buffer)
  const inside = new Uint8Array(columns * rows)
  for (const { d, fill, clip } of shapes) {
    if (!fill.startsWith('#')) continue
    const clipping = clip ? spansOf(clip, window) : null
    if (clipping) {
      inside.fill(0)
      for (let i = 0; i < clipping.length; i += 3)
        inside.fill(1, clipping[i]! * columns + clipping[i + 1]!, clipping[i]! * columns + clipping[i + 2]! + 1)
    }
    const [r, g, b] = [1, 3, 5].map((at) => parseInt(fill.slice(at, at + 2), 16)) as [number, number, number]
    // Canvas order, lowest byte first.
    const colour = ((255 << 24) | (b << 16) | (g << 8) | r) >>> 0
    const spans = spansOf(d, window)
    for (let i = 0; i < spans.length; i += 3) {
      const row = spans[i]! * columns
      for (let column = spans[i + 1]!; column <= spans[i + 2]!; column++)
        if (!clipping || inside[row + column]) colours[row + column] = colour
    }
  }
  return { data, width: columns, height: rows }
}
