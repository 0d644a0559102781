import type { PartForPacks } from '@outfit/core/packs'
import { createApi } from '@reduxjs/toolkit/query/react'
import type { PictureOutline } from '@outfit/core/picture'
import type {
  Carriers,
  Colour,
  Drawables,
  Editable,
  Mould,
  Part,
  Placement,
  Print,
  SavedEntry,
  Slot,
  Wish,
} from '@outfit/core/catalogue'
import type { PartFacets, PartQuestion } from '@outfit/core/parts'
import type { Corrections, ImportReport, TableName } from '@outfit/core/tables'
import type { Brief } from '@outfit/core/brief'
import type { AcceptedPin, Later, OutfitDetail, Reference, School, Switches } from '@outfit/core/roster'
import type { AwaitedParcel, FirstSteps, RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import type { Replicability } from '@outfit/core/market'
import type { BuyingOptions, ReportWithParts, VariantReport } from '@outfit/core/sourcing'
import type { WayToGet } from '@outfit/core/prices'
import { asked } from './asked.ts'

export interface Candidate {
  part: Part
  owned: number
  /** Lowest single price in euro cents; null when nobody sells it singly. */
  lowest: number | null
}

/** Parts as a list answers them: with prices, what is inside assemblies, and the prints they wear. */
export interface PricedParts {
  items: Candidate[]
  parts: Candidate[]
  prints: Print[]
}

/** A table file as the server keeps it for the mapping step. */
export interface Upload {
  upload: string
  bytes: number
  header: string[]
  rows: string[][]
}

export interface ImportRequest {
  upload: string
  table: TableName
  mapping: Record<string, string>
  strict: boolean
  dry: boolean
  guess?: Corrections
  /** For offers: the lists are all their sellers have. */
  whole?: boolean
}

/** What the finder is asked: words, facets, and which page of the answer. */
export interface FindRequest extends PartQuestion {
  text?: string
  offset?: number
  limit?: number
}

export type Found = PricedParts & { total: number; facets: PartFacets }

export type WaysAnswer = { ways: WayToGet[] } & Drawables

export type GoesWithAnswer = PricedParts & {
  groups: { label: string; matches: { code: string; score: number; reasons: string[] }[] }[]
}

export interface FigureEntry {
  code: string
  name: string
  year: number
  photo: string | null
}

export type FigureDetail = FigureEntry & { worn: Placement[]; releases: ReleaseEntry[] } & Drawables

export interface ReleaseEntry {
  code: string
  name: string
  kind: string
  year: number
  price: number
  currency: string
  inProduction: boolean
  photo: string | null
}

export interface Content {
  kind: 'part' | 'figure'
  code: string
  qty: number
}

export type ReleaseDetail = ReleaseEntry & {
  contents: Content[]
  cases: Content[]
  figures: (FigureEntry & { worn: Placement[] })[]
} & Drawables

export interface PartDetail extends Drawables, Carriers {
  part: Part
  bins: { part: string; bin: string; name: string; qty: number }[]
  /** Ordered and not there yet, the earliest first. */
  coming: { parcel: string; seller: string; expectedOn: string; qty: number }[]
  offers: {
    id: string
    sellerName: string
    condition: string
    price: number
    currency: string
    home: number
    stock: number
    multiple: number
  }[]
  /** What lists say of it that no column is for, the newest first. */
  remarks: { list: string; at: string; line: number; text: string }[]
}

/** An error answer of the server. */
export interface ProblemBody {
  status: number
  detail: string
  errors: { field: string; message: string }[]
}

interface SaveRequest {
  outfit: string
  take: string
  version: number
  placements: Placement[]
}

interface TakeWrite {
  outfit: string
  version: number
  take: string
}

/** A copy of a take, or of placements; without a label it gets the next free letter. */
interface NewTake {
  outfit: string
  version: number
  from?: string
  placements?: Placement[]
  label?: string
}

export interface NewLater {
  outfit?: string
  place?: string
  note: string
  like?: string
  colour?: string
  part?: string
  atMost?: number
}

/** What to plan for: a take of an outfit, several outfits, a whole roster, or parts that are wanted for one. */
export type PlanAsk = { options?: BuyingOptions; seconds?: number } & (
  { outfit: string; take: string } | { outfits: string[] } | { roster: string; parts?: PartForPacks[] }
)

export const api = createApi({
  reducerPath: 'api',
  baseQuery: asked,
  tagTypes: ['Outfit', 'Shelves', 'Catalogue', 'Wishes', 'Mappings', 'Later', 'Preferences', 'Settings', 'Plans', 'Templates', 'Series', 'Packs', 'Ballots'],
  endpoints: (build) => ({
    basics: build.query<{ colours: Colour[]; moulds: Mould[]; unmade: string[] }, void>({
      query: () => 'catalogue/basics',
      keepUnusedDataFor: 3600,
      providesTags: ['Catalogue'],
    }),
    shelves: build.query<{ rosters: RosterShelf[]; parcels: AwaitedParcel[] } & Drawables, void>({
      query: () => 'rosters',
      providesTags: ['Shelves'],
    }),
    firstSteps: build.query<FirstSteps, void>({
      query: () => 'first-steps',
      providesTags: ['Shelves', 'Outfit', 'Catalogue', 'Plans'],
    }),
    /** How far one outfit is: what its shelf knows of it, without all the others. */
    onShelf: build.query<ShelfOutfit, string>({
      query: (id) => `outfits/${id}/on-shelf`,
      providesTags: ['Shelves'],
    }),
    outfit: build.query<OutfitDetail, string>({
      query: (id) => `outfits/${id}`,
      providesTags: (_outfit, _error, id) => ['Outfit', { type: 'Outfit', id }],
    }),
    candidates: build.query<PricedParts & { next: string | null }, Slot>({
      query: (slot) => ({ url: 'parts', params: { slot, limit: 5000 } }),
      keepUnusedDataFor: 600,
      providesTags: ['Catalogue'],
    }),
    findParts: build.query<Found, FindRequest>({
      query: ({ shelves, families, owned, inProduction, ...rest }) => ({
        url: 'parts/find',
        params: {
          ...rest,
          ...(shelves?.length ? { shelves: shelves.join(',') } : {}),
          ...(families?.length ? { families: families.join(',') } : {}),
          ...(owned ? { owned: 'yes' } : {}),
          ...(inProduction ? { inProduction: 'yes' } : {}),
        },
      }),
      providesTags: ['Catalogue'],
    }),
    sameMould: build.query<PricedParts, string>({
      query: (code) => `parts/${code}/mould`,
      providesTags: ['Catalogue'],
    }),
    partDetail: build.query<PartDetail, string>({ query: (code) => `parts/${code}`, providesTags: ['Catalogue'] }),
    waysToGet: build.query<WaysAnswer, string>({ query: (code) => `parts/${code}/ways`, providesTags: ['Catalogue'] }),
    goesWith: build.query<GoesWithAnswer, string>({
      query: (code) => `parts/${code}/goes-with`,
      providesTags: ['Catalogue'],
    }),
    print: build.query<Print, string>({ query: (code) => `prints/${code}`, providesTags: ['Catalogue'] }),
    prints: build.query<Print[], { text?: string; kind?: string }>({
      query: (params) => ({ url: 'prints', params }),
      providesTags: ['Catalogue'],
    }),
    figure: build.query<FigureDetail, string>({ query: (code) => `figures/${code}`, providesTags: ['Catalogue'] }),
    figures: build.query<FigureEntry[], string>({
      query: (text) => ({ url: 'figures', params: { text } }),
      providesTags: ['Catalogue'],
    }),
    release: build.query<ReleaseDetail, string>({ query: (code) => `releases/${code}`, providesTags: ['Catalogue'] }),
    releases: build.query<ReleaseEntry[], string>({
      query: (text) => ({ url: 'releases', params: { text } }),
      providesTags: ['Catalogue'],
    }),
    /** Make an entry (no code: the server finds a free one) or replace it. */
    saveEntry: build.mutation<SavedEntry, { table: Editable; code: string | null; body: object }>({
      query: ({ table, code, body }) => ({
        url: `catalogue/${table}${code === null ? '' : `/${code}`}`,
        method: code === null ? 'POST' : 'PUT',
        body,
      }),
      invalidatesTags: ['Catalogue', 'Wishes'],
    }),
    removeEntry: build.mutation<void, { table: Editable; code: string }>({
      query: ({ table, code }) => ({ url: `catalogue/${table}/${code}`, method: 'DELETE' }),
      invalidatesTags: ['Catalogue'],
    }),
    addPhoto: build.mutation<{ hash: string; width: number; height: number }, Blob>({
      query: (body) => ({
        url: 'photos',
        method: 'POST',
        body,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    uploadTable: build.mutation<Upload, Blob>({
      query: (body) => ({
        url: 'uploads',
        method: 'POST',
        body,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    startImport: build.mutation<{ job: string }, ImportRequest>({
      query: (body) => ({ url: 'imports', method: 'POST', body }),
    }),
    importReport: build.query<{ result: ImportReport }, string>({
      query: (job) => `jobs/${job}`,
      keepUnusedDataFor: 0,
    }),
    mappings: build.query<{ name: string; columns: Record<string, string> }[], TableName>({
      query: (table) => `mappings/${table}`,
      providesTags: ['Mappings'],
    }),
    rememberMapping: build.mutation<
      void,
      { table: TableName; name: string; columns: Record<string, string>; was?: Record<string, string> }
    >({
      query: ({ table, name, ...body }) => ({
        url: `mappings/${table}/${encodeURIComponent(name)}`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: ['Mappings'],
    }),
    forgetMapping: build.mutation<void, { table: TableName; name: string }>({
      query: ({ table, name }) => ({ url: `mappings/${table}/${encodeURIComponent(name)}`, method: 'DELETE' }),
      invalidatesTags: ['Mappings'],
    }),
    wishes: build.query<Wish[], void>({ query: () => 'wishes', providesTags: ['Wishes'] }),
    makeWish: build.mutation<{ id: string }, { part: string; colour: string }>({
      query: (body) => ({ url: 'wishes', method: 'POST', body }),
      invalidatesTags: ['Wishes'],
    }),
    dropWish: build.mutation<void, string>({
      query: (id) => ({ url: `wishes/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Wishes'],
    }),
    seenWishes: build.mutation<void, void>({
      query: () => ({ url: 'wishes/seen', method: 'POST' }),
      invalidatesTags: ['Wishes'],
    }),
    savePlacements: build.mutation<{ version: number }, SaveRequest>({
      query: ({ outfit, take, ...body }) => ({ url: `outfits/${outfit}/takes/${take}`, method: 'PUT', body }),
      invalidatesTags: ['Shelves'],
      // What was acknowledged is known without asking again, so that coming back to the bench finds it as it was left.
      async onQueryStarted({ outfit, take, placements }, { dispatch, getState, queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => null)
        if (!answer) return
        // What others find in the drawer, and whom they stand beside, is another thing now.
        const others = api.util.selectCachedArgsForQuery(getState(), 'outfit').filter((id) => id !== outfit)
        dispatch(api.util.invalidateTags(others.map((id) => ({ type: 'Outfit' as const, id }))))
        dispatch(
          api.util.updateQueryData('outfit', outfit, (cached) => {
            cached.version = answer.data.version
            const saved = cached.takes.find(({ id }) => id === take)
            if (saved) saved.placements = placements
          }),
        )
      },
    }),
    addTake: build.mutation<{ version: number; take: string; label: string }, NewTake>({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/takes`, method: 'POST', body }),
      invalidatesTags: ['Outfit'],
    }),
    renameTake: build.mutation<{ version: number }, TakeWrite & { label: string }>({
      query: ({ outfit, take, ...body }) => ({ url: `outfits/${outfit}/takes/${take}/label`, method: 'PUT', body }),
      invalidatesTags: ['Outfit'],
    }),
    removeTake: build.mutation<{ version: number }, TakeWrite>({
      query: ({ outfit, take, ...body }) => ({ url: `outfits/${outfit}/takes/${take}`, method: 'DELETE', body }),
      invalidatesTags: ['Outfit'],
    }),
    chooseTake: build.mutation<{ version: number }, TakeWrite & { reason?: string }>({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/chosen`, method: 'PUT', body }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    acceptPin: build.mutation<{ version: number }, TakeWrite & AcceptedPin>({
      query: ({ outfit, take, ...body }) => ({ url: `outfits/${outfit}/takes/${take}/accepted`, method: 'PUT', body }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    vote: build.mutation<{ version: number }, Omit<TakeWrite, 'take'> & { voter: string; take: string | null }>({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/votes`, method: 'PUT', body }),
      invalidatesTags: ['Outfit'],
    }),
    saveRosterRules: build.mutation<
      { version: number },
      { roster: string; version: number; school: School; switches: Switches }
    >({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/rules`, method: 'PUT', body }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    saveOutfitRules: build.mutation<
      { version: number },
      { outfit: string; version: number; switches: Switches; reason: string }
    >({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/rules`, method: 'PUT', body }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    replicable: build.query<Replicability, { outfit: string; take: string }>({
      query: ({ outfit, take }) => `outfits/${outfit}/takes/${take}/replicable`,
      providesTags: ['Outfit', 'Catalogue'],
    }),
    saveBrief: build.mutation<
      { briefVersion: number; avoided: string[] },
      { outfit: string; version: number; brief: Brief }
    >({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/brief`, method: 'PUT', body }),
      invalidatesTags: ['Shelves'],
      async onQueryStarted({ outfit, brief }, { dispatch, queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => null)
        if (!answer) return
        dispatch(
          api.util.updateQueryData('outfit', outfit, (cached) =>
            Object.assign(cached, { brief, stature: brief.stature, ...answer.data }),
          ),
        )
      },
    }),
    addReference: build.mutation<Reference, { outfit: string } & Omit<Reference, 'id'>>({
      query: ({ outfit, ...body }) => ({ url: `outfits/${outfit}/references`, method: 'POST', body }),
      invalidatesTags: ['Outfit'],
    }),
    saveOutline: build.mutation<void, { outfit: string; id: string; outline: PictureOutline | null }>({
      query: ({ outfit, id, outline }) => ({
        url: `outfits/${outfit}/references/${id}/outline`,
        method: 'PUT',
        body: { outline },
      }),
      invalidatesTags: ['Outfit'],
    }),
    removeReference: build.mutation<void, { outfit: string; id: string }>({
      query: ({ outfit, id }) => ({ url: `outfits/${outfit}/references/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Outfit'],
    }),
    later: build.query<Later[], void>({ query: () => 'later', providesTags: ['Later', 'Catalogue'] }),
    makeLater: build.mutation<{ id: string }, NewLater>({
      query: (body) => ({ url: 'later', method: 'POST', body }),
      invalidatesTags: ['Later'],
    }),
    setLaterDone: build.mutation<void, { id: string; done: boolean }>({
      query: ({ id, ...body }) => ({ url: `later/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Later'],
    }),
    dropLater: build.mutation<void, string>({
      query: (id) => ({ url: `later/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Later'],
    }),
    startPlan: build.mutation<{ job: string }, PlanAsk>({
      query: (body) => ({ url: 'plans', method: 'POST', body }),
    }),
    startVariant: build.mutation<{ job: string }, { base: string; ask: VariantReport['variant'] }>({
      query: ({ base, ask }) => ({ url: `plans/${base}/variants`, method: 'POST', body: ask }),
    }),
    variantReport: build.query<VariantReport, { base: string; job: string }>({
      query: ({ base, job }) => `plans/${base}/variants/${job}`,
      keepUnusedDataFor: 600,
    }),
    prices: build.query<{ prices: Record<string, number | null> }, readonly string[]>({
      query: (things) => ({ url: 'prices', params: { things: things.join(',') } }),
      providesTags: ['Catalogue'],
    }),
    enoughOfJob: build.mutation<void, string>({ query: (job) => ({ url: `jobs/${job}/enough`, method: 'POST' }) }),
    cancelJob: build.mutation<void, string>({ query: (job) => ({ url: `jobs/${job}`, method: 'DELETE' }) }),
    report: build.query<ReportWithParts, string>({
      query: (job) => `plans/${job}`,
      keepUnusedDataFor: 600,
      providesTags: ['Plans'],
    }),
  }),
})

/** An entry somebody else changed since it was read: as it is now, and the fields that differ. */
export interface Changed<T = Record<string, unknown>> {
  current: T
  fields: string[]
}

/** What was changed meanwhile, where that is why a change was refused; else null. */
export function changedMeanwhile<T = Record<string, unknown>>(error: unknown): Changed<T> | null {
  const { data, status } = (error ?? {}) as { data?: ProblemBody & { current?: T }; status?: number }
  if (status !== 409 || !data?.current) return null
  return { current: data.current, fields: (data.errors ?? []).map(({ field }) => field) }
}

/** What an error of RTK Query means to a person: what happened, in the server's words where it has any. */
export function errorText(error: unknown): string {
  const { data, status } = (error ?? {}) as { data?: ProblemBody; status?: number | string }
  if (data?.detail) return data.detail
  return status === 'FETCH_ERROR'
    ? 'The server does not answer. Is it still running?'
    : 'Something went wrong. Try again.'
}

/** The fields an error of RTK Query is about, as far as the server names any. */
export const faultsOf = (error: unknown): ProblemBody['errors'] =>
  ((error ?? {}) as { data?: Partial<ProblemBody> }).data?.errors ?? []
