import type { Rate, ShippingBand, Standing } from '@outfit/core/market'
import type { Shipping } from '@outfit/core/sourcing'
import { api } from './api.ts'

/** Who sells, on which terms. Money is in minor units of `currency`. */
export interface SellerTerms {
  name: string
  country: string
  currency: string
  minimum: number
  handling: number
  arrivesInDays: number
  rating: number | null
  shippingBasis: Shipping['basis']
  shippingBands: ShippingBand[]
  notes: string | null
  standing: Standing
}

export interface ToldSeller extends SellerTerms {
  code: string
  offers: number
  newest: string | null
}

/** Terms and rates change what everything costs. */
const CHANGED = ['Sellers', 'Outfit', 'Shelves', 'Catalogue'] as const

/** What is asked and told about sellers and rates; loaded with the room that needs it. */
export const marketApi = api.enhanceEndpoints({ addTagTypes: ['Sellers'] }).injectEndpoints({
  endpoints: (build) => ({
    market: build.query<{ sellers: ToldSeller[] }, void>({ query: () => 'sellers', providesTags: ['Sellers'] }),
    keepSeller: build.mutation<void, { code: string; terms: SellerTerms }>({
      query: ({ code, terms }) => ({ url: `sellers/${encodeURIComponent(code)}`, method: 'PUT', body: terms }),
      invalidatesTags: CHANGED,
    }),
    removeSeller: build.mutation<void, string>({
      query: (code) => ({ url: `sellers/${encodeURIComponent(code)}`, method: 'DELETE' }),
      invalidatesTags: CHANGED,
    }),
    rates: build.query<{ rates: Rate[] }, void>({ query: () => 'rates', providesTags: ['Sellers'] }),
    keepRate: build.mutation<void, Rate>({
      query: (body) => ({ url: 'rates', method: 'PUT', body }),
      invalidatesTags: CHANGED,
    }),
    removeRate: build.mutation<void, Pick<Rate, 'date' | 'from' | 'to'>>({
      query: ({ date, from, to }) => ({ url: `rates/${date}/${from}/${to}`, method: 'DELETE' }),
      invalidatesTags: CHANGED,
    }),
  }),
})
