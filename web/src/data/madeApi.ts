import type { MadeItem, MadeItems, MadeSaved } from '@outfit/core/made'
import { api } from './api.ts'

/** A made item as it is sent: all but what the server keeps of it. */
export type MadeBody = Omit<MadeItem, 'id' | 'version' | 'wornBy'>

/** Things made of several parts; loaded with the room that asks. */
export const madeApi = api.injectEndpoints({
  endpoints: (build) => ({
    made: build.query<MadeItems, void>({
      query: () => 'made',
      providesTags: ['Outfit', 'Catalogue'],
    }),
    saveMade: build.mutation<MadeSaved, { id: string | null; version: number; body: MadeBody }>({
      query: ({ id, version, body }) =>
        id === null
          ? { url: 'made', method: 'POST', body }
          : { url: `made/${id}`, method: 'PUT', body: { ...body, version } },
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    /** Put back what was removed, under the id it had. */
    putBackMade: build.mutation<MadeSaved, MadeBody & { id: string }>({
      query: (body) => ({ url: 'made', method: 'POST', body }),
      invalidatesTags: ['Outfit'],
    }),
    removeMade: build.mutation<void, string>({
      query: (id) => ({ url: `made/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Outfit'],
    }),
  }),
})
