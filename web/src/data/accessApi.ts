import type { NetworkState } from '@outfit/core/access'
import { api } from './api.ts'

/** Other devices: whether they may come in, and which did. */
export const accessApi = api.enhanceEndpoints({ addTagTypes: ['Network'] }).injectEndpoints({
  endpoints: (build) => ({
    network: build.query<NetworkState, void>({ query: () => 'access/network', providesTags: ['Network'] }),
    changeNetwork: build.mutation<NetworkState, { open: boolean; passphrase?: string; port?: number }>({
      query: (body) => ({ url: 'access/network', method: 'PUT', body }),
      invalidatesTags: ['Network'],
    }),
    putOut: build.mutation<void, string>({
      query: (id) => ({ url: `access/devices/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Network'],
    }),
    leaveHere: build.mutation<void, void>({ query: () => ({ url: 'access/entered', method: 'DELETE' }) }),
  }),
})
