import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { compactOf } from './compact.ts'
import { SellerPricer, UNMET } from './priceSellers.ts'
import { searchSellers, unitsFrom } from './searchSellers.ts'
import { settle } from './settle.ts'
import type { SourcingProblem } from './types.ts'

const PARTS = ['A', 'B', 'C', 'D']

/** Problems of single parts and figures over a few sellers, without minimums, resale or alternatives. */
const anyProblem = (): fc.Arbitrary<SourcingProblem> => {
  const whole = (min: number, max: number) => fc.integer({ min, max })
  const seller = fc.record({
    handling: whole(0, 30),
    basis: fc.constantFrom('value' as const, 'count' as const, 'weight' as const),
    upTo: whole(2, 400),
    first: whole(50, 200),
    later: whole(0, 300),
  })
  const offer = fc.record({
    at: whole(0, 3),
    price: whole(5, 300),
    qty: whole(1, 4),
    weight: whole(1, 9),
    parts: fc.subarray(PARTS, { minLength: 1, maxLength: 3 }),
  })
  return fc
    .tuple(
      fc.array(seller, { minLength: 4, maxLength: 4 }),
      fc.array(offer, { minLength: 4, maxLength: 16 }),
      fc.array(whole(1, 3), { minLength: 4, maxLength: 4 }),
    )
    .map(([sellers, offers, wanted]) => ({
      format: 'outfit.sourcing-problem',
      version: 1,
      currency: 'EUR',
      needs: PARTS.map((part, i) => ({ id: `n${i}`, qty: wanted[i]!, accept: [{ part, penalty: 0 }] })),
      owned: [],
      sellers: sellers.map(({ handling, basis, upTo, first, later }, i) => ({
        id: `S${i}`,
        name: `S${i}`,
        minimum: 0,
        handling,
        arrivesInDays: 1,
        shipping: {
          basis,
          bands: [
            { upTo, price: first },
            { upTo: null, price: later },
          ],
        },
      })),
      offers: offers.map(({ at, price, qty, weight, parts }, i) => ({
        id: `o${i}`,
        seller: `S${at}`,
        price,
        qty,
        multiple: 1,
        weight,
        yields: parts.map((part) => ({ part, qty: 1 })),
      })),
      resale: [],
      limits: { parcels: null, arriveBy: null, budget: null, seconds: 1, gap: 0.0001 },
    }))
}
const anySet = fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }).map((on) => Uint8Array.from(on, Number))

/** A clock that goes on by a step each time it is read. */
const clock = (step: number) => {
  let time = 0
  return () => (time += step)
}

describe('the price of a set of sellers', () => {
  test('is what buying those units comes to, and stays so after a closer look', () => {
    fc.assert(
      fc.property(anyProblem(), anySet, fc.constantFrom(0, Infinity), (problem, open, closer) => {
        const pricer = new SellerPricer(compactOf(problem))
        const price = pricer.price(open, closer)
        const { total, unmet } = settle(problem, pricer.units())
        const missing = unmet.reduce((sum, { qty }) => sum + qty, 0)
        expect(price).toBeCloseTo(total + missing * UNMET, 3)
      }),
      { numRuns: 400 },
    )
  })

  test('buys from no seller outside the set and no more than there is', () => {
    fc.assert(
      fc.property(anyProblem(), anySet, (problem, open) => {
        const pricer = new SellerPricer(compactOf(problem))
        pricer.price(open, Infinity)
        const inside = problem.sellers.filter((_, s) => open[s] === 1).map(({ id }) => id)
        for (const [id, units] of pricer.units()) {
          const offer = problem.offers.find((one) => one.id === id)!
          expect(inside).toContain(offer.seller)
          expect(units).toBeGreaterThan(0)
          expect(units).toBeLessThanOrEqual(offer.qty)
        }
      }),
    )
  })

  test('is the same however often it is asked, and a closer look never makes it dearer', () => {
    fc.assert(
      fc.property(anyProblem(), anySet, (problem, open) => {
        const pricer = new SellerPricer(compactOf(problem))
        const plain = pricer.price(open)
        const closer = pricer.price(open, Infinity)
        expect(closer).toBeLessThanOrEqual(plain + 1e-6)
        expect(pricer.price(open)).toBe(plain)
        expect(pricer.price(open, Infinity)).toBe(closer)
      }),
    )
  })
})

describe('the search', () => {
  test('finds the best of all sets of few sellers', () => {
    fc.assert(
      fc.property(anyProblem(), (problem) => {
        const compact = compactOf(problem)
        const [best] = searchSellers(compact, { now: clock(1e-6), until: 1, most: null })
        const pricer = new SellerPricer(compact)
        const every = Array.from({ length: 16 }, (_, bits) =>
          pricer.price(
            Uint8Array.from([0, 1, 2, 3], (s) => (bits >> s) & 1),
            Infinity,
          ),
        )
        expect(best!.cost).toBeLessThanOrEqual(Math.min(...every) + 1e-6)
      }),
      { numRuns: 60 },
    )
  })

  test('keeps to the most parcels, gives different sets cheapest first, and the units it prices', () => {
    fc.assert(
      fc.property(anyProblem(), (problem) => {
        const compact = compactOf(problem)
        const sets = searchSellers(compact, { now: clock(1e-6), until: 1, most: 2 })
        const costs = sets.map(({ cost }) => cost)
        expect(costs).toEqual([...costs].sort((a, b) => a - b))
        expect(new Set(sets.map(({ open }) => open.join(''))).size).toBe(sets.length)
        for (const set of sets) {
          expect(set.open.reduce((sum, one) => sum + one, 0)).toBeLessThanOrEqual(2)
          expect(settle(problem, unitsFrom(compact, set)).baskets.length).toBeLessThanOrEqual(2)
        }
      }),
      { numRuns: 60 },
    )
  })

  test('ends when its time is up, with what it has', () => {
    const [problem] = fc.sample(anyProblem(), 1)
    const sets = searchSellers(compactOf(problem!), { now: clock(1), until: 0, most: null })
    expect(sets.length).toBeGreaterThan(0)
  })
})

test('a parcel over the edge of a band gives up what is dear to send there', () => {
  const seller = (id: string, upTo: number) => ({
    id,
    name: id,
    minimum: 0,
    handling: 0,
    arrivesInDays: 1,
    shipping: {
      basis: 'count' as const,
      bands: [
        { upTo, price: 100 },
        { upTo: null, price: 900 },
      ],
    },
  })
  const problem: SourcingProblem = {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: PARTS.map((part, i) => ({ id: `n${i}`, qty: 1, accept: [{ part, penalty: 0 }] })),
    owned: [],
    sellers: [seller('near', 3), seller('far', 9)],
    offers: [
      ...PARTS.map((part, i) => ({ id: `near ${part}`, seller: 'near', price: 10 + i, part })),
      ...PARTS.map((part, i) => ({ id: `far ${part}`, seller: 'far', price: 60 + i * 5, part })),
    ].map(({ part, ...offer }) => ({ ...offer, qty: 1, multiple: 1, weight: 1, yields: [{ part, qty: 1 }] })),
    resale: [],
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 1, gap: 0.0001 },
  }
  const pricer = new SellerPricer(compactOf(problem))
  const both = Uint8Array.from([1, 1])
  expect(pricer.price(both)).toBe(10 + 11 + 12 + 13 + 900)
  expect(pricer.price(both, Infinity)).toBe(60 + 11 + 12 + 13 + 100 + 100)
  expect([...pricer.units().keys()].sort()).toEqual(['far A', 'near B', 'near C', 'near D'])
})
