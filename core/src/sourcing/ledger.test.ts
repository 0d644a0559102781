import { describe, expect, test } from '@jest/globals'
import { offer, problem, seller } from '../test/problem.ts'
import { BROKEN, Ledger, UNMET } from './ledger.ts'
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
    expect(book.ledger.cost).toBeGreaterThanOrEqual(BROKEN)
    const limits = { parcels: null, arriveBy: null, budget: 100, seconds: 1, gap: 0 }
    const poor = opened(problem(['A'], { sellers: [seller('s', 50)], offers: [offer('a', 's', 'A', 60)], limits }))
    fill(poor, 0, 'a')
    expect(poor.ledger.cost).toBeGreaterThanOrEqual(BROKEN)
    poor.ledger.back(0)
    expect(poor.ledger.cost).toBe(UNMET)
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
