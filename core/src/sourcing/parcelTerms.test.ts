import { describe, expect, test } from '@jest/globals'
import { seller } from '../test/problem.ts'
import { BROKEN, ParcelTerms, type Stock } from './parcelTerms.ts'

const banded = (basis: 'value' | 'count' | 'weight', bands: [number | null, number][], more = {}) =>
  seller('s', 0, { shipping: { basis, bands: bands.map(([upTo, price]) => ({ upTo, price })) }, ...more })
const stocked = (price: number, amount: number, most: number, offer = 0, net = price): Stock => ({
  offer,
  price,
  net,
  amount,
  most,
})
/** Terms of a seller, with what is bought of each offer. */
const termsOf = (shop: ReturnType<typeof seller>, stock: Stock[], bought: number[] = []) =>
  new ParcelTerms(
    shop,
    stock,
    Int32Array.from({ length: 9 }, (_, offer) => bought[offer] ?? 0),
  )
const stock = [stocked(40, 10, 20)]

describe('what a parcel is charged', () => {
  test('by the band its amount is in, and handling', () => {
    const terms = termsOf(
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
    const terms = termsOf(
      banded('count', [
        [9, 300],
        [null, 100],
      ]),
      [stocked(40, 1, 20)],
    )
    // Two more bring it to ten; with five more the dearer band is better.
    expect([terms.charge(500, 8), terms.reach(500, 8)]).toEqual([180, 10])
    expect([terms.charge(500, 4), terms.reach(500, 4)]).toEqual([300, 0])
  })

  test('no filling up with more than there is', () => {
    const shop = banded('value', [[null, 50]], { minimum: 1000 })
    const charge = (most: number) => termsOf(shop, [stocked(40, 40, most)]).charge(600, 600)
    expect([charge(10), charge(9)]).toEqual([450, BROKEN])
  })

  test('what is bought already does not fill up, nor what is about to be', () => {
    const shop = banded('count', [
      [9, 300],
      [null, 100],
    ])
    const cheapAndDear = [stocked(5, 1, 2, 3), stocked(60, 1, 9, 4)]
    // Three to ten: two for 5 each and one for 60; of the two one is bought; and the other is about to be.
    expect(termsOf(shop, cheapAndDear).charge(500, 7)).toBe(170)
    expect(termsOf(shop, cheapAndDear, [0, 0, 0, 1]).charge(500, 7)).toBe(225)
    expect(termsOf(shop, cheapAndDear, [0, 0, 0, 1]).charge(500, 7, 3, 1)).toBe(280)
  })

  test('what fetches most of its price fills up first', () => {
    const shop = banded('value', [[null, 50]], { minimum: 1000 })
    expect(termsOf(shop, [stocked(40, 40, 5), stocked(100, 100, 1, 1, 30)]).charge(800, 800)).toBe(50 + 30 + 100)
  })

  test('what fills up to the minimum stays in the band it is charged for, or is charged for the next', () => {
    const upToFour: [number | null, number][] = [
      [4, 100],
      [null, 300],
    ]
    const charge = (minimum: number) =>
      termsOf(banded('count', upToFour, { minimum }), [stocked(20, 1, 9, 1, 2), stocked(50, 1, 3, 2, 30)]).charge(
        100,
        2,
      )
    // Two of the cheap ones fit into the band; for 100 it takes two dear ones, for 150 it has to be left.
    expect([charge(140), charge(200), charge(250)]).toEqual([104, 160, 315])
  })

  test('what fills up to a band counts towards the minimum, and what still lacks comes on top', () => {
    const shop = banded(
      'weight',
      [
        [99, 300],
        [null, 20],
      ],
      { minimum: 400 },
    )
    // Ten grams for 50 bring it to the band; 50 more of goods to the minimum.
    const charge = termsOf(shop, [stocked(50, 10, 1), stocked(10, 1, 50, 1)]).charge(300, 90)
    expect(charge).toBeCloseTo(20 + 50.001 + 49.999, 2)
  })
})

test('a parcel is lighter in the band below where that costs less, the first excepted', () => {
  const rising = termsOf(
    banded('count', [
      [5, 100],
      [20, 150],
      [null, 150],
    ]),
    stock,
  )
  expect([3, 6, 21].map((amount) => rising.lighter(amount))).toEqual([-1, 5, -1])
  const falling = termsOf(
    banded('value', [
      [500, 100],
      [null, 0],
    ]),
    stock,
  )
  expect(falling.lighter(900)).toBe(-1)
})
