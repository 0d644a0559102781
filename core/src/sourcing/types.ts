import type { SHIPPING_BASES } from '../market/index.ts'
/**
 * The sourcing problem and plan of docs/formats.md. Money is an integer in the minor unit of `currency`, mass in grams,
 * time in days.
 */
export interface SourcingProblem {
  format: 'outfit.sourcing-problem'
  version: 1
  currency: string
  needs: Need[]
  owned: Stock[]
  sellers: Seller[]
  offers: Offer[]
  resale: { part: string; price: number }[]
  limits: Limits
}

export interface Need {
  id: string
  qty: number
  /** Parts that would do, each with what a unit of it costs beyond its price. */
  accept: { part: string; penalty: number }[]
}

export interface Stock {
  part: string
  qty: number
}

export interface Shipping {
  basis: (typeof SHIPPING_BASES)[number]
  /** In rising order; the first whose `upTo` is null or at least the amount is charged. */
  bands: { upTo: number | null; price: number }[]
}

export interface Seller {
  id: string
  name: string
  minimum: number
  handling: number
  arrivesInDays: number
  shipping: Shipping
}

export interface Offer {
  id: string
  seller: string
  price: number
  /** Most units for sale. */
  qty: number
  /** Units are sold in steps of this many. */
  multiple: number
  weight: number
  yields: Stock[]
}

export interface Limits {
  parcels: number | null
  arriveBy: number | null
  budget: number | null
  seconds: number
  gap: number
}

export interface Basket {
  seller: string
  lines: { offer: string; qty: number }[]
  goods: number
  shipping: number
  handling: number
}

export interface SourcingPlan {
  format: 'outfit.sourcing-plan'
  version: 1
  status: 'optimal' | 'within-gap' | 'time-limit' | 'impossible'
  total: number
  bound: number
  gap: number
  seconds: number
  baskets: Basket[]
  fills: { need: string; part: string; qty: number; from: string }[]
  surplus: { part: string; qty: number; credit: number }[]
  unmet: { need: string; qty: number; why: string }[]
  /** The limit that cannot be kept; only with status `impossible`. */
  limit?: 'parcels' | 'arriveBy' | 'budget'
}
