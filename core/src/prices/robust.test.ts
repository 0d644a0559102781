import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { outliersOf, quantile, spreadOf } from './robust.ts'

describe('spread', () => {
  it('takes quantiles between neighbours', () => {
    // Type 7 of 1..10: 3.25, 5.5, 7.75, as in the tables of the source.
    const ten = Array.from({ length: 10 }, (_, i) => i + 1)
    expect(spreadOf(ten)).toEqual({ n: 10, low: 1, q1: 3.25, median: 5.5, q3: 7.75, high: 10 })
    expect(quantile([7], 0.25)).toBe(7)
    expect(spreadOf([])).toBeNull()
  })

  it('is in order and does not depend on the order of prices', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9999 }), { minLength: 1, maxLength: 30 }), (prices) => {
        const { low, q1, median, q3, high } = spreadOf(prices)!
        expect([low, q1, median, q3, high]).toEqual([low, q1, median, q3, high].sort((a, b) => a - b))
        expect(spreadOf([...prices].reverse())).toEqual(spreadOf(prices))
        const below = prices.filter((price) => price <= median).length
        expect(below * 2).toBeGreaterThanOrEqual(prices.length)
      }),
    )
  })
})

describe('outliers', () => {
  it('names a price far from the others, with how many times the median it is', () => {
    const [found, ...others] = outliersOf([100, 110, 95, 105, 900, 102])
    expect(others).toEqual([])
    expect(found).toMatchObject({ index: 4, usual: { n: 6 } })
    expect(found!.times).toBeCloseTo(900 / Math.sqrt(102 * 105), 6)
    expect(found!.usual.to).toBeLessThan(900)
    expect(found!.usual.from).toBeGreaterThan(0)
  })

  it('names what is far too cheap as well', () => {
    expect(outliersOf([100, 110, 95, 105, 9, 102]).map(({ index }) => index)).toEqual([4])
  })

  it('says nothing of few prices, and nothing where all are alike', () => {
    expect(outliersOf([100, 100, 100, 9000])).toEqual([])
    expect(outliersOf([50, 50, 50, 50, 50, 50])).toEqual([])
  })

  it('still sees one where more than half are the same', () => {
    expect(outliersOf([50, 50, 50, 50, 50, 50, 50, 50, 600]).map(({ index }) => index)).toEqual([8])
  })

  it('does not depend on the currency prices are in', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 10, max: 5000 }), { minLength: 5, maxLength: 20 }),
        fc.integer({ min: 2, max: 50 }),
        (prices, factor) => {
          const indices = (those: number[]) => outliersOf(those).map(({ index }) => index)
          // Rounding may only matter on the very edge, which integers times an integer never reach differently.
          expect(indices(prices.map((price) => price * factor))).toEqual(indices(prices))
        },
      ),
      { numRuns: 60 },
    )
  })
})
