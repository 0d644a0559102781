/** A point of a flat net: millimetres, x to the right, y down. */
export interface Point {
  x: number
  y: number
}

/** What is inside a closed box, in millimetres: from left to right, from front to back, from foot to top. */
export interface Inner {
  width: number
  depth: number
  height: number
}

/** Where a panel hangs on another. */
export interface Hinge {
  parent: string
  from: Point
  to: Point
  /** Degrees it is folded, away from the printed side, when all is closed. */
  angle: number
  /** When it is folded, counted from 0: sides before flaps, flaps before the lid. */
  stage: number
}

/** A flat piece between creases. */
export interface Panel {
  id: string
  /** A face is printed; a flap may carry the colour of its neighbour a little way; nothing is printed on what is glued. */
  kind: 'face' | 'flap' | 'glue'
  /** Round it, without the first point again. */
  outline: Point[]
  /** Null for the panel that lies still while all others fold. */
  hinge: Hinge | null
  /** Quarter turns clockwise, in degrees, by which what stands on it reads upright once it is closed. */
  turn: 0 | 90 | 180 | 270
}

/** Something printed: where, and how far its colour is led beyond what is cut. */
export interface Face {
  id: string
  /** What the face is called. */
  name: 'front' | 'back' | 'left' | 'right' | 'lid' | 'base'
  outline: Point[]
  /** The outline and the bleed round it. */
  bleed: Point[]
  /** The box within which words and figures stand. */
  safe: Box
  turn: Panel['turn']
}

/** A net lying flat with its printed side up. */
export interface Net {
  /** What is cut and creased, and folds. */
  panels: Panel[]
  /** What is printed on it; a face may lie over several panels. */
  faces: Face[]
  holes: { x: number; y: number; radius: number }[]
  /** Creases that are told by a line; without, every hinge is one. */
  creases?: Point[][]
}

export interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** Millimetres that colour is led beyond what is cut. */
export const BLEED = 3
/** Millimetres that words and figures keep from creases and cuts. */
export const SAFE = 3

export const at = (x: number, y: number): Point => ({ x, y })

export const rectangle = (x: number, y: number, width: number, height: number): Point[] => [
  at(x, y),
  at(x + width, y),
  at(x + width, y + height),
  at(x, y + height),
]

/** The box round points. */
export function boxOf(points: readonly Point[]): Box {
  const xs = points.map(({ x }) => x)
  const ys = points.map(({ y }) => y)
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  return { x: left, y: top, width: Math.max(...xs) - left, height: Math.max(...ys) - top }
}

/** The box round a net as it is cut. */
export const sizeOfNet = ({ panels }: Net): Box => boxOf(panels.flatMap(({ outline }) => outline))

/** The box round a net and the colour led beyond it. */
export const sizeWithBleed = ({ panels, faces }: Net): Box =>
  boxOf([...panels.flatMap(({ outline }) => outline), ...faces.flatMap(({ bleed }) => bleed)])

type Segment = readonly [Point, Point]

const near = (a: Point, b: Point) => Math.abs(a.x - b.x) < 1e-6 && Math.abs(a.y - b.y) < 1e-6

/** What is left of a line when a stretch of another on the same line is taken out of it. */
function without([a, b]: Segment, [p, q]: Segment): Segment[] {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const length = Math.hypot(dx, dy)
  if (length < 1e-9) return []
  const off = (point: Point) => Math.abs((point.x - a.x) * dy - (point.y - a.y) * dx) / length
  if (off(p) > 1e-6 || off(q) > 1e-6) return [[a, b]]
  const along = (point: Point) => ((point.x - a.x) * dx + (point.y - a.y) * dy) / length
  const [from, to] = [along(p), along(q)].sort((s, t) => s - t) as [number, number]
  const [start, end] = [Math.max(0, from), Math.min(length, to)]
  if (end - start < 1e-6) return [[a, b]]
  const point = (t: number) => at(a.x + (dx * t) / length, a.y + (dy * t) / length)
  return [
    ...(start > 1e-6 ? [[a, point(start)] as const] : []),
    ...(length - end > 1e-6 ? [[point(end), b] as const] : []),
  ]
}

const edgesOf = (outline: readonly Point[]): Segment[] =>
  outline.map((point, i) => [point, outline[(i + 1) % outline.length]!])

const hingesOf = ({ panels }: Net): Segment[] => panels.flatMap(({ hinge }) => (hinge ? [[hinge.from, hinge.to]] : []))

/**
 * Where the knife goes: the edges of all panels that are no crease, joined into as few strokes as they make. An edge two
 * panels share without a hinge is where one flap is divided so that it can bend.
 */
export function cutLines(net: Net): Point[][] {
  const hinges = hingesOf(net)
  const all = net.panels.flatMap(({ outline }) => edgesOf(outline))
  const shared = ([a, b]: Segment) =>
    all.filter(([p, q]) => (near(a, p) && near(b, q)) || (near(a, q) && near(b, p))).length > 1
  const cuts = all
    .filter((edge) => !shared(edge))
    .flatMap((edge) =>
      hinges.reduce<Segment[]>((left, hinge) => left.flatMap((piece) => without(piece, hinge)), [edge]),
    )
  return joined(cuts)
}

/** Where it is creased. */
export const creaseLines = (net: Net): Point[][] => net.creases ?? joined(hingesOf(net))

/** Pieces of lines as strokes. */
function joined(pieces: readonly Segment[]): Point[][] {
  const left = [...pieces]
  const strokes: Point[][] = []
  while (left.length > 0) {
    const [a, b] = left.pop()!
    const stroke = [a, b]
    const grow = (end: () => Point, add: (point: Point) => void) => {
      for (;;) {
        const i = left.findIndex(([p, q]) => near(p, end()) || near(q, end()))
        if (i < 0) return
        const [[p, q]] = left.splice(i, 1) as [Segment]
        add(near(p, end()) ? q : p)
      }
    }
    grow(
      () => stroke.at(-1)!,
      (point) => stroke.push(point),
    )
    grow(
      () => stroke[0]!,
      (point) => stroke.unshift(point),
    )
    strokes.push(stroke)
  }
  return strokes
}

const thousandth = (value: number) => Math.round(value * 1000) / 1000

/** Points as path data. */
export const pathOf = (points: readonly Point[], closed = true): string =>
  `M${points.map(({ x, y }) => `${thousandth(x)} ${thousandth(y)}`).join('L')}${closed ? 'Z' : ''}`

/** The corners of a box. */
export const cornersOf = ({ x, y, width, height }: Box): Point[] => rectangle(x, y, width, height)

/** A box made smaller by so much on every side. */
export const insetBy = ({ x, y, width, height }: Box, by: number): Box => ({
  x: x + by,
  y: y + by,
  width: Math.max(0, width - 2 * by),
  height: Math.max(0, height - 2 * by),
})
