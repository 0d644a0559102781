import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { fillUp, type Filler } from './fillUp.ts'

/** The least money for the target, by trying every number of each filler. */
function everyWay(fillers: readonly Filler[], target: number): number {
  if (target <= 0) return 0
  const [first, ...rest] = fillers
  if (!first) return Infinity
  return Math.min(
    ...Array.from({ length: first.stock + 1 }, (_, n) => n * first.price + everyWay(rest, target - n * first.worth)),
  )
}

test('fills up at the least money, with no more than there is', () => {
  const filler = fc.record({
    worth: fc.integer({ min: 1, max: 9 }),
    price: fc.integer({ min: 0, max: 20 }),
    stock: fc.integer({ min: 0, max: 3 }),
  })
  fc.assert(
    fc.property(fc.array(filler, { maxLength: 4 }), fc.integer({ min: 1, max: 30 }), (fillers, target) => {
      const steps = fillUp(fillers, target)
      const least = everyWay(fillers, target)
      if (!steps) return expect(least).toBe(Infinity)
      const sum = (of: (filler: Filler, i: number) => number) => fillers.reduce((all, one, i) => all + of(one, i), 0)
      expect(fillers.every(({ stock }, i) => steps[i]! <= stock)).toBe(true)
      expect(sum(({ worth }, i) => worth * steps[i]!)).toBeGreaterThanOrEqual(target)
      expect(sum(({ price }, i) => price * steps[i]!)).toBe(least)
    }),
  )
})

/** Fillers and targets as large as sellers may state them. */
const large = fc.record({
  fillers: fc.array(
    fc.record({
      worth: fc.integer({ min: 0, max: 100_000_000 }),
      price: fc.integer({ min: -1000, max: 100_000_000 }),
      stock: fc.oneof(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 1_000_000 })),
    }),
    { maxLength: 12 },
  ),
  target: fc.integer({ min: 1, max: 100_000_000 }),
})

test('fills up any amount there is enough for, in a table of bounded size', () => {
  fc.assert(
    fc.property(large, ({ fillers, target }) => {
      const steps = fillUp(fillers, target)
      const sum = (of: (filler: Filler, i: number) => number) => fillers.reduce((all, one, i) => all + of(one, i), 0)
      if (!steps) return expect(sum(({ worth, stock }) => worth * stock)).toBeLessThan(target)
      expect(fillers.every(({ stock }, i) => steps[i]! >= 0 && steps[i]! <= stock)).toBe(true)
      expect(sum(({ worth }, i) => worth * steps[i]!)).toBeGreaterThanOrEqual(target)
    }),
    { numRuns: 40 },
  )
})

test('where the table would be too large, comes as near as its grain: money that counts one for one is not wasted', () => {
  const price = [30, 70, 110, 4_000, 25_000, 990_000]
  const fillers = price.map((each) => ({ worth: each, price: each, stock: 1_000_000 }))
  for (const target of [20_000_010, 77_777_770, 99_999_990]) {
    const steps = fillUp(fillers, target)!
    expect(price.reduce((sum, each, i) => sum + each * steps[i]!, 0)).toBe(target)
  }
})
