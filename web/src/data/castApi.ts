import type { Placement } from '@outfit/core/catalogue'
import type { CastOptions, CastReport, CastTake, CastWho } from '@outfit/core/wardrobe'
import { api } from './api.ts'

export interface CastAsk {
  roster: string
  who: CastWho[]
  options: CastOptions
}

/** Casting a roster together. */
export const castApi = api.injectEndpoints({
  endpoints: (build) => ({
    startCast: build.mutation<{ job: string }, CastAsk>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/casts`, method: 'POST', body }),
    }),
    startCurve: build.mutation<{ job: string }, string>({
      query: (job) => ({ url: `casts/${job}/curve`, method: 'POST' }),
    }),
    cast: build.query<CastReport, string>({ query: (job) => `casts/${job}`, keepUnusedDataFor: 600 }),
    wearCast: build.mutation<
      { takes: CastTake[] },
      { roster: string; outfits: { outfit: string; placements: Placement[] }[]; why?: 'exchange' }
    >({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/cast-takes`, method: 'PUT', body }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    undoCast: build.mutation<void, { roster: string; takes: CastTake[] }>({
      query: ({ roster, takes }) => ({ url: `rosters/${roster}/cast-takes`, method: 'DELETE', body: { takes } }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
  }),
})
