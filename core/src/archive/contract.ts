/**
 * Why an archive was written: asked for, the copy of a day, or before what was there is replaced, cleared, much is brought
 * in, or a newer program changes how it is kept.
 */
export const ARCHIVE_REASONS = [
  'asked',
  'daily',
  'before-restore',
  'before-clearing',
  'before-import',
  'before-update',
] as const
export type ArchiveReason = (typeof ARCHIVE_REASONS)[number]

/** An archive of everything that lies in the data folder. */
export interface KeptArchive {
  name: string
  /** When it was written, ISO. */
  at: string
  reason: ArchiveReason
  bytes: number
}

/** What an archive holds. */
export interface ArchiveReport {
  name: string
  rows: number
  pictures: number
  bytes: number
  /** Pictures the workspace speaks of that were not there to be written, or not what they were. */
  missing: number
}

/** What an archive brought back; `name` is the copy of what was there, null where there was nothing. */
export type RestoreReport = Omit<ArchiveReport, 'name' | 'bytes'> & { name: string | null }

/** How far the writing or bringing back of an archive is; `of` is null as long as nobody knows. */
export interface ArchiveProgress {
  words: string
  done: number
  of: number | null
}

/** A copy is written before more rows than these are brought in. */
export const LARGE_IMPORT = 1000

/** What can be cleared by itself. */
export const CLEARABLE = ['prices', 'parcels', 'rosters', 'drawer', 'sellers', 'catalogue'] as const
export type Clearable = (typeof CLEARABLE)[number]

/** What each of it is called. */
export const CLEARABLE_NAMES: Readonly<Record<Clearable, string>> = {
  prices: 'Prices',
  parcels: 'Parcels',
  rosters: 'Rosters',
  drawer: 'The drawer',
  sellers: 'Sellers',
  catalogue: 'The catalogue',
}

/** What was cleared; `name` is the copy of what was there. */
export interface ClearReport {
  name: string | null
  rows: number
}

/** What of the sample world would stay, were it taken away, since things of one's own rest on it; by table, most first. */
export interface SampleAmongOwn {
  /** Rows that go. */
  goes: number
  stays: { table: string; count: number }[]
}

/** What tables hold whose rows a person would miss, in the plural. */
export const SAMPLE_WORDS: Readonly<Record<string, string>> = {
  roster: 'rosters',
  outfit: 'outfits',
  part: 'parts',
  mould: 'moulds',
  print: 'prints',
  colour: 'colours',
  figure: 'figures',
  release: 'releases',
  bin: 'bins',
  seller: 'sellers',
  parcel: 'parcels',
  uniform: 'uniforms',
}
