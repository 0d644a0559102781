import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { costShares, priceHistory, STALE_DAYS, sumHistories, type Quote } from './priceHistory.ts'
import { worthIn } from '../market/index.ts'

const day = (n: number) => new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10)
const quote = (date: string, seller: string, price: number, more: Partial<Quote> = {}): Quote => ({
  date,
  seller,
  price,
  currency: 'EUR',
  condition: 'new',
  multiple: 1,
  nth: 0,
  stock: 3,
  ...more,
})
/** One for one, as long as it is euros. */
const worth = (amount: number, currency: string) => (currency === 'EUR' ? amount : null)
const historyOf = (quotes: Quote[], heard: { seller: string; date: string }[]) => priceHistory(quotes, heard, worth)
const pointsOf = (quotes: Quote[], heard: { seller: string; date: string }[], condition = 'any') =>
  historyOf(quotes, heard).series.find((one) => one.condition === condition)!.points

describe('price history', () => {
  it('keeps a quote until the next one, and ends it where nothing is left', () => {
    const heard = [0, 7, 14, 21].flatMap((n) => ['a', 'b'].map((seller) => ({ seller, date: day(n) })))
    const quotes = [
      quote(day(0), 'a', 100),
      quote(day(0), 'b', 200),
      quote(day(7), 'a', 120),
      quote(day(14), 'a', 120, { stock: 0 }),
    ]
    expect(pointsOf(quotes, heard).map(({ date, n, median }) => [date, n, median])).toEqual([
      [day(0), 2, 150],
      [day(7), 2, 160],
      [day(14), 1, 200],
      [day(21), 1, 200],
    ])
  })

  it('does not count who was not heard for long, and knows since when', () => {
    const silent = STALE_DAYS + 7
    const heard = [
      { seller: 'a', date: day(0) },
      ...[0, 7, silent].map((n) => ({ seller: 'b', date: day(n) })),
      { seller: 'b', date: day(14) },
    ]
    const quotes = [quote(day(0), 'a', 100), quote(day(0), 'b', 300)]
    expect(pointsOf(quotes, heard).map(({ date, median }) => [date, median])).toEqual([
      [day(0), 200],
      [day(7), 200],
      [day(14), 200],
      [day(silent), 300],
    ])
    expect(historyOf(quotes, heard).offers.map(({ seller, heard: on }) => [seller, on])).toEqual([
      ['a', day(0)],
      ['b', day(silent)],
    ])
  })

  it('tells conditions apart, and packs too large for the stock are not for sale', () => {
    const heard = [{ seller: 'a', date: day(0) }]
    const quotes = [
      quote(day(0), 'a', 100),
      quote(day(0), 'a', 60, { condition: 'used' }),
      quote(day(0), 'a', 10, { multiple: 10, stock: 4 }),
    ]
    expect(pointsOf(quotes, heard, 'new').map(({ n, low }) => [n, low])).toEqual([[1, 100]])
    expect(pointsOf(quotes, heard, 'used').map(({ n, low }) => [n, low])).toEqual([[1, 60]])
    expect(historyOf(quotes, heard).offers).toHaveLength(2)
  })

  it('has nothing to say of what was never quoted', () => {
    expect(historyOf([], [{ seller: 'a', date: day(0) }])).toEqual({ series: [], offers: [], asked: [] })
  })

  it('leaves out what it cannot convert, and converts each day by its rate', () => {
    const heard = [0, 7].map((n) => ({ seller: 'a', date: day(n) }))
    const quotes = [quote(day(0), 'a', 100, { currency: 'GBP' }), quote(day(0), 'b', 50, { currency: 'CHF' })]
    const rates = [
      { date: day(0), from: 'GBP', to: 'EUR', rate: 1.2 },
      { date: day(7), from: 'GBP', to: 'EUR', rate: 1.1 },
    ]
    const { series, offers, asked } = priceHistory(quotes, heard, worthIn('EUR', rates))
    expect(series[0]!.points.map(({ date, n, low }) => [date, n, low])).toEqual([
      [day(0), 1, 120],
      [day(7), 1, 110],
    ])
    expect(offers.map(({ home, price }) => [home, price])).toEqual([[110, 100]])
    expect(asked.map(({ home }) => home)).toEqual([120])
  })

  it('explains an unusual price among its condition', () => {
    const quotes = [100, 104, 98, 101, 99, 700].map((price, i) => quote(day(0), `s${i}`, price))
    quotes.push(quote(day(0), 's9', 20, { condition: 'used' }))
    const { offers } = historyOf(quotes, [])
    expect(offers.filter(({ outlier }) => outlier).map(({ seller }) => seller)).toEqual(['s5'])
    expect(offers.find(({ seller }) => seller === 's5')!.outlier!.times).toBeCloseTo(7, 0)
  })

  it('equals looking each day up by itself', () => {
    const anyQuote = fc.record({
      date: fc.integer({ min: 0, max: 60 }).map(day),
      seller: fc.constantFrom('a', 'b', 'c'),
      condition: fc.constantFrom('new' as const, 'used' as const),
      multiple: fc.constantFrom(1, 2),
      nth: fc.constant(0),
      price: fc.integer({ min: 1, max: 500 }),
      currency: fc.constant('EUR'),
      stock: fc.integer({ min: 0, max: 3 }),
    })
    const key = (q: Quote) => [q.date, q.seller, q.condition, q.multiple].join(' ')
    fc.assert(
      fc.property(
        fc.uniqueArray(anyQuote, { selector: key, minLength: 1, maxLength: 25 }),
        fc.array(
          fc.record({ seller: fc.constantFrom('a', 'b', 'c'), date: fc.integer({ min: 0, max: 60 }).map(day) }),
          {
            maxLength: 20,
          },
        ),
        (quotes, heard) => {
          for (const { date, n, low, high } of pointsOf(quotes, heard)) {
            const standing = ['a', 'b', 'c'].flatMap((seller) =>
              ['new', 'used'].flatMap((condition) =>
                [1, 2].flatMap((multiple) => {
                  const last = quotes
                    .filter((q) => q.seller === seller && q.condition === condition && q.multiple === multiple)
                    .filter((q) => q.date <= date)
                    .sort((x, y) => (x.date < y.date ? 1 : -1))[0]
                  if (!last || last.stock < multiple) return []
                  const told = [
                    last.date,
                    ...heard.filter((h) => h.seller === seller && h.date <= date).map((h) => h.date),
                  ]
                  const age = (Date.parse(date) - Date.parse(told.sort().at(-1)!)) / 86_400_000
                  return age <= STALE_DAYS ? [last.price] : []
                }),
              ),
            )
            expect([n, low, high]).toEqual([standing.length, Math.min(...standing), Math.max(...standing)])
          }
        },
      ),
    )
  })
})

describe('sums of histories', () => {
  const point = (n: number, price: number) => ({
    date: day(n),
    n: 1,
    low: price,
    q1: price,
    median: price,
    q3: price,
    high: price,
  })

  it('adds up what each costs, at its last price where it is not for sale, from when all are known', () => {
    const { points, never } = sumHistories([
      { qty: 2, points: [point(0, 10), point(14, 12)] },
      { qty: 1, points: [point(7, 100)] },
      { qty: 1, points: [] },
    ])
    expect(never).toEqual([2])
    expect(points.map(({ date, n, median }) => [date, n, median])).toEqual([
      [day(7), 1, 120],
      [day(14), 1, 124],
    ])
  })

  it('is empty of nothing', () => {
    expect(sumHistories([])).toMatchObject({ points: [], never: [] })
  })
})

describe('what makes the cost', () => {
  it('shares add up, the dearest first, and the dear one is named', () => {
    const { shares, dear } = costShares([
      { key: 'head', cost: 200 },
      { key: 'torso', cost: 900 },
      { key: 'head', cost: 100 },
      { key: 'neck', cost: 0 },
    ])
    expect(shares.map(({ key, cost }) => [key, cost])).toEqual([
      ['torso', 900],
      ['head', 300],
    ])
    expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1)
    expect(dear?.key).toBe('torso')
  })

  it('names none where none stands out', () => {
    expect(
      costShares([
        { key: 'head', cost: 200 },
        { key: 'torso', cost: 210 },
      ]).dear,
    ).toBeNull()
    expect(costShares([]).dear).toBeNull()
  })
})
