import type { DonePage } from '@outfit/core/journal'
import { api } from './api.ts'

/** What was done in the last days. */
export const journalApi = api.injectEndpoints({
  endpoints: (build) => ({
    done: build.infiniteQuery<DonePage, void, string | null>({
      query: ({ pageParam }) => (pageParam ? `journal?before=${pageParam}` : 'journal'),
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ done, more }) => (more ? done.at(-1)!.id : undefined),
      },
      // Whatever is done anywhere is told here.
      keepUnusedDataFor: 0,
    }),
    takeDoneBack: build.mutation<void, string>({
      query: (id) => ({ url: `journal/${id}/taken-back`, method: 'POST' }),
      // Whatever it was, it is otherwise now.
      invalidatesTags: ['Outfit', 'Shelves', 'Catalogue', 'Wishes', 'Mappings', 'Later', 'Preferences', 'Settings', 'Plans'],
    }),
  }),
})
