import { describe, expect, test } from '@jest/globals'
import { sourcingModel } from './model.ts'
import { settle } from './settle.ts'
import type { SourcingProblem } from './types.ts'

const problem: SourcingProblem = {
  format: 'outfit.sourcing-problem',
  version: 1,
  currency: 'EUR',
  needs: [
    {
      id: 'hat',
      qty: 2,
      accept: [
        { part: 'H', penalty: 0 },
        { part: 'G', penalty: 15 },
      ],
    },
    { id: 'oar', qty: 3, accept: [{ part: 'O', penalty: 0 }] },
  ],
  owned: [{ part: 'O', qty: 1 }],
  sellers: [
    {
      id: 'S1',
      name: 'S1',
      minimum: 300,
      handling: 20,
      arrivesInDays: 3,
      shipping: {
        basis: 'value',
        bands: [
          { upTo: 400, price: 90 },
          { upTo: null, price: 0 },
        ],
      },
    },
    {
      id: 'S2',
      name: 'S2',
      minimum: 0,
      handling: 0,
      arrivesInDays: 3,
      shipping: {
        basis: 'weight',
        bands: [
          { upTo: 4, price: 50 },
          { upTo: 20, price: 80 },
        ],
      },
    },
  ],
  offers: [
    { id: 'hats', seller: 'S1', price: 120, qty: 4, multiple: 1, weight: 1, yields: [{ part: 'H', qty: 1 }] },
    { id: 'junk', seller: 'S1', price: 40, qty: 5, multiple: 1, weight: 1, yields: [{ part: 'J', qty: 1 }] },
    {
      id: 'figure',
      seller: 'S2',
      price: 200,
      qty: 2,
      multiple: 1,
      weight: 3,
      yields: [
        { part: 'G', qty: 1 },
        { part: 'O', qty: 1 },
        { part: 'J', qty: 1 },
      ],
    },
    { id: 'oars', seller: 'S2', price: 60, qty: 6, multiple: 2, weight: 1.5, yields: [{ part: 'O', qty: 1 }] },
  ],
  resale: [{ part: 'J', price: 12 }],
  limits: { parcels: 2, arriveBy: null, budget: 2000, seconds: 1, gap: 0.0001 },
}

const purchases: [string, Record<string, number>][] = [
  ['nothing', {}],
  ['what the needs ask', { hats: 2, oars: 2 }],
  ['goods that fill a parcel up', { hats: 2, junk: 2, oars: 2 }],
  ['more than of use', { hats: 4, oars: 2 }],
  ['figures with leftovers that fetch something', { figure: 2 }],
  ['alternatives side by side', { hats: 1, junk: 5, figure: 1, oars: 2 }],
]

describe.each(purchases)('a purchase of %s', (_name, bought) => {
  const units = new Map(Object.entries(bought))
  const settled = settle(problem, units)
  const unmet = settled.unmet.reduce((sum, { qty }) => sum + qty, 0)
  const { milp, valuesOf, steps } = sourcingModel(problem, 'cost', unmet)
  const point = valuesOf(units, settled)

  test('costs as columns what it comes to', () => {
    const cost = milp.columns.reduce((sum, column, i) => sum + column.cost * point[i]!, 0)
    expect(cost).toBeCloseTo(settled.total, 6)
  })

  test('keeps the bounds of every column and, but for a minimum that is missed, of every row', () => {
    milp.columns.forEach(({ lower, upper }, i) => {
      expect(point[i]).toBeGreaterThanOrEqual(lower - 1e-9)
      expect(point[i]).toBeLessThanOrEqual(upper + 1e-9)
    })
    const short = settled.baskets.some(
      ({ seller, goods }) => goods < problem.sellers.find(({ id }) => id === seller)!.minimum,
    )
    const broken = milp.rows.filter(({ lower, upper, entries }) => {
      const activity = entries.reduce((sum, [column, factor]) => sum + factor * point[column]!, 0)
      return activity < lower - 1e-6 || activity > upper + 1e-6
    })
    expect(broken.length).toBe(Number(short))
  })

  test('is read back as the units bought', () => {
    problem.offers.forEach(({ id, multiple }, i) => {
      const total = steps[i]!.reduce((sum, column) => sum + point[column]!, 0) * multiple
      expect([id, total]).toEqual([id, bought[id] ?? 0])
    })
  })
})

test('without fillers no column goes beyond what the needs can take of what is not owned, unless it earns', () => {
  const most = (fillers: boolean) => {
    const { milp, steps } = sourcingModel(problem, 'cost', 0, { fillers })
    return steps.map((columns) => columns.reduce((sum, column) => sum + milp.columns[column]!.upper, 0))
  }
  expect(most(true)).toEqual([4, 5, 2, 1])
  expect(most(false)).toEqual([2, 0, 2, 1])
})
