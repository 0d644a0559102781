import { clustersOf, labDistance, type Lab } from '../colour/index.ts'
import { cellOf, neighboursOf, type LabField } from './field.ts'

/** Cells of a field that belong together: 1 where one does. */
export interface Region {
  width: number
  height: number
  cells: Uint8Array
  /** First and last row and column, all of them inside. */
  top: number
  bottom: number
  left: number
  right: number
  area: number
}

/** Colours of the border that less of it has belong to what is cut off there, not to the ground. */
const LEAST_OF_BORDER = 0.07
const BORDER_COLOURS = 6
/** CIE 1976: as far from the ground's colours a cell may be in any case, and by how much each cell of a slow change may differ. */
const NEAR_GROUND = 4
const SLOW = 1.2
/** Above this mean distance of the border's cells from its main colours nobody would call the ground plain. */
const PLAIN = 7
/** A figure is at least so much of the picture, and so high. */
const LEAST_AREA = 0.004
const LEAST_HEIGHT = 0.18

/**
 * The figures of a picture, from left to right: connected regions that the colours of the border do not flow into, of some
 * size and no wider than a figure with its arms out. Empty where the border is not plain enough to tell. O(cells).
 */
export function figuresIn(field: LabField): Region[] {
  const ground = groundOf(field)
  if (!ground) return []
  const away = awayFrom(field, ground.colours)
  const outside = new Uint8Array(away.length)
  flood(field, outside, away, ground)
  const least = LEAST_AREA * away.length
  const inside = () => joined(regionsOf(outside, field.width, field.height, 0, least))
  floodShadows(field, outside, away, ground, inside())
  const regions = inside().filter(
    (region) =>
      heightOf(region) >= LEAST_HEIGHT * field.height &&
      region.right - region.left < 1.4 * (region.bottom - region.top),
  )
  const tallest = Math.max(0, ...regions.map(heightOf))
  return regions.filter((region) => heightOf(region) >= tallest * 0.4).sort((a, b) => a.left - b.left)
}

export const heightOf = ({ top, bottom }: Region): number => bottom - top + 1

interface Ground {
  colours: Lab[]
  /** How far from its colours the ground itself is at most, and where it changes slowly from one to the next. */
  near: number
  flows: number
}

/** What the border is of; null where it is not plain. */
function groundOf(field: LabField): Ground | null {
  const { width, height } = field
  const border: Lab[] = []
  const rim = Math.max(1, Math.round(Math.min(width, height) * 0.012))
  let clear = 0
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      if (row >= rim && row < height - rim && column >= rim && column < width - rim) continue
      const colour = cellOf(field, row * width + column)
      if (Number.isNaN(colour[0])) clear++
      else border.push(colour)
    }
  // A picture cut out already has nothing for a ground.
  if (clear > border.length) return { colours: [], near: 0, flows: 0 }
  const clusters = clustersOf(border, BORDER_COLOURS).filter(
    ({ members }) => members.length >= border.length * LEAST_OF_BORDER,
  )
  const colours = clusters.map(({ centre }) => centre)
  const away = clusters.flatMap(({ centre, members }) => members.map((member) => labDistance(border[member]!, centre)))
  const kept = away.length
  const mean = away.reduce((sum, d) => sum + d, 0) / Math.max(1, kept)
  if (kept < border.length * 0.7 || mean > PLAIN) return null
  return { colours, near: NEAR_GROUND + mean * 1.8, flows: NEAR_GROUND + mean * 4 }
}

/** How far each cell is from the nearest colour of the ground (CIE 1976); see-through is ground. */
function awayFrom(field: LabField, colours: readonly Lab[]): Float32Array {
  const away = new Float32Array(field.width * field.height)
  for (let cell = 0; cell < away.length; cell++) {
    const colour = cellOf(field, cell)
    if (Number.isNaN(colour[0])) continue
    away[cell] = Infinity
    for (const ground of colours) away[cell] = Math.min(away[cell]!, labDistance(colour, ground))
  }
  return away
}

/** Takes what the ground reaches: from the border, from what it has reached, and on through what `also` says. */
function flood(
  field: LabField,
  reached: Uint8Array,
  away: Float32Array,
  { near, flows }: Ground,
  also: (cell: number) => boolean = () => false,
): void {
  const { width, height } = field
  const open: number[] = []
  for (let cell = 0; cell < reached.length; cell++) {
    const [row, column] = [Math.floor(cell / width), cell % width]
    const onBorder = row === 0 || column === 0 || row === height - 1 || column === width - 1
    if (onBorder && away[cell]! <= near) reached[cell] = 1
    if (reached[cell]) open.push(cell)
  }
  while (open.length > 0) {
    const from = open.pop()!
    for (const cell of neighboursOf(from, width, height)) {
      if (reached[cell]) continue
      const isSlow = away[cell]! <= flows && labDistance(cellOf(field, from), cellOf(field, cell)) <= SLOW
      if (away[cell]! > near && !isSlow && !also(cell)) continue
      reached[cell] = 1
      open.push(cell)
    }
  }
}

/** Shadows are thrown over so much of a figure's height, and are the ground's own colour, so much darker. */
const SHADOW_HEIGHT = 0.13
const DARKENS = 34
const SHADOW_HUE = 5

/** Takes the shadows under figures, and what ground they shut in. */
function floodShadows(
  field: LabField,
  reached: Uint8Array,
  away: Float32Array,
  ground: Ground,
  figures: readonly Region[],
): void {
  const { colours } = ground
  if (colours.length === 0) return
  const isLow = (row: number) =>
    figures.some((figure) => row <= figure.bottom && row > figure.bottom - heightOf(figure) * SHADOW_HEIGHT)
  flood(field, reached, away, ground, (cell) => {
    if (!isLow(Math.floor(cell / field.width))) return false
    const [l, a, b] = cellOf(field, cell)
    return colours.some((lit) => lit[0] > l && lit[0] - l < DARKENS && Math.hypot(lit[1] - a, lit[2] - b) < SHADOW_HUE)
  })
}

/** Connected regions of cells that are `value`, of at least some area. */
function regionsOf(cells: Uint8Array, width: number, height: number, value = 1, least = 1): Region[] {
  /** Which region a cell is of, from 1. */
  const owner = new Int32Array(cells.length)
  const regions: Region[] = []
  for (let first = 0, id = 0; first < cells.length; first++) {
    if (cells[first] !== value || owner[first]) continue
    id++
    const region = { width, height, top: height, bottom: -1, left: width, right: -1, area: 0 }
    const own: number[] = [first]
    owner[first] = id
    for (let i = 0; i < own.length; i++)
      for (const next of neighboursOf(own[i]!, width, height))
        if (cells[next] === value && !owner[next]) {
          owner[next] = id
          own.push(next)
        }
    if (own.length < least) continue
    const mask = new Uint8Array(cells.length)
    for (const cell of own) {
      mask[cell] = 1
      const [row, column] = [Math.floor(cell / width), cell % width]
      region.top = Math.min(region.top, row)
      region.bottom = Math.max(region.bottom, row)
      region.left = Math.min(region.left, column)
      region.right = Math.max(region.right, column)
    }
    regions.push({ ...region, area: own.length, cells: mask })
  }
  return regions
}

/** So far apart for their height pieces of one figure lie at most where something of the ground's colour parts them. */
const LARGEST_GAP = 0.16

/** Pieces that stand on top of each other put together: a beard or a shirt of the ground's colour lies between. */
function joined(regions: readonly Region[]): Region[] {
  const left = [...regions].sort((a, b) => b.area - a.area)
  for (let i = 0; i < left.length; i++)
    for (let j = i + 1; j < left.length; j++) {
      const [upper, lower] = left[i]!.top < left[j]!.top ? [left[i]!, left[j]!] : [left[j]!, left[i]!]
      const gap = lower.top - upper.bottom
      const shared = Math.min(upper.right, lower.right) - Math.max(upper.left, lower.left)
      const narrower = Math.min(upper.right - upper.left, lower.right - lower.left)
      if (gap > LARGEST_GAP * (lower.bottom - upper.top) || shared < narrower * 0.6) continue
      left[i] = bridged(upper, lower)
      left.splice(j, 1)
      j = i
    }
  return left
}

/** Two pieces as one, with what lies between the lowest row of the upper and the highest of the lower. */
function bridged(upper: Region, lower: Region): Region {
  const { width, height } = upper
  const cells = upper.cells.map((is, cell) => is | lower.cells[cell]!)
  const endsAt = ({ cells: own }: Region, row: number) => {
    const line = own.subarray(row * width, (row + 1) * width)
    return [line.indexOf(1), line.lastIndexOf(1)] as const
  }
  const [from, to] = [endsAt(upper, upper.bottom), endsAt(lower, lower.top)]
  for (let row = upper.bottom + 1; row < lower.top; row++) {
    const share = (row - upper.bottom) / (lower.top - upper.bottom)
    const at = (end: 0 | 1) => Math.round(from[end] + (to[end] - from[end]) * share)
    cells.fill(1, row * width + at(0), row * width + at(1) + 1)
  }
  return {
    width,
    height,
    cells,
    top: Math.min(upper.top, lower.top),
    bottom: Math.max(upper.bottom, lower.bottom),
    left: Math.min(upper.left, lower.left),
    right: Math.max(upper.right, lower.right),
    area: cells.reduce((sum, is) => sum + is, 0),
  }
}

/**
 * A region without what is thinner than 2 × reach + 1 cells (staffs, ropes, shadows seen flat): its largest piece after
 * opening by a square. The region itself where nothing would be left.
 */
export function thickOf(region: Region, reach: number): Region {
  const { cells, width, height } = region
  const isFull = (count: number, span: number) => count === span
  const shrunk = around(around(cells, 1, width, reach, isFull), width, height, reach, isFull)
  const isAny = (count: number) => count > 0
  const opened = around(around(shrunk, 1, width, reach, isAny), width, height, reach, isAny)
  return joined(regionsOf(opened, width, height))[0] ?? region
}

/**
 * Each cell by how many of those within reach of it are 1, along lines of `length` cells that lie `step` apart. Lines end at the
 * edge of the picture, which cuts nothing off.
 */
function around(
  cells: Uint8Array,
  step: number,
  length: number,
  reach: number,
  holds: (count: number, span: number) => boolean,
): Uint8Array {
  const found = new Uint8Array(cells.length)
  const sums = new Uint32Array(length + 1)
  for (let line = 0; line < cells.length / length; line++) {
    const first = step === 1 ? line * length : line
    for (let i = 0; i < length; i++) sums[i + 1] = sums[i]! + cells[first + i * step]!
    for (let i = 0; i < length; i++) {
      const [from, to] = [Math.max(0, i - reach), Math.min(length, i + reach + 1)]
      found[first + i * step] = holds(sums[to]! - sums[from]!, to - from) ? 1 : 0
    }
  }
  return found
}
