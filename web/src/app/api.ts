import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react'
import type {
  Colour,
  Drawables,
  Mould,
  Part,
  PartFacets,
  PartOrder,
  Placement,
  Print,
  ShelfKey,
  Slot,
} from '@outfit/core/catalogue'
import type { OutfitDetail, RosterShelf } from '@outfit/core/roster'
import type { ReportWithParts, WayToGet } from '@outfit/core/sourcing'

export interface Candidate {
  part: Part
  owned: number
  /** Lowest single price in euro cents; null when nobody sells it singly. */
  lowest: number | null
}

/** Parts as a list answers them: with prices, what is inside assemblies, and the prints they wear. */
export interface PricedParts {
  items: Candidate[]
  parts: Candidate[]
  prints: Print[]
}

/** What the finder is asked. */
export interface FindRequest {
  text?: string
  shelves?: ShelfKey[]
  families?: string[]
  yearFrom?: number
  yearTo?: number
  owned?: boolean
  priceTo?: number
  inProduction?: boolean
  order?: PartOrder
  offset?: number
  limit?: number
}

export type Found = PricedParts & { total: number; facets: PartFacets }

export interface Wish {
  id: string
  mould: string
  print: string | null
  colour: string
  name: string
  at: string
  fulfilledBy: string | null
  fulfilledAt: string | null
  seen: boolean
}

export type WaysAnswer = { ways: WayToGet[] } & Drawables

export type GoesWithAnswer = PricedParts & {
  groups: { label: string; matches: { code: string; score: number; reasons: string[] }[] }[]
}

export interface PartDetail extends Drawables {
  part: Part
  bins: { part: string; bin: string; name: string; qty: number }[]
  figures: { code: string; name: string; year: number; qty: number }[]
  releases: {
    code: string
    name: string
    kind: string
    year: number
    qty: number
    loose: boolean
    /** Packs in a case, of a blind pack. */
    packs: number | null
  }[]
  offers: {
    id: string
    sellerName: string
    condition: string
    price: number
    currency: string
    home: number
    stock: number
    multiple: number
  }[]
}

/** An error answer of the server. */
export interface ProblemBody {
  status: number
  detail: string
  errors: { field: string; message: string }[]
}

interface SaveRequest {
  outfit: string
  take: string
  version: number
  placements: Placement[]
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['Outfit', 'Shelves', 'Catalogue', 'Wishes'],
  endpoints: (build) => ({
    basics: build.query<{ colours: Colour[]; moulds: Mould[] }, void>({
      query: () => 'catalogue/basics',
      keepUnusedDataFor: 3600,
      providesTags: ['Catalogue'],
    }),
    shelves: build.query<{ rosters: RosterShelf[] } & Drawables, void>({
      query: () => 'rosters',
      providesTags: ['Shelves'],
    }),
    outfit: build.query<OutfitDetail, string>({ query: (id) => `outfits/${id}`, providesTags: ['Outfit'] }),
    candidates: build.query<PricedParts & { next: string | null }, Slot>({
      query: (slot) => ({ url: 'parts', params: { slot, limit: 500 } }),
      keepUnusedDataFor: 600,
      providesTags: ['Catalogue'],
    }),
    findParts: build.query<Found, FindRequest>({
      query: ({ shelves, families, owned, inProduction, ...rest }) => ({
        url: 'parts/find',
        params: {
          ...rest,
          ...(shelves?.length ? { shelves: shelves.join(',') } : {}),
          ...(families?.length ? { families: families.join(',') } : {}),
          ...(owned ? { owned: 'yes' } : {}),
          ...(inProduction ? { inProduction: 'yes' } : {}),
        },
      }),
      providesTags: ['Catalogue'],
    }),
    sameMould: build.query<PricedParts, string>({
      query: (code) => `parts/${code}/mould`,
      providesTags: ['Catalogue'],
    }),
    partDetail: build.query<PartDetail, string>({ query: (code) => `parts/${code}`, providesTags: ['Catalogue'] }),
    waysToGet: build.query<WaysAnswer, string>({ query: (code) => `parts/${code}/ways`, providesTags: ['Catalogue'] }),
    goesWith: build.query<GoesWithAnswer, string>({
      query: (code) => `parts/${code}/goes-with`,
      providesTags: ['Catalogue'],
    }),
    wishes: build.query<Wish[], void>({ query: () => 'wishes', providesTags: ['Wishes'] }),
    makeWish: build.mutation<{ id: string }, { part: string; colour: string }>({
      query: (body) => ({ url: 'wishes', method: 'POST', body }),
      invalidatesTags: ['Wishes'],
    }),
    dropWish: build.mutation<void, string>({
      query: (id) => ({ url: `wishes/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Wishes'],
    }),
    seenWishes: build.mutation<void, void>({
      query: () => ({ url: 'wishes/seen', method: 'POST' }),
      invalidatesTags: ['Wishes'],
    }),
    savePlacements: build.mutation<{ version: number }, SaveRequest>({
      query: ({ outfit, take, ...body }) => ({ url: `outfits/${outfit}/takes/${take}`, method: 'PUT', body }),
      invalidatesTags: ['Shelves'],
      // What was acknowledged is known without asking again, so that coming back to the bench finds it as it was left.
      async onQueryStarted({ outfit, take, placements }, { dispatch, queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => null)
        if (!answer) return
        dispatch(
          api.util.updateQueryData('outfit', outfit, (cached) => {
            cached.version = answer.data.version
            const saved = cached.takes.find(({ id }) => id === take)
            if (saved) saved.placements = placements
          }),
        )
      },
    }),
    addTake: build.mutation<{ version: number; take: string }, { outfit: string; version: number; from: string }>({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/takes`, method: 'POST', body }),
      invalidatesTags: ['Outfit'],
    }),
    chooseTake: build.mutation<{ version: number }, { outfit: string; version: number; take: string }>({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/chosen`, method: 'PUT', body }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    startPlan: build.mutation<{ job: string }, { outfit: string; take: string }>({
      query: (body) => ({ url: 'plans', method: 'POST', body }),
    }),
    cancelJob: build.mutation<void, string>({ query: (job) => ({ url: `jobs/${job}`, method: 'DELETE' }) }),
    report: build.query<ReportWithParts, string>({ query: (job) => `plans/${job}`, keepUnusedDataFor: 600 }),
  }),
})

/** What an error of RTK Query means to a person: what happened, in the server's words where it has any. */
export function errorText(error: unknown): string {
  const { data, status } = (error ?? {}) as { data?: ProblemBody; status?: number | string }
  if (data?.detail) return data.detail
  return status === 'FETCH_ERROR'
    ? 'The server does not answer. Is it still running?'
    : 'Something went wrong. Try again.'
}
