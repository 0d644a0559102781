import type { Rate, ShippingBand, Standing } from '@outfit/core/market'
import type { Refreshed, SheetLine } from '@outfit/core/feed'
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

/** A day a list was read. */
export interface Sheet {
  date: string
  source: 'table' | 'hand' | 'market'
  whole: boolean
  lines: number
}

/** What one line of a seller's list says; `home` is its price in the home currency, null without a rate. */
export interface ListedOffer extends SheetLine {
  id: number
  date: string
  name: string
  home: number | null
}

export type NewOffer = Pick<ListedOffer, 'kind' | 'condition' | 'price' | 'stock' | 'multiple'> & { thing: string }

export interface ToldSeller extends SellerTerms {
  code: string
  offers: number
  newest: string | null
}

/** Terms and rates change what everything costs. */
export const CHANGED = ['Sellers', 'Outfit', 'Shelves', 'Catalogue'] as const

/** What is asked and told about sellers and rates; loaded with the room that needs it. */
export const marketApi = api.enhanceEndpoints({ addTagTypes: ['Sellers'] }).injectEndpoints({
  endpoints: (build) => ({
    market: build.query<{ sellers: ToldSeller[] }, void>({ query: () => 'sellers', providesTags: ['Sellers'] }),
    connected: build.query<{ market: string | null; last: Refreshed | null }, void>({
      query: () => 'market',
      providesTags: ['Sellers'],
    }),
    askMarket: build.mutation<{ job: string }, string[] | undefined>({
      query: (sellers) => ({ url: 'market/refresh', method: 'POST', body: sellers ? { sellers } : {} }),
    }),
    sellerOffers: build.query<
      {
        seller: SellerTerms & { code: string }
        count: number
        offers: ListedOffer[]
        next: number | null
        sheets: Sheet[]
      },
      { code: string; after: number; starts: string }
    >({
      query: ({ code, ...params }) => ({ url: `sellers/${encodeURIComponent(code)}/offers`, params }),
      providesTags: ['Sellers'],
    }),
    quote: build.mutation<void, { code: string; offer: NewOffer }>({
      query: ({ code, offer }) => ({ url: `sellers/${encodeURIComponent(code)}/offers`, method: 'PUT', body: offer }),
      invalidatesTags: CHANGED,
    }),
    /** Make a seller, or change one that was read as `was`. */
    keepSeller: build.mutation<void, { code: string; terms: SellerTerms; was?: object }>({
      query: ({ code, terms, was }) => ({
        url: `sellers/${encodeURIComponent(code)}`,
        method: 'PUT',
        body: { ...terms, ...(was ? { was } : {}) },
      }),
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
