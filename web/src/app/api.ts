import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react'
import type { Colour, Mould, Part, Placement, Print, Slot } from '@outfit/core/catalogue'
import type { OutfitDetail, RosterShelf } from '@outfit/core/roster'
import type { ReportWithParts } from '@outfit/core/sourcing'

export interface Candidate {
  part: Part
  owned: number
  /** Lowest single price in euro cents; null when nobody sells it singly. */
  lowest: number | null
}

export interface PartDetail {
  part: Part
  parts: Part[]
  bins: { part: string; bin: string; name: string; qty: number }[]
  figures: { code: string; name: string; year: number; qty: number }[]
  releases: { code: string; name: string; kind: string; year: number; qty: number; loose: boolean }[]
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
  tagTypes: ['Outfit', 'Shelves'],
  endpoints: (build) => ({
    basics: build.query<{ colours: Colour[]; moulds: Mould[]; prints: Print[] }, void>({
      query: () => 'catalogue/basics',
      keepUnusedDataFor: 3600,
    }),
    shelves: build.query<{ rosters: RosterShelf[]; parts: Part[] }, void>({
      query: () => 'rosters',
      providesTags: ['Shelves'],
    }),
    outfit: build.query<OutfitDetail, string>({ query: (id) => `outfits/${id}`, providesTags: ['Outfit'] }),
    candidates: build.query<{ items: Candidate[]; parts: Candidate[]; next: string | null }, Slot>({
      query: (slot) => ({ url: 'parts', params: { slot, limit: 500 } }),
      keepUnusedDataFor: 600,
    }),
    sameMould: build.query<{ items: Candidate[]; parts: Candidate[] }, string>({
      query: (code) => `parts/${code}/mould`,
    }),
    partDetail: build.query<PartDetail, string>({ query: (code) => `parts/${code}` }),
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
