import type { Drawables } from '@outfit/core/catalogue'
import type { ToldParcel } from '@outfit/core/parcels'
import { drawerApi } from './drawerApi.ts'

export interface CheckIn {
  on: string
  lines: { line: number; arrived: number; damaged: number; wrong: number; bin: string }[]
  extras: { kind: 'part' | 'figure' | 'release'; code: string; qty: number; condition: 'new' | 'used'; bin: string }[]
}

/** Whatever is ordered or arrives changes what outfits wait for, what they have, and what is for sale. */
const MOVED = ['Parcels', 'Drawer', 'Outfit', 'Shelves', 'Catalogue'] as const

/** What is asked and told about parcels; loaded with the rooms that need it. */
export const parcelsApi = drawerApi.enhanceEndpoints({ addTagTypes: ['Parcels'] }).injectEndpoints({
  endpoints: (build) => ({
    parcels: build.query<{ parcels: ToldParcel[] } & Drawables, void>({
      query: () => 'parcels',
      providesTags: ['Parcels', 'Shelves'],
    }),
    orderParcels: build.mutation<{ parcels: string[] }, { job: string; variant?: string; sellers?: string[] }>({
      query: (body) => ({ url: 'parcels', method: 'POST', body }),
      invalidatesTags: MOVED,
    }),
    changeParcel: build.mutation<
      void,
      { id: string; sentOn?: string | null; expectedOn?: string; note?: string; number?: string }
    >({
      query: ({ id, ...body }) => ({ url: `parcels/${id}`, method: 'PUT', body }),
      invalidatesTags: MOVED,
    }),
    checkIn: build.mutation<{ act: string | null; missing: number }, { id: string } & CheckIn>({
      query: ({ id, ...body }) => ({ url: `parcels/${id}/check-in`, method: 'POST', body }),
      invalidatesTags: MOVED,
    }),
    takeCheckInBack: build.mutation<void, string>({
      query: (id) => ({ url: `parcels/${id}/check-in`, method: 'DELETE' }),
      invalidatesTags: MOVED,
    }),
    cancelParcel: build.mutation<void, string>({
      query: (id) => ({ url: `parcels/${id}`, method: 'DELETE' }),
      invalidatesTags: MOVED,
    }),
  }),
})
