import { fold } from '../base/index.ts'
import { parse } from 'csv-parse/browser/esm/sync'
import { isCutHead } from './heads.ts'
import { FIELD_WORDS, FIELDS } from './lexicon.ts'
import { bandIn } from './shipping.ts'
import { wordList } from './words.ts'

/** A row of a list with the line it stands on in the file, from 1. */
export interface SheetRow {
  line: number
  cells: string[]
}

/** A list as rows of cells, before anything is known of its columns. */
export interface Sheet {
  rows: SheetRow[]
  /** Lines whose quotes or cells were mended, with what was wrong. */
  mended: { line: number; what: string }[]
}

const DELIMITERS = [';', '\t', ',', '|'] as const

/** Share of the lines a comma stands in at the least where it parts cells: people write them, too. */
const COMMA_LINES = 0.4

/** Parts nothing: a list whose lines are one cell each. */
const NO_SIGN = '\u001F'

/**
 * The sign that parts the cells of a text: the one that parts most lines into the same number of cells, two at least.
 * Signs between quotes do not count. A comma where no sign does, and one that stands in no text where lines are one cell each.
 */
export function delimiterIn(text: string): string {
  const lines = text
    .split(/\r\n|\r|\n/, 60)
    .map((line) => line.replace(/"(?:[^"]|"")*"/g, ''))
    .filter((line) => line.trim() !== '')
  const scores = DELIMITERS.map((sign) => {
    const counts = new Map<number, number>()
    for (const line of lines) {
      const cells = line.split(sign).length
      if (cells > 1) counts.set(cells, (counts.get(cells) ?? 0) + 1)
    }
    const [cells = 0, times = 0] = [...counts].sort((a, b) => b[1] * b[0] - a[1] * a[0])[0] ?? []
    // Commas stand within amounts and descriptions, too; the other signs hardly ever.
    return { sign, score: times * Math.min(cells, 4) * (sign === ',' ? 0.6 : 1) }
  })
  const [best] = scores.sort((a, b) => b.score - a.score)
  if (!best || best.score === 0) return ','
  const within = lines.filter((line) => line.includes(best.sign)).length
  return best.sign === ',' && within < COMMA_LINES * lines.length ? NO_SIGN : best.sign
}

const BULLET = /^\s*[-*•–·]\s+(?=\S)/u
const LINES = /\r\n|\r|\n/

/** The rows of a text whose lines mostly begin with a bullet, one cell each; null for any other. A number behind a bullet is a count. */
function bulletedIn(text: string): SheetRow[] | null {
  const rows = text.split(LINES).flatMap((words, i) => (words.trim() === '' ? [] : { line: i + 1, words }))
  const bulleted = rows.filter(({ words }) => BULLET.test(words)).length
  const headed = rows.filter(({ words }) => !BULLET.test(words) && /:\s*$/.test(words)).length
  if (bulleted < 2 || bulleted * 2 < rows.length || (bulleted + headed) * 5 < rows.length * 4) return null
  return rows.map(({ line, words }) => ({
    line,
    cells: [
      words
        .trim()
        .replace(/^[-*•–·]\s+/u, '')
        .replace(/^(\d{1,3})\s+(?=\p{L}{2})/u, '$1x '),
    ],
  }))
}

/** Cut a text into rows. Stray quotes are taken as they stand and rows of odd length are kept; both are told. O(text). */
export function sheetOf(text: string, delimiter = delimiterIn(text)): Sheet {
  const plain = text.replace(/^\uFEFF/, '')
  const bulleted = bulletedIn(plain)
  if (bulleted) return { rows: bulleted, mended: [] }
  const mended: Sheet['mended'] = []
  const options = { delimiter, info: true, relax_column_count: true, skip_empty_lines: true, trim: true } as const
  type Read = { record: string[]; info: { lines: number } }[]
  let read: Read
  try {
    read = parse(plain, options) as unknown as Read
  } catch (error) {
    const { lines = 1, message } = error as Error & { lines?: number }
    mended.push({ line: lines, what: `stray quotes: ${message.split('.')[0]!.slice(0, 120)}` })
    // Without quotes a line is a row, which loses nothing of a cell but its line breaks.
    read = plain
      .split(/\r\n|\r|\n/)
      .flatMap((line, i) =>
        line.trim() === ''
          ? []
          : [{ record: line.split(delimiter).map((cell) => unquoted(cell.trim())), info: { lines: i + 1 } }],
      )
  }
  const rows = read
    .map(({ record, info }) => ({ line: info.lines, cells: record }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''))
  return { rows, mended }
}

const unquoted = (cell: string) => (/^".*"$/s.test(cell) ? cell.slice(1, -1) : cell).replaceAll('""', '"')

const HEADS = new Set(FIELDS.flatMap((field) => wordList(FIELD_WORDS[field])))

/** Whether a cell reads like the head of a column. */
const isHead = (cell: string) =>
  HEADS.has(fold(cell)) ||
  isCutHead(cell) ||
  bandIn(cell) !== null ||
  fold(cell)
    .split(' ')
    .some((word) => HEADS.has(word))

/** Rows looked at for the heads of the columns: titles and empty lines may stand above them. */
const HEAD_WITHIN = 12

/**
 * Where the heads of the columns stand, as an index of `rows`; −1 for a list without. It is the row that has most heads,
 * with no number among its cells.
 */
export function headRow(rows: readonly SheetRow[]): number {
  let best = { at: -1, heads: 0 }
  for (const [at, { cells }] of rows.slice(0, HEAD_WITHIN).entries()) {
    const filled = cells.filter((cell) => cell !== '')
    // What ends in a colon heads what stands below it, not a column.
    if (filled.length === 1 && /:$/.test(filled[0]!)) continue
    if (filled.some((cell) => /^[\d.,\s€$£-]+$/.test(cell) && bandIn(cell) === null)) continue
    const heads = filled.filter(isHead).length
    // A single word among several cells may stand there by chance.
    const enough =
      filled.length === 1 ? heads === 1 && rows.every((row) => row.cells.length === 1) : heads * 2 >= filled.length
    if (enough && heads > best.heads) best = { at, heads }
  }
  return best.at >= 0 || !standsOver(rows) ? best.at : 0
}

/** Whether the first row has words, and no numbers, over a column of numbers: heads in a language nobody taught us. */
function standsOver([first, ...below]: readonly SheetRow[]): boolean {
  const words = first?.cells.filter((cell) => cell !== '') ?? []
  if (words.length < 2 || below.length === 0 || words.some((cell) => /\d/.test(cell))) return false
  return first!.cells.some((_, column) => {
    const filled = below.map(({ cells }) => cells[column] ?? '').filter((cell) => cell !== '')
    return filled.length > 0 && filled.every((cell) => /^\D{0,4}\d[\d.,\s]*\D{0,6}$/.test(cell))
  })
}
