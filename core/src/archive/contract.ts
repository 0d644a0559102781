/** Why an archive was written: asked for, the copy of a day, or before what was there is replaced. */
export const ARCHIVE_REASONS = ['asked', 'daily', 'before-restore'] as const
export type ArchiveReason = (typeof ARCHIVE_REASONS)[number]

/** An archive of everything that lies in the data folder. */
export interface KeptArchive {
  name: string
  /** When it was written, ISO. */
  at: string
  reason: ArchiveReason
  bytes: number
}

/** What an archive holds, or brought back. */
export interface ArchiveReport {
  name: string
  rows: number
  pictures: number
  bytes: number
  /** Pictures the workspace speaks of that were not there to be written. */
  missing: number
}

/** How far the writing or bringing back of an archive is; `of` is null as long as nobody knows. */
export interface ArchiveProgress {
  words: string
  done: number
  of: number | null
}
