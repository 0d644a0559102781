import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { seeded } from '../base/index.ts'
import { packOdds, type InCase } from './packOdds.ts'

const four: InCase[] = ['a', 'b', 'c', 'd'].map((figure) => ({ figure, qty: 1 }))
const want = (...wishes: [string, number][]) => new Map(wishes)

/** Packs opened until all wishes are there, in one try: a case first, then packs of any case. */
function oneTry(
  inCase: readonly InCase[],
  wanted: ReadonlyMap<string, number>,
  of: 'case' | 'shelf',
  random: () => number,
) {
  const all = inCase.flatMap(({ figure, qty }) => Array.from({ length: qty }, () => figure))
  const bag = of === 'case' ? [...all] : []
  const lacking = new Map([...wanted].filter(([, qty]) => qty > 0))
  let opened = 0
  while (lacking.size > 0) {
    const from = bag.length > 0 ? bag : all
    const at = Math.floor(random() * from.length)
    const figure = from[at]!
    if (from === bag) bag.splice(at, 1)
    opened += 1
    const left = (lacking.get(figure) ?? 0) - 1
    if (left > 0) lacking.set(figure, left)
    else lacking.delete(figure)
  }
  return opened
}

describe('what can be counted on fingers', () => {
  test('one of four in a case', () => {
    const odds = packOdds(four, want(['a', 1]))
    expect(odds.chance).toEqual([0, 0.25, 0.5, 0.75, 1])
    expect([odds.expected, odds.half, odds.ninety]).toEqual([2.5, 2, 4])
  })

  test('all four in a case take the whole case', () => {
    const odds = packOdds(four, want(['a', 1], ['b', 1], ['c', 1], ['d', 1]))
    expect(odds.chance).toEqual([0, 0, 0, 0, 1])
    expect(odds.expected).toBe(4)
  })

  test('one of four off a shelf is a geometric wait', () => {
    const odds = packOdds(four, want(['a', 1]), 'shelf')
    expect(odds.expected).toBeCloseTo(4, 10)
    odds.chance.forEach((there, n) => expect(there).toBeCloseTo(1 - 0.75 ** n, 10))
    expect([odds.half, odds.ninety]).toEqual([3, 9])
  })

  test('all four off a shelf is the collector of coupons', () => {
    expect(packOdds(four, want(['a', 1], ['b', 1], ['c', 1], ['d', 1]), 'shelf').expected).toBeCloseTo(25 / 3, 10)
  })

  test('more than stand in a case: the case, then packs of any', () => {
    const odds = packOdds(four, want(['a', 2]))
    expect(odds.chance.slice(0, 6)).toEqual([0, 0, 0, 0, 0, 0.25])
    expect(odds.expected).toBeCloseTo(8, 10)
  })

  test('nothing wanted needs nothing; a figure of other packs is refused, and too many wishes at once', () => {
    expect(packOdds(four, new Map())).toEqual({ chance: [1], expected: 0, half: 0, ninety: 0 })
    expect(() => packOdds(four, want(['x', 1]))).toThrow('x is in none of these packs')
    const many = want(...'abcd'.split('').map((figure): [string, number] => [figure, 40]))
    expect(() => packOdds(four, many, 'shelf')).toThrow('too many wishes')
  })
})

test('chances rise from none to nearly all, and the mean is what they say', () => {
  const inCase = fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 5 })
  fc.assert(
    fc.property(
      inCase,
      fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 5 }),
      fc.constantFrom('case' as const, 'shelf' as const),
      (held, wishes, of) => {
        const figures = held.map((qty, i) => ({ figure: `f${i}`, qty }))
        const wanted = new Map(wishes.slice(0, held.length).map((qty, i) => [`f${i}`, qty]))
        const { chance, expected, half, ninety } = packOdds(figures, wanted, of)
        chance.forEach((there, n) => expect(there).toBeGreaterThanOrEqual((chance[n - 1] ?? 0) - 1e-12))
        expect(chance.at(-1)!).toBeGreaterThanOrEqual(0.999)
        expect(half).toBeLessThanOrEqual(ninety)
        // The mean is the sum of the chances that it is not over yet; what is left untold is small.
        const told = chance.reduce((sum, there) => sum + (1 - there), 0)
        expect(told).toBeLessThanOrEqual(expected + 1e-6)
        expect(expected - told).toBeLessThan(0.002 * (expected + 20))
      },
    ),
    { numRuns: 80 },
  )
})

test.each(['case', 'shelf'] as const)('agrees with opening packs twenty thousand times, from a %s', (of) => {
  const inCase = [3, 2, 2, 1, 1].map((qty, i) => ({ figure: `f${i}`, qty }))
  const random = seeded(20)
  for (const wanted of [want(['f0', 1]), want(['f3', 1], ['f4', 1]), want(['f0', 4], ['f1', 1], ['f3', 1])]) {
    const tries = Array.from({ length: 20_000 }, () => oneTry(inCase, wanted, of, random))
    const { chance, expected } = packOdds(inCase, wanted, of)
    const mean = tries.reduce((sum, n) => sum + n, 0) / tries.length
    const deviation = Math.sqrt(tries.reduce((sum, n) => sum + (n - mean) ** 2, 0) / tries.length)
    // Five standard errors: the seed is fixed, so it either always holds or never.
    expect(Math.abs(mean - expected)).toBeLessThan((5 * deviation) / Math.sqrt(tries.length) + 1e-9)
    chance.forEach((there, n) => {
      const seen = tries.filter((opened) => opened <= n).length / tries.length
      expect(Math.abs(seen - there)).toBeLessThan(5 * Math.sqrt((there * (1 - there)) / tries.length) + 1e-9)
    })
  }
})
