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

/**
 * Any small problem of the kind people meet: most parts cost less than a coin and a few are dear, while a parcel comes to more
 * than most of what is in it; shipping falls, ends above a value or rises, minimums are filled up with what costs next to
 * nothing, and figures go at less or more than their parts.
 */
export function anyLowPriced(): fc.Arbitrary<SourcingProblem> {
  const parts = ['A', 'B', 'C', 'D'] as const
  const whole = (min: number, max: number) => fc.integer({ min, max })
  const worth = fc.double({ min: 0.5, max: 6.5, noNaN: true }).map((log) => Math.max(1, Math.round(Math.exp(log))))
  const basis = fc.constantFrom('value' as const, 'count' as const, 'weight' as const)
  const shipping = fc
    .record({
      basis,
      first: whole(150, 750),
      shape: fc.constantFrom([0.7, 0.4], [1, 0], [1.25, 1.6]),
      edge: whole(2, 9),
    })
    .map(({ basis: by, first, shape, edge }) => {
      const unit = by === 'value' ? 60 : by === 'count' ? 1 : 4
      return {
        basis: by,
        bands: [
          { upTo: edge * unit, price: first },
          { upTo: edge * unit * 3, price: Math.round(first * shape[0]!) },
          { upTo: null, price: Math.round(first * shape[1]!) },
        ],
      }
    })
  return fc
    .record({
      worths: fc.array(worth, { minLength: parts.length, maxLength: parts.length }),
      quantities: fc.array(fc.constantFrom(1, 1, 2), { minLength: parts.length, maxLength: parts.length }),
      sellers: fc.array(fc.record({ minimum: fc.constantFrom(0, 0, 120, 300), handling: whole(0, 60), shipping }), {
        minLength: 2,
        maxLength: 3,
      }),
      offers: fc.array(
        fc.record({
          at: whole(0, 2),
          of: whole(0, parts.length - 1),
          level: fc.double({ min: 0.5, max: 1.5, noNaN: true }),
          qty: whole(1, 4),
          weight: whole(1, 6),
          isFigure: fc.constantFrom(false, false, true),
        }),
        { minLength: 2, maxLength: 7 },
      ),
      resale: fc.uniqueArray(fc.record({ of: whole(0, parts.length - 1), share: fc.constantFrom(0.2, 0.4) }), {
        selector: ({ of }) => of,
        maxLength: 2,
      }),
      penalty: whole(1, 60),
    })
    .map(({ worths, quantities, sellers, offers, resale, penalty }) => ({
      format: 'outfit.sourcing-problem',
      version: 1,
      currency: 'EUR',
      needs: parts.slice(0, 3).map((part, i) => ({
        id: `n${i}`,
        qty: quantities[i]!,
        accept: [{ part, penalty: 0 }, ...(i === 0 ? [{ part: 'D', penalty }] : [])],
      })),
      owned: [],
      sellers: sellers.map((seller, i) => ({ id: `s${i}`, name: `Seller ${i}`, arrivesInDays: 3, ...seller })),
      offers: offers.map(({ at, of, level, qty, weight, isFigure }, i) => {
        const inside = isFigure ? [of, (of + 1) % parts.length, (of + 2) % parts.length] : [of]
        const price = Math.max(1, Math.round(level * inside.reduce((sum, p) => sum + worths[p]!, 0)))
        return {
          id: `o${i}`,
          seller: `s${at % sellers.length}`,
          price,
          qty: isFigure ? 1 : qty,
          multiple: 1,
          weight: weight * inside.length,
          yields: inside.map((p) => ({ part: parts[p]!, qty: 1 })),
        }
      }),
      resale: resale.map(({ of, share }) => ({ part: parts[of]!, price: Math.floor(worths[of]! * share) })),
      limits: { parcels: null, arriveBy: null, budget: null, seconds: 20, gap: 0 },
    }))
}
