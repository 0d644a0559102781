import type { Bin } from './contents.ts'

/** Fields the ruled ground of the parts box is wide; it grows downwards as needed. */
export const BOX_WIDTH = 24

/** The size of a bin nobody has sized yet, and the least one can have. */
const USUAL = { w: 4, h: 4 }
export const LEAST = { w: 3, h: 3 }

export interface Place {
  x: number
  y: number
  w: number
  h: number
}

const overlap = (a: Place, b: Place) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h

const inside = ({ x, y, w, h }: Place): Place => {
  const width = Math.min(BOX_WIDTH, Math.max(LEAST.w, w))
  return { x: Math.max(0, Math.min(BOX_WIDTH - width, x)), y: Math.max(0, y), w: width, h: Math.max(LEAST.h, h) }
}

/** The free place nearest to a wished one, in which it keeps its size. O(fields × bins). */
export function freePlace(wished: Place, taken: readonly Place[]): Place {
  const place = inside(wished)
  const bottom = Math.max(0, ...taken.map(({ y, h }) => y + h))
  let best: { place: Place; far: number } | null = null
  for (let y = 0; y <= Math.max(bottom, place.y); y++)
    for (let x = 0; x <= BOX_WIDTH - place.w; x++) {
      const far = Math.abs(x - place.x) + Math.abs(y - place.y)
      if (best && far >= best.far) continue
      const tried = { ...place, x, y }
      if (!taken.some((other) => overlap(tried, other))) best = { place: tried, far }
    }
  return best!.place
}

/** Where each bin lies: as it was placed, and those that were not yet where there is room, row by row. No two overlap. */
export function placesOfBins(bins: readonly Bin[]): Map<string, Place> {
  const places = new Map<string, Place>()
  const known = bins.filter(({ x, y }) => typeof x === 'number' && typeof y === 'number')
  for (const { code, x, y, w, h } of known)
    places.set(code, freePlace({ x: x!, y: y!, w: w ?? USUAL.w, h: h ?? USUAL.h }, [...places.values()]))
  for (const { code, w, h } of bins) {
    if (places.has(code)) continue
    const size = inside({ x: 0, y: 0, w: w ?? USUAL.w, h: h ?? USUAL.h })
    const taken = [...places.values()]
    for (let at = 0; ; at++) {
      const tried = { ...size, x: at % BOX_WIDTH, y: Math.floor(at / BOX_WIDTH) }
      if (tried.x + tried.w > BOX_WIDTH || taken.some((other) => overlap(tried, other))) continue
      places.set(code, tried)
      break
    }
  }
  return places
}
