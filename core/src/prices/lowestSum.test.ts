import { expect, test } from '@jest/globals'
import { lowestSum } from './lowestSum.ts'

test('a part counts as often as it is listed; one that is not sold leaves the sum open', () => {
  const lowest = { oar: 95, mitt: 26, otter: null }
  expect(lowestSum(['oar', 'mitt', 'mitt'], lowest)).toBe(147)
  expect(lowestSum([], lowest)).toBe(0)
  expect(lowestSum(['oar', 'otter'], lowest)).toBeNull()
  expect(lowestSum(['heron'], lowest)).toBeNull()
})
