import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { dateAfter } from '../base/index.ts'
import { copiesToKeep } from './copiesToKeep.ts'

/** A copy a day, at noon, the newest last. */
const daily = (count: number, last: string) =>
  Array.from({ length: count }, (_, i) => `${dateAfter(last, i + 1 - count)}T12:00:00.000Z`)

test('of a year and a half of days there are seven days, four weeks and twelve months', () => {
  const kept = [...copiesToKeep(daily(500, '2026-11-29'))].map((time) => time.slice(0, 10)).sort()
  // 29 November 2026 is a Sunday: the newest copy of a week is its Sunday's, that of a month its last day's.
  expect(kept).toEqual([
    '2025-12-31',
    '2026-01-31',
    '2026-02-28',
    '2026-03-31',
    '2026-04-30',
    '2026-05-31',
    '2026-06-30',
    '2026-07-31',
    '2026-08-31',
    '2026-09-30',
    '2026-10-31',
    '2026-11-08',
    '2026-11-15',
    '2026-11-22',
    ...['23', '24', '25', '26', '27', '28', '29'].map((day) => `2026-11-${day}`),
  ])
})

test('of several a day the newest stays, and after a long pause the old ones are not all dropped', () => {
  const times = ['2024-03-01T08:00:00.000Z', '2026-11-29T08:00:00.000Z', '2026-11-29T20:00:00.000Z']
  expect([...copiesToKeep(times)].sort()).toEqual([times[0], times[2]])
})

test('the newest always stays, what is dropped once is never wanted again, and there are never more than 23', () => {
  const time = fc
    .date({ min: new Date('2020-01-01'), max: new Date('2030-01-01'), noInvalidDate: true })
    .map((date) => date.toISOString())
  fc.assert(
    fc.property(fc.array(time, { minLength: 1, maxLength: 60 }), time, (times, later) => {
      const kept = copiesToKeep(times)
      expect(kept).toContain([...times].sort().at(-1))
      expect(kept.size).toBeLessThanOrEqual(23)
      expect(copiesToKeep([...kept])).toEqual(kept)
      const newer = [...times].sort().at(-1)! < later ? later : null
      if (newer) for (const one of copiesToKeep([...times, newer])) expect(one === newer || kept.has(one)).toBe(true)
    }),
  )
})
