import type { Offer, Seller, SourcingProblem } from '../sourcing/index.ts'

/** An offer of one part unless said otherwise. */
export const offer = (id: string, seller: string, part: string, price: number, more: Partial<Offer> = {}): Offer => ({
  id,
  seller,
  price,
  qty: 9,
  multiple: 1,
  weight: 1,
  yields: [{ part, qty: 1 }],
  ...more,
})

/** A seller with one flat shipping price. */
export const seller = (id: string, shipping: number, more: Partial<Seller> = {}): Seller => ({
  id,
  name: `Seller ${id}`,
  minimum: 0,
  handling: 0,
  arrivesInDays: 5,
  shipping: { basis: 'value', bands: [{ upTo: null, price: shipping }] },
  ...more,
})

/** A problem in euros that needs each of `parts` once, with no owned parts, no resale and no limits. */
export const problem = (parts: readonly string[], more: Partial<SourcingProblem> = {}): SourcingProblem => ({
  format: 'outfit.sourcing-problem',
  version: 1,
  currency: 'EUR',
  needs: parts.map((part) => ({ id: `need ${part}`, qty: 1, accept: [{ part, penalty: 0 }] })),
  owned: [],
  sellers: [],
  offers: [],
  resale: [],
  limits: { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0 },
  ...more,
})
