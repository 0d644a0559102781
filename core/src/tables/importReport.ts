import type { Fulfilled } from '../catalogue/index.ts'
import type { GuessGroup } from './guessedParts.ts'
import type { Reject } from './readTable.ts'
import type { TableName } from './tables.ts'

/** What an import, or a look at a file before it, found. */
export interface ImportReport {
  table: TableName
  /** Rows read under the header. */
  rows: number
  taken: number
  /** The first rejected rows; `rejected` counts them all. */
  rejects: Reject[]
  rejected: number
  written: boolean
  /** The first rows as they were read. */
  sample: Record<string, unknown>[]
  guesses: GuessGroup[]
  /** Wishes for a colour that this import brought. */
  fulfilled: Fulfilled[]
  /** The entry of the journal it can be taken back by; null where it cannot, or nothing was changed. */
  entry: string | null
  /** Whether it was too much for that, so that only the copy kept before it takes it back. */
  byCopy: boolean
}
