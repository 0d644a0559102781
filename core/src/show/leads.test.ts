import { describe, expect, test } from '@jest/globals'
import { cross, placeLeads, runsOver, type Point } from './leads.ts'

const at = (x: number, y: number): Point => ({ x, y })
const room = { left: 0, right: 100, top: 0, bottom: 100, gap: 5, port: 2, clear: [] }

describe('lines', () => {
  test.each([
    ['through each other', at(0, 0), at(10, 10), at(0, 10), at(10, 0), true],
    ['side by side', at(0, 0), at(10, 0), at(0, 1), at(10, 1), false],
    ['one ending on the other', at(0, 0), at(10, 0), at(5, 0), at(5, 9), true],
    ['ending in one point', at(0, 0), at(5, 5), at(10, 0), at(5, 5), false],
    ['along each other', at(0, 0), at(10, 0), at(5, 0), at(15, 0), true],
    ['one behind the other', at(0, 0), at(4, 0), at(5, 0), at(9, 0), false],
  ])('%s', (_, a, b, c, d, crossing) => {
    expect([cross(a, b, c, d), cross(c, d, a, b)]).toEqual([crossing, crossing])
  })

  test.each([
    ['through a box', at(0, 5), at(20, 5), true],
    ['past it', at(0, 0), at(20, 0), false],
    ['past its corner', at(0, 9), at(9, 20), false],
    ['over its corner', at(0, 12), at(12, 0), true],
    ['into it', at(0, 5), at(8, 5), true],
    ['up to its edge', at(0, 5), at(5, 5), false],
  ])('%s', (_, a, b, over) => {
    const box = { x: 5, y: 3, width: 6, height: 6 }
    expect([runsOver(a, b, box), runsOver(b, a, box)]).toEqual([over, over])
  })
})

describe('placing', () => {
  test('exchanges labels whose lines would cross, and keeps both sides alike', () => {
    // In the order of their heights the lines of the first two would cross.
    const points = [at(10, 40), at(48, 39), at(60, 20), at(90, 70)]
    const { placed, free } = placeLeads(
      points.map((point) => ({ points: [point], height: 10 })),
      room,
    )
    expect(free).toEqual([true, true, true, true])
    for (const [i, one] of placed.entries())
      for (const other of placed.slice(i + 1)) expect(cross(one.from, one.to, other.from, other.to)).toBe(false)
    expect(placed.filter(({ side }) => side === 'left')).toHaveLength(2)
  })

  test('gives up the line that cannot be led round what is to stay clear, and no other', () => {
    const clear = [{ x: 40, y: 0, width: 20, height: 100 }]
    const { placed, free } = placeLeads(
      [at(50, 50), at(20, 50), at(80, 50)].map((point) => ({ points: [point], height: 10 })),
      { ...room, clear },
    )
    expect(placed.filter((_, i) => !free[i]).map(({ lead }) => lead)).toEqual([0])
    expect(placeLeads([], room)).toEqual({ placed: [], free: [] })
  })
})
