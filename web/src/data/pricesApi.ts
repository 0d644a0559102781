import type { OutfitPrices, Target, TargetKind, ThingKind, ThingPrices } from '@outfit/core/prices'
import { api } from './api.ts'

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
