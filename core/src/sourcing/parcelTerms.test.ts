import { describe, expect, test } from '@jest/globals'
import { seller } from '../test/problem.ts'
import { BROKEN, ParcelTerms } from './parcelTerms.ts'

const banded = (basis: 'value' | 'count' | 'weight', bands: [number | null, number][], more = {}) =>
  seller('s', 0, { shipping: { basis, bands: bands.map(([upTo, price]) => ({ upTo, price })) }, ...more })
const stock = [{ price: 40, amount: 10, most: 20 }]

describe('what a parcel is charged', () => {
  test('by the band its amount is in, and handling', () => {
    const terms = new ParcelTerms(
      banded(
        'weight',
        [
          [20, 100],
          [80, 250],
        ],
        { handling: 30 },
      ),
      stock,
    )
    expect([0, 20, 20.5, 80].map((amount) => terms.charge(500, amount))).toEqual([130, 130, 280, 280])
    expect(terms.charge(500, 81)).toBe(BROKEN)
  })

  test('or what fills it up into a cheaper band, at the best rate of what is for sale', () => {
    const terms = new ParcelTerms(
      banded('count', [
        [9, 300],
        [null, 100],
      ]),
      [{ price: 40, amount: 1, most: 20 }],
    )
    // Two more bring it to ten; with five more the dearer band is better.
    expect([terms.charge(500, 8), terms.reach(500, 8)]).toEqual([180, 10])
    expect([terms.charge(500, 4), terms.reach(500, 4)]).toEqual([300, 0])
  })

  test('no filling up with more than there is', () => {
    const shop = banded('value', [[null, 50]], { minimum: 1000 })
    const charge = (most: number) => new ParcelTerms(shop, [{ price: 40, amount: 40, most }]).charge(600, 600)
    expect([charge(25), charge(24)]).toEqual([450, BROKEN])
  })
})

test('a parcel is lighter in the band below where that costs less, the first excepted', () => {
  const rising = new ParcelTerms(
    banded('count', [
      [5, 100],
      [20, 150],
      [null, 150],
    ]),
    stock,
  )
  expect([3, 6, 21].map((amount) => rising.lighter(amount))).toEqual([-1, 5, -1])
  const falling = new ParcelTerms(
    banded('value', [
      [500, 100],
      [null, 0],
    ]),
    stock,
  )
  expect(falling.lighter(900)).toBe(-1)
})
