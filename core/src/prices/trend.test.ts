import { describe, expect, it } from '@jest/globals'
import { trendInWords, trendOf } from './trend.ts'

const weekly = (prices: number[]) =>
  prices.map((price, i) => ({ date: new Date(Date.UTC(2026, 5, 1 + 7 * i)).toISOString().slice(0, 10), price }))

describe('trend of prices', () => {
  it('finds the growth of a steady climb, and one wild week does not move it', () => {
    const growth = 1.01
    const climb = Array.from({ length: 20 }, (_, i) => 100 * growth ** i)
    const expected = growth ** (30.44 / 7) - 1
    const plain = trendOf(weekly(climb))
    expect(plain).toMatchObject({ direction: 'rising', from: '2026-06-01', to: '2026-10-12' })
    expect(plain.perMonth).toBeCloseTo(expected, 9)
    climb[7] = 900
    const wild = trendOf(weekly(climb))
    expect(wild.direction).toBe('rising')
    expect(wild.perMonth).toBeCloseTo(expected, 2)
  })

  it('calls a fall a fall', () => {
    expect(trendOf(weekly(Array.from({ length: 12 }, (_, i) => 300 - 9 * i))).direction).toBe('falling')
  })

  it('calls up and down steady, as it calls a flat line', () => {
    expect(trendOf(weekly([100, 104, 99, 103, 101, 104, 98, 102, 100, 103])).direction).toBe('steady')
    expect(trendOf(weekly(Array<number>(12).fill(80)))).toMatchObject({ direction: 'steady', perMonth: 0 })
  })

  it('says it cannot tell of few or close days', () => {
    expect(trendOf(weekly([100, 110, 120, 130, 140])).direction).toBe('unknown')
    const days = [1, 2, 3, 4, 5, 6, 7, 8].map((day) => ({ date: `2026-06-0${day}`, price: 100 + day }))
    expect(trendOf(days).direction).toBe('unknown')
    expect(trendOf([])).toMatchObject({ direction: 'unknown', from: '' })
  })

  it('is told in words', () => {
    const words = (prices: number[]) => trendInWords(trendOf(weekly(prices)), (date) => date.slice(5))
    expect(words(Array.from({ length: 20 }, (_, i) => 100 * 1.01 ** i))).toBe(
      'rising by about 4.4 % a month since 06-01',
    )
    expect(words([100, 110])).toBe('too few prices yet to see a trend')
    expect(words(Array<number>(12).fill(80))).toBe('steady since 06-01')
  })
})
