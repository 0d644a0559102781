import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { dateAfter, daysBetween } from '../base/index.ts'
import { lateBy, outcomeInWords, parcelState, shortOf, spendingOf } from './parcels.ts'

const parcel = { orderedOn: '2026-11-01', sentOn: null, expectedOn: '2026-11-09', arrivedOn: null, cancelledOn: null }

describe('where a parcel stands', () => {
  test.each([
    [{}, 'ordered'],
    [{ sentOn: '2026-11-03' }, 'on-the-way'],
    [{ sentOn: '2026-11-03', arrivedOn: '2026-11-08' }, 'arrived'],
    [{ cancelledOn: '2026-11-02' }, 'cancelled'],
  ])('%o is %s', (change, state) => {
    expect(parcelState({ ...parcel, ...change })).toBe(state)
  })

  test('it is late by the days since it was due, until it is here or given up', () => {
    expect(lateBy(parcel, '2026-11-09')).toBe(0)
    expect(lateBy(parcel, '2026-11-12')).toBe(3)
    expect(lateBy({ ...parcel, arrivedOn: '2026-11-12' }, '2026-11-20')).toBe(0)
    expect(lateBy({ ...parcel, cancelledOn: '2026-11-10' }, '2026-11-20')).toBe(0)
  })

  test('days are counted over months and the change of the clocks', () => {
    expect(daysBetween('2026-10-20', '2026-11-02')).toBe(13)
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 900 }), (days) => {
        expect(daysBetween('2026-03-01', dateAfter('2026-03-01', days))).toBe(days)
      }),
    )
  })
})

describe('what came of a line', () => {
  test('nothing is short before it was checked in', () => {
    const line = { qty: 3, arrived: null, damaged: 0, wrong: 0 }
    expect([shortOf(line), outcomeInWords(line)]).toEqual([0, ''])
  })
  test('short, damaged, wrong and more are told', () => {
    expect(outcomeInWords({ qty: 5, arrived: 2, damaged: 1, wrong: 1 })).toBe('1 short, 1 damaged, 1 wrong')
    expect(outcomeInWords({ qty: 2, arrived: 3, damaged: 0, wrong: 0 })).toBe('1 more than ordered')
    expect(outcomeInWords({ qty: 2, arrived: 2, damaged: 0, wrong: 0 })).toBe('')
  })
})

test('spending adds up day by day', () => {
  const order = fc.record({
    orderedOn: fc.integer({ min: 1, max: 28 }).map((d) => `2026-02-${String(d).padStart(2, '0')}`),
    cost: fc.integer({ min: 0, max: 9999 }),
  })
  fc.assert(
    fc.property(fc.array(order), (orders) => {
      const spending = spendingOf(orders)
      expect(spending.at(-1)?.total ?? 0).toBe(orders.reduce((sum, { cost }) => sum + cost, 0))
      expect(spending.map(({ date }) => date)).toEqual([...new Set(orders.map((o) => o.orderedOn))].sort())
    }),
  )
})
