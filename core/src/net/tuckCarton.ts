import {
  at,
  BLEED,
  boxOf,
  insetBy,
  rectangle,
  SAFE,
  type Face,
  type Inner,
  type Net,
  type Panel,
  type Point,
} from './net.ts'

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))

/** How far a flap narrows towards its end. */
const TAPER = 1.5

/**
 * A tuck-end carton: glue flap, front, right side, back and left side in a row; lid and base hang on the back and are tucked
 * in behind the front. `board` is how thick it is: creases lie so much further apart than what shall go in. Millimetres.
 */
export function tuckCarton(inner: Inner, board: number): Net {
  const [W, D, H] = [inner.width + board, inner.depth + board, inner.height + 2 * board]
  const glue = within(D * 0.6, 6, 14)
  const tuck = within(D * 0.5, 6, 16)
  const dust = Math.min(W / 2 - 0.5, within(D * 0.7, 5, 22))
  const top = Math.max(D + tuck, dust)
  const foot = top + H
  const xs = { front: glue, right: glue + W, back: glue + W + D, left: glue + 2 * W + D }
  const slant = within(glue * 0.35, 2, H * 0.2)

  const panel = (
    id: string,
    kind: Panel['kind'],
    outline: Point[],
    hinge: Panel['hinge'],
    turn: Panel['turn'] = 0,
  ): Panel => ({ id, kind, outline, hinge, turn })
  const hung = (parent: string, from: Point, to: Point, stage: number, angle = 90) => ({
    parent,
    from,
    to,
    angle,
    stage,
  })

  /** A flap with rounded corners beyond a lid or base; `out` is which way it goes. */
  const tucked = (x: number, y: number, out: -1 | 1): Point[] => {
    const round = Math.min(tuck * 0.7, W * 0.2)
    const arc = (cx: number, from: number, to: number) =>
      Array.from({ length: 7 }, (_, i) => {
        const angle = ((from + (i * (to - from)) / 6) * Math.PI) / 180
        return at(cx + round * Math.cos(angle), y + out * (tuck - round + round * Math.sin(angle)))
      })
    return [at(x + 0.5, y), ...arc(x + 0.5 + round, 180, 90), ...arc(x + W - 0.5 - round, 90, 0), at(x + W - 0.5, y)]
  }
  /** A flap that keeps dust out, on top or foot of a side. */
  const dusty = (x: number, y: number, out: -1 | 1): Point[] => [
    at(x, y),
    at(x + TAPER, y + out * dust),
    at(x + D - TAPER, y + out * dust),
    at(x + D, y),
  ]

  const panels: Panel[] = [
    panel('front', 'face', rectangle(xs.front, top, W, H), null),
    panel(
      'glue',
      'glue',
      [at(glue, top), at(0, top + slant), at(0, foot - slant), at(glue, foot)],
      hung('front', at(glue, top), at(glue, foot), 0),
    ),
    panel('right', 'face', rectangle(xs.right, top, D, H), hung('front', at(xs.right, top), at(xs.right, foot), 0)),
    panel('back', 'face', rectangle(xs.back, top, W, H), hung('right', at(xs.back, top), at(xs.back, foot), 0)),
    panel('left', 'face', rectangle(xs.left, top, D, H), hung('back', at(xs.left, top), at(xs.left, foot), 0)),
    ...(['right', 'left'] as const).flatMap((side) => [
      panel(`${side}-top`, 'flap', dusty(xs[side], top, -1), hung(side, at(xs[side], top), at(xs[side] + D, top), 1)),
      panel(
        `${side}-foot`,
        'flap',
        dusty(xs[side], foot, 1),
        hung(side, at(xs[side], foot), at(xs[side] + D, foot), 1),
      ),
    ]),
    panel(
      'base',
      'face',
      rectangle(xs.back, foot, W, D),
      hung('back', at(xs.back, foot), at(xs.back + W, foot), 2),
      180,
    ),
    panel(
      'base-tuck',
      'flap',
      tucked(xs.back, foot + D, 1),
      hung('base', at(xs.back + 0.5, foot + D), at(xs.back + W - 0.5, foot + D), 2),
    ),
    panel(
      'lid',
      'face',
      rectangle(xs.back, top - D, W, D),
      hung('back', at(xs.back, top), at(xs.back + W, top), 3),
      180,
    ),
    panel(
      'lid-tuck',
      'flap',
      tucked(xs.back, top - D, -1),
      hung('lid', at(xs.back + 0.5, top - D), at(xs.back + W - 0.5, top - D), 3),
    ),
  ]
  return { panels, faces: facesOf(panels), holes: [] }
}

/**
 * Faces of panels that are rectangles: colour goes on over cuts and onto flaps, and stops where another face begins or where
 * glue goes.
 */
export function facesOf(panels: readonly Panel[]): Face[] {
  return panels
    .filter(({ kind }) => kind === 'face')
    .map(({ id, outline, turn }) => {
      const box = boxOf(outline)
      const stops = (side: Point[]) =>
        panels.some(
          (other) =>
            other.id !== id &&
            other.kind !== 'flap' &&
            side.every((point) => other.outline.some(({ x, y }) => Math.hypot(x - point.x, y - point.y) < 1e-6)),
        )
      const [a, b, c, d] = rectangle(box.x, box.y, box.width, box.height) as [Point, Point, Point, Point]
      const left = stops([a, d]) ? 0 : BLEED
      const right = stops([b, c]) ? 0 : BLEED
      const above = stops([a, b]) ? 0 : BLEED
      const below = stops([c, d]) ? 0 : BLEED
      return {
        id,
        name: id as Face['name'],
        outline,
        bleed: rectangle(box.x - left, box.y - above, box.width + left + right, box.height + above + below),
        safe: insetBy(box, SAFE),
        turn,
      }
    })
}
