import { parse } from 'csv-parse/browser/esm/sync'
import { anyList, textOrNull, type Cell } from './cells.ts'
import type { SparseRow } from './guessedParts.ts'
import { columnsOf, TABLES, type TableName, type TableRow } from './tables.ts'
import { asWritten } from './writeCsv.ts'

/** A row that was not taken: its line in the file (1 is the header), the column where known, and why. */
export interface Reject {
  line: number
  column: string | null
  reason: string
}

export interface ReadTable<T extends TableName> {
  rows: { line: number; row: TableRow<T> }[]
  rejects: Reject[]
}

/** Header of the file for a column of ours, where they differ; an empty text says the file has no such column. */
export type Mapping = Partial<Record<string, string>>

/** How csv-parse reads our files, at once or as a stream. */
export const CSV_OPTIONS = {
  bom: true,
  info: true,
  relax_column_count: true,
  skip_empty_lines: true,
  trim: true,
} as const

/** What parts the cells of a file whose text begins like this: a comma unless its header has only semicolons or tabs. */
export function delimiterOf(start: string): string {
  const [header = ''] = start.split('\n', 1)
  if (header.includes(',')) return ','
  return [';', '\t'].find((sign) => header.includes(sign)) ?? ','
}

/** Where a column of ours stands in the header; −1 where the file has no such column. */
const placeOf = (name: string, header: readonly string[], mapping: Mapping) =>
  mapping[name] === '' ? -1 : header.indexOf(mapping[name] ?? name)

/** Columns of ours a file with this header lacks. Optional ones and those in `guessed` are not missed. */
export function missingColumns(
  table: TableName,
  header: readonly string[],
  mapping: Mapping = {},
  guessed: readonly string[] = [],
): Reject[] {
  return columnsOf(table)
    .filter(({ name, optional }) => !optional && !guessed.includes(name) && placeOf(name, header, mapping) < 0)
    .map(({ name }) => ({
      line: 1,
      column: name,
      reason: `the file has no column "${mapping[name] || name}"`,
    }))
}

/**
 * A reader of single records under a header that has every column that is not optional. It gives the row, or pushes
 * what is wrong to `rejects` and gives null. O(columns) a record.
 */
export function rowReader<T extends TableName>(table: T, header: readonly string[], mapping: Mapping = {}) {
  return cellsReader<TableRow<T>>(TABLES[table] as Record<string, Cell<unknown>>, header, mapping)
}

/** A reader of parts that may leave their mould and colours to be guessed; both are taken as they are written. */
export function sparseRowReader(header: readonly string[], mapping: Mapping = {}) {
  const { code, name, print, year } = TABLES.parts
  const cells = { code, name, mould: textOrNull, colours: anyList, print, year } as Record<string, Cell<unknown>>
  return cellsReader<SparseRow>(cells, header, mapping)
}

function cellsReader<R>(cells: Record<string, Cell<unknown>>, header: readonly string[], mapping: Mapping) {
  const columns = Object.entries(cells).map(([name, { read }]) => ({ name, read, at: placeOf(name, header, mapping) }))
  return (record: readonly string[], line: number, rejects: Reject[]): R | null => {
    if (record.length !== header.length) {
      rejects.push({ line, column: null, reason: `has ${record.length} cells, the header has ${header.length}` })
      return null
    }
    const row: Record<string, unknown> = {}
    const before = rejects.length
    for (const { name, read, at } of columns) {
      try {
        row[name] = read(at < 0 ? '' : asWritten(record[at]!))
      } catch (error) {
        rejects.push({ line, column: name, reason: `${name} ${(error as Error).message}` })
      }
    }
    return rejects.length === before ? (row as R) : null
  }
}

/** What a fault of csv-parse means for the person, with its line. */
export function notCsv(error: unknown): Reject {
  const { lines = 1, message } = error as Error & { lines?: number }
  return { line: lines, column: null, reason: `the file is not CSV: ${message}` }
}

/**
 * Read CSV (RFC 4180, header row first) as a table. Columns missing from the file reject it as a whole; a bad row is
 * rejected with its line and reason.
 */
export function readTable<T extends TableName>(table: T, csv: string, mapping: Mapping = {}): ReadTable<T> {
  let records: { record: string[]; info: { lines: number } }[]
  try {
    records = parse(csv, { ...CSV_OPTIONS, delimiter: delimiterOf(csv) }) as never
  } catch (error) {
    return { rows: [], rejects: [notCsv(error)] }
  }
  const header = records[0]?.record ?? []
  const rejects = missingColumns(table, header, mapping)
  if (rejects.length) return { rows: [], rejects }
  const read = rowReader(table, header, mapping)
  const rows = records.slice(1).flatMap(({ record, info: { lines: line } }) => {
    const row = read(record, line, rejects)
    return row ? [{ line, row }] : []
  })
  return { rows, rejects }
}
