import type { Choices, Encoding, IntakeMode, IntakeResult, LookedAt, TakenList } from '@outfit/core/intake'
import { api } from './api.ts'

export interface LookAt {
  id: string
  encoding?: Encoding
  sheet?: number
  choices: Choices
}

/** What a list may change. */
const TOUCHED = ['Lists', 'Drawer', 'Sellers', 'Catalogue', 'Shelves', 'Outfit', 'Wishes', 'Later'] as const

/** Lists of a person's own: kept, looked at, brought in. */
export const intakeApi = api.enhanceEndpoints({ addTagTypes: ['Drawer', 'Sellers', 'Lists'] }).injectEndpoints({
  endpoints: (build) => ({
    keepList: build.mutation<{ id: string; name: string }, { name: string; body: Blob }>({
      query: ({ name, body }) => ({
        url: 'intake',
        method: 'POST',
        params: { name },
        body,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    lookAt: build.query<LookedAt, LookAt>({
      query: ({ id, ...body }) => ({ url: `intake/${id}/look`, method: 'POST', body }),
      keepUnusedDataFor: 5,
    }),
    takeList: build.mutation<IntakeResult, LookAt & { mode: IntakeMode }>({
      query: ({ id, ...body }) => ({ url: `intake/${id}/taken`, method: 'POST', body }),
      invalidatesTags: [...TOUCHED],
    }),
    takenLists: build.query<TakenList[], void>({
      query: () => 'intake',
      transformResponse: ({ lists }: { lists: TakenList[] }) => lists,
      providesTags: ['Lists'],
    }),
    takeListBack: build.mutation<void, string>({
      query: (id) => ({ url: `intake/${id}/taken-back`, method: 'POST' }),
      invalidatesTags: [...TOUCHED],
    }),
  }),
})
