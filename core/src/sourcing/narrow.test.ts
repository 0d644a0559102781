import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cheapestForEach, type Bringing } from './narrow.ts'

const MOST = { part: 2, figure: 1, release: 1 }
const bringing = (price: number, parts: string[], more: Partial<Bringing> = {}): Bringing => ({
  kind: 'part',
  parts,
  condition: 'new',
  currency: 'EUR',
  price,
  ...more,
})

test('of each kind, condition and currency the cheapest for each wanted part stay, by what a part of it costs', () => {
  const dear = bringing(30, ['A'])
  const figure = bringing(90, ['A', 'B', 'C'], { kind: 'figure' })
  const worse = bringing(70, ['A', 'B'], { kind: 'figure' })
  const kept = [
    bringing(10, ['A']),
    bringing(20, ['A']),
    bringing(50, ['A'], { condition: 'used' }),
    bringing(60, ['A'], { currency: 'SEK' }),
    figure,
    bringing(80, ['D'], { kind: 'figure' }),
  ]
  expect(cheapestForEach([dear, ...kept, worse], MOST)).toEqual(kept)
})

test('what costs as little as the last of them stays too', () => {
  const alike = [10, 20, 20, 20].map((price) => bringing(price, ['A']))
  expect(cheapestForEach([...alike, bringing(21, ['A'])], MOST)).toEqual(alike)
})

test('asked of the cheapest of each thing first, it comes to the same', () => {
  const things = fc.array(
    fc.record({
      kind: fc.constantFrom('part' as const, 'figure' as const),
      parts: fc.subarray(['A', 'B', 'C', 'D'], { minLength: 1 }),
      offers: fc.array(
        fc.record({
          condition: fc.constantFrom('new' as const, 'used' as const),
          price: fc.integer({ min: 0, max: 12 }),
        }),
        { minLength: 1, maxLength: 4 },
      ),
    }),
    { minLength: 1, maxLength: 12 },
  )
  fc.assert(
    fc.property(things, (drawn) => {
      const offers = drawn.flatMap(({ kind, parts, offers: own }, thing) =>
        own.map((offer) => ({ ...offer, thing, kind, parts, currency: 'EUR' })),
      )
      const cheapest = offers.filter(
        (one) =>
          !offers.some(
            (other) => other.thing === one.thing && other.condition === one.condition && other.price < one.price,
          ),
      )
      const near = new Set(cheapestForEach(cheapest, MOST).map(({ thing }) => thing))
      const asked = offers.filter(({ thing }) => near.has(thing))
      expect(cheapestForEach(asked, MOST)).toEqual(cheapestForEach(offers, MOST))
    }),
    { numRuns: 400 },
  )
})
