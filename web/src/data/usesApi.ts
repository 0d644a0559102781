import type { Drawables } from '@outfit/core/catalogue'
import type { Exchange, MinedRelease, NewFiguresFound, PartUses, Refills } from '@outfit/core/uses'
import { api } from './api.ts'

/** Figures nobody has yet around a part. */
export interface NewFigures extends Drawables, NewFiguresFound {
  part: string
  /** Loose parts that were looked at. */
  loose: number
}

/** What parts could do for outfits; loaded with the room that asks. */
export const usesApi = api.injectEndpoints({
  endpoints: (build) => ({
    uses: build.query<PartUses, string>({
      query: (part) => `parts/${encodeURIComponent(part)}/uses`,
      keepUnusedDataFor: 0,
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
    newFigures: build.query<NewFigures, string>({
      query: (part) => `parts/${encodeURIComponent(part)}/figures`,
      keepUnusedDataFor: 0,
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
    refills: build.query<Refills, string>({
      query: (part) => `parts/${encodeURIComponent(part)}/refills`,
      keepUnusedDataFor: 0,
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
    exchange: build.query<Exchange, { roster: string; part: string; way: string | null }>({
      query: ({ roster, part, way }) =>
        `rosters/${roster}/exchange?${new URLSearchParams({ part, ...(way === null ? {} : { way }) }).toString()}`,
      keepUnusedDataFor: 0,
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
    sellerNews: build.query<MinedRelease, string>({
      query: (seller) => `sellers/${encodeURIComponent(seller)}/news`,
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
