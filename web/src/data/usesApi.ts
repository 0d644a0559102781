import type { Exchange, MinedRelease, PartUses } from '@outfit/core/uses'
import { api } from './api.ts'

/** What parts could do for outfits; loaded with the room that asks. */
export const usesApi = api.injectEndpoints({
  endpoints: (build) => ({
    uses: build.query<PartUses, string>({
      query: (part) => `parts/${encodeURIComponent(part)}/uses`,
      keepUnusedDataFor: 0,
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
    exchange: build.query<Exchange, { roster: string; part: string; way: string | null }>({
      query: ({ roster, part, way }) =>
        `rosters/${roster}/exchange?${new URLSearchParams({ part, ...(way === null ? {} : { way }) }).toString()}`,
      keepUnusedDataFor: 0,
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
    mined: build.query<MinedRelease, string>({
      query: (release) => `releases/${encodeURIComponent(release)}/uses`,
      keepUnusedDataFor: 0,
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
  }),
})
