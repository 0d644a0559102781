import { expect, test } from '@jest/globals'
import { bandFault } from './bands.ts'

const bands = (...upTo: (number | null)[]) => upTo.map((edge, i) => ({ upTo: edge, price: i }))

test.each([
  [[null], null],
  [[100, 200, null], null],
  [[100, 200], null],
  [[], 'needs at least one band'],
  [[100, 50], 'a band up to 50 that overlaps the one up to 100'],
  [[100, 100], 'two bands up to 100'],
  [[null, 100], 'a band after "any"'],
] as const)('%j: %s', (edges, fault) => {
  const found = bandFault(bands(...edges))
  if (fault === null) expect(found).toBeNull()
  else expect(found!.message).toContain(fault)
})

test('the band is named', () => {
  expect(bandFault(bands(10, 20, 15))!.index).toBe(2)
})
