import { converter } from 'culori'
import type { Pixels } from '../colour/index.ts'
import { fieldOf } from './field.ts'
import { figuresIn } from './region.ts'
import { medianOf } from './medianOf.ts'

/** Light is taken as a surface of the fourth degree, since a lamp close by falls off faster than any parabola. */
const DEGREE = 4
const POWERS = Array.from({ length: DEGREE + 1 }, (_, sum) =>
  Array.from({ length: sum + 1 }, (__, y) => [sum - y, y] as const),
).flat()
const TERMS = POWERS.length
/** From -1 to 1 the powers are least alike. */
const termsAt = (x: number, y: number) => POWERS.map(([a, b]) => (2 * x - 1) ** a * (2 * y - 1) ** b)
/** Less ground than this share of a picture is too little to go by. */
const LEAST_GROUND = 0.15
/** Unless so much of the ground lies within this of the surface (logarithms of luminance), it says nothing of the light. */
const MOSTLY = 0.75
const PLAIN = 0.15
/** Rounds in which what lies far from the surface counts less: creases, dust, what is no ground. */
const ROUNDS = 4
/** No pixel is made lighter or darker than by this factor. */
const MOST = 3
/** The ground is made as light as it is where nine tenths of it are darker. */
const LIT = 0.9
/** Cells so near to a figure may be its shadow or its edge. */
const NEAR_FIGURE = 4
/** Every so many cells are enough for a surface as smooth. */
const EVERY = 4
/** Pixels between two points where the light is worked out. */
const CELL = 16

/** The logarithm of how much more light there is at a point (shares of a picture) than where its ground is light. */
export type GroundLight = (x: number, y: number) => number

/**
 * A picture whose ground is as light on all sides as where it is lightest, `share` of the way (0 to 1). The light is taken off
 * everything, as the figure stands in the same light. Colours keep their hue, since all three channels of linear light are
 * multiplied alike. O(pixels).
 */
export function evenLight(pixels: Pixels, light: GroundLight | null, share: number): Pixels {
  if (!light || share <= 0) return pixels
  const { width, height } = pixels
  const data = new Uint8ClampedArray(pixels.data)
  // Light is smooth: between the corners of cells of some pixels it is as good as straight.
  const [across, down] = [Math.ceil(width / CELL), Math.ceil(height / CELL)]
  const most = Math.log(MOST)
  const factors = Float64Array.from({ length: (across + 1) * (down + 1) }, (_, i) => {
    const [row, column] = [Math.floor(i / (across + 1)), i % (across + 1)]
    const away = share * light((column * CELL) / width, (row * CELL) / height)
    return Math.exp(-Math.min(most, Math.max(-most, away)))
  })
  for (let y = 0; y < height; y++) {
    const row = Math.floor(y / CELL)
    const downward = (y - row * CELL) / CELL
    for (let x = 0; x < width; x++) {
      const column = Math.floor(x / CELL)
      const along = (x - column * CELL) / CELL
      const corner = row * (across + 1) + column
      const above = factors[corner]! + (factors[corner + 1]! - factors[corner]!) * along
      const next = corner + across + 1
      const below = factors[next]! + (factors[next + 1]! - factors[next]!) * along
      const factor = above + (below - above) * downward
      const at = (y * width + x) * 4
      for (let c = at; c < at + 3; c++) data[c] = coded(LINEAR[data[c]!]! * factor)
    }
  }
  return { data, width, height }
}

const toLight = converter('lrgb')
const toCode = converter('rgb')
/** Linear light of a channel's byte, and the byte of a share of light. */
const LINEAR = Float64Array.from({ length: 256 }, (_, byte) => toLight({ mode: 'rgb', r: byte / 255, g: 0, b: 0 }).r)
const STEPS = 4096
const CODED = Uint8ClampedArray.from({ length: STEPS + 1 }, (_, step) =>
  Math.round(255 * toCode({ mode: 'lrgb', r: step / STEPS, g: 0, b: 0 }).r),
)
const coded = (light: number) => CODED[Math.min(STEPS, Math.round(light * STEPS))]!

/**
 * The light of a picture as a smooth surface, read off its ground. Null where no figure is found before a ground, where there is too
 * little of that to tell, or where it is of many things: a surface through those leads anywhere behind the figure. O(pixels).
 */
export function groundLight(pixels: Pixels): GroundLight | null {
  const field = fieldOf(pixels)
  const { width, height, lab } = field
  const figures = figuresIn(field)
  if (figures.length === 0) return null
  const isGround = (row: number, column: number) => {
    for (const { cells } of figures)
      for (const y of [Math.max(0, row - NEAR_FIGURE), row, Math.min(height - 1, row + NEAR_FIGURE)])
        for (const x of [Math.max(0, column - NEAR_FIGURE), column, Math.min(width - 1, column + NEAR_FIGURE)])
          if (cells[y * width + x]) return false
    return true
  }
  const samples: { terms: readonly number[]; value: number }[] = []
  let all = 0
  for (let row = 0; row < height; row += EVERY)
    for (let column = 0; column < width; column += EVERY) {
      all++
      const lightness = lab[(row * width + column) * 3]!
      if (Number.isNaN(lightness) || lightness < 2 || !isGround(row, column)) continue
      // CIE L* back to luminance.
      const luminance = lightness > 8 ? ((lightness + 16) / 116) ** 3 : lightness / 903.3
      samples.push({ terms: termsAt((column + 0.5) / width, (row + 0.5) / height), value: Math.log(luminance) })
    }
  if (samples.length < Math.max(10 * TERMS, LEAST_GROUND * all)) return null
  let weights = samples.map(() => 1)
  let surface = fitted(samples, weights)
  let residuals: number[] = []
  for (let round = 0; round < ROUNDS && surface; round++) {
    residuals = samples.map(({ terms, value }) => Math.abs(value - valueAt(surface!, terms)))
    const usual = Math.max(0.004, medianOf(residuals) * 3)
    // Tukey's biweight: what is far off is no ground, and counts for nothing.
    weights = residuals.map((residual) => (residual >= usual ? 0 : (1 - (residual / usual) ** 2) ** 2))
    surface = fitted(samples, weights)
  }
  // Shadows and creases are a part of a ground; where it is of many things, most of it lies anywhere.
  const far = residuals.sort((a, b) => a - b)[Math.floor(residuals.length * MOSTLY)]!
  if (!surface || far > PLAIN) return null
  const found = surface
  const lit = samples.map(({ terms }) => valueAt(found, terms)).sort((a, b) => a - b)[Math.floor(samples.length * LIT)]!
  return (x, y) => valueAt(found, termsAt(x, y)) - lit
}

const valueAt = (surface: readonly number[], terms: readonly number[]) =>
  surface.reduce((sum, factor, i) => sum + factor * terms[i]!, 0)

/** Weighted least squares by the normal equations; null where they have no one answer. */
function fitted(
  samples: readonly { terms: readonly number[]; value: number }[],
  weights: readonly number[],
): number[] | null {
  const rows = Array.from({ length: TERMS }, () => new Array<number>(TERMS + 1).fill(0))
  samples.forEach(({ terms, value }, n) => {
    for (let i = 0; i < TERMS; i++) {
      for (let j = 0; j < TERMS; j++) rows[i]![j]! += weights[n]! * terms[i]! * terms[j]!
      rows[i]![TERMS]! += weights[n]! * terms[i]! * value
    }
  })
  for (let i = 0; i < TERMS; i++) {
    const pivot = rows.slice(i).reduce((best, row) => (Math.abs(row[i]!) > Math.abs(best[i]!) ? row : best))
    if (Math.abs(pivot[i]!) < 1e-9) return null
    rows.splice(rows.indexOf(pivot), 1)
    rows.splice(i, 0, pivot)
    for (const row of rows) {
      if (row === pivot) continue
      const factor = row[i]! / pivot[i]!
      for (let j = i; j <= TERMS; j++) row[j]! -= factor * pivot[j]!
    }
  }
  return rows.map((row, i) => row[TERMS]! / row[i]!)
}
