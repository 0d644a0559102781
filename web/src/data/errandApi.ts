import type { ErrandList, TickChange, TicksKept } from '@outfit/core/errands'
import { api } from './api.ts'

/** Whose list: `rosters/ID` or `plans/ID`. */
export type ErrandsOf = string

/** Lists one takes along. */
export const errandApi = api.injectEndpoints({
  endpoints: (build) => ({
    errands: build.query<ErrandList, ErrandsOf>({
      query: (of) => `${of}/errands`,
      keepUnusedDataFor: 0,
      providesTags: ['Shelves'],
    }),
    sayTicks: build.mutation<TicksKept, { of: ErrandsOf; ticks: TickChange[] }>({
      query: ({ of, ticks }) => ({ url: `${of}/errands/ticks`, method: 'PUT', body: { ticks } }),
    }),
    untick: build.mutation<void, ErrandsOf>({
      query: (of) => ({ url: `${of}/errands/ticks`, method: 'DELETE' }),
      invalidatesTags: ['Shelves'],
    }),
  }),
})
