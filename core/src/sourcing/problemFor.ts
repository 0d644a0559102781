import { piecesGiven, type Piece } from '../anatomy/index.ts'
import type { Level } from '../catalogue/index.ts'
import { convert, type Rate } from '../market/index.ts'
import { gainsByFillers } from './reduce.ts'
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

const DEFAULT_LIMITS: Limits = { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0.0001 }

/**
 * The sourcing problem of a list of wanted atomic parts: one need for each different part, offers converted to one
 * currency. Offers that yield nothing wanted are left out, unless they can still make a parcel possible or cheaper. What
 * is bought is taken apart no further than `takingApart`: what stays joined counts only where all of it is wanted.
 */
export function problemFor(
  wanted: readonly string[],
  owned: ReadonlyMap<string, number>,
  market: { sellers: readonly MarketSeller[]; offers: readonly MarketOffer[]; rates: readonly Rate[]; date: string },
  currency: string,
  { takingApart = 4, ...limits }: Partial<Limits> & { takingApart?: Level } = {},
): SourcingProblem {
  const counts = new Map<string, number>()
  for (const part of wanted) counts.set(part, (counts.get(part) ?? 0) + 1)
  const given = ({ yields, units }: MarketOffer): Stock[] => {
    if (takingApart >= 4) return yields
    const found = new Map<string, number>()
    for (const { part } of units.flatMap((unit) => piecesGiven(unit, takingApart, (one) => counts.get(one) ?? 0)))
      found.set(part, (found.get(part) ?? 0) + 1)
    return [...found].map(([part, qty]) => ({ part, qty }))
  }
  const offers = market.offers
    .map((offer) => ({ ...offer, yields: given(offer) }))
    .filter(({ yields }) => yields.length > 0)
  const money = (amount: number, from: string) => convert(amount, from, currency, market.date, market.rates)
  const useful = new Set(
    offers.filter((offer) => offer.yields.some(({ part }) => counts.has(part))).map((offer) => offer.id),
  )
  const sellerIds = new Set(offers.filter((offer) => useful.has(offer.id)).map((offer) => offer.seller))
  const fillable = new Set(market.sellers.filter(gainsByFillers).map(({ id }) => id))
  return {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency,
    needs: [...counts].map(([part, qty]) => ({ id: part, qty, accept: [{ part, penalty: 0 }] })),
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
    offers: offers
      .filter((offer) => useful.has(offer.id) || (sellerIds.has(offer.seller) && fillable.has(offer.seller)))
      .map(({ id, seller, price, currency: from, stock, multiple, weight, yields }) => ({
        id,
        seller,
        price: money(price, from),
        qty: stock,
        multiple,
        weight,
        yields,
      })),
    resale: [],
    limits: { ...DEFAULT_LIMITS, ...limits },
  }
}
