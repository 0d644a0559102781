import { stringify } from 'csv-stringify/browser/esm/sync'

/**
 * Rows as CSV (RFC 4180) under a header. Text cells a spreadsheet would run as a formula get a leading apostrophe.
 * Source: OWASP, "CSV Injection".
 */
export function writeCsv(header: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  const safe = (cell: string | number | null) =>
    typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell
  return stringify([header, ...rows.map((row) => row.map(safe))])
}
