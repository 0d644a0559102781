import { describe, expect, it } from '@jest/globals'
import * as fc from 'fast-check'
import {
  boxOf,
  creaseLines,
  cutLines,
  foldNet,
  headerCard,
  moved,
  pillowBox,
  sizeOfNet,
  sizeWithBleed,
  tuckCarton,
  turnedBy,
  type Inner,
  type Net,
  type Panel,
  type Point,
} from './index.ts'

const millimetres = (min: number, max: number) =>
  fc.integer({ min: min * 10, max: max * 10 }).map((tenths) => tenths / 10)
const inner = fc.record({ width: millimetres(15, 220), depth: millimetres(8, 120), height: millimetres(25, 260) })
const board = fc.constantFrom(0, 0.3, 0.5, 1.2)

const SHAPES: readonly [string, (size: Inner, board: number) => Net][] = [
  ['tuck carton', tuckCarton],
  ['pillow box', pillowBox],
  ['header card', (size) => headerCard(size, 45)],
]

const length = (stroke: readonly Point[]) =>
  stroke.slice(1).reduce((sum, { x, y }, i) => sum + Math.hypot(x - stroke[i]!.x, y - stroke[i]!.y), 0)
const area = (outline: readonly Point[]) =>
  Math.abs(
    outline.reduce((sum, { x, y }, i) => {
      const next = outline[(i + 1) % outline.length]!
      return sum + x * next.y - next.x * y
    }, 0),
  ) / 2

/** Whether two convex outlines have more in common than an edge: no line along an edge of either parts them. */
function overlap(one: readonly Point[], other: readonly Point[]): boolean {
  const parts = (a: readonly Point[], b: readonly Point[]) =>
    a.some((p, i) => {
      const q = a[(i + 1) % a.length]!
      const long = Math.hypot(q.x - p.x, q.y - p.y)
      if (long < 1e-9) return false
      const off = ({ x, y }: Point) => ((x - p.x) * (q.y - p.y) - (y - p.y) * (q.x - p.x)) / long
      const mine = Math.max(...a.map(off))
      return Math.min(...b.map(off)) >= mine - 1e-3 || Math.max(...b.map(off)) <= Math.min(...a.map(off)) + 1e-3
    })
  return !parts(one, other) && !parts(other, one)
}

const convex = (outline: readonly Point[]) => {
  const turns = outline.map((p, i) => {
    const q = outline[(i + 1) % outline.length]!
    const r = outline[(i + 2) % outline.length]!
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x)
  })
  return turns.every((turn) => turn > -1e-6) || turns.every((turn) => turn < 1e-6)
}

describe.each(SHAPES)('%s', (_, netOf) => {
  it('lies flat without overlapping itself', () => {
    fc.assert(
      fc.property(inner, board, (size, thick) => {
        const { panels } = netOf(size, thick)
        for (const [i, one] of panels.entries()) {
          expect(convex(one.outline)).toBe(true)
          for (const other of panels.slice(i + 1))
            if (overlap(one.outline, other.outline)) throw new Error(`${one.id} lies over ${other.id}`)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('is one piece: cut once round, creased wherever it folds, every hinge on the edges of both it joins', () => {
    fc.assert(
      fc.property(inner, board, (size, thick) => {
        const net = netOf(size, thick)
        const cuts = cutLines(net)
        expect(cuts).toHaveLength(1)
        const [outline] = cuts as [Point[]]
        expect(Math.hypot(outline[0]!.x - outline.at(-1)!.x, outline[0]!.y - outline.at(-1)!.y)).toBeLessThan(1e-6)
        // What is cut out is as large as all panels together.
        const whole = net.panels.reduce((sum, panel) => sum + area(panel.outline), 0)
        expect(Math.abs(area(outline) - whole) / whole).toBeLessThan(1e-6)
        expect(creaseLines(net).length).toBeGreaterThan(0)
      }),
      { numRuns: 40 },
    )
  })

  it('folds without stretching, and where a panel hangs it stays', () => {
    fc.assert(
      fc.property(inner, board, fc.double({ min: 0, max: 1, noNaN: true }), (size, thick, closed) => {
        const net = netOf(size, thick)
        const movements = foldNet(net, closed)
        for (const { id, hinge } of net.panels) {
          const m = movements.get(id)!
          const [x, y] = [turnedBy(m, { x: 1, y: 0 }), turnedBy(m, { x: 0, y: 1 })]
          expect(Math.hypot(x.x, x.y, x.z)).toBeCloseTo(1, 9)
          expect(x.x * y.x + x.y * y.y + x.z * y.z).toBeCloseTo(0, 9)
          if (!hinge) continue
          for (const point of [hinge.from, hinge.to]) {
            const [mine, parents] = [moved(m, point), moved(movements.get(hinge.parent)!, point)]
            expect(Math.hypot(mine.x - parents.x, mine.y - parents.y, mine.z - parents.z)).toBeLessThan(1e-6)
          }
        }
      }),
      { numRuns: 40 },
    )
  })

  it('keeps colour off what is glued, and what is read within its face', () => {
    fc.assert(
      fc.property(inner, board, (size, thick) => {
        const { panels, faces } = netOf(size, thick)
        const glued = panels.filter(({ kind }) => kind === 'glue').map(({ outline }) => boxOf(outline))
        for (const face of faces) {
          const spread = boxOf(face.bleed)
          for (const glue of glued)
            expect(spread.x >= glue.x + glue.width - 1e-6 || spread.x + spread.width <= glue.x + 1e-6).toBe(true)
          const box = boxOf(face.outline)
          expect(face.safe.x).toBeGreaterThanOrEqual(box.x)
          expect(face.safe.y).toBeGreaterThanOrEqual(box.y)
          expect(face.safe.x + face.safe.width).toBeLessThanOrEqual(box.x + box.width + 1e-9)
          // Where nothing can be read, there is no room rather than a negative one.
          expect(face.safe.height).toBeGreaterThanOrEqual(0)
        }
        // Colour of one face never runs over another.
        for (const one of faces)
          for (const other of faces)
            if (one !== other && convex(one.bleed)) {
              const panel = panels.find(({ id }) => id === other.id)
              if (panel) expect(overlap(one.bleed, panel.outline)).toBe(false)
            }
      }),
      { numRuns: 40 },
    )
  })
})

describe('tuckCarton', () => {
  const dims = ({ outline }: Panel) => boxOf(outline)

  it('has opposite panels that match within a hundredth of a millimetre', () => {
    fc.assert(
      fc.property(inner, board, (size, thick) => {
        const { panels } = tuckCarton(size, thick)
        const of = (id: string) => dims(panels.find((panel) => panel.id === id)!)
        for (const [one, other] of [
          ['front', 'back'],
          ['left', 'right'],
          ['lid', 'base'],
        ] as const) {
          expect(Math.abs(of(one).width - of(other).width)).toBeLessThan(0.01)
          expect(Math.abs(of(one).height - of(other).height)).toBeLessThan(0.01)
        }
        expect(of('lid').height).toBeCloseTo(of('left').width, 9)
      }),
    )
  })

  it('closes: what was asked for goes in, the last side meets the front, and all reads upright', () => {
    fc.assert(
      fc.property(inner, board, (size, thick) => {
        const { panels } = tuckCarton(size, thick)
        const movements = foldNet({ panels }, 1)
        const corner = (id: string, i: number) =>
          moved(movements.get(id)!, panels.find((one) => one.id === id)!.outline[i]!)
        const front = corner('front', 0)
        const last = corner('left', 1)
        expect(Math.hypot(front.x - last.x, front.y - last.y, front.z - last.z)).toBeLessThan(0.01)
        expect(-corner('back', 0).z).toBeCloseTo(size.depth + thick, 6)
        const lid = corner('lid', 0)
        expect(lid.z).toBeCloseTo(0, 6)
        expect(lid.y).toBeCloseTo(front.y, 6)
        // Up of what stands on each face, once it is closed: up in the world, on top away from who looks, below towards them.
        const up = (id: string) => {
          const { turn } = panels.find((one) => one.id === id)!
          const angle = (turn * Math.PI) / 180
          return turnedBy(movements.get(id)!, { x: Math.sin(angle), y: -Math.cos(angle) })
        }
        for (const side of ['front', 'right', 'back', 'left']) expect(up(side).y).toBeCloseTo(-1, 9)
        expect(up('lid').z).toBeCloseTo(-1, 9)
        expect(up('base').z).toBeCloseTo(1, 9)
        // The printed sides look outwards.
        const out = (id: string) => turnedBy(movements.get(id)!, { x: 0, y: 0, z: 1 })
        expect(out('back').z).toBeCloseTo(-1, 9)
        expect(out('right').x).toBeCloseTo(1, 9)
        expect(out('left').x).toBeCloseTo(-1, 9)
        expect(out('lid').y).toBeCloseTo(-1, 9)
        expect(out('base').y).toBeCloseTo(1, 9)
      }),
    )
  })
})

describe('pillowBox', () => {
  it('closes to a lens into which what was asked for goes', () => {
    fc.assert(
      fc.property(inner, board, (size, thick) => {
        const { panels } = pillowBox(size, thick)
        const movements = foldNet({ panels }, 1)
        const points = panels
          .filter(({ kind }) => kind === 'face')
          .flatMap(({ id, outline }) => outline.map((point) => moved(movements.get(id)!, point)))
        const first = panels.find(({ id }) => id === 'front-0')!
        const last = panels.find(({ id }) => id === 'back-12')!
        // The free edge of the back meets that of the front.
        const [a, b] = [
          moved(movements.get('front-0')!, first.outline[0]!),
          moved(movements.get('back-12')!, last.outline[1]!),
        ]
        expect(Math.hypot(a.x - b.x, a.z - b.z)).toBeLessThan(0.01)
        // The corners of the rectangle lie within the lens.
        const zs = points.map(({ z }) => z)
        const middle = (Math.max(...zs) + Math.min(...zs)) / 2
        const xs = points.map(({ x }) => x)
        const centre = (Math.max(...xs) + Math.min(...xs)) / 2
        const front = points.filter(({ z }) => z >= middle - 1e-9).sort((p, q) => p.x - q.x)
        // As much as flat strips cut off its curve.
        const sag = (Math.max(...xs) - Math.min(...xs)) * 0.003
        for (const side of [-1, 1]) {
          const x = centre + (side * size.width) / 2
          const i = front.findIndex((point) => point.x > x)
          const [p, q] = [front[i - 1]!, front[i]!]
          const z = p.z + ((q.z - p.z) * (x - p.x)) / (q.x - p.x || 1)
          expect(z - middle).toBeGreaterThan(size.depth / 2 - sag)
        }
        expect(Math.max(...zs) - Math.min(...zs)).toBeGreaterThan(size.depth - 2 * sag)
        expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(size.width)
      }),
      { numRuns: 40 },
    )
  })

  it('pushes its ends in as one bent flap each, from front to back', () => {
    const { panels } = pillowBox({ width: 38, depth: 19, height: 60 }, 0.3)
    const movements = foldNet({ panels }, 1)
    for (const face of ['front', 'back'])
      for (let i = 0; i + 1 < 13; i++) {
        const at = (id: string, corner: number) =>
          moved(movements.get(id)!, panels.find((panel) => panel.id === id)!.outline[corner]!)
        const [crease, outer] = [at(`${face}-${i}-top`, 3), at(`${face}-${i}-top`, 2)]
        const next = at(`${face}-${i + 1}-top`, 1)
        expect(Math.hypot(outer.x - next.x, outer.y - next.y, outer.z - next.z)).toBeLessThan(0.1)
        expect(Math.hypot(outer.x - crease.x, outer.y - crease.y)).toBeLessThan(0.1)
      }
  })

  it('has a back as large as its front', () => {
    const { faces } = pillowBox({ width: 38, depth: 19, height: 60 }, 0.3)
    const [front, back] = faces.map(({ outline }) => boxOf(outline))
    expect(front!.width).toBeCloseTo(back!.width, 9)
    expect(front!.height).toBeCloseTo(back!.height, 9)
  })
})

describe('headerCard', () => {
  it('folds flat with its back reading upright and both holes in one place', () => {
    const net = headerCard({ width: 40, depth: 20, height: 60 }, 45)
    const movements = foldNet(net, 1)
    const up = turnedBy(movements.get('back')!, { x: 0, y: 1 })
    expect(up.y).toBeCloseTo(-1, 9)
    const [back, front] = net.holes
    const [one, other] = [moved(movements.get('back')!, back!), moved(movements.get('front')!, front!)]
    expect([one.x, one.y]).toEqual([expect.closeTo(other.x, 6), expect.closeTo(other.y, 6)])
  })
})

it('says how large a net is, with the colour led beyond it', () => {
  const net = tuckCarton({ width: 38, depth: 19, height: 60 }, 0)
  const size = sizeOfNet(net)
  expect(size.width).toBeCloseTo(2 * 38 + 2 * 19 + 11.4, 6)
  expect(sizeWithBleed(net).width).toBeCloseTo(size.width + 3, 6)
  expect(length(cutLines(net)[0]!)).toBeGreaterThan(2 * (size.width + size.height))
})
