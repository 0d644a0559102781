import { converter, formatHex } from 'culori'
import { seeded } from '../base/index.ts'
import { COLOUR_LIMITS, colourDifference } from './difference.ts'

/** Pixels as a canvas gives them: four bytes each, red, green, blue, alpha, row by row. */
export interface Pixels {
  data: Uint8ClampedArray
  width: number
  height: number
}

/** A colour of a picture with the share of its area, in (0, 1]. */
export interface PictureColour {
  hex: string
  share: number
}

type Lab = [l: number, a: number, b: number]

const toLab = converter('lab65')

/** So many pixels are enough to find the colours of a picture; larger ones are looked at through a grid. */
const MOST_PIXELS = 16_000
const ROUNDS = 24
/** Colours of less of the picture are the blends along its edges. */
const SMALLEST = 0.005

/**
 * The main colours of a picture, the largest first: k-means in CIELAB (D65) from farthest-first starts, then those the eye
 * calls near are put together. What is see-through is left out. Deterministic. O(pixels × count × rounds).
 * Source: Lloyd, IEEE Transactions on Information Theory 28 (1982); starts after Gonzalez (1985).
 */
export function imagePalette(pixels: Pixels, count = 8): PictureColour[] {
  const points = sampled(pixels)
  if (points.length === 0) return []
  const centres = farthestFirst(points, count)
  const owner = new Int32Array(points.length)
  for (let round = 0; round < ROUNDS; round++) {
    const moved = assign(points, centres, owner)
    recentre(points, centres, owner)
    if (!moved) break
  }
  const sizes = new Array<number>(centres.length).fill(0)
  for (const index of owner) sizes[index]! += 1
  const colours = centres
    .map(([l, a, b], i) => ({ hex: formatHex({ mode: 'lab65', l, a, b }), share: sizes[i]! / points.length }))
    .filter(({ share }) => share >= SMALLEST)
    .sort((a, b) => b.share - a.share || (a.hex < b.hex ? -1 : 1))
  return mergeNear(colours)
}

function sampled({ data, width, height }: Pixels): Lab[] {
  const step = Math.max(1, Math.ceil(Math.sqrt((width * height) / MOST_PIXELS)))
  // Pictures repeat their colours; each is taken into CIELAB once.
  const known = new Map<number, Lab>()
  const points: Lab[] = []
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) {
      const at = (y * width + x) * 4
      if (data[at + 3]! < 128) continue
      const key = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!
      let lab = known.get(key)
      if (!lab) {
        const { l, a, b } = toLab({ mode: 'rgb', r: data[at]! / 255, g: data[at + 1]! / 255, b: data[at + 2]! / 255 })
        lab = [l, a, b]
        known.set(key, lab)
      }
      points.push(lab)
    }
  return points
}

const distance = (p: Lab, q: Lab) => (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2

function farthestFirst(points: readonly Lab[], count: number): Lab[] {
  const random = seeded(1)
  const centres: Lab[] = [[...points[Math.floor(random() * points.length)]!]]
  const away = points.map((point) => distance(point, centres[0]!))
  while (centres.length < count) {
    const farthest = away.reduce((best, d, i) => (d > away[best]! ? i : best), 0)
    if (away[farthest]! === 0) break
    const centre: Lab = [...points[farthest]!]
    centres.push(centre)
    points.forEach((point, i) => (away[i] = Math.min(away[i]!, distance(point, centre))))
  }
  return centres
}

function assign(points: readonly Lab[], centres: readonly Lab[], owner: Int32Array): boolean {
  let moved = false
  points.forEach((point, i) => {
    let best = 0
    let least = Infinity
    centres.forEach((centre, c) => {
      const d = distance(point, centre)
      if (d < least) [least, best] = [d, c]
    })
    if (owner[i] !== best) moved = true
    owner[i] = best
  })
  return moved
}

function recentre(points: readonly Lab[], centres: Lab[], owner: Int32Array): void {
  const sums = centres.map(() => [0, 0, 0, 0])
  points.forEach((point, i) => {
    const sum = sums[owner[i]!]!
    sum[0]! += point[0]
    sum[1]! += point[1]
    sum[2]! += point[2]
    sum[3]! += 1
  })
  sums.forEach(([l, a, b, n], c) => {
    if (n! > 0) centres[c] = [l! / n!, a! / n!, b! / n!]
  })
}

/** Put colours together that the eye calls near, under the larger one's name. */
function mergeNear(colours: readonly PictureColour[]): PictureColour[] {
  const kept: PictureColour[] = []
  for (const colour of colours) {
    const near = kept.find(({ hex }) => colourDifference(hex, colour.hex) <= COLOUR_LIMITS.near)
    if (near) near.share += colour.share
    else kept.push({ ...colour })
  }
  return kept.sort((a, b) => b.share - a.share)
}

/**
 * The colour under a pointer as #RRGGBB: the median of each channel in a square of (2 × reach + 1)² pixels, cut at the
 * edges, so that one stray pixel changes nothing. Null where all of it is see-through.
 */
export function sampleAt({ data, width, height }: Pixels, x: number, y: number, reach = 3): string | null {
  const channels: [number[], number[], number[]] = [[], [], []]
  for (let row = Math.max(0, y - reach); row <= Math.min(height - 1, y + reach); row++)
    for (let column = Math.max(0, x - reach); column <= Math.min(width - 1, x + reach); column++) {
      const at = (row * width + column) * 4
      if (data[at + 3]! < 128) continue
      channels.forEach((channel, c) => channel.push(data[at + c]!))
    }
  if (channels[0].length === 0) return null
  const [r, g, b] = channels.map((channel) => channel.sort((p, q) => p - q)[channel.length >> 1]! / 255)
  return formatHex({ mode: 'rgb', r: r!, g: g!, b: b! })
}
