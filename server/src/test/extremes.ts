import fc from 'fast-check'
import { MOST } from '@outfit/core/market'
import type { SourcingProblem } from '@outfit/core/sourcing'
import type { RosterProblem } from '@outfit/core/wardrobe'
import { anyProblem } from './anyProblem.ts'
import { anyRoster } from './anyRoster.ts'

/** Thousandths of a point. */
const MOST_LIKENESS = 1e6

type Market = Pick<SourcingProblem, 'owned' | 'sellers' | 'offers' | 'resale'>

const upTo = (most: number) =>
  fc.oneof(fc.constant(most), fc.integer({ min: 1, max: most }), fc.integer({ min: 1, max: 9 }))

/** Numbers at the ends of what the formats take. */
const wild = fc.record({
  need: upTo(MOST.qty),
  stock: upTo(MOST.qty),
  price: fc.oneof(fc.constant(0), upTo(MOST.money)),
  multiple: upTo(MOST.pack),
  yielded: upTo(MOST.pack),
  weight: upTo(MOST.weight),
  minimum: fc.oneof(fc.constant(0), upTo(MOST.money)),
  band: upTo(MOST.band),
  resale: upTo(MOST.money),
})
type Wild = typeof wild extends fc.Arbitrary<infer W> ? W : never
const wildOnes = fc.array(wild, { minLength: 8, maxLength: 8 })

function driven<M extends Market>(market: M, all: readonly Wild[]): M {
  const at = (i: number) => all[i % all.length]!
  return {
    ...market,
    owned: market.owned.map((own, i) => ({ ...own, qty: at(i + 3).stock })),
    sellers: market.sellers.map((seller, i) => ({
      ...seller,
      minimum: at(i).minimum,
      shipping: {
        ...seller.shipping,
        bands: seller.shipping.bands.map((band) => (band.upTo === null ? band : { ...band, upTo: at(i + 1).band })),
      },
    })),
    offers: market.offers.map((offer, i) => ({
      ...offer,
      price: at(i).price,
      qty: at(i).stock,
      multiple: at(i + 2).multiple,
      weight: at(i + 4).weight,
      yields: offer.yields.map((one, y) => ({ ...one, qty: at(i + y).yielded })),
    })),
    resale: market.resale.map((one, i) => ({ ...one, price: at(i + 5).resale })),
  }
}

/** Any sourcing problem, with its numbers driven to the ends. */
export const extremeProblem = (): fc.Arbitrary<SourcingProblem> =>
  fc.tuple(anyProblem(), wildOnes).map(([problem, all]) => ({
    ...driven(problem, all),
    needs: problem.needs.map((need, i) => ({ ...need, qty: all[i % all.length]!.need })),
    limits: { ...problem.limits, seconds: 0.3 },
  }))

/** Any roster problem, with its numbers driven to the ends. */
export const extremeRoster = (): fc.Arbitrary<RosterProblem> =>
  fc.tuple(anyRoster(), wildOnes).map(([problem, all]) => {
    const at = (i: number) => all[i % all.length]!
    return {
      ...driven(problem, all),
      worth: at(1).price,
      outfits: problem.outfits.map((outfit, o) => ({
        ...outfit,
        slots: outfit.slots.map((slot, s) => ({
          ...slot,
          candidates: slot.candidates.map((candidate, c) => ({
            ...candidate,
            score: (at(o + s + c).resale % (MOST_LIKENESS + 1)) * (c % 2 === 0 ? 1 : -1),
            parts: candidate.parts.map((one, k) => ({ ...one, qty: at(o + s + c + k).yielded })),
          })),
        })),
      })),
      limits: { ...problem.limits, seconds: 0.3 },
    }
  })
