import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { decimalMoney, formatMoney, readMoney, splitAmount } from './money.ts'
import { homeCurrency, homeMoney, homeMoneyAt, homeSign, homeUnits, setHomeCurrency } from './home.ts'
import { convert, MissingRate, ratesThrough, type Rate } from './rates.ts'

test('money is read with its sign and its digits', () => {
  expect(formatMoney(910, 'EUR')).toBe('€9.10')
  expect(formatMoney(123456, 'GBP')).toBe('£1,234.56')
  expect(formatMoney(500, 'JPY')).toBe('¥500')
  expect([decimalMoney(910, 'EUR'), decimalMoney(-5, 'EUR'), decimalMoney(7, 'JPY')]).toEqual(['9.10', '-0.05', '7'])
})

describe('reading an amount', () => {
  test('takes point or comma and the digits of the currency', () => {
    expect(['34.99', '34,99', ' 7 ', '0.5'].map((text) => readMoney(text, 'EUR'))).toEqual([3499, 3499, 700, 50])
    expect(['60,00 €', '€3', 'EUR 1.20'].map((text) => readMoney(text, 'EUR'))).toEqual([6000, 300, 120])
    expect(() => readMoney('£3', 'EUR')).toThrow('is no amount')
    expect(readMoney('500', 'JPY')).toBe(500)
  })

  test('reads back what is written, in any currency', () => {
    fc.assert(
      fc.property(fc.nat(10_000_000), fc.constantFrom('EUR', 'JPY', 'KWD'), (minor, currency) => {
        expect(readMoney(decimalMoney(minor, currency), currency)).toBe(minor)
      }),
    )
  })

  test('says what is wrong', () => {
    for (const text of ['', 'twelve', '-1', '1.2.3', '1e3', 'Infinity'])
      expect(() => readMoney(text, 'EUR')).toThrow(`"${text}" is no amount; write it as 34.99`)
    expect(() => readMoney('1.234', 'EUR')).toThrow('more digits than EUR knows')
    expect(() => readMoney('1.5', 'JPY')).toThrow('write it as 3499')
    expect(() => readMoney('1', 'eu')).toThrow('"eu" is no currency of three capital letters')
  })
})

describe('sharing out', () => {
  test('shares add up to the amount and keep its proportions to within a unit', () => {
    const weights = fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 1, maxLength: 8 })
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100000 }), weights, (amount, list) => {
        const shares = splitAmount(amount, list)
        const sum = list.reduce((total, weight) => total + weight, 0)
        expect(shares.reduce((total, share) => total + share, 0)).toBe(amount)
        shares.forEach((share, i) => {
          const exact = sum > 0 ? (amount * list[i]!) / sum : amount / list.length
          expect(Math.abs(share - exact)).toBeLessThan(1)
        })
      }),
    )
  })

  test('odd units go to the largest remainders, the first of equals', () => {
    expect(splitAmount(10, [1, 1, 1])).toEqual([4, 3, 3])
    expect(splitAmount(5, [])).toEqual([])
  })
})

describe('conversion', () => {
  const rates: Rate[] = [
    { date: '2026-11-01', from: 'GBP', to: 'EUR', rate: 1.1 },
    { date: '2026-11-10', from: 'GBP', to: 'EUR', rate: 1.2 },
  ]

  test('takes the newest rate that is not after the day, either way round', () => {
    expect(convert(1000, 'GBP', 'EUR', '2026-11-09', rates)).toBe(1100)
    expect(convert(1000, 'GBP', 'EUR', '2026-11-10', rates)).toBe(1200)
    expect(convert(1200, 'EUR', 'GBP', '2026-11-20', rates)).toBe(1000)
    expect(convert(77, 'EUR', 'EUR', '1999-01-01', [])).toBe(77)
  })

  test('gives minor units the digits their currency has', () => {
    const of = (from: string, to: string, rate: number): Rate => ({ date: '2026-01-01', from, to, rate })
    // €1 is ¥160; 1 Kuwaiti dinar, of a thousand fils, is €3.
    const table = [of('EUR', 'JPY', 160), of('KWD', 'EUR', 3), of('KWD', 'JPY', 480)]
    expect(convert(100, 'EUR', 'JPY', '2026-11-20', table)).toBe(160)
    expect(convert(160, 'JPY', 'EUR', '2026-11-20', table)).toBe(100)
    expect(convert(1000, 'KWD', 'EUR', '2026-11-20', table)).toBe(300)
    expect(convert(1, 'EUR', 'KWD', '2026-11-20', table)).toBe(4)
    expect(convert(500, 'KWD', 'JPY', '2026-11-20', table)).toBe(240)
  })

  test('there and back is what it was, to within a unit either way, in currencies of no, two and three digits', () => {
    const pair = fc.uniqueArray(fc.constantFrom('JPY', 'KWD', 'EUR', 'GBP'), { minLength: 2, maxLength: 2 })
    fc.assert(
      fc.property(fc.nat(1_000_000), pair, fc.double({ min: 0.001, max: 1000, noNaN: true }), (minor, [a, b], rate) => {
        const table = [{ date: '2026-01-01', from: a!, to: b!, rate }]
        const there = convert(minor, a!, b!, '2026-02-01', table)
        const worth = Number(decimalMoney(minor, a!)) * rate
        const unit = Number(decimalMoney(1, b!))
        expect(Number(decimalMoney(there, b!))).toBeGreaterThanOrEqual(worth * (1 - 1e-9))
        expect(Number(decimalMoney(there, b!))).toBeLessThan(worth * (1 + 1e-9) + unit * 1.001)
        const back = convert(there, b!, a!, '2026-02-01', table)
        expect(back).toBeGreaterThanOrEqual(minor)
        // One unit of the other currency may be many of this one.
        expect(back).toBeLessThanOrEqual(minor + Math.ceil(convert(1, b!, a!, '2026-02-01', table)) + 1)
      }),
    )
  })

  test('never promises less than it costs', () => {
    fc.assert(
      fc.property(fc.nat(100000), (amount) => {
        const converted = convert(amount, 'GBP', 'EUR', '2026-11-20', rates)
        expect(converted).toBeGreaterThanOrEqual(amount * 1.2 - 1e-6)
        expect(converted - amount * 1.2).toBeLessThan(1)
      }),
    )
  })

  test('says which rate is missing', () => {
    expect(() => convert(1, 'GBP', 'EUR', '2026-10-31', rates)).toThrow(MissingRate)
    expect(() => convert(1, 'EUR', 'SEK', '2026-11-20', rates)).toThrow('There is no rate from EUR to SEK')
  })
})

describe('rates to another home', () => {
  const day = fc.integer({ min: 1, max: 28 }).map((n) => `2026-03-${String(n).padStart(2, '0')}`)
  const rate = (from: string, to: string) =>
    fc.record({
      date: day,
      from: fc.constant(from),
      to: fc.constant(to),
      rate: fc.double({ min: 0.01, max: 300, noNaN: true }),
    })
  const either = (a: string, b: string) => fc.oneof(rate(a, b), rate(b, a))

  test('say of each currency and day what the old home said, times what that was worth', () => {
    fc.assert(
      fc.property(
        fc.array(either('GBP', 'EUR'), { minLength: 1, maxLength: 12 }),
        fc.array(either('EUR', 'JPY'), { minLength: 1, maxLength: 12 }),
        (others, steps) => {
          const through = ratesThrough('EUR', 'JPY', [...others, ...steps])
          expect(new Set(through.map(({ date }) => date))).toEqual(new Set(others.map(({ date }) => date)))
          expect(through.every(({ from, to }) => from === 'GBP' && to === 'JPY')).toBe(true)
          const first = steps.map(({ date }) => date).sort()[0]!
          for (const { date, rate } of through) {
            if (date < first) continue
            const pounds = others.filter((one) => one.date === date)
            const yen = steps.filter((one) => one.date <= date).sort((a, b) => (a.date < b.date ? 1 : -1))
            const newest = yen.filter((one) => one.date === yen[0]!.date)
            const possible = pounds.flatMap((p) =>
              newest.map((y) => (p.from === 'GBP' ? p.rate : 1 / p.rate) * (y.from === 'EUR' ? y.rate : 1 / y.rate)),
            )
            expect(possible.some((one) => Math.abs(one - rate) <= 1e-9 * one)).toBe(true)
          }
        },
      ),
    )
  })

  test('are none where the old home has none to it, and none twice', () => {
    const pounds: Rate = { date: '2026-03-01', from: 'GBP', to: 'EUR', rate: 1.2 }
    expect(ratesThrough('EUR', 'JPY', [pounds])).toEqual([])
    const own: Rate = { date: '2026-03-01', from: 'GBP', to: 'JPY', rate: 200 }
    const yen: Rate = { date: '2026-03-01', from: 'EUR', to: 'JPY', rate: 160 }
    expect(ratesThrough('EUR', 'JPY', [pounds, own, yen])).toEqual([])
    expect(ratesThrough('EUR', 'JPY', [pounds, yen])).toEqual([{ ...own, rate: 192 }])
  })
})

test('the home currency is one of three letters, and writes itself', () => {
  try {
    setHomeCurrency('JPY')
    expect([homeCurrency(), homeMoney(1234.4), homeUnits(500), homeSign()]).toEqual(['JPY', '¥1,234', 500, '¥'])
    setHomeCurrency('KWD')
    expect([homeUnits(1500), homeMoneyAt(1.5)]).toEqual([1.5, homeMoney(1500)])
    expect(() => setHomeCurrency('yen')).toThrow('three capital letters')
    expect(homeCurrency()).toBe('KWD')
  } finally {
    setHomeCurrency('EUR')
  }
})
