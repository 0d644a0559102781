import type { Drawables } from '@outfit/core/catalogue'
import type { BinContents, Condition, Counted, PartsBox, ToldAct, WayOut } from '@outfit/core/drawer'
import type { AllotmentReport, BuildableList, LeftoversReport, WorkbenchPlan } from '@outfit/core/workbench'
import type { Army } from '@outfit/core/teams'
import { api } from './api.ts'

/** Some of a part in a bin. */
export interface Picked {
  part: string
  from: string
  qty: number
  condition: Condition
}

export interface Thing {
  kind: 'part' | 'figure' | 'release'
  code: string
  qty: number
}

export interface BringIn {
  things: Thing[]
  bin: string
  together: boolean
  condition: Condition
  text: string
  roster: string | null
  photo: string | null
}

export interface BinChange extends BinFields {
  code: string
  /** The same fields as they were read. */
  was: BinFields
}

interface BinFields {
  name?: string
  parent?: string | null
  x?: number | null
  y?: number | null
  w?: number | null
  h?: number | null
}

type Acted = { act: string }

/** Whatever moves parts changes what outfits have, what is owned and what could be built. */
const MOVED = ['Drawer', 'Outfit', 'Shelves', 'Catalogue'] as const

/** What is asked and told about the drawer and the workbench; loaded with the rooms that need it. */
export const drawerApi = api.enhanceEndpoints({ addTagTypes: ['Drawer'] }).injectEndpoints({
  endpoints: (build) => {
    const act = <Q>(request: (query: Q) => { url: string; body?: unknown }) =>
      build.mutation<Acted, Q>({
        query: (query) => ({ method: 'POST', ...request(query) }),
        invalidatesTags: MOVED,
      })
    return {
      box: build.query<PartsBox & Drawables, void>({ query: () => 'drawer', providesTags: ['Drawer', 'Shelves'] }),
      bin: build.query<BinContents & Drawables, string>({
        query: (code) => `bins/${encodeURIComponent(code)}`,
        providesTags: ['Drawer', 'Shelves'],
      }),
      where: build.query<{ part: string; bin: string; name: string; qty: number }[], readonly string[]>({
        query: (parts) => ({ url: 'drawer/where', params: { parts: parts.join(',') } }),
        providesTags: ['Drawer', 'Shelves'],
      }),
      acts: build.query<
        { acts: ToldAct[]; more: boolean } & Drawables,
        { part?: string; bin?: string; before?: string }
      >({
        query: (params) => ({ url: 'drawer/acts', params }),
        providesTags: ['Drawer', 'Shelves'],
      }),
      reverseAct: act<string>((id) => ({ url: `drawer/acts/${id}/reversal` })),
      bringIn: act<BringIn>((body) => ({ url: 'drawer/brought-in', body })),
      moveParts: act<{ moves: Picked[]; to: string }>((body) => ({ url: 'drawer/moved', body })),
      takeOut: act<{ moves: Picked[]; how: WayOut; text: string }>((body) => ({ url: 'drawer/taken-out', body })),
      lend: act<{ moves: Picked[]; holder: string }>((body) => ({ url: 'drawer/lent', body })),
      putTogether: build.mutation<Acted & { bin: string }, { figure: string }>({
        query: (body) => ({ url: 'drawer/put-together', method: 'POST', body }),
        invalidatesTags: MOVED,
      }),
      split: act<{ code: string; to: string; level: number }>(({ code, ...body }) => ({
        url: `bins/${code}/split`,
        body,
      })),
      stocktake: build.mutation<{ act: string | null }, { code: string; counted: Counted[]; expected: Counted[] }>({
        query: ({ code, ...body }) => ({ url: `bins/${code}/stocktake`, method: 'POST', body }),
        invalidatesTags: MOVED,
      }),
      takePartApart: build.mutation<{ made: string[] }, string>({
        query: (code) => ({ url: `parts/${code}/pieces`, method: 'POST' }),
        invalidatesTags: MOVED,
      }),
      makeBin: build.mutation<{ code: string }, { name: string; parent: string | null }>({
        query: (body) => ({ url: 'bins', method: 'POST', body }),
        invalidatesTags: ['Drawer'],
      }),
      layOut: build.mutation<void, BinChange[]>({
        query: (bins) => ({ url: 'bins', method: 'PUT', body: { bins } }),
        invalidatesTags: ['Drawer', 'Catalogue'],
        // A bin follows the hand; it goes back by itself when the server refuses.
        onQueryStarted: async (changes, { dispatch, queryFulfilled }) => {
          const patch = dispatch(
            drawerApi.util.updateQueryData('box', undefined, ({ bins }) => {
              for (const { code, was: _was, ...set } of changes)
                Object.assign(bins.find((bin) => bin.code === code) ?? {}, set)
            }),
          )
          await queryFulfilled.catch(patch.undo)
        },
      }),
      removeBin: build.mutation<void, string>({
        query: (code) => ({ url: `bins/${code}`, method: 'DELETE' }),
        invalidatesTags: ['Drawer'],
      }),
      remark: build.mutation<
        { id: string },
        { part?: string; outfit?: string; kind: 'misprint' | 'fault' | 'photo' | 'note'; text: string; photo?: string }
      >({
        query: (body) => ({ url: 'drawer/remarks', method: 'POST', body }),
        invalidatesTags: ['Drawer'],
      }),
      workbench: build.query<WorkbenchPlan & Drawables, string>({
        query: (outfit) => `outfits/${outfit}/workbench`,
        providesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
      buildable: build.query<BuildableList & Drawables, void>({
        query: () => 'drawer/buildable',
        providesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
      allotment: build.query<AllotmentReport & Drawables, readonly string[]>({
        query: (rosters) => ({ url: 'drawer/allotment', params: { rosters: rosters.join(',') } }),
        providesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
      promise: build.mutation<void, { outfit: string; part: string; qty: number }>({
        query: ({ outfit, part, qty }) => ({ url: `outfits/${outfit}/promises/${part}`, method: 'PUT', body: { qty } }),
        invalidatesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
      orderRosters: build.mutation<void, string[]>({
        query: (rosters) => ({ url: 'rosters/order', method: 'PUT', body: { rosters } }),
        invalidatesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
      leftovers: build.query<LeftoversReport & Drawables, string>({
        query: (roster) => ({ url: 'drawer/leftovers', params: roster ? { roster } : {} }),
        providesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
      army: build.query<Army & Drawables, { outfit: string; count: number; alike: number }>({
        query: ({ outfit, ...params }) => ({ url: `outfits/${outfit}/army`, params }),
        providesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
      makeArmy: build.mutation<
        { outfits: string[]; version: number },
        { outfit: string; count: number; alike: number }
      >({
        query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/army`, method: 'POST', body }),
        invalidatesTags: ['Drawer', 'Outfit', 'Shelves'],
      }),
    }
  },
})
