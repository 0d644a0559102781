import { expect, test } from '@jest/globals'
import { hasOpenTerms, OPEN_TERMS } from './index.ts'

test('terms are open while they are noted so and nobody has said any', () => {
  const open = { notes: OPEN_TERMS, minimum: 0, handling: 0, shippingBands: [{ upTo: null, price: 0 }] }
  expect(hasOpenTerms(open)).toBe(true)
  expect(hasOpenTerms({ ...open, notes: `Answers letters. ${OPEN_TERMS}` })).toBe(true)
  for (const said of [
    { notes: null },
    { notes: 'Free shipping, really.' },
    { minimum: 500 },
    { handling: 50 },
    { shippingBands: [{ upTo: null, price: 390 }] },
  ])
    expect(hasOpenTerms({ ...open, ...said })).toBe(false)
})
