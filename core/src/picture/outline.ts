import { cellOf, type Box, type LabField } from './field.ts'
import { mayBeSkin } from './skin.ts'
import { heightOf, thickOf, type Region } from './region.ts'
import { medianOf } from './medianOf.ts'

/** Points of a body by which the doll is laid over a picture. Right and left are the figure's own. */
export const LANDMARKS = ['crown', 'chin', 'shoulderRight', 'shoulderLeft', 'waist', 'hip', 'knees', 'soles'] as const
export type Landmark = (typeof LANDMARKS)[number]

export interface Point {
  x: number
  y: number
}

/** Where the landmarks are, in shares of the picture's width and height (or in cells, where a field is looked at). */
export type Outline = Record<Landmark, Point>

/** Where in a picture a figure is. */
export interface PictureOutline {
  box: Box
  points: Outline
  /** How high it is, as a share of the tallest in the picture; null where there is nobody else. */
  height: number | null
}

/** An outline found, with the landmarks that were only placed by usual proportions. */
export interface FoundOutline {
  outline: Outline
  guessed: Landmark[]
}

/** Usual heights above the sole, in shares of the whole height, of people and of figures like our doll. */
const PEOPLE = { chin: 0.83, shoulder: 0.79, hip: 0.47 }
const DOLLS = { chin: 0.745, shoulder: 0.71, hip: 0.31 }
/** A head is at least so much of the whole height, hat and all. */
const SMALLEST_HEAD = 0.125
/** So wide for its height a figure is a doll. */
const DOLL_WIDTH = 0.36

/** Where the landmarks of somebody who fills a box usually are, for a picture `aspect` times as wide as high. All in shares. */
export function usualOutline({ x, y, width, height }: Box, aspect: number): Outline {
  const middle = x + width / 2
  const half = Math.min(width * 0.35, (height * 0.13) / aspect)
  const at = (share: number, aside = 0): Point => ({ x: middle + aside, y: y + height * (1 - share * 0.94 - 0.03) })
  return {
    crown: at(1),
    chin: at(PEOPLE.chin),
    shoulderRight: at(PEOPLE.shoulder, -half),
    shoulderLeft: at(PEOPLE.shoulder, half),
    waist: at(PEOPLE.hip + (PEOPLE.shoulder - PEOPLE.hip) * 0.32),
    hip: at(PEOPLE.hip),
    knees: at(PEOPLE.hip / 2),
    soles: at(0),
  }
}

/** Runs of cells of a row of a region: first and last column of each. */
function runsOf({ cells, width }: Region, row: number): [number, number][] {
  const runs: [number, number][] = []
  for (let column = 0; column < width; column++) {
    if (!cells[row * width + column]) continue
    const last = runs.at(-1)
    if (last && last[1] === column - 1) last[1] = column
    else runs.push([column, column])
  }
  return runs
}

/** The run that holds a column, or the nearest to it. */
function runAt(runs: readonly [number, number][], column: number): [number, number] | undefined {
  const away = ([a, b]: [number, number]) => (column < a ? a - column : column > b ? column - b : 0)
  return [...runs].sort((one, other) => away(one) - away(other))[0]
}

/**
 * The landmarks of a figure by its silhouette, in cells: the narrow neck between head and shoulders, the place where legs
 * part; where hair, a cape or a skirt hides one it is placed by usual proportions and named as guessed. O(cells).
 */
export function outlineOf(region: Region, field: LabField): FoundOutline {
  const thick = thickOf(region, Math.max(1, Math.round(heightOf(region) * 0.012)))
  const { top, bottom } = thick
  const height = bottom - top
  const columns: number[] = []
  for (let row = top + Math.round(height * 0.2); row < top + height * 0.6; row++)
    for (const [a, b] of runsOf(thick, row)) for (let column = a; column <= b; column++) columns.push(column)
  const axis = medianOf(columns)
  const widths: number[] = []
  const middles: number[] = []
  const runs: [number, number][] = []
  for (let row = top; row <= bottom; row++) {
    const run = runAt(runsOf(thick, row), axis) ?? [axis, axis]
    runs.push(run)
    widths.push(run[1] - run[0] + 1)
    middles.push((run[0] + run[1]) / 2)
  }
  const guessed: Landmark[] = []
  const body = widths.slice(Math.round(height * 0.25), Math.round(height * 0.6))
  const usual = medianOf([...body]) / height > DOLL_WIDTH ? DOLLS : PEOPLE
  const at = (share: number) => Math.round(height * (1 - share))

  let [chin, shoulder] = neckIn(widths, height)
  if (chin === undefined || shoulder === undefined || chin < height * SMALLEST_HEAD) {
    chin = Math.max(at(usual.chin), faceIn(field, thick, axis))
    shoulder = chin + at(usual.shoulder) - at(usual.chin)
    guessed.push('chin', 'shoulderRight', 'shoulderLeft')
  }
  const [from, to] = [0.02, 0.06].map((share) => Math.min(height, shoulder + Math.round(height * share)))
  const ends = runs.slice(from, to! + 1).sort((a, b) => b[1] - b[0] - (a[1] - a[0]))[0]!
  const parting = partingIn(thick, axis, height, (ends[1] - ends[0]) / 2)
  const hip = parting ?? at(usual.hip)
  if (parting === undefined) guessed.push('hip', 'waist', 'knees')
  const waist = Math.round(shoulder + (hip - shoulder) * 0.68)
  const point = (row: number, x = middleOf(middles, row)): Point => ({ x, y: top + row })
  return {
    outline: {
      crown: point(0, middleOf(middles, Math.round(chin / 2))),
      chin: point(chin),
      shoulderRight: point(shoulder, ends[0]),
      shoulderLeft: point(shoulder, ends[1] + 1),
      waist: point(waist, axis),
      hip: point(hip, axis),
      knees: point(Math.round((hip + height) / 2), axis),
      soles: point(height + 1, axis),
    },
    guessed,
  }
}

const middleOf = (middles: readonly number[], row: number) => middles[Math.max(0, Math.min(middles.length - 1, row))]!

/** Where a face ends below the crown, in rows: what may be skin near the axis, without a gap, in the upper part; 0 where none is. */
function faceIn(field: LabField, { top, bottom, cells }: Region, axis: number): number {
  const height = bottom - top
  const half = Math.round(height * 0.05)
  let last = 0
  for (let row = Math.round(height * 0.06); row < height * 0.28; row++) {
    let skin = 0
    for (let column = Math.max(0, axis - half); column <= Math.min(field.width - 1, axis + half); column++) {
      const cell = (top + row) * field.width + column
      if (cells[cell] && mayBeSkin(cellOf(field, cell))) skin++
    }
    if (skin < half) continue
    if (last > 0 && row - last > height * 0.03) break
    last = row
  }
  return last
}

/** Rows of chin and shoulders: on both sides of the narrowest row that has a wider head above and shoulders below. */
function neckIn(widths: readonly number[], height: number): [chin?: number, shoulder?: number] {
  let best = { row: -1, worth: 1.22 }
  const first = Math.round(height * 0.07)
  const last = Math.round(height * 0.34)
  for (let row = first; row <= last; row++) {
    const above = Math.max(...widths.slice(0, row))
    const below = Math.max(...widths.slice(row + 1, row + 1 + Math.round(height * 0.12)))
    const worth = Math.min(above, below) / widths[row]!
    if (worth > best.worth) best = { row, worth }
  }
  if (best.row < 0) return []
  const narrow = widths[best.row]!
  const above = Math.max(...widths.slice(0, best.row))
  const below = Math.max(...widths.slice(best.row + 1, best.row + 1 + Math.round(height * 0.12)))
  let chin = best.row
  while (chin > 0 && widths[chin]! < narrow + (above - narrow) * 0.45) chin--
  let shoulder = best.row
  while (shoulder < height && widths[shoulder]! < narrow + (below - narrow) * 0.6) shoulder++
  return [chin, shoulder]
}

/** The row where legs part: the upper end of the longest gap that reaches down beside the axis. */
function partingIn(thick: Region, axis: number, height: number, half: number): number | undefined {
  const isParted = (row: number) => {
    const near = runsOf(thick, thick.top + row).filter(([a, b]) => b > axis - half && a < axis + half)
    return near.some(([, b], i) => {
      const next = near[i + 1]
      return next !== undefined && (b + next[0]) / 2 > axis - half * 0.5 && (b + next[0]) / 2 < axis + half * 0.5
    })
  }
  let from: number | undefined
  let longest: [number, number] | undefined
  for (let row = Math.round(height * 0.42); row <= height; row++) {
    if (isParted(row)) {
      from ??= row
      if (!longest || row - from >= longest[1] - longest[0]) longest = [from, row]
    } else from = undefined
  }
  // Feet set apart below a skirt part nothing.
  return longest && longest[1] - longest[0] > height * 0.12 ? longest[0] : undefined
}
