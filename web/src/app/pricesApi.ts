import type { Part, Print, Slot } from '@outfit/core/catalogue'
import type { CostShare, PriceCondition, PricePoint, PriceSeries, StandingOffer } from '@outfit/core/market'
import type { Whole } from '@outfit/core/sourcing'
import { api } from './api.ts'

export type ThingKind = 'part' | 'figure' | 'release'
export type TargetKind = ThingKind | 'outfit' | 'roster'

/** How the price of a thing went and stands; money in minor units of the home currency. */
export interface ThingPrices {
  thing: { kind: ThingKind; code: string; name: string }
  series: PriceSeries[]
  asked: { date: string; seller: string; condition: 'new' | 'used'; home: number }[]
  offers: (StandingOffer & { sellerName: string; blocked: boolean })[]
  lowest: number | null
  paid: { date: string; home: number; qty: number; seller: string; condition: 'new' | 'used'; parcel: string }[]
  against: {
    whole: number | null
    singly: { sum: number; parts: number; unoffered: string[] }
    wholes: Whole[]
  } | null
}

interface Shares<Key> {
  shares: CostShare<Key>[]
  dear: CostShare<Key> | null
}

/** The same of what an outfit, or a roster, lacks or wears. */
export interface OutfitPrices {
  name: string
  roster: { id: string; name: string }
  all: boolean
  worn: number
  wanted: number
  series: { condition: PriceCondition; points: PricePoint[]; trend: PriceSeries['trend']; never: string[] }[]
  lowest: number
  unoffered: string[]
  bySlot: Shares<Slot>
  byOutfit: Shares<string>
  byPart: CostShare<string>[]
  slots: Record<string, Slot>
  wholes: Whole[]
  parts: Part[]
  prints: Print[]
}

export interface Target {
  id: string
  kind: TargetKind
  code: string
  price: number
  setOn: string
  metOn: string | null
  metPrice: number | null
  seen: boolean
  name: string
  now: number | null
}

/** What is asked and told about prices; loaded with the room that needs it. */
export const pricesApi = api.enhanceEndpoints({ addTagTypes: ['Sellers', 'Targets', 'Drawer'] }).injectEndpoints({
  endpoints: (build) => ({
    thingPrices: build.query<ThingPrices, { kind: ThingKind; code: string }>({
      query: ({ kind, code }) => `prices/of/${kind}/${encodeURIComponent(code)}`,
      providesTags: ['Sellers'],
    }),
    outfitPrices: build.query<OutfitPrices, { of: 'outfits' | 'rosters'; id: string; all: boolean }>({
      query: ({ of, id, all }) => ({ url: `prices/${of}/${id}`, params: all ? { all: 'yes' } : {} }),
      providesTags: ['Sellers', 'Outfit', 'Shelves', 'Drawer'],
    }),
    targets: build.query<{ targets: Target[] }, void>({
      query: () => 'prices/targets',
      providesTags: ['Targets', 'Sellers', 'Outfit', 'Shelves'],
    }),
    setTarget: build.mutation<void, { kind: TargetKind; code: string; price: number }>({
      query: ({ kind, code, price }) => ({
        url: `prices/targets/${kind}/${encodeURIComponent(code)}`,
        method: 'PUT',
        body: { price },
      }),
      invalidatesTags: ['Targets'],
    }),
    removeTarget: build.mutation<void, { kind: TargetKind; code: string }>({
      query: ({ kind, code }) => ({ url: `prices/targets/${kind}/${encodeURIComponent(code)}`, method: 'DELETE' }),
      invalidatesTags: ['Targets'],
    }),
    seenTargets: build.mutation<void, void>({
      query: () => ({ url: 'prices/targets/seen', method: 'POST' }),
      invalidatesTags: ['Targets'],
    }),
  }),
})

/** Where the price page of something is. */
export const pricePage = (kind: TargetKind, code: string): string =>
  kind === 'outfit'
    ? `/outfits/${code}/prices`
    : kind === 'roster'
      ? `/rosters/${code}/prices`
      : `/prices/${kind}/${code}`
