import type { ArchiveReport, Clearable, ClearReport, KeptArchive, RestoreReport, SampleAmongOwn } from '@outfit/core/archive'
import { api } from './api.ts'

/** Archives of the whole workspace. */
export const archiveApi = api.enhanceEndpoints({ addTagTypes: ['Archives'] }).injectEndpoints({
  endpoints: (build) => ({
    archives: build.query<KeptArchive[], void>({ query: () => 'archives', providesTags: ['Archives'] }),
    writeArchive: build.mutation<{ job: string }, void>({ query: () => ({ url: 'archives', method: 'POST' }) }),
    sendArchive: build.mutation<{ job: string }, Blob>({
      query: (body) => ({
        url: 'archives/restored',
        method: 'POST',
        body,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    bringBack: build.mutation<{ job: string }, string>({
      query: (name) => ({ url: `archives/${encodeURIComponent(name)}/restored`, method: 'POST' }),
    }),
    clear: build.mutation<{ job: string }, Clearable[]>({
      query: (what) => ({ url: 'archives/cleared', method: 'POST', body: { what } }),
    }),
    sampleAmongOwn: build.query<{ sample: SampleAmongOwn | null }, void>({
      query: () => 'archives/sample',
      keepUnusedDataFor: 0,
    }),
    withoutSample: build.mutation<{ job: string }, void>({
      query: () => ({ url: 'archives/sample/removed', method: 'POST' }),
    }),
    archiveReport: build.query<{ result: ArchiveReport | RestoreReport | ClearReport }, string>({
      query: (job) => `jobs/${job}`,
      keepUnusedDataFor: 0,
    }),
    forgetArchive: build.mutation<void, string>({
      query: (name) => ({ url: `archives/${encodeURIComponent(name)}`, method: 'DELETE' }),
      invalidatesTags: ['Archives'],
    }),
  }),
})
