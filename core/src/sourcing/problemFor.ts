import { piecesGiven, type Piece } from '../anatomy/index.ts'
import type { Level } from '../catalogue/index.ts'
import { convert, type Rate } from '../market/index.ts'
import { gainsByFillers } from './reduce.ts'
import type { SecondChoices } from './secondChoices.ts'
import type { Limits, Seller, SourcingProblem, Stock } from './types.ts'

/** An offer as a seller makes it, in the seller's currency, with the atomic parts one unit yields. */
export interface MarketOffer {
  id: string
  seller: string
  price: number
  currency: string
  stock: number
  multiple: number
  weight: number
  yields: Stock[]
  /** The figures, assemblies and loose parts in one unit, piece by piece. */
  units: readonly (readonly Piece[])[]
}

export interface MarketSeller extends Seller {
  currency: string
}

export interface ProblemOptions extends Partial<Limits> {
  /** How far what is bought is taken apart. */
  takingApart?: Level
  /** Parts that would do for a wanted one, each with what a unit of it costs beyond its price. */
  secondChoices?: SecondChoices
  /** What a part fetches when it is left over; null for nothing. */
  resaleOf?: (part: string) => number | null
}

/** Goods nobody needs are only there to fill parcels up; so many of the cheapest of a seller are enough for that. */
export const FILLERS = 60

const DEFAULT_LIMITS: Limits = { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0.0001 }

/**
 * The sourcing problem of a list of wanted atomic parts: one need for each different part, offers converted to one
 * currency. Offers that yield nothing wanted are left out, but for the cheapest that can still make a parcel possible or
 * cheaper. What is bought is taken apart no further than `takingApart`: what stays joined counts only where all of it is wanted.
 */
export function problemFor(
  wanted: readonly string[],
  owned: ReadonlyMap<string, number>,
  market: { sellers: readonly MarketSeller[]; offers: readonly MarketOffer[]; rates: readonly Rate[]; date: string },
  currency: string,
  { takingApart = 4, secondChoices, resaleOf, ...limits }: ProblemOptions = {},
): SourcingProblem {
  const counts = new Map<string, number>()
  for (const part of wanted) counts.set(part, (counts.get(part) ?? 0) + 1)
  const acceptOf = (part: string) => [{ part, penalty: 0 }, ...(secondChoices?.get(part) ?? [])]
  /** How many of a part could be used, as it is wanted or as a second choice. */
  const usable = new Map<string, number>()
  for (const [wantedPart, qty] of counts)
    for (const { part } of acceptOf(wantedPart)) usable.set(part, (usable.get(part) ?? 0) + qty)
  const given = ({ yields, units }: MarketOffer): Stock[] => {
    if (takingApart >= 4) return yields
    const found = new Map<string, number>()
    for (const { part } of units.flatMap((unit) => piecesGiven(unit, takingApart, (one) => usable.get(one) ?? 0)))
      found.set(part, (found.get(part) ?? 0) + 1)
    return [...found].map(([part, qty]) => ({ part, qty }))
  }
  const offers = market.offers
    .map((offer) => ({ ...offer, yields: given(offer) }))
    .filter(({ yields }) => yields.length > 0)
  const money = (amount: number, from: string) => convert(amount, from, currency, market.date, market.rates)
  const useful = new Set(
    offers.filter((offer) => offer.yields.some(({ part }) => usable.has(part))).map((offer) => offer.id),
  )
  const sellerIds = new Set(offers.filter((offer) => useful.has(offer.id)).map((offer) => offer.seller))
  const fillers = new Set(
    market.sellers
      .filter((seller) => sellerIds.has(seller.id) && gainsByFillers(seller))
      .flatMap(({ id }) =>
        offers
          .filter((offer) => offer.seller === id && !useful.has(offer.id) && offer.stock >= offer.multiple)
          .sort((a, b) => a.price * a.multiple - b.price * b.multiple || (a.id < b.id ? -1 : 1))
          .slice(0, FILLERS)
          .map((offer) => offer.id),
      ),
  )
  const kept = offers.filter((offer) => useful.has(offer.id) || fillers.has(offer.id))
  const resale = new Map<string, number>()
  for (const { part } of kept.flatMap(({ yields }) => yields)) {
    const price = resaleOf?.(part) ?? 0
    if (price > 0) resale.set(part, price)
  }
  return {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency,
    needs: [...counts].map(([part, qty]) => ({ id: part, qty, accept: acceptOf(part) })),
    owned: [...counts.keys()].flatMap((part) => ((owned.get(part) ?? 0) > 0 ? [{ part, qty: owned.get(part)! }] : [])),
    sellers: market.sellers
      .filter(({ id }) => sellerIds.has(id))
      .map(({ currency: from, ...seller }) => ({
        ...seller,
        minimum: money(seller.minimum, from),
        handling: money(seller.handling, from),
        shipping: {
          basis: seller.shipping.basis,
          bands: seller.shipping.bands.map(({ upTo, price }) => ({
            upTo: upTo === null || seller.shipping.basis !== 'value' ? upTo : money(upTo, from),
            price: money(price, from),
          })),
        },
      })),
    offers: kept.map(({ id, seller, price, currency: from, stock, multiple, weight, yields }) => ({
      id,
      seller,
      price: money(price, from),
      qty: stock,
      multiple,
      weight,
      yields,
    })),
    resale: [...resale].map(([part, price]) => ({ part, price })),
    limits: { ...DEFAULT_LIMITS, ...limits },
  }
}
