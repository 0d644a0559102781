import { converter, formatHex } from 'culori'
import { seeded } from '../base/index.ts'

/** A colour in CIELAB (D65): lightness 0 to 100, then red against green, yellow against blue. */
export type Lab = readonly [l: number, a: number, b: number]

const toLab = converter('lab65')
const ROUNDS = 24

/** CIELAB of channels from 0 to 255. */
export function labOf(red: number, green: number, blue: number): Lab {
  const { l, a, b } = toLab({ mode: 'rgb', r: red / 255, g: green / 255, b: blue / 255 })
  return [l, a, b]
}

/** #RRGGBB of a colour in CIELAB; what no screen shows becomes the nearest it does. */
export const hexOfLab = ([l, a, b]: Lab): string => formatHex({ mode: 'lab65', l, a, b })

/** Some points that lie close together: their mean, and which of the points they are. */
export interface Cluster {
  centre: Lab
  members: number[]
}

/**
 * At most `count` clusters of points, by k-means from farthest-first starts; none is empty. Deterministic.
 * O(points × count × rounds). Source: Lloyd, IEEE Transactions on Information Theory 28 (1982); starts after Gonzalez (1985).
 */
export function clustersOf(points: readonly Lab[], count: number): Cluster[] {
  if (points.length === 0) return []
  const centres = farthestFirst(points, count)
  const owner = new Int32Array(points.length)
  for (let round = 0; round < ROUNDS; round++) {
    const moved = assign(points, centres, owner)
    recentre(points, centres, owner)
    if (!moved) break
  }
  const clusters = centres.map((centre): Cluster => ({ centre, members: [] }))
  owner.forEach((cluster, point) => clusters[cluster]!.members.push(point))
  return clusters.filter(({ members }) => members.length > 0)
}

/** Square of the Euclidean distance, which is the CIE 1976 difference. */
const squaredDistance = (p: Lab, q: Lab) => (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2

/** Distance of two colours in CIELAB (CIE 1976); for speed where many are compared and the finer formula decides nothing. */
export const labDistance = (p: Lab, q: Lab): number => Math.sqrt(squaredDistance(p, q))

function farthestFirst(points: readonly Lab[], count: number): Lab[] {
  const random = seeded(1)
  const centres: Lab[] = [points[Math.floor(random() * points.length)]!]
  const away = points.map((point) => squaredDistance(point, centres[0]!))
  while (centres.length < count) {
    const farthest = away.reduce((best, d, i) => (d > away[best]! ? i : best), 0)
    if (away[farthest]! === 0) break
    const centre = points[farthest]!
    centres.push(centre)
    points.forEach((point, i) => (away[i] = Math.min(away[i]!, squaredDistance(point, centre))))
  }
  return centres
}

function assign(points: readonly Lab[], centres: readonly Lab[], owner: Int32Array): boolean {
  let moved = false
  points.forEach((point, i) => {
    let best = 0
    let least = Infinity
    centres.forEach((centre, c) => {
      const d = squaredDistance(point, centre)
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
