import type { Bin } from './contents.ts'

/** Fields the ruled ground of the parts box is wide; it grows downwards as needed. */
export const BOX_WIDTH = 24

/** Rows the ground has at most, and the most a bin is high. */
export const BOX_ROWS = 10_000
export const MOST_HIGH = 48

/** The size of a bin nobody has sized yet, and the least one can have. */
const USUAL = { w: 4, h: 4 }
export const LEAST = { w: 3, h: 3 }

export interface Spot {
  x: number
  y: number
  w: number
  h: number
}

/** Which fields of the ground are taken. */
class Ground {
  private readonly taken = new Set<number>()
  /** The first row below everything that lies on it. */
  bottom = 0

  isFree({ x, y, w, h }: Spot): boolean {
    for (let row = y; row < y + h; row++)
      for (let column = x; column < x + w; column++) if (this.taken.has(row * BOX_WIDTH + column)) return false
    return true
  }

  put(place: Spot): Spot {
    const { x, y, w, h } = place
    for (let row = y; row < y + h; row++)
      for (let column = x; column < x + w; column++) this.taken.add(row * BOX_WIDTH + column)
    this.bottom = Math.max(this.bottom, y + h)
    return place
  }

  /** The free place nearest to a wished one. O(fields). */
  nearest(place: Spot): Spot {
    if (this.isFree(place)) return place
    let best: { place: Spot; far: number } | null = null
    for (let y = 0; y <= Math.max(this.bottom, place.y); y++)
      for (let x = 0; x <= BOX_WIDTH - place.w; x++) {
        const far = Math.abs(x - place.x) + Math.abs(y - place.y)
        const tried = { ...place, x, y }
        if ((!best || far < best.far) && this.isFree(tried)) best = { place: tried, far }
      }
    return best!.place
  }
}

const inside = ({ x, y, w, h }: Spot): Spot => {
  const width = Math.min(BOX_WIDTH, Math.max(LEAST.w, w))
  const height = Math.min(MOST_HIGH, Math.max(LEAST.h, h))
  return {
    x: Math.max(0, Math.min(BOX_WIDTH - width, x)),
    y: Math.max(0, Math.min(BOX_ROWS - height, y)),
    w: width,
    h: height,
  }
}

/** The free place nearest to a wished one, in which it keeps its size. O(fields). */
export function freePlace(wished: Spot, taken: readonly Spot[]): Spot {
  const ground = new Ground()
  for (const place of taken) ground.put(place)
  return ground.nearest(inside(wished))
}

/**
 * Where each bin lies: as it was placed, and those that were not yet where there is room, row by row. No two overlap.
 * O(fields) as long as no two were placed over each other.
 */
export function placesOfBins(bins: readonly Bin[]): Map<string, Spot> {
  const ground = new Ground()
  const places = new Map<string, Spot>()
  for (const { code, x, y, w, h } of bins)
    if (typeof x === 'number' && typeof y === 'number')
      places.set(code, ground.put(ground.nearest(inside({ x, y, w: w ?? USUAL.w, h: h ?? USUAL.h }))))
  /** Where the search for each size goes on: what was taken before stays taken. */
  const next = new Map<string, number>()
  for (const { code, w, h } of bins) {
    if (places.has(code)) continue
    const size = inside({ x: 0, y: 0, w: w ?? USUAL.w, h: h ?? USUAL.h })
    const key = `${size.w} ${size.h}`
    for (let at = next.get(key) ?? 0; ; at++) {
      const tried = { ...size, x: at % BOX_WIDTH, y: Math.floor(at / BOX_WIDTH) }
      if (tried.x + tried.w > BOX_WIDTH || !ground.isFree(tried)) continue
      places.set(code, ground.put(tried))
      next.set(key, at)
      break
    }
  }
  return places
}
