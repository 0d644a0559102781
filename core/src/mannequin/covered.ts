import { memoized } from '../base/index.ts'

type Point = readonly [x: number, y: number]

/** Straight pieces a curve is cut into. */
const PIECES = 8

const TOKEN = /[MLCQZ]|-?\d*\.?\d+(?:e-?\d+)?/g

/** A path as polygons, curves cut into straight pieces; path data with absolute M, L, C, Q and Z only. */
export const polygonsOf = memoized(flattened, (d) => d)

function flattened(d: string): Point[][] {
  const polygons: Point[][] = []
  let current: Point[] = []
  const tokens = d.match(TOKEN) ?? []
  let at = 0
  let command = 'M'
  const point = (): Point => [Number(tokens[at++]), Number(tokens[at++])]
  while (at < tokens.length) {
    if (tokens[at]! >= 'A') command = tokens[at++]!
    if (command === 'Z') continue
    if (command === 'M') {
      current = [point()]
      polygons.push(current)
      // Further pairs after a move are lines.
      command = 'L'
    } else if (command === 'L') current.push(point())
    else {
      const from = current.at(-1)!
      const controls = command === 'C' ? [point(), point()] : [point()]
      const to = point()
      for (let i = 1; i <= PIECES; i++) current.push(onCurve([from, ...controls, to], i / PIECES))
    }
  }
  return polygons
}

/** Where a level line goes into and out of polygons (even-odd rule), in order: in at the first, out at the second, and so on. */
export function crossingsAt(polygons: readonly Point[][], y: number): number[] {
  const crossings: number[] = []
  for (const polygon of polygons)
    for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
      const [xi, yi] = polygon[i]!
      const [xj, yj] = polygon[j]!
      if (yi > y !== yj > y) crossings.push(((xj - xi) * (y - yi)) / (yj - yi) + xi)
    }
  return crossings.sort((a, b) => a - b)
}

/** A point of a Bézier curve (de Casteljau). */
function onCurve(points: readonly Point[], t: number): Point {
  if (points.length === 1) return points[0]!
  const next = points
    .slice(1)
    .map(([x, y], i): Point => [points[i]![0] * (1 - t) + x * t, points[i]![1] * (1 - t) + y * t])
  return onCurve(next, t)
}

/** Whether a point lies inside a path (even-odd rule). O(path). */
export function pathContains(d: string, x: number, y: number): boolean {
  let inside = false
  for (const polygon of polygonsOf(d))
    for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
      const [xi, yi] = polygon[i]!
      const [xj, yj] = polygon[j]!
      if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside
    }
  return inside
}
