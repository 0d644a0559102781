import { own } from '../base/index.ts'
import { parse } from 'csv-parse/browser/esm/sync'
import { CSV_OPTIONS, delimiterOf } from './readTable.ts'

/** A character as a list of names has it. */
export interface ListedName {
  /** Line of the text it stands on, from 1. */
  line: number
  name: string
  faction: string
  /** Age in years; null where the list has none. */
  years: number | null
  notes: string
}

/** What could not be read, by its line. */
export interface NameFault {
  line: number
  message: string
}

/** A list of names as it was understood. */
export interface NameList {
  names: ListedName[]
  faults: NameFault[]
  /** Names that come twice in the list, or that the roster has already: by line, with where the other one is. */
  doubles: { line: number; name: string; other: string }[]
}

/** Columns a list may have beside the name, by what people head them with. */
const HEADERS: Readonly<Record<string, keyof Omit<ListedName, 'line'>>> = {
  name: 'name',
  character: 'name',
  faction: 'faction',
  group: 'faction',
  team: 'faction',
  age: 'years',
  years: 'years',
  note: 'notes',
  notes: 'notes',
}
const MOST_NAME = 120
const OLDEST = 150

const keyOf = (name: string) => name.toLowerCase().replace(/\s+/g, ' ')

/**
 * Read a pasted list: one name a line, or a table with a header that has a name column and perhaps faction, age and notes.
 * Empty lines are skipped. `known` are names the roster has. O(text).
 */
export function readNames(text: string, known: readonly string[] = []): NameList {
  const list: NameList = { names: [], faults: [], doubles: [] }
  const seen = new Map(known.map((name) => [keyOf(name), 'the roster']))
  for (const { line, cells } of rowsOf(text, list.faults)) {
    const { name = '', faction = '', years = '', notes = '' } = cells
    if (name === '') {
      list.faults.push({ line, message: 'there is no name' })
      continue
    }
    if (name.length > MOST_NAME) {
      list.faults.push({ line, message: `the name is longer than ${MOST_NAME} characters` })
      continue
    }
    if (years !== '' && !(/^\d{1,3}$/.test(years) && Number(years) <= OLDEST)) {
      list.faults.push({ line, message: `"${years}" is no age in whole years` })
      continue
    }
    const before = seen.get(keyOf(name))
    if (before) list.doubles.push({ line, name, other: before })
    else seen.set(keyOf(name), `line ${line}`)
    list.names.push({ line, name, faction, years: years === '' ? null : Number(years), notes })
  }
  return list
}

type Cells = Partial<Record<keyof Omit<ListedName, 'line'>, string>>

function rowsOf(text: string, faults: NameFault[]): { line: number; cells: Cells }[] {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)
  const first = lines.findIndex((one) => one.trim() !== '')
  if (first < 0) return []
  const delimiter = delimiterOf(lines[first]!)
  const columns = lines[first]!.split(delimiter).map((head) => own(HEADERS, head.trim().toLowerCase()))
  if (!columns.includes('name'))
    return lines.flatMap((one, i) => (one.trim() === '' ? [] : [{ line: i + 1, cells: { name: one.trim() } }]))
  try {
    const rows = parse(lines.slice(first + 1).join('\n'), { ...CSV_OPTIONS, delimiter }) as unknown as {
      record: string[]
      info: { lines: number }
    }[]
    return rows.map(({ record, info }) => ({
      line: first + 1 + info.lines,
      cells: Object.fromEntries(columns.flatMap((column, i) => (column ? [[column, record[i] ?? '']] : []))) as Cells,
    }))
  } catch (error) {
    faults.push({ line: first + 1, message: `this is not a table: ${(error as Error).message}` })
    return []
  }
}
