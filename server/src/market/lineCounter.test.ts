import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { LineCounter } from './lineCounter.ts'

test('counts as a map of whole keys does', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ maxLength: 3 }), { maxLength: 200 }), (keys) => {
      const counter = new LineCounter()
      const known = new Map<string, number>()
      for (const key of keys) {
        const before = known.get(key) ?? 0
        expect(counter.before(key)).toBe(before)
        known.set(key, before + 1)
      }
    }),
  )
})

test('stays right while it grows', () => {
  const counter = new LineCounter()
  for (let n = 0; n < 60_000; n++) expect(counter.before(`2026-11-23 part P-${n} seller new 1`)).toBe(0)
  for (let n = 0; n < 60_000; n += 997) expect(counter.before(`2026-11-23 part P-${n} seller new 1`)).toBe(1)
})
