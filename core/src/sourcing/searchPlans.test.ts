import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { offer, problem, seller } from '../test/problem.ts'
import { Ledger } from './ledger.ts'
import { PlanSearch } from './searchPlans.ts'
import { settle } from './settle.ts'
import type { SourcingProblem } from './types.ts'

function best(given: SourcingProblem) {
  const search = new PlanSearch(new Ledger(given), { late: () => false })
  search.run(Infinity)
  const [plan] = search.best(1)
  return { ...plan!, settled: settle(given, plan!.units), search }
}
const sellersOf = ({ settled }: ReturnType<typeof best>) => settled.baskets.map((basket) => basket.seller)

describe('the search', () => {
  test('gives up the cheapest offer where its parcel is not worth it', () => {
    const found = best(
      problem(['A', 'B'], {
        sellers: [seller('s', 200), seller('t', 200)],
        offers: [offer('a', 's', 'A', 50), offer('b', 't', 'B', 50), offer('bb', 's', 'B', 120)],
      }),
    )
    expect([sellersOf(found), found.settled.total]).toEqual([['s'], 370])
  })

  test('buys a figure for its parts where those cost more singly', () => {
    const yields = ['A', 'B', 'C'].map((part) => ({ part, qty: 1 }))
    const found = best(
      problem(['A', 'B', 'C'], {
        sellers: [seller('s', 100)],
        offers: [...['A', 'B', 'C'].map((part) => offer(part, 's', part, 90)), offer('f', 's', 'A', 200, { yields })],
      }),
    )
    expect(Object.fromEntries(found.units)).toEqual({ f: 1 })
    expect(found.cost).toBe(300)
  })

  test('buys one figure in place of assemblies from two sellers, none of which a single part of it would replace', () => {
    const yieldsOf = (parts: string[]) => parts.map((part) => ({ part, qty: 1 }))
    const [upper, lower] = [
      ['A', 'B', 'C'],
      ['D', 'E', 'F'],
    ] as const
    const given = problem([...upper, ...lower], {
      sellers: [seller('s', 100), seller('t', 100), seller('u', 100)],
      offers: [
        offer('upper', 's', 'A', 100, { yields: yieldsOf([...upper]) }),
        offer('lower', 't', 'D', 100, { yields: yieldsOf([...lower]) }),
        offer('f', 'u', 'A', 210, { yields: yieldsOf([...upper, ...lower]) }),
      ],
    })
    const search = new PlanSearch(new Ledger(given), { late: () => false })
    search.begin()
    expect(search.best(1).map(({ units, cost }) => [[...units.keys()], cost])).toEqual([[['f'], 310]])
  })

  test('opens a seller nobody would ask for one part alone', () => {
    const parts = ['A', 'B', 'C', 'D']
    const found = best(
      problem(parts, {
        sellers: [...parts.map((part) => seller(part, 100)), seller('all', 250)],
        offers: parts.flatMap((part) => [offer(part, part, part, 10), offer(`all ${part}`, 'all', part, 20)]),
      }),
    )
    expect([sellersOf(found), found.settled.total]).toEqual([['all'], 330])
  })

  test('fills a parcel up to a cheaper band with what it needs anyway', () => {
    const bands = [
      { upTo: 499, price: 300 },
      { upTo: null, price: 0 },
    ]
    const found = best(
      problem(['A', 'B'], {
        sellers: [seller('s', 0, { shipping: { basis: 'value', bands } }), seller('t', 80)],
        offers: [offer('a', 's', 'A', 400), offer('b', 's', 'B', 110), offer('bb', 't', 'B', 40)],
      }),
    )
    expect([sellersOf(found), found.settled.total]).toEqual([['s'], 510])
  })

  test('takes several things out of a parcel for a cheaper band, where each alone only costs more elsewhere', () => {
    const bands = [
      { upTo: 2, price: 100 },
      { upTo: null, price: 300 },
    ]
    const parts = ['A', 'B', 'C', 'D', 'E']
    const count = { shipping: { basis: 'count' as const, bands } }
    const given = problem(parts, {
      sellers: [seller('s', 0, count), seller('t', 120)],
      offers: [
        ...parts.map((part) => offer(`${part} s`, 's', part, 100)),
        ...['C', 'D', 'E'].map((part) => offer(`${part} t`, 't', part, 110)),
        // So that t has a parcel anyway.
        offer('F t', 't', 'F', 10),
      ],
    })
    const search = new PlanSearch(
      new Ledger({ ...given, needs: [...given.needs, { id: 'F', qty: 1, accept: [{ part: 'F', penalty: 0 }] }] }),
      { late: () => false },
    )
    search.begin()
    // Two for 100 each and three for 110 each, F, and two parcels.
    expect(search.best(1)[0]!.cost).toBe(200 + 330 + 10 + 100 + 120)
  })

  test('keeps to the most parcels, and leaves unmet what cannot be had', () => {
    const limits = { parcels: 1, arriveBy: null, budget: null, seconds: 1, gap: 0 }
    const found = best(
      problem(['A', 'B', 'Z'], {
        sellers: [seller('s', 100), seller('t', 100)],
        offers: [offer('a', 's', 'A', 10), offer('b', 't', 'B', 10), offer('bb', 's', 'B', 500)],
        limits,
      }),
    )
    expect([sellersOf(found), found.settled.total]).toEqual([['s'], 610])
    expect(found.settled.unmet.map(({ need }) => need)).toEqual(['need Z'])
  })

  test('does without what a budget does not allow, where nothing else keeps to it', () => {
    const found = best(
      problem([], {
        needs: [{ id: 'n', qty: 2, accept: [{ part: 'A', penalty: 0 }] }],
        sellers: [seller('s', 0), seller('t', 0)],
        offers: [
          offer('two', 's', 'A', 8, { qty: 1, yields: [{ part: 'A', qty: 2 }] }),
          offer('one', 't', 'A', 6, { qty: 2 }),
        ],
        limits: { parcels: null, arriveBy: null, budget: 6, seconds: 1, gap: 0 },
      }),
    )
    expect([[...found.units], found.settled.unmet.map(({ qty }) => qty)]).toEqual([[['one', 1]], [1]])
  })

  test('is the same every time, tells each better total, and ends when nothing better comes', () => {
    const given = problem(['A', 'B', 'C'], {
      sellers: ['s', 't', 'u'].map((id, i) => seller(id, 100 + 40 * i)),
      offers: ['A', 'B', 'C'].flatMap((part, p) =>
        ['s', 't', 'u'].map((id, s) => offer(`${part}${id}`, id, part, 40 + 30 * ((p + s) % 3))),
      ),
    })
    const told: number[] = []
    const search = new PlanSearch(new Ledger(given), { late: () => false, onBetter: (cost) => told.push(cost) })
    search.run(Infinity)
    expect(search.exhausted).toBe(true)
    expect(told).toEqual([...told].sort((a, b) => b - a))
    expect(search.best(1)[0]!.cost).toBeLessThanOrEqual(told.at(-1) ?? Infinity)
    expect([...search.best(1)[0]!.units]).toEqual([...best(given).units])
  })
})

test('the same work finds the same plans, more of it none that is dearer, whichever way it begins anew', () => {
  const random = seeded(5)
  const parts = Array.from({ length: 12 }, (_, p) => `P${p}`)
  const shops = Array.from({ length: 9 }, (_, s) => seller(`s${s}`, 60 + Math.floor(random() * 90)))
  const offers = shops.flatMap(({ id }) =>
    parts.flatMap((part) => (random() < 0.4 ? [offer(`${part}${id}`, id, part, 5 + Math.floor(random() * 60))] : [])),
  )
  const given = problem(
    parts.filter((part) => offers.some(({ yields }) => yields[0]!.part === part)),
    { sellers: shops, offers },
  )
  const found = (work: number) => {
    const search = new PlanSearch(new Ledger(given), { late: () => false, lean: new Float64Array(9).fill(0.5) })
    search.begin()
    search.beginAnew(new Float64Array(9).fill(0.4), work)
    search.combine(work)
    search.run(work)
    return search.best(1)[0]!
  }
  const [least, more, again] = [found(500), found(20_000), found(20_000)]
  expect([...again.units]).toEqual([...more.units])
  expect(more.cost).toBeLessThanOrEqual(least.cost)
})

test('a need that only one part would do for gets it from one that can look on', () => {
  const found = best(
    problem([], {
      needs: [
        {
          id: 'either',
          qty: 1,
          accept: [
            { part: 'B', penalty: 0 },
            { part: 'A', penalty: 0 },
          ],
        },
        { id: 'only', qty: 1, accept: [{ part: 'B', penalty: 0 }] },
      ],
      owned: [{ part: 'B', qty: 1 }],
      sellers: [seller('s', 100)],
      offers: [offer('a', 's', 'A', 10)],
    }),
  )
  expect([found.settled.unmet, found.settled.total]).toEqual([[], 110])
})
