import { describe, expect, test } from '@jest/globals'
import { offer, problem, seller } from '../test/problem.ts'
import { basketOf, settle } from './settle.ts'

describe('baskets', () => {
  const banded = (basis: 'value' | 'count' | 'weight') =>
    seller('s', 0, {
      handling: 25,
      shipping: {
        basis,
        bands: [
          { upTo: 10, price: 100 },
          { upTo: 20, price: 60 },
          { upTo: null, price: 0 },
        ],
      },
    })
  const line = (qty: number, price: number, weight: number) => ({ offer: 'o', qty, price, weight })

  test.each([
    ['value', 1, 10, 100],
    ['value', 1, 11, 60],
    ['value', 2, 10, 60],
    ['value', 3, 10, 0],
    ['count', 10, 1, 100],
    ['count', 11, 1, 60],
    ['count', 21, 1, 0],
  ] as const)('the first band that holds the %s of %d at %d is charged', (basis, qty, price, shipping) => {
    expect(basketOf(banded(basis), [line(qty, price, 1)])).toMatchObject({ goods: qty * price, shipping, handling: 25 })
  })

  test('weight is summed over units, fractions and all', () => {
    expect(basketOf(banded('weight'), [line(4, 1, 2.5)])).toMatchObject({ amount: 10, shipping: 100 })
    expect(basketOf(banded('weight'), [line(4, 1, 2.6)])).toMatchObject({ shipping: 60 })
  })

  test('an amount above the last band says so', () => {
    const closed = seller('s', 0, { shipping: { basis: 'count', bands: [{ upTo: 2, price: 50 }] } })
    expect(basketOf(closed, [line(3, 1, 1)])).toMatchObject({ withinBands: false, shipping: 50 })
  })
})

describe('settling', () => {
  test('owned parts come first and cost nothing', () => {
    const solved = settle(
      problem(['A'], {
        owned: [{ part: 'A', qty: 1 }],
        sellers: [seller('s', 100)],
        offers: [offer('a', 's', 'A', 50)],
      }),
      new Map(),
    )
    expect(solved).toMatchObject({
      total: 0,
      baskets: [],
      fills: [{ need: 'need A', part: 'A', qty: 1, from: 'owned' }],
    })
  })

  test('a figure yields all its parts; the rest is left over and credited', () => {
    const solved = settle(
      problem(['A', 'B'], {
        sellers: [seller('s', 300)],
        offers: [
          offer('figure', 's', '', 400, {
            yields: [
              { part: 'A', qty: 1 },
              { part: 'B', qty: 2 },
            ],
          }),
        ],
        resale: [{ part: 'B', price: 30 }],
      }),
      new Map([['figure', 1]]),
    )
    expect(solved.total).toBe(400 + 300 - 30)
    expect(solved.surplus).toEqual([{ part: 'B', qty: 1, credit: 30 }])
    expect(solved.unmet).toEqual([])
  })

  test('a unit goes to the need that has no other choice', () => {
    const solved = settle(
      problem([], {
        needs: [
          {
            id: 'either',
            qty: 1,
            accept: [
              { part: 'A', penalty: 0 },
              { part: 'B', penalty: 40 },
            ],
          },
          { id: 'only A', qty: 1, accept: [{ part: 'A', penalty: 0 }] },
        ],
        owned: [
          { part: 'A', qty: 1 },
          { part: 'B', qty: 1 },
        ],
      }),
      new Map(),
    )
    expect(solved.unmet).toEqual([])
    expect(solved.total).toBe(40)
    expect(solved.fills).toContainEqual({ need: 'only A', part: 'A', qty: 1, from: 'owned' })
  })

  test('a scarce unit goes where it costs least', () => {
    const accept = (penalty: number) => [{ part: 'A', penalty }]
    const needs = [
      { id: 'dear', qty: 1, accept: accept(7) },
      { id: 'cheap', qty: 1, accept: accept(2) },
    ]
    const solved = settle(problem([], { needs, owned: [{ part: 'A', qty: 1 }] }), new Map())
    expect([solved.total, solved.unmet]).toEqual([2, [{ need: 'dear', qty: 1, why: '' }]])
  })

  test('what is short is said, unit by unit', () => {
    const solved = settle(
      problem([], {
        needs: [{ id: 'n', qty: 3, accept: [{ part: 'A', penalty: 0 }] }],
        owned: [{ part: 'A', qty: 2 }],
      }),
      new Map(),
    )
    expect(solved.unmet).toEqual([{ need: 'n', qty: 1, why: '' }])
  })
})
