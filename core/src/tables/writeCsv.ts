import { stringify } from 'csv-stringify/browser/esm/sync'
import type { Cell } from './cells.ts'
import { columnsOf, TABLES, type TableName, type TableRow } from './tables.ts'

/**
 * Text a spreadsheet would run as a formula: behind blanks and line ends, which some drop, with the signs as East Asian
 * keyboards write them, and also behind apostrophes that are the text's own.
 */
const FORMULA = /^'*(?:[\t\r]|\s*[=+\-@\uFF1D\uFF0B\uFF0D\uFF20])/

/**
 * Rows as CSV (RFC 4180) under a header. Text cells a spreadsheet would run as a formula get a leading apostrophe.
 * Source: OWASP, "CSV Injection".
 */
export function writeCsv(header: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  const safe = (cell: string | number | null) => (typeof cell === 'string' && FORMULA.test(cell) ? `'${cell}` : cell)
  return stringify([header, ...rows.map((row) => row.map(safe))])
}

/** The text of a cell without the apostrophe `writeCsv` put before it. */
export const asWritten = (cell: string) => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell)

/** Rows of a table as the CSV that `readTable` reads back as the same rows. */
export function writeTable<T extends TableName>(table: T, rows: readonly TableRow<T>[]): string {
  const cells = TABLES[table] as Record<string, Cell<unknown>>
  const names = columnsOf(table).map(({ name }) => name)
  return writeCsv(
    names,
    rows.map((row) => names.map((name) => cells[name]!.write((row as Record<string, unknown>)[name]))),
  )
}
