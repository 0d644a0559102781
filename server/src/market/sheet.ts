import type { Database } from 'better-sqlite3'
import type { SheetOutcome } from '@outfit/core/feed'
import type { TableRow } from '@outfit/core/tables'
import type { SheetSource } from '../schema/market.ts'
import { QuoteSheets } from './quoteSheets.ts'

/** One seller's list of a day. */
export interface Sheet {
  seller: string
  date: string
  source: SheetSource
  /** It is all the seller has. */
  whole: boolean
  rows: readonly TableRow<'offers'>[]
}

/** What came of a list, and the things whose offers are others now, as "kind code"; null where it may be any. */
export interface SheetWritten {
  outcome: SheetOutcome
  changed: ReadonlySet<string> | null
}

/** Collect a list in the temporary tables of a connection. What it answers keeps it, in the transaction that is open then. */
export async function collectSheet(
  db: Database,
  { seller, date, source, whole, rows }: Sheet,
): Promise<() => Promise<SheetWritten>> {
  const sheets = QuoteSheets.begin(db)
  await sheets.collect(rows)
  sheets.order()
  return async () => {
    const [outcome] = await sheets.keep({ source, whole, empty: [{ seller, date }] })
    return { outcome: outcome!, changed: sheets.changed }
  }
}
