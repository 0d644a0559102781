import type { Database } from 'better-sqlite3'
import type { SheetOutcome } from '@outfit/core/feed'
import { missingColumns, notCsv, rowReader, type Reject, type TableRow } from '@outfit/core/tables'
import { today } from '../base/today.ts'
import { offerFaults, unknownCode } from '../tables/offerFaults.ts'
import { recordsOf } from '../tables/plainRecords.ts'
import type { FileRecord } from '../tables/uploadsService.ts'
import { QuoteSheets } from './quoteSheets.ts'

/** Rejected lines told of one list. */
const MOST_REJECTS = 40

/** One seller's list as a market gives it: CSV, page by page, each with a header. */
export interface Sheet {
  seller: string
  pages: readonly string[]
  /** Why more of it did not come; null where all of it did. */
  reason: string | null
}

/** What came of a list. */
export interface SheetRead {
  /** It is all the seller has, every line of it good. */
  whole: boolean
  rejected: number
  /** The first of them. */
  rejects: Reject[]
  /** null where no line of it could be read, though there should be some: the former list stands. */
  kept: SheetKept | null
}

/** What a list changed, and the things whose offers are others now, as "kind code"; null where it may be any. */
export interface SheetKept {
  outcome: SheetOutcome
  changed: ReadonlySet<string> | null
}

/**
 * Read a list page by page into the temporary tables of a connection, in order. `keep` writes it, in the transaction that is
 * open then; where that is null there is nothing to be written.
 */
export async function collectSheet(
  db: Database,
  { seller, pages, reason }: Sheet,
): Promise<Omit<SheetRead, 'kept'> & { keep: (() => Promise<SheetKept>) | null }> {
  const sheets = QuoteSheets.begin(db)
  const faultsOf = checkerOf(db)
  const rejects: Reject[] = []
  let [line, rejected, lines] = [0, 0, 0]
  let date: string | null = null
  for (const page of pages) {
    const found: Reject[] = []
    const { rows, read } = readPage(page, seller, line, faultsOf, found)
    await sheets.collect(rows)
    line += read
    lines += rows.length
    date ??= rows[0]?.date ?? null
    rejected += found.length
    rejects.push(...found.slice(0, MOST_REJECTS - rejects.length))
  }
  // What is not in a list of which something is missing may well be for sale.
  const whole = reason === null && rejected === 0
  const told = { whole, rejected, rejects }
  if (lines === 0 && !whole) return { ...told, keep: null }
  sheets.order()
  const keep = async (): Promise<SheetKept> => {
    const empty = [{ seller, date: date ?? today() }]
    const [outcome] = await sheets.keep({ source: 'market', whole, empty })
    return { outcome: outcome!, changed: sheets.changed }
  }
  return { ...told, keep }
}

type Faults = (row: TableRow<'offers'>) => Omit<Reject, 'line'>[]

/** What is wrong with offers by what a database knows now; one list is too short for all codes to be read for it. */
function checkerOf(db: Database): Faults {
  const known = Object.fromEntries(
    (['part', 'figure', 'release'] as const).map((kind) => [
      kind,
      db.prepare(`SELECT 1 FROM "${kind}" WHERE code = ?`),
    ]),
  )
  const currency = db.prepare('SELECT currency FROM seller WHERE code = ?').pluck()
  return (row) => {
    const sellsIn = currency.get(row.seller) as string | undefined
    return [
      ...(sellsIn === undefined ? [unknownCode('seller', row.seller)] : []),
      ...(known[row.kind]!.get(row.code) ? [] : [unknownCode('code', row.code)]),
      ...offerFaults(row, sellsIn),
    ]
  }
}

/** The rows of a page that are good, and how many lines it has; `before` lines of the list were on pages before. */
function readPage(
  csv: string,
  seller: string,
  before: number,
  faultsOf: Faults,
  rejects: Reject[],
): { rows: TableRow<'offers'>[]; read: number } {
  const nothing = { rows: [], read: 0 }
  let records: FileRecord[]
  try {
    records = recordsOf(csv)
  } catch (error) {
    rejects.push(notCsv(error))
    return nothing
  }
  const [header, ...lines] = records
  const missing = header ? missingColumns('offers', header.record, {}) : []
  if (!header || missing.length > 0) {
    rejects.push(...missing)
    return nothing
  }
  const readRow = rowReader('offers', header.record, {})
  const rows = lines.flatMap(({ record }, i) => {
    const line = before + i + 1
    const row = readRow(record, line, rejects)
    if (!row) return []
    const faults =
      row.seller === seller
        ? faultsOf(row)
        : [{ column: 'seller', reason: `"${row.seller}" stands in the list of ${seller}` }]
    for (const fault of faults) rejects.push({ line, ...fault })
    return faults.length === 0 ? [row] : []
  })
  return { rows, read: lines.length }
}
