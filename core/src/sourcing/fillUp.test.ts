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
