import fc from 'fast-check'
import type { SourcingProblem } from '@outfit/core/sourcing'

/** Any small problem of the published format, with all that makes one hard. */
export function anyProblem(): fc.Arbitrary<SourcingProblem> {
  const part = fc.constantFrom('A', 'B', 'C')
  const whole = (min: number, max: number) => fc.integer({ min, max })
  const orNull = (arbitrary: fc.Arbitrary<number>) => fc.option(arbitrary, { nil: null, freq: 2 })
  const bands = fc.tuple(whole(0, 60), whole(0, 60), whole(1, 60)).map(([first, second, upTo]) => [
    { upTo, price: first },
    { upTo: null, price: second },
  ])
  const accept = fc.uniqueArray(fc.record({ part, penalty: whole(0, 40) }), {
    selector: (a) => a.part,
    minLength: 1,
    maxLength: 2,
  })
  return fc
    .record({
      needs: fc.array(fc.record({ qty: whole(1, 2), accept }), { minLength: 1, maxLength: 3 }),
      owned: fc.array(fc.record({ part, qty: whole(1, 1) }), { maxLength: 1 }),
      sellers: fc.array(
        fc.record({
          minimum: fc.oneof(fc.constant(0), whole(1, 80)),
          handling: whole(0, 20),
          arrivesInDays: whole(1, 9),
          shipping: fc.record({ basis: fc.constantFrom('value' as const, 'count' as const, 'weight' as const), bands }),
        }),
        { minLength: 1, maxLength: 2 },
      ),
      offers: fc.array(
        fc.record({
          at: whole(0, 1),
          price: whole(1, 60),
          qty: whole(1, 3),
          multiple: fc.constantFrom(1, 1, 2),
          weight: whole(0, 30),
          yields: fc.uniqueArray(fc.record({ part: fc.constantFrom('A', 'B', 'C', 'unwanted'), qty: whole(1, 2) }), {
            selector: (y) => y.part,
            minLength: 1,
            maxLength: 2,
          }),
        }),
        { minLength: 1, maxLength: 5 },
      ),
      resale: fc.uniqueArray(fc.record({ part, price: whole(1, 15) }), { selector: (r) => r.part, maxLength: 2 }),
      parcels: orNull(whole(0, 2)),
      arriveBy: orNull(whole(1, 9)),
      budget: orNull(whole(0, 200)),
    })
    .map(({ needs, sellers, offers, parcels, arriveBy, budget, ...rest }) => ({
      format: 'outfit.sourcing-problem',
      version: 1,
      currency: 'EUR',
      ...rest,
      needs: needs.map((need, i) => ({ id: `n${i}`, ...need })),
      sellers: sellers.map((seller, i) => ({ id: `s${i}`, name: `Seller ${i}`, ...seller })),
      offers: offers.map(({ at, ...offer }, i) => ({ id: `o${i}`, seller: `s${at % sellers.length}`, ...offer })),
      limits: { parcels, arriveBy, budget, seconds: 20, gap: 0 },
    }))
}
