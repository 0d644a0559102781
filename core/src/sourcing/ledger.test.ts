import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { offer, problem, seller } from '../test/problem.ts'
import { Ledger, UNMET } from './ledger.ts'
import { isBroken } from './parcelTerms.ts'
import type { SourcingProblem } from './types.ts'

/** A ledger, with the way of a need that goes by an offer. */
function opened(given: SourcingProblem) {
  const ledger = new Ledger(given)
  const ids = [...given.offers.map(({ id }) => id), ...given.owned.map(() => 'owned')]
  const wayBy = (need: number, id: string) => ledger.ways[need]!.find((way) => ids[way.offer] === id)!
  return { ledger, wayBy, at: (id: string) => ids.indexOf(id) }
}
const fill = ({ ledger, wayBy }: ReturnType<typeof opened>, need: number, id: string, units = 1) =>
  ledger.place(need, wayBy(need, id), units)

describe('what a ledger charges', () => {
  test('each missing unit at first, then goods, shipping and handling', () => {
    const book = opened(
      problem(['A', 'B'], {
        sellers: [seller('s', 200, { handling: 30 })],
        offers: [offer('a', 's', 'A', 100), offer('b', 's', 'B', 50)],
      }),
    )
    expect(book.ledger.cost).toBe(2 * UNMET)
    fill(book, 0, 'a')
    expect(book.ledger.cost).toBe(UNMET + 100 + 230)
    fill(book, 1, 'b')
    expect(book.ledger.cost).toBe(150 + 230)
    expect([...book.ledger.units()]).toEqual([
      ['a', 1],
      ['b', 1],
    ])
  })

  test('packs as a whole, and what is left of them is credited', () => {
    const book = opened(
      problem(['A'], {
        sellers: [seller('s', 0)],
        offers: [offer('a', 's', 'A', 40, { multiple: 3, qty: 6 })],
        resale: [{ part: 'A', price: 10 }],
      }),
    )
    fill(book, 0, 'a')
    expect(book.ledger.cost).toBeCloseTo(3 * 40 - 2 * 10, 3)
    expect(book.ledger.units().get('a')).toBe(3)
  })

  test('a figure once, however many of its parts are used', () => {
    const yields = ['A', 'B', 'X'].map((part) => ({ part, qty: 1 }))
    const book = opened(
      problem(['A', 'B'], { sellers: [seller('s', 100)], offers: [offer('f', 's', 'A', 300, { yields, qty: 2 })] }),
    )
    fill(book, 0, 'f')
    fill(book, 1, 'f')
    expect(book.ledger.cost).toBe(400)
    book.ledger.hold(book.at('f'), 2)
    expect(book.ledger.cost).toBe(700)
    expect(book.ledger.canBuyMore(book.at('f'))).toBe(false)
  })

  test('nothing for what is owned, and the penalty of a second choice', () => {
    const book = opened(
      problem([], {
        needs: [
          {
            id: 'n',
            qty: 2,
            accept: [
              { part: 'A', penalty: 0 },
              { part: 'B', penalty: 25 },
            ],
          },
        ],
        owned: [{ part: 'A', qty: 1 }],
        sellers: [seller('s', 100)],
        offers: [offer('b', 's', 'B', 60)],
      }),
    )
    fill(book, 0, 'owned')
    expect(book.ledger.cost).toBe(UNMET)
    expect(book.ledger.room(book.wayBy(0, 'owned'))).toBe(0)
    fill(book, 0, 'b')
    expect(book.ledger.cost).toBe(60 + 100 + 25)
  })

  test('what lacks to a minimum, and units fill it up with the cheapest that does', () => {
    const book = opened(
      problem(['A'], {
        sellers: [seller('s', 100, { minimum: 200 })],
        offers: [offer('a', 's', 'A', 90), offer('x', 's', 'X', 60), offer('y', 's', 'Y', 111, { qty: 1 })],
      }),
    )
    fill(book, 0, 'a')
    expect(book.ledger.cost).toBe(200 + 100)
    // 90 + 111 is nearer to 200 than 90 + 60 + 60 or two of A and one of X.
    expect(Object.fromEntries(book.ledger.units())).toEqual({ a: 1, y: 1 })
  })

  test('what fills a parcel up to a cheaper band, where that is less', () => {
    const bands = [
      { upTo: 300, price: 400 },
      { upTo: null, price: 0 },
    ]
    const book = opened(
      problem(['A'], {
        sellers: [seller('s', 0, { shipping: { basis: 'value', bands } })],
        offers: [offer('a', 's', 'A', 250, { qty: 1 }), offer('x', 's', 'X', 51)],
      }),
    )
    fill(book, 0, 'a')
    expect(book.ledger.cost).toBe(301)
    expect(book.ledger.units().get('x')).toBe(1)
  })

  test('more than anything for a parcel nobody sends, and for a broken limit', () => {
    const heavy = seller('s', 0, { shipping: { basis: 'weight', bands: [{ upTo: 5, price: 10 }] } })
    const book = opened(problem(['A'], { sellers: [heavy], offers: [offer('a', 's', 'A', 10, { weight: 9 })] }))
    fill(book, 0, 'a')
    expect(isBroken(book.ledger.cost)).toBe(true)
    const limits = { parcels: null, arriveBy: null, budget: 100, seconds: 1, gap: 0 }
    const poor = opened(problem(['A'], { sellers: [seller('s', 50)], offers: [offer('a', 's', 'A', 60)], limits }))
    fill(poor, 0, 'a')
    expect(isBroken(poor.ledger.cost)).toBe(true)
    poor.ledger.rollback(0)
    expect(poor.ledger.cost).toBe(UNMET)
    expect(isBroken(poor.ledger.cost)).toBe(false)
    // What is left over would fetch more than the goods come to.
    const yields = ['A', 'B'].map((part) => ({ part, qty: 1 }))
    const small = opened(
      problem(['A'], {
        sellers: [seller('s', 0, { minimum: 90 })],
        offers: [offer('f', 's', 'A', 10, { yields, qty: 1 })],
        resale: [{ part: 'B', price: 30 }],
      }),
    )
    fill(small, 0, 'f')
    expect(isBroken(small.ledger.cost)).toBe(true)
  })

  test('nothing of a seller that is free for now', () => {
    const book = opened(problem(['A'], { sellers: [seller('s', 500)], offers: [offer('a', 's', 'A', 60)] }))
    book.ledger.setFree(0, true)
    fill(book, 0, 'a')
    expect(book.ledger.cost).toBe(60)
    book.ledger.setFree(0, false)
    expect(book.ledger.cost).toBe(560)
    expect(book.ledger.mostSaved(0)).toBe(560)
  })
})

test('a quote is what the cost changes by, whatever the plan, the shipping and the limits', () => {
  const random = seeded(11)
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1))
  for (let round = 0; round < 60; round++) {
    const parts = ['A', 'B', 'C', 'D', 'E']
    const basis = () => (['value', 'count', 'weight'] as const)[whole(0, 2)]!
    const sellers = ['s', 't', 'u'].map((id) =>
      seller(id, 0, {
        minimum: whole(0, 1) * whole(50, 200),
        handling: whole(0, 20),
        shipping: {
          basis: basis(),
          bands: [
            { upTo: whole(2, 80), price: whole(50, 150) },
            { upTo: whole(100, 200), price: whole(0, 200) },
            { upTo: whole(0, 1) ? null : 400, price: whole(0, 300) },
          ],
        },
      }),
    )
    const given = problem([], {
      needs: parts.map((part) => ({
        id: part,
        qty: whole(1, 4),
        accept: [{ part, penalty: 0 }, ...(part === 'A' ? [{ part: 'B', penalty: 7 }] : [])],
      })),
      owned: [{ part: 'C', qty: 1 }],
      sellers,
      offers: Array.from({ length: 14 }, (_, i) => {
        const yields = parts.filter(() => random() < 0.25).map((part) => ({ part, qty: whole(1, 2) }))
        return offer(`o${i}`, sellers[whole(0, 2)]!.id, parts[whole(0, 4)]!, whole(10, 90), {
          multiple: whole(1, 2),
          weight: whole(1, 40),
          ...(i % 2 && yields.length > 0 ? { yields } : {}),
        })
      }),
      resale: [{ part: 'D', price: 4 }],
      limits: {
        parcels: round % 3 ? null : 2,
        arriveBy: null,
        budget: round % 2 ? null : 400,
        seconds: 1,
        gap: 0,
      },
    })
    const ledger = new Ledger(given)
    for (let step = 0; step < 60; step++) {
      const need = whole(0, parts.length - 1)
      const way = ledger.ways[need]![whole(0, ledger.ways[need]!.length - 1)]
      if (!way) continue
      const units = random() < 0.4 ? -ledger.fill[way.at]! : Math.min(ledger.missing[need]!, ledger.room(way))
      if (units === 0) continue
      if (random() < 0.1) ledger.hold(way.offer, whole(0, 1))
      const before = ledger.cost
      const quoted = ledger.quote(way, units)
      ledger.place(need, way, units)
      // Totals of broken plans are as exact as numbers of that size are.
      const exact = Math.max(0.01, Math.abs(before) * 1e-14, Math.abs(ledger.cost) * 1e-14)
      expect(Math.abs(ledger.cost - before - quoted)).toBeLessThan(exact)
    }
  }
})

test('another plan is taken over as it was settled', () => {
  const given = problem(['A', 'B'], {
    sellers: [seller('s', 100), seller('t', 50)],
    offers: [offer('a', 's', 'A', 10), offer('b', 't', 'B', 20), offer('aa', 't', 'A', 30)],
    owned: [{ part: 'B', qty: 1 }],
  })
  const { ledger } = opened(given)
  ledger.adopt({
    fills: [
      { need: 'need A', part: 'A', qty: 1, from: 'aa' },
      { need: 'need B', part: 'B', qty: 1, from: 'owned' },
    ],
  })
  expect(ledger.cost).toBe(30 + 50)
  expect([...ledger.lines]).toEqual([0, 1, 1])
})
