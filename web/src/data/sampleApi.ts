import type { SampleWorld } from '@outfit/core/sample'
import { api } from './api.ts'

/** The sample world beside a workspace. */
export const sampleApi = api.enhanceEndpoints({ addTagTypes: ['Sample'] }).injectEndpoints({
  endpoints: (build) => ({
    sampleWorld: build.query<SampleWorld, void>({ query: () => 'sample-world', providesTags: ['Sample'] }),
    openSample: build.mutation<SampleWorld, void>({
      query: () => ({ url: 'sample-world', method: 'POST' }),
      invalidatesTags: ['Sample'],
    }),
    removeSample: build.mutation<void, void>({
      query: () => ({ url: 'sample-world', method: 'DELETE' }),
      invalidatesTags: ['Sample'],
    }),
  }),
})
