import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cheapestForEach, limitsForEach, type Bringing } from './narrow.ts'

const partsOf = ({ parts }: { parts: readonly string[] }) => parts
const MOST = { part: 2, figure: 1, release: 1 }
const bringing = (price: number, parts: string[], more: Partial<Bringing> = {}): Bringing & { parts: string[] } => ({
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
  expect(cheapestForEach([dear, ...kept, worse], partsOf, MOST)).toEqual(kept)
})

test('what costs as little as the last of them stays too', () => {
  const alike = [10, 20, 20, 20].map((price) => bringing(price, ['A']))
  expect(cheapestForEach([...alike, bringing(21, ['A'])], partsOf, MOST)).toEqual(alike)
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
      const limitOf = limitsForEach(cheapest, partsOf, MOST)
      const asked = offers.filter((one) => one.price / one.parts.length <= limitOf(one))
      expect(cheapestForEach(asked, partsOf, MOST)).toEqual(cheapestForEach(offers, partsOf, MOST))
      // By sorting: whatever costs as little as the last of the cheapest that bring one of its parts as it does.
      const worth = (one: (typeof offers)[number]) => one.price / one.parts.length
      const sorted = offers.filter((one) =>
        one.parts.some((part) => {
          const rivals = offers
            .filter((other) => other.kind === one.kind && other.condition === one.condition)
            .flatMap((other) => (other.parts.includes(part) ? [worth(other)] : []))
            .sort((a, b) => a - b)
          return worth(one) <= rivals[Math.min(MOST[one.kind], rivals.length) - 1]!
        }),
      )
      expect(cheapestForEach(offers, partsOf, MOST)).toEqual(sorted)
    }),
    { numRuns: 400 },
  )
})
