import { at, BLEED, SAFE, type Face, type Inner, type Net, type Panel, type Point } from './net.ts'

/** Half of what the cross-section of a pillow sweeps, in radians: how round it is. */
const SWEEP = (42 * Math.PI) / 180
/** Pieces an arc is folded of; one of them in its middle. */
const STRIPS = 13
/** How far an end flap reaches, of twice the way it has to go. */
const REACH = 0.85

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))

/** Radius of the smallest lens of our sweep a rectangle goes into. */
function radiusFor(width: number, depth: number): number {
  const b = depth * Math.cos(SWEEP)
  const a = Math.sin(SWEEP) ** 2
  // (d/2 + R cos θ)² + (w/2)² = R², solved for R.
  return (b + Math.sqrt(b * b + a * (width * width + depth * depth))) / (2 * a)
}

/**
 * A pillow box: front and back bend round what is inside to the two halves of a lens, and the ends are pushed in along
 * creases that are the line in which a cylinder meets its mirror image at 45°, so that they close without a gap. Front, back
 * and a flap to glue lie side by side. `board` is how thick it is. Millimetres.
 */
export function pillowBox(inner: Inner, board: number): Net {
  const R = radiusFor(inner.width + board, inner.depth + board)
  const wide = 2 * R * SWEEP
  const sink = R * (1 - Math.cos(SWEEP))
  const high = inner.height + 2 * (sink + board)
  const glue = within(wide * 0.18, 7, 14)
  const reach = sink * (2 * REACH - 1)
  const [top, foot] = [reach, reach + high]
  const xs = { front: glue, back: glue + wide }

  /** How deep an end lies in at a point of a face, s from its middle. */
  const depthAt = (s: number) => R * (Math.cos(s / R) - Math.cos(SWEEP))
  const sOf = (i: number) => -R * SWEEP + (i * wide) / STRIPS
  const fold = (2 * SWEEP) / STRIPS
  const degrees = (radians: number) => (radians * 180) / Math.PI
  const seam = 180 - degrees((STRIPS - 1) * fold)

  const strips = (face: 'front' | 'back', x: number, parent: (i: number) => Panel['hinge']): Panel[] =>
    Array.from({ length: STRIPS }, (_, i) => {
      const [left, right] = [x + (i * wide) / STRIPS, x + ((i + 1) * wide) / STRIPS]
      const [a, b] = [depthAt(sOf(i)), depthAt(sOf(i + 1))]
      const id = `${face}-${i}`
      const middle = (sOf(i) + sOf(i + 1)) / 2 / R
      const end = (name: string, y: number, out: -1 | 1): Panel => ({
        id: `${id}-${name}`,
        kind: 'flap',
        outline: [
          at(left, y - out * a),
          at(left, y + out * a * (2 * REACH - 1)),
          at(right, y + out * b * (2 * REACH - 1)),
          at(right, y - out * b),
        ],
        hinge: {
          parent: id,
          from: at(left, y - out * a),
          to: at(right, y - out * b),
          // What ran along the box then runs from front to back, at every point of the crease.
          angle: degrees(Math.acos(-(Math.sin(middle) ** 2))),
          stage: 1,
        },
        turn: 0,
      })
      return [
        {
          id,
          kind: 'face' as const,
          outline: [at(left, top + a), at(right, top + b), at(right, foot - b), at(left, foot - a)],
          hinge: parent(i),
          turn: 0 as const,
        },
        end('top', top, -1),
        end('foot', foot, 1),
      ]
    }).flat()
  const hinge = (parent: string, x: number, s: number, angle: number): Panel['hinge'] => ({
    parent,
    from: at(x, top + depthAt(s)),
    to: at(x, foot - depthAt(s)),
    angle,
    stage: 0,
  })
  const root = (STRIPS - 1) / 2
  const front = strips('front', xs.front, (i) => {
    if (i === root) return null
    const x = xs.front + ((i < root ? i + 1 : i) * wide) / STRIPS
    return hinge(`front-${i < root ? i + 1 : i - 1}`, x, sOf(i < root ? i + 1 : i), degrees(fold))
  })
  const back = strips('back', xs.back, (i) =>
    i === 0
      ? hinge(`front-${STRIPS - 1}`, xs.back, R * SWEEP, seam)
      : hinge(`back-${i - 1}`, xs.back + (i * wide) / STRIPS, sOf(i), degrees(fold)),
  )
  const slant = Math.min(high * 0.2, glue * 0.6)
  const flap: Panel = {
    id: 'glue',
    kind: 'glue',
    outline: [at(glue, top), at(0, top + slant), at(0, foot - slant), at(glue, foot)],
    hinge: { parent: 'front-0', from: at(glue, top), to: at(glue, foot), angle: seam, stage: 0 },
    turn: 0,
  }

  /** Along an end from left to right, `by` beyond the crease. */
  const along = (x: number, y: number, out: -1 | 1, by: number): Point[] =>
    Array.from({ length: 4 * STRIPS + 1 }, (_, i) => {
      const s = -R * SWEEP + (i * wide) / (4 * STRIPS)
      return at(x + R * SWEEP + s, y - out * (depthAt(s) - by))
    })
  const face = (name: 'front' | 'back', x: number): Face => {
    const outline = [...along(x, top, -1, 0), ...along(x, foot, 1, 0).reverse()]
    const right = name === 'back' ? BLEED : 0
    const spread = [...along(x, top, -1, BLEED), ...along(x, foot, 1, BLEED).reverse()]
    return {
      id: name,
      name,
      outline,
      bleed: spread.map((point) =>
        at(right > 0 && Math.abs(point.x - (x + wide)) < 1e-6 ? point.x + right : point.x, point.y),
      ),
      // What is bent away at the sides is not read.
      safe: {
        x: x + wide * 0.12,
        y: top + sink + SAFE,
        width: wide * 0.76,
        height: Math.max(0, high - 2 * (sink + SAFE)),
      },
      turn: 0,
    }
  }
  const creases = [
    [at(xs.front, top), at(xs.front, foot)],
    [at(xs.back, top), at(xs.back, foot)],
    ...([xs.front, xs.back] as const).flatMap((x) => [along(x, top, -1, 0), along(x, foot, 1, 0)]),
  ]
  return {
    panels: [...front, ...back, flap],
    faces: [face('front', xs.front), face('back', xs.back)],
    holes: [],
    creases,
  }
}
