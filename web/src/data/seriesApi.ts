import type { PartForPacks } from '@outfit/core/packs'
import type { Series, SeriesKept } from '@outfit/core/series'
import { api } from './api.ts'

/** Parts that packs lack; with the two things that fight where no packs can be made. */
export interface PacksLack {
  parts: (PartForPacks & { name: string; colour: string })[]
  packs: number
  conflicts: string[]
}

/** A roster as a numbered series. */
export const seriesApi = api.injectEndpoints({
  endpoints: (build) => ({
    series: build.query<SeriesKept, string>({
      query: (roster) => `rosters/${roster}/series`,
      providesTags: ['Series'],
    }),
    keepSeries: build.mutation<void, { id: string; series: Series }>({
      query: ({ id, series }) => ({ url: `rosters/${id}/series`, method: 'PUT', body: series }),
      // Whoever opens the next view at once sees what was typed in the last.
      async onQueryStarted({ id, series }, { dispatch, queryFulfilled }) {
        const shown = dispatch(
          seriesApi.util.updateQueryData('series', id, (kept) => {
            kept.series = series
          }),
        )
        await queryFulfilled.catch(() => shown.undo())
      },
      invalidatesTags: ['Packs'],
    }),
    beginSeries: build.mutation<void, { id: string; series: Series }>({
      query: ({ id, series }) => ({ url: `rosters/${id}/series`, method: 'PUT', body: series }),
      invalidatesTags: ['Series', 'Packs'],
    }),
    endSeries: build.mutation<void, string>({
      query: (id) => ({ url: `rosters/${id}/series`, method: 'DELETE' }),
      invalidatesTags: ['Series', 'Packs'],
    }),
    sealPacks: build.mutation<void, string>({
      query: (id) => ({ url: `rosters/${id}/series/seal`, method: 'POST' }),
      invalidatesTags: ['Series', 'Packs'],
    }),
    breakSeal: build.mutation<void, string>({
      query: (id) => ({ url: `rosters/${id}/series/seal`, method: 'DELETE' }),
      invalidatesTags: ['Series', 'Packs'],
    }),
    mendSeal: build.mutation<void, string>({
      query: (id) => ({ url: `rosters/${id}/series/seal`, method: 'PUT' }),
      invalidatesTags: ['Series', 'Packs'],
    }),
    openPacks: build.mutation<void, { id: string; opened: number[] }>({
      query: ({ id, opened }) => ({ url: `rosters/${id}/series/opened`, method: 'PUT', body: { opened } }),
      async onQueryStarted({ id, opened }, { dispatch, queryFulfilled }) {
        const shown = dispatch(
          seriesApi.util.updateQueryData('series', id, (kept) => {
            if (kept.sealed) kept.sealed.opened = opened
          }),
        )
        await queryFulfilled.catch(() => shown.undo())
      },
    }),
    packsLack: build.query<PacksLack, string>({
      query: (roster) => `rosters/${roster}/series/lacking`,
      providesTags: ['Packs', 'Shelves'],
    }),
  }),
})
