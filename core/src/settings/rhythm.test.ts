import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { asksNow, type MarketRhythm } from './index.ts'

const at = (time: string, day = 1) => new Date(2026, 11, day, Number(time.slice(0, 2)), Number(time.slice(3)))
const daily: MarketRhythm = { every: 'daily', quietFrom: '22:00', quietTo: '07:00' }

test.each([
  ['never asked', daily, at('12:00'), null, true],
  ['asked this morning', daily, at('12:00'), at('08:00'), false],
  ['asked a day ago', daily, at('12:00', 2), at('12:00'), true],
  ['in the night', daily, at('23:30', 3), at('12:00'), false],
  ['early in the morning', daily, at('06:59', 3), at('12:00'), false],
  ['when the quiet ends', daily, at('07:00', 3), at('12:00'), true],
  ['quiet at noon', { ...daily, quietFrom: '11:00', quietTo: '13:00' }, at('12:00'), null, false],
  ['after noon', { ...daily, quietFrom: '11:00', quietTo: '13:00' }, at('13:00'), null, true],
  ['no quiet hours', { ...daily, quietFrom: '00:00', quietTo: '00:00' }, at('03:00'), null, true],
  ['hourly', { ...daily, every: 'hourly' as const }, at('12:00'), at('10:59'), true],
  ['weekly', { ...daily, every: 'weekly' as const }, at('12:00', 6), at('12:00'), false],
  ['switched off', { ...daily, every: 'never' as const }, at('12:00'), null, false],
])('the market is asked by itself: %s', (_what, rhythm, now, last, asks) =>
  expect(asksNow(rhythm, now, last)).toBe(asks),
)

test('in no minute of the quiet hours, and in some minute of every day outside of them', () => {
  const minute = fc.integer({ min: 0, max: 1439 })
  const told = (n: number) => `${String(Math.floor(n / 60)).padStart(2, '0')}:${String(n % 60).padStart(2, '0')}`
  fc.assert(
    fc.property(minute, minute, minute, (from, to, now) => {
      const asks = asksNow({ every: 'hourly', quietFrom: told(from), quietTo: told(to) }, at(told(now)), null)
      // Walk from the beginning of the quiet to its end, round the clock.
      let quiet = false
      for (let m = from; m !== to; m = (m + 1) % 1440) if (m === now) quiet = true
      expect(asks).toBe(!quiet)
    }),
  )
})
