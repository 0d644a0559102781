import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Level } from '../catalogue/index.ts'
import { MissingRate } from '../market/index.ts'
import { offer, problem, seller } from '../test/problem.ts'
import { costOfTake } from './costOfTake.ts'
import { planToCsv } from './planToCsv.ts'
import { problemFor, type MarketOffer } from './problemFor.ts'
import { reduceProblem } from './reduce.ts'
import { settle } from './settle.ts'
import type { SourcingPlan, SourcingProblem } from './types.ts'

const rates = [{ date: '2026-11-01', from: 'GBP', to: 'EUR', rate: 1.2 }]
const quoted = (id: string, from: string, part: string, price: number, currency = 'EUR'): MarketOffer => ({
  id,
  seller: from,
  price,
  currency,
  stock: 4,
  multiple: 1,
  weight: 1,
  yields: [{ part, qty: 1 }],
  units: [[{ slot: 'beside', part }]],
})
const market = {
  date: '2026-11-20',
  rates,
  sellers: [
    { ...seller('home', 200), currency: 'EUR' },
    { ...seller('abroad', 400, { minimum: 500, handling: 10 }), currency: 'GBP' },
  ],
  offers: [
    quoted('h-a', 'home', 'A', 100),
    quoted('h-x', 'home', 'X', 5),
    quoted('g-a', 'abroad', 'A', 70, 'GBP'),
    quoted('g-x', 'abroad', 'X', 5, 'GBP'),
  ],
}

describe('a problem for wanted parts', () => {
  const made = problemFor(
    ['A', 'B', 'A'],
    new Map([
      ['A', 1],
      ['Z', 3],
    ]),
    market,
    'EUR',
    { parcels: 2 },
  )

  test('counts each part once and brings what is owned of it', () => {
    expect(made.needs).toEqual([
      { id: 'A', qty: 2, accept: [{ part: 'A', penalty: 0 }] },
      { id: 'B', qty: 1, accept: [{ part: 'B', penalty: 0 }] },
    ])
    expect(made.owned).toEqual([{ part: 'A', qty: 1 }])
    expect(made.limits.parcels).toBe(2)
  })

  test('is in one currency, rounded up', () => {
    expect(made.offers.find((o) => o.id === 'g-a')!.price).toBe(84)
    expect(made.sellers.find((s) => s.id === 'abroad')).toMatchObject({
      minimum: 600,
      handling: 12,
      shipping: { bands: [{ upTo: null, price: 480 }] },
    })
  })

  test('keeps goods nobody wants only where they can reach a minimum', () => {
    expect(made.offers.map((o) => o.id)).toEqual(['h-a', 'g-a', 'g-x'])
  })

  test('a missing rate is named', () => {
    expect(() => problemFor(['A'], new Map(), { ...market, rates: [] }, 'EUR')).toThrow(MissingRate)
    expect(() => problemFor(['A'], new Map(), { ...market, date: '2026-10-01' }, 'EUR')).toThrow(
      'no rate from GBP to EUR on or before 2026-10-01',
    )
  })
})

describe('what is bought is taken apart as far as the house rules say', () => {
  const figure: MarketOffer = {
    ...quoted('h-f', 'home', 'H', 300),
    yields: ['H', 'T', 'R', 'L'].map((part) => ({ part, qty: 1 })),
    units: [
      [
        { slot: 'head', part: 'H' },
        { slot: 'torso', part: 'T' },
        { slot: 'armRight', part: 'R' },
        { slot: 'armLeft', part: 'L' },
      ],
    ],
  }
  const yielded = (wanted: string[], takingApart: Level) =>
    problemFor(wanted, new Map(), { ...market, offers: [figure] }, 'EUR', { takingApart })
      .offers.flatMap(({ yields }) => yields.map(({ part }) => part))
      .join('')

  test('a head comes off a figure; an arm only where arms are pulled, or with all it is joined to', () => {
    expect(yielded(['H', 'R'], 1)).toBe('H')
    expect(yielded(['H', 'R'], 3)).toBe('HTRL')
    expect(yielded(['T', 'R', 'L'], 1)).toBe('HTRL')
    // Nothing of it can be used, so it is not offered.
    expect(yielded(['R'], 0)).toBe('')
  })
})

test('reducing keeps what any plan can use', () => {
  const full = problem(['A'], {
    sellers: [
      seller('slow', 0, { arrivesInDays: 20 }),
      seller('quick', 0),
      seller('min', 0, { minimum: 50 }),
      seller('idle', 0),
    ],
    offers: [
      offer('slow a', 'slow', 'A', 1),
      offer('quick a', 'quick', 'A', 5),
      offer('quick x', 'quick', 'X', 5),
      offer('quick gold', 'quick', 'G', 5),
      offer('too few', 'quick', 'A', 1, { qty: 1, multiple: 2 }),
      offer('min a', 'min', 'A', 5),
      offer('min x', 'min', 'X', 5),
      offer('idle x', 'idle', 'X', 5),
    ],
    resale: [{ part: 'G', price: 6 }],
    limits: { parcels: null, arriveBy: 10, budget: null, seconds: 1, gap: 0 },
  })
  const reduced = reduceProblem(full)
  expect(reduced.offers.map((o) => o.id)).toEqual(['quick a', 'quick gold', 'min a', 'min x'])
  expect(reduced.sellers.map((s) => s.id)).toEqual(['quick', 'min'])
})

/** Any purchase over a small market, settled as a plan. */
function settled(units: readonly number[]): { asked: SourcingProblem; plan: SourcingPlan } {
  const asked = problem(['A', 'B', 'C'], {
    needs: [
      { id: 'A', qty: 2, accept: [{ part: 'A', penalty: 0 }] },
      { id: 'B', qty: 1, accept: [{ part: 'B', penalty: 0 }] },
      { id: 'C', qty: 1, accept: [{ part: 'C', penalty: 0 }] },
    ],
    owned: [{ part: 'A', qty: 1 }],
    sellers: [seller('s', 250, { handling: 30 }), seller('t', 190)],
    offers: [
      offer('a', 's', 'A', 33),
      offer('set', 's', '', 100, {
        yields: [
          { part: 'A', qty: 1 },
          { part: 'B', qty: 1 },
          { part: 'X', qty: 1 },
        ],
      }),
      offer('b', 't', 'B', 41),
      offer('x', 't', 'X', 7),
    ],
  })
  const bought = new Map(asked.offers.map((o, i) => [o.id, units[i]!]))
  return {
    asked,
    plan: {
      format: 'outfit.sourcing-plan',
      version: 1,
      status: 'time-limit',
      bound: 0,
      gap: 1,
      seconds: 0,
      ...settle(asked, bought),
    },
  }
}
const anyUnits = fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 4, maxLength: 4 })

test("a take's cost opens into terms that add up to its total, whatever is bought", () => {
  fc.assert(
    fc.property(anyUnits, (units) => {
      const { asked, plan } = settled(units)
      const cost = costOfTake(asked, plan)
      expect(cost.bought.reduce((sum, entry) => sum + entry.cost, 0) + cost.shipping + cost.fillers).toBe(plan.total)
      const count = (list: { qty: number }[]) => list.reduce((sum, { qty }) => sum + qty, 0)
      expect(count(cost.bought) + count(cost.owned) + count(cost.unmet)).toBe(4)
    }),
  )
})

test("the shopping list has a line an offer, the parcels' charges and the total", () => {
  const { asked, plan } = settled([0, 1, 0, 1])
  const csv = planToCsv(asked, plan, (id) => `=thing ${id}`)
  expect(csv.trim().split('\n')).toEqual([
    'seller,item,offer,qty,each (EUR),sum (EUR)',
    "Seller s,'=thing set,set,1,1.00,1.00",
    'Seller s,Shipping,,1,2.50,2.50',
    'Seller s,Handling,,1,0.30,0.30',
    "Seller t,'=thing x,x,1,0.07,0.07",
    'Seller t,Shipping,,1,1.90,1.90',
    ',Total,,,,5.77',
  ])
})
