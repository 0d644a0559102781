import { describe, expect, test } from '@jest/globals'
import type { SellerTerms } from '../data/marketApi.ts'
import { codeFor, newSeller, shippingInWords, termsOf, typed } from './sellerForm.ts'

const terms: SellerTerms = {
  name: 'Pebble Post',
  country: 'Weir Bank',
  currency: 'EUR',
  minimum: 500,
  handling: 30,
  arrivesInDays: 5,
  rating: 4,
  shippingBasis: 'value',
  shippingBands: [
    { upTo: 1500, price: 290 },
    { upTo: null, price: 0 },
  ],
  notes: null,
  standing: 'none',
}

describe('a seller as it is typed', () => {
  test.each([
    terms,
    { ...terms, shippingBasis: 'count' as const, shippingBands: [{ upTo: 5, price: 240 }] },
    { ...terms, shippingBasis: 'weight' as const, shippingBands: [{ upTo: 20.5, price: 240 }], notes: 'slow' },
  ])('is read back as it was: %j', (one) => {
    expect(termsOf(typed(one))).toEqual(one)
  })

  test.each([
    [{ name: ' ' }, 'Name: it needs one.'],
    [{ minimum: 'five' }, 'Minimum: "five" is no amount'],
    [{ handling: '-1' }, 'Handling: "-1" is no amount'],
    [{ arrivesInDays: '1.5' }, 'Days: "1.5" is no whole number'],
    [{ bands: [{ upTo: '', price: '' }] }, 'Band 1, price: "" is no amount'],
    [{ bands: [] }, 'Shipping needs at least one band.'],
    [
      {
        bands: [
          { upTo: '20', price: '1' },
          { upTo: '10', price: '2' },
        ],
      },
      'Shipping has a band up to 1000 that overlaps the one up to 2000 before it.',
    ],
  ])('%j is refused by field', (change, message) => {
    expect(() => termsOf({ ...typed(terms), ...change })).toThrow(message)
  })

  test('an empty one lacks a name', () => {
    expect(() => termsOf(newSeller())).toThrow('Name')
  })
})

test('shipping in words', () => {
  expect(shippingInWords(terms)).toBe('€2.90 up to €15.00, then free')
  expect(shippingInWords({ ...terms, shippingBasis: 'count', shippingBands: [{ upTo: 5, price: 240 }] })).toBe(
    '€2.40 up to 5 pieces',
  )
  expect(shippingInWords({ ...terms, shippingBands: [{ upTo: null, price: 300 }] })).toBe('€3.00 always')
})

test('a code comes of the name and is not taken', () => {
  expect(codeFor('Gull & Ladder', [])).toBe('gull-ladder')
  expect(codeFor('Pebble Post', ['pebble-post', 'pebble-post-2'])).toBe('pebble-post-3')
  expect(codeFor('…', [])).toBe('seller')
})
