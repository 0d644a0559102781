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

/** Columns a list may have beside the name, by what people head them with; other columns go to the notes with their heads. */
const HEADS: Readonly<Record<keyof Omit<ListedName, 'line'>, string>> = {
  name: 'name, names, character, characters, who, person, charakter, figur, nom, personnage, naam, personage, nombre, personaje, nome, personaggio, personagem, imię, imie, postać, postac',
  faction:
    'faction, group, team, crew, party, fraktion, gruppe, mannschaft, groupe, équipe, equipe, groep, ploeg, grupo, equipo, gruppo, squadra, grupa, drużyna, druzyna',
  years:
    'age, years, alter, jahre, âge, age (years), ans, leeftijd, jaar, edad, años, età, eta, anni, wiek, lat, idade, anos',
  notes:
    'note, notes, remark, remarks, comment, comments, notiz, notizen, bemerkung, bemerkungen, remarque, remarques, opmerking, opmerkingen, nota, notas, note, uwagi',
}
const HEADERS: Readonly<Record<string, keyof Omit<ListedName, 'line'>>> = Object.fromEntries(
  Object.entries(HEADS).flatMap(([field, words]) => words.split(', ').map((word) => [word, field as 'name'])),
)
/** Heads of columns whose cells are notes without saying so. */
const DESCRIBING =
  /^(description|look|looks|appearance|wears|wearing|outfit|beschreibung|aussehen|apparence|tenue|beschrijving|uiterlijk|descripción|descripcion|aspecto|descrizione|aspetto|opis|wygląd|descrição|descricao)$/
/** Whether heads of columns are those of a list of characters: their names, and how old they are, of which group, or what they look like. */
export function headNames(heads: readonly string[]): boolean {
  const fields = heads.map((head) => own(HEADERS, head.trim().toLowerCase()))
  const told = heads.some((head) => DESCRIBING.test(head.trim().toLowerCase()))
  return fields.includes('name') && (fields.includes('years') || fields.includes('faction') || told)
}

/** What parts a name from what is told of it, where a list has one a line. */
const TELLS = /\t+|\s*;\s*|\s+[-–—]+\s+|\s*:\s+/
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

/** A line without a table: a name, and perhaps what is told of it. */
function toldIn(line: string): Cells {
  const found = TELLS.exec(line)
  const name = found ? line.slice(0, found.index) : line
  const notes = found ? line.slice(found.index + found[0].length) : ''
  return found && name !== '' && notes !== '' ? { name, notes } : { name: line }
}

/** A row by its columns; what has no column of its own is kept in the notes. */
function cellsOf(
  heads: readonly string[],
  columns: readonly (keyof Cells | undefined)[],
  record: readonly string[],
): Cells {
  const cells: Cells = {}
  const notes: string[] = []
  record.forEach((cell, i) => {
    const column = columns[i]
    if (cell === '') return
    if (column && column !== 'notes' && cells[column] === undefined) cells[column] = cell
    else if (column === 'notes' || DESCRIBING.test(heads[i]?.toLowerCase() ?? '') || !heads[i]) notes.push(cell)
    else notes.push(`${heads[i]}: ${cell}`)
  })
  return { ...cells, ...(notes.length > 0 ? { notes: notes.join('\n') } : {}) }
}

function rowsOf(text: string, faults: NameFault[]): { line: number; cells: Cells }[] {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)
  const first = lines.findIndex((one) => one.trim() !== '')
  if (first < 0) return []
  const delimiter = delimiterOf(lines[first]!)
  const heads = lines[first]!.split(delimiter).map((head) =>
    head
      .trim()
      .replace(/^"(.*)"$/, '$1')
      .trim(),
  )
  const columns = heads.map((head) => own(HEADERS, head.toLowerCase()))
  if (!columns.includes('name'))
    return lines.flatMap((one, i) => (one.trim() === '' ? [] : [{ line: i + 1, cells: toldIn(one.trim()) }]))
  try {
    const rows = parse(lines.slice(first + 1).join('\n'), { ...CSV_OPTIONS, delimiter }) as unknown as {
      record: string[]
      info: { lines: number }
    }[]
    return rows.map(({ record, info }) => ({
      line: first + 1 + info.lines,
      cells: cellsOf(heads, columns, record),
    }))
  } catch (error) {
    faults.push({ line: first + 1, message: `this is not a table: ${(error as Error).message}` })
    return []
  }
}
