/**
 * Lead lines from labels at both sides of a picture to points in it: which label stands where, so that no two lines cross
 * and none runs over what must stay clear. Of straight lines between two sets of points the shortest in sum never cross
 * (of two that do, exchanging their ends is shorter), so lines are made shorter, and what is crossed costs more than any
 * length.
 */
export interface Point {
  x: number
  y: number
}
export interface Box {
  x: number
  y: number
  width: number
  height: number
}

type Side = 'left' | 'right'

/** Something to be labelled: the points it may lead to, and how much height its label takes. */
export interface Lead {
  points: readonly Point[]
  height: number
}

export interface LeadRoom {
  /** Where lines begin at each side. */
  left: number
  right: number
  top: number
  bottom: number
  /** Most air between two labels. */
  gap: number
  /** From the top of a label to where its line begins. */
  port: number
  /** What no line may cross. */
  clear: readonly Box[]
}

export interface PlacedLead {
  /** Index of the lead. */
  lead: number
  side: Side
  /** Top of its label. */
  y: number
  from: Point
  to: Point
}

const FORBIDDEN = 10_000
/** Rounds of betterment; each looks at every pair once. */
const MOST_ROUNDS = 60

const turn = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

/** Whether two lines have a point in common, ends included unless they end in the same point. */
export function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  if (b.x === d.x && b.y === d.y) return false
  const p = turn(a, b, c)
  const q = turn(a, b, d)
  if (p * q > 0) return false
  if (p === 0 && q === 0) {
    // On one line: they meet where their extents do.
    const apart = (m: 'x' | 'y') =>
      Math.max(a[m], b[m]) < Math.min(c[m], d[m]) || Math.max(c[m], d[m]) < Math.min(a[m], b[m])
    return !apart('x') && !apart('y')
  }
  return turn(c, d, a) * turn(c, d, b) <= 0
}

/** Whether a point lies inside a box, its edges not included. */
export const isWithin = ({ x, y }: Point, box: Box): boolean =>
  x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height

/** Whether a line runs over a box; one that only ends in it does. */
export function runsOver(a: Point, b: Point, box: Box): boolean {
  const { x, y, width, height } = box
  if (
    Math.max(a.x, b.x) <= x ||
    Math.min(a.x, b.x) >= x + width ||
    Math.max(a.y, b.y) <= y ||
    Math.min(a.y, b.y) >= y + height
  )
    return false
  if (isWithin(a, box) || isWithin(b, box)) return true
  const corners = [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ]
  const signs = corners.map((corner) => Math.sign(turn(a, b, corner)))
  return signs.some((sign) => sign > 0) && signs.some((sign) => sign < 0)
}

const length = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)

/** Stand the labels of a side one below the other, evenly, in the middle of the room. */
function stand(order: readonly number[], side: Side, leads: readonly Lead[], room: LeadRoom): PlacedLead[] {
  const used = order.reduce((sum, lead) => sum + leads[lead]!.height, 0)
  const free = room.bottom - room.top - used
  const gap = order.length > 1 ? Math.max(0, Math.min(room.gap, free / (order.length - 1))) : 0
  let y = room.top + Math.max(0, (free - gap * (order.length - 1)) / 2)
  return order.map((lead) => {
    const from = { x: room[side], y: y + room.port }
    const { points } = leads[lead]!
    let to = points[0]!
    if (points.length > 1) {
      const costs = points.map((point) => lineCost(from, point, room.clear))
      to = points[costs.indexOf(Math.min(...costs))]!
    }
    const placed = { lead, side, y, from, to }
    y += leads[lead]!.height + gap
    return placed
  })
}

const lineCost = (from: Point, to: Point, clear: readonly Box[]) =>
  length(from, to) + FORBIDDEN * clear.filter((box) => runsOver(from, to, box)).length

/** What an arrangement costs; Infinity as soon as it is known to cost no less than `below`. */
function costOf(placed: readonly PlacedLead[], clear: readonly Box[], below = Infinity): number {
  let cost = 0
  for (const { from, to } of placed) cost += lineCost(from, to, clear)
  // Crossings are dear to count, and most arrangements are too long anyway.
  for (let i = 0; i < placed.length && cost < below; i++)
    for (let j = 0; j < i; j++)
      if (cross(placed[i]!.from, placed[i]!.to, placed[j]!.from, placed[j]!.to)) cost += FORBIDDEN
  return cost < below ? cost : Infinity
}

/**
 * Place labels at both sides. A line that would still cross another or run over something is not among the placed ones'
 * lines (`free` tells which are clear), so that whoever draws can point another way. Deterministic.
 */
export function placeLeads(leads: readonly Lead[], room: LeadRoom): { placed: PlacedLead[]; free: boolean[] } {
  const middle = ({ points }: Lead) => points.reduce((sum, { x }) => sum + x, 0) / points.length
  const centre = (room.left + room.right) / 2
  const all = leads.map((_, i) => i).sort((a, b) => middle(leads[a]!) - middle(leads[b]!) || a - b)
  const half = Math.ceil(leads.length / 2)
  const atLeft = Math.min(half, Math.max(leads.length - half, all.filter((i) => middle(leads[i]!) < centre).length))
  const top = (lead: number) => Math.min(...leads[lead]!.points.map(({ y }) => y))
  let sides: Record<Side, number[]> = {
    left: all.slice(0, atLeft).sort((a, b) => top(a) - top(b) || a - b),
    right: all.slice(atLeft).sort((a, b) => top(a) - top(b) || a - b),
  }
  const laid = (order: Record<Side, number[]>) => [
    ...stand(order.left, 'left', leads, room),
    ...stand(order.right, 'right', leads, room),
  ]
  let placed = laid(sides)
  let cost = costOf(placed, room.clear)
  const places = (): [Side, number][] =>
    (['left', 'right'] as const).flatMap((side) => sides[side].map((_, at): [Side, number] => [side, at]))
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const before = cost
    for (const [i, [side, at]] of places().entries())
      for (const [other, there] of places().slice(i + 1)) {
        const exchanged = { left: [...sides.left], right: [...sides.right] }
        exchanged[side][at] = sides[other][there]!
        exchanged[other][there] = sides[side][at]!
        const tried = laid(exchanged)
        const price = costOf(tried, room.clear, cost - 1e-9)
        if (price < cost) [sides, placed, cost] = [exchanged, tried, price]
      }
    if (cost >= before - 1e-9) break
  }
  // What is left in the way, the worst first, until nothing is.
  const free = placed.map(() => true)
  const faults = (i: number) =>
    room.clear.filter((box) => runsOver(placed[i]!.from, placed[i]!.to, box)).length * placed.length +
    placed.filter((one, j) => j !== i && free[j] && cross(placed[i]!.from, placed[i]!.to, one.from, one.to)).length
  for (;;) {
    const counts = placed.map((_, i) => (free[i] ? faults(i) : 0))
    const worst = Math.max(0, ...counts)
    if (worst === 0) return { placed, free }
    free[counts.indexOf(worst)] = false
  }
}
