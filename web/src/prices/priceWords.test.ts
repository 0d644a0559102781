import { describe, expect, test } from '@jest/globals'
import type { PricePoint, Trend, Whole } from '@outfit/core/prices'
import { priceChart, shareChart } from './priceChart.ts'
import { findingOf, oddInWords, sumFindingOf, wholeInWords } from './priceWords.ts'

const point = (n: number, prices: [number, number, number, number, number]): PricePoint => ({
  date: '2026-11-23',
  n,
  low: prices[0],
  q1: prices[1],
  median: prices[2],
  q3: prices[3],
  high: prices[4],
})
const rising: Trend = { direction: 'rising', perMonth: 0.031, from: '2026-06-01', to: '2026-11-23' }

describe('what prices come to', () => {
  test('of many, few, one and no offers', () => {
    expect(findingOf(point(8, [100, 150, 200, 280, 400]), rising)).toBe(
      'Half of them ask €1.50 to €2.80, €2.00 in the middle; rising by about 3.1 % a month since 1 Jun 2026.',
    )
    expect(findingOf(point(2, [100, 125, 150, 175, 200]), undefined)).toBe(
      '2 offers from €1.00 to €2.00, €1.50 in the middle; no trend yet.',
    )
    expect(findingOf(point(1, [100, 100, 100, 100, 100]), { ...rising, direction: 'unknown' })).toBe(
      'One offer, at €1.00; too few prices yet to see a trend.',
    )
    expect(findingOf(undefined, undefined)).toBe('Nobody has asked a price for it yet.')
  })

  test('of several things together', () => {
    expect(sumFindingOf(point(3, [900, 950, 1000, 1100, 1300]), { ...rising, direction: 'steady' })).toBe(
      '€10.00 at middle prices, €9.00 at the lowest of each; steady since 1 Jun 2026.',
    )
    expect(sumFindingOf(undefined, undefined)).toBe('None of it was ever offered singly.')
  })

  test('that are unusual', () => {
    const usual = { from: 60, to: 310, median: 135, n: 9 }
    expect(oddInWords({ times: 4.2, usual })).toBe(
      '4.2 times the usual €1.35 of 9 offers; up to €3.10 would not be out of line',
    )
    expect(oddInWords({ times: 0.25, usual })).toContain('a 4.0th of the usual €1.35')
  })
})

describe('what buying a whole comes to', () => {
  const whole: Whole = {
    kind: 'figure',
    code: 'F-1',
    name: 'Figure: Warden',
    sellerName: 'Somebody',
    condition: 'used',
    price: 390,
    multiple: 1,
    cost: 390,
    left: [{ part: 'P-9', qty: 5 }],
    leftWorth: 362,
    leftUnpriced: 0,
    brings: 6,
    singly: 367,
    onlyHere: 0,
    saves: 339,
  }
  test.each([
    [whole, 'Brings 6 of 9, €3.67 singly; 5 left over, worth €3.62: for €3.90 it saves €3.39.'],
    [
      { ...whole, brings: 9, left: [], leftWorth: 0, onlyHere: 2, saves: -23 },
      'Brings all 9, €3.67 singly, and 2 nobody sells singly; nothing is left over: for €3.90 it costs €0.23 more.',
    ],
    [
      { ...whole, onlyHere: 6, singly: 0, leftUnpriced: 1 },
      'Brings 6 of 9, which nobody sells singly; 5 left over, worth €3.62 (1 without a price): for €3.90 it saves €3.39.',
    ],
  ])('%#', (one, words) => {
    expect(wholeInWords(one, 9)).toBe(words)
  })
})

describe('charts', () => {
  const dot = { date: '2026-11-23', home: 123, label: 'Somebody' }

  test('draw the band as the quarters, the dots of each condition, and only what there is in the legend', () => {
    const { series, legend } = priceChart({
      points: [point(8, [100, 150, 200, 280, 400])],
      asked: [{ ...dot, condition: 'used' }],
      line: 'median',
      target: 180,
    })
    const data = (name: string) =>
      (series as { name: string; data: unknown[] }[]).find((one) => one.name === name)?.data
    expect(data('below')).toEqual([['2026-11-23', 1.5]])
    expect((data('middle half') as [string, number][])[0]![1]).toBeCloseTo(1.3)
    expect(data('median')).toEqual([['2026-11-23', 2]])
    expect(data('asked, new')).toEqual([])
    expect(data('asked, used')).toEqual([{ value: ['2026-11-23', 1.23], name: 'Somebody' }])
    expect(JSON.stringify(legend.data)).not.toContain('asked, new')
    expect(data('paid')).toBeUndefined()
    expect(JSON.stringify(series)).toContain('waited for')
  })

  test('put the dearest share on top', () => {
    const { yAxis, series } = shareChart(
      [
        { label: 'Headgear', cost: 1294, share: 0.67 },
        { label: 'Neck', cost: 271, share: 0.14 },
      ],
      'Headgear',
    )
    expect(yAxis.data).toEqual(['Neck', 'Headgear'])
    expect(series[0]!.data.map(({ value }) => value)).toEqual([2.71, 12.94])
  })
})
