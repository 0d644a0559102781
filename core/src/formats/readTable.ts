import { parse } from 'csv-parse/browser/esm/sync'
import { TABLES, type TableName, type TableRow } from './tables.ts'

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

/**
 * Read CSV (RFC 4180, header row first) as a table. `mapping` gives the header of the file for a column of ours where
 * they differ. Columns missing from the file reject it as a whole; a bad row is rejected with its line and reason.
 */
export function readTable<T extends TableName>(
  table: T,
  csv: string,
  mapping: Partial<Record<string, string>> = {},
): ReadTable<T> {
  const columns = TABLES[table] as Record<string, (text: string) => unknown>
  const names = Object.keys(columns)
  let records: { record: string[]; info: { lines: number } }[]
  try {
    records = parse(csv, {
      bom: true,
      info: true,
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
    }) as never
  } catch (error) {
    const { lines = 1, message } = error as Error & { lines?: number }
    return { rows: [], rejects: [{ line: lines, column: null, reason: `the file is not CSV: ${message}` }] }
  }
  const header = records[0]?.record ?? []
  const at = Object.fromEntries(names.map((name) => [name, header.indexOf(mapping[name] ?? name)]))
  const missing = names.filter((name) => at[name]! < 0)
  if (missing.length)
    return {
      rows: [],
      rejects: missing.map((name) => ({
        line: 1,
        column: name,
        reason: `the file has no column "${mapping[name] ?? name}"`,
      })),
    }
  const rows: ReadTable<T>['rows'] = []
  const rejects: Reject[] = []
  for (const { record, info } of records.slice(1)) {
    if (record.length !== header.length) {
      rejects.push({
        line: info.lines,
        column: null,
        reason: `has ${record.length} cells, the header has ${header.length}`,
      })
      continue
    }
    const row: Record<string, unknown> = {}
    const before = rejects.length
    for (const name of names) {
      try {
        row[name] = columns[name]!(record[at[name]!]!)
      } catch (error) {
        rejects.push({ line: info.lines, column: name, reason: `${name} ${(error as Error).message}` })
      }
    }
    if (rejects.length === before) rows.push({ line: info.lines, row: row as TableRow<T> })
  }
  return { rows, rejects }
}
