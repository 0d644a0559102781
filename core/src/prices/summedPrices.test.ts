import { describe, expect, test } from '@jest/globals'
import { priceHistory, type Quote } from './priceHistory.ts'
import { singlyOf, summedPrices, targetAt } from './summedPrices.ts'

const lowest = new Map([
  ['hat', 900],
  ['mitt', 20],
])
const quote = (date: string, price: number): Quote => ({
  date,
  seller: 's',
  condition: 'new',
  multiple: 1,
  nth: 0,
  price,
  currency: 'EUR',
  stock: 4,
})
const historyOf = (...quotes: Quote[]) => priceHistory(quotes, [], (amount) => amount)

test('what parts cost singly counts each time they are listed, and names what nobody sells once', () => {
  expect(singlyOf(['mitt', 'hat', 'mitt', 'mask', 'mask'], lowest)).toEqual({
    sum: 940,
    parts: 5,
    unoffered: ['mask'],
  })
  expect(singlyOf([], lowest)).toEqual({ sum: 0, parts: 0, unoffered: [] })
})

describe('prices of several parts together', () => {
  const wanted = [
    { slot: 'headgear', part: 'hat', outfit: 'Bram' },
    { slot: 'handLeft', part: 'mitt', outfit: 'Bram' },
    { slot: 'handRight', part: 'mitt', outfit: 'Odile' },
    { slot: 'face', part: 'mask', outfit: 'Odile' },
  ] as const
  const histories = new Map([
    ['hat', historyOf(quote('2026-11-02', 1000), quote('2026-11-09', 900))],
    ['mitt', historyOf(quote('2026-11-02', 25), quote('2026-11-09', 20))],
  ])

  test('are summed by day, each part as often as it is wanted', () => {
    const { series, singly, slots } = summedPrices(wanted, histories, lowest)
    const [any, , used] = series
    expect(any!.points.map(({ date, median }) => [date, median])).toEqual([
      ['2026-11-02', 1050],
      ['2026-11-09', 940],
    ])
    expect([any!.never, used!.points, singly.sum]).toEqual([['mask'], [], 940])
    expect(slots['hat']).toBe('headgear')
  })

  test('are shared out by slot, by outfit and by part', () => {
    const { bySlot, byOutfit, byPart } = summedPrices(wanted, histories, lowest)
    expect([bySlot.dear?.key, byOutfit.dear?.key]).toEqual(['headgear', 'Bram'])
    for (const shares of [bySlot.shares, byOutfit.shares, byPart])
      expect(shares.reduce((sum, { cost }) => sum + cost, 0)).toBe(940)
    expect(byPart.map(({ key, cost }) => [key, cost])).toEqual([
      ['hat', 900],
      ['mitt', 40],
    ])
  })
})

describe('a price that is waited for', () => {
  const target = {
    id: 't',
    kind: 'part' as const,
    code: 'hat',
    price: 800,
    setOn: '2026-11-01',
    metOn: null as string | null,
    metPrice: null as number | null,
    seen: false,
  }

  test('is met at or under it, is told until read, and opens again when prices rise', () => {
    expect(targetAt(target, 801, '2026-11-09')).toBe(target)
    const met = targetAt(target, 800, '2026-11-09')
    expect(met).toMatchObject({ metOn: '2026-11-09', metPrice: 800, seen: false })
    const read = { ...met, seen: true }
    // The day it was met stays.
    expect(targetAt(read, 700, '2026-11-10')).toBe(read)
    expect(targetAt(read, 900, '2026-11-11')).toMatchObject({ metOn: null, metPrice: null, seen: false })
  })

  test('is open where it cannot be bought', () => {
    expect(targetAt(target, null, '2026-11-09')).toBe(target)
  })
})
