import type { ErrandList, TickChange, TicksKept } from '@outfit/core/errands'
import { api } from './api.ts'

/** Lists one takes along. */
export const errandApi = api.injectEndpoints({
  endpoints: (build) => ({
    errands: build.query<ErrandList, string>({
      query: (roster) => `rosters/${roster}/errands`,
      keepUnusedDataFor: 0,
      providesTags: ['Shelves'],
    }),
    sayTicks: build.mutation<TicksKept, { roster: string; ticks: TickChange[] }>({
      query: ({ roster, ticks }) => ({ url: `rosters/${roster}/errands/ticks`, method: 'PUT', body: { ticks } }),
    }),
    untick: build.mutation<void, string>({
      query: (roster) => ({ url: `rosters/${roster}/errands/ticks`, method: 'DELETE' }),
      invalidatesTags: ['Shelves'],
    }),
  }),
})
