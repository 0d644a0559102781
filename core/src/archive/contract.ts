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

/** Rows of a table or a list from which on a copy is written before they are brought in. */
export const LARGE_IMPORT = 1000

/** What can be cleared by itself, in the order of what hangs on what: the first on nothing but those after it. */
export const CLEARABLE = ['prices', 'parcels', 'rosters', 'drawer', 'sellers', 'catalogue'] as const
export type Clearable = (typeof CLEARABLE)[number]

/** What was cleared; `name` is the copy of what was there. */
export interface ClearReport {
  name: string | null
  rows: number
}
