import { memoized } from '../base/index.ts'
import type { Catalogue, Placement, Slot } from '../catalogue/index.ts'
import { crossingsAt, polygonsOf } from './covered.ts'
import { drawFigure } from './drawFigure.ts'

/** Side of a cell in figure units, and the field of cells round the figure. */
const CELL = 4
const LEFT = -108
const TOP = -332
const COLUMNS = 54
const ROWS = 86

/** Cells whose middle lies in a path, by the even-odd rule along each row. */
const cellsOf = memoized(cellsIn, (d) => d)

function cellsIn(d: string): ReadonlySet<number> {
  const cells = new Set<number>()
  const polygons = polygonsOf(d)
  for (let row = 0; row < ROWS; row++) {
    const crossings = crossingsAt(polygons, TOP + (row + 0.5) * CELL)
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const first = Math.max(0, Math.ceil((crossings[i]! - LEFT) / CELL - 0.5))
      const last = Math.min(COLUMNS - 1, Math.floor((crossings[i + 1]! - LEFT) / CELL - 0.5))
      for (let column = first; column <= last; column++) cells.add(row * COLUMNS + column)
    }
  }
  return cells
}

/** Cells a shape covers, as far as its clip lets it. */
const coveredBy = memoized(
  (d: string, clip: string): Int16Array => {
    const inside = clip ? cellsOf(clip) : null
    return Int16Array.from([...cellsOf(d)].filter((cell) => inside?.has(cell) ?? true))
  },
  (d, clip) => `${d}|${clip}`,
)

/** Index of the topmost shape of each cell; used again for every view. */
const TOPMOST = new Int16Array(COLUMNS * ROWS)

/** What is seen of a drawn colour of one slot, in square figure units. */
export interface VisibleArea {
  slot: Slot
  fill: string
  area: number
}

/**
 * What the eye sees of each slot and fill, front and back together: shapes are laid over each other on a field of cells of
 * 4 × 4 figure units. Outlines, sheens and shades do not count. O(shapes × cells they cover).
 */
export function visibleAreas(placements: readonly Placement[], catalogue: Catalogue): VisibleArea[] {
  const seen = new Map<string, VisibleArea>()
  for (const view of ['front', 'back'] as const) {
    const { shapes } = drawFigure(placements, catalogue, { view, plinth: false, flat: true })
    TOPMOST.fill(-1)
    shapes.forEach((shape, index) => {
      const cells = coveredBy(shape.d, shape.clip ?? '')
      for (let i = 0; i < cells.length; i++) TOPMOST[cells[i]!] = index
    })
    const counts = new Uint16Array(shapes.length)
    for (const index of TOPMOST) if (index >= 0) counts[index]!++
    counts.forEach((count, index) => {
      const { slot, fill } = shapes[index]!
      if (count === 0 || slot === 'plinth') return
      const key = `${slot} ${fill}`
      const area = seen.get(key) ?? { slot, fill, area: 0 }
      area.area += count * CELL * CELL
      seen.set(key, area)
    })
  }
  return [...seen.values()]
}
