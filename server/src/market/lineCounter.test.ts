import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { LineCounter } from './lineCounter.ts'

test('counts as a map of whole keys does', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ maxLength: 3 }), { maxLength: 200 }), (keys) => {
      const counter = new LineCounter()
      const known = new Map<string, number>()
      const before = keys.map((key) => {
        const count = known.get(key) ?? 0
        known.set(key, count + 1)
        return count
      })
      expect(keys.map((key) => counter.before(key))).toEqual(before)
    }),
  )
})

test('stays right while it grows', () => {
  const counter = new LineCounter()
  const lines = Array.from({ length: 60_000 }, (_, n) => `2026-11-23 part P-${n} seller new 1`)
  // One look at all of them: sixty thousand single ones take a hundred times as long.
  expect(lines.filter((line) => counter.before(line) !== 0)).toEqual([])
  expect(lines.filter((_, n) => n % 997 === 0 && counter.before(lines[n]!) !== 1)).toEqual([])
})
