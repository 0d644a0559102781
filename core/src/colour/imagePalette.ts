import { formatHex } from 'culori'
import { COLOUR_LIMITS, colourDifference } from './difference.ts'
import { clustersOf, hexOfLab, labOf, type Lab } from './kMeans.ts'

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

/** So many pixels are enough to find the colours of a picture; larger ones are looked at through a grid. */
const MOST_PIXELS = 16_000
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
  const colours = clustersOf(points, count)
    .map(({ centre, members }) => ({ hex: hexOfLab(centre), share: members.length / points.length }))
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
        lab = labOf(data[at]!, data[at + 1]!, data[at + 2]!)
        known.set(key, lab)
      }
      points.push(lab)
    }
  return points
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
