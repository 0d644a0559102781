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
