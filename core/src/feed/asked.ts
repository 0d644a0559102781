import type { Reject } from '../tables/index.ts'

/** What came of a sheet: lines read, and of those, against what the seller had before, new, dearer, cheaper; and gone. */
export interface SheetOutcome {
  seller: string
  date: string
  lines: number
  fresh: number
  dearer: number
  cheaper: number
  gone: number
}

/**
 * What came of asking the market for a seller's list: all of it, part of it (what was read holds, the rest stays as it was),
 * or nothing. `blocked` and `strange` sellers are not asked: one never buys there, or does not know them.
 */
export interface Answered extends SheetOutcome {
  name: string
  state: 'whole' | 'partial' | 'silent' | 'blocked' | 'strange'
  /** Why not all came. */
  reason: string | null
  requests: number
  ms: number
  rejected: number
  /** The first of them. */
  rejects: Reject[]
}

export interface Refreshed {
  /** When it was begun, ISO 8601. */
  at: string
  sellers: Answered[]
}

export interface RefreshProgress {
  done: number
  of: number
  /** Who is being asked, for which time, and how often at the most. */
  asking: { name: string; attempt: number; tries: number }[]
}
