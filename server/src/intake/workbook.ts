import { unzipSync } from 'fflate'
import readExcelFile from 'read-excel-file/node'
import { SaxesParser } from 'saxes'
import type { Sheet } from '@outfit/core/intake'
import { Problem } from '../base/problem.ts'

/** Most a workbook may unpack to, and most cells of a sheet: beyond them it is no list of a person's. */
const MOST_UNPACKED = 60 * 1024 * 1024
const MOST_ENTRIES = 4000
export const MOST_ROWS = 20_000
const MOST_COLUMNS = 200

export interface NamedSheet {
  name: string
  sheet: Sheet
}

const refused = (why: string) =>
  new Problem(400, `The file ${why}. Nothing was kept.`, [{ field: 'file', message: why }])

/** Lists are read whole for every answer; what is longer streams through tables. */
export const tooLong = () => refused(`has more than ${MOST_ROWS.toLocaleString('en-GB')} rows; bring it in as a table`)

/** Whether bytes are a ZIP, which workbooks are. */
export const isZip = (bytes: Buffer): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03

/** What is in a ZIP, refusing one that would fill the memory before anything of it is unpacked. */
function unpacked(bytes: Buffer): Record<string, Uint8Array> {
  let entries = 0
  let size = 0
  try {
    return unzipSync(bytes, {
      filter: ({ originalSize }) => {
        entries += 1
        size += originalSize
        if (entries > MOST_ENTRIES || size > MOST_UNPACKED)
          throw refused(`unpacks to more than ${MOST_UNPACKED / 1024 / 1024} MB`)
        return true
      },
    })
  } catch (error) {
    if (error instanceof Problem) throw error
    throw refused(`cannot be unpacked: ${(error as Error).message}`)
  }
}

/** The sheets of a workbook (XLSX or ODS) as rows of cells in words; formulas are read as the values they had. */
export async function sheetsOf(bytes: Buffer): Promise<NamedSheet[]> {
  const files = unpacked(bytes)
  if (files['content.xml']) return openDocument(new TextDecoder().decode(files['content.xml']))
  if (files['manifest.json'] && Object.keys(files).some((name) => name.startsWith('tables/')))
    throw refused('is a copy of a whole workspace; bring it back under Copies')
  if (!files['xl/workbook.xml']) throw refused('is a ZIP, and neither an XLSX nor an ODS workbook')
  try {
    const sheets = (await readExcelFile(bytes)) as unknown as { sheet: string; data: unknown[][] }[]
    return sheets.map(({ sheet, data }) => ({ name: sheet, sheet: rowsOf(data.map((row) => row.map(inWords))) }))
  } catch (error) {
    if (error instanceof Problem) throw error
    throw refused(`cannot be read as a workbook: ${(error as Error).message}`)
  }
}

/** A cell as a person would have written it. */
function inWords(value: unknown): string {
  if (value === null || value === undefined) return ''
  if (value instanceof Date) return value.toISOString().slice(0, 10)
  return String(value).trim()
}

function rowsOf(rows: readonly string[][]): Sheet {
  if (rows.length > MOST_ROWS) throw tooLong()
  if (rows.some((row) => row.length > MOST_COLUMNS)) throw refused(`has more than ${MOST_COLUMNS} columns`)
  return {
    rows: rows.map((cells, i) => ({ line: i + 1, cells })).filter(({ cells }) => cells.some((cell) => cell !== '')),
    mended: [],
  }
}

/** Sheets of an ODS. Cells and rows that are repeated to the edge of the sheet are empty ones and stand for none. */
function openDocument(xml: string): NamedSheet[] {
  const sheets: { name: string; rows: string[][] }[] = []
  let row: string[] = []
  let cell: { text: string; repeated: number; value: string | null } | null = null
  const parser = new SaxesParser({ xmlns: false })
  parser.on('opentag', ({ name, attributes }) => {
    const times = (attribute: string) => Math.min(MOST_COLUMNS + 1, Number(attributes[attribute] ?? 1) || 1)
    if (name === 'table:table') sheets.push({ name: String(attributes['table:name'] ?? ''), rows: [] })
    else if (name === 'table:table-row') row = []
    else if (name === 'table:table-cell' || name === 'table:covered-table-cell') {
      const date = attributes['office:date-value']
      cell = {
        text: '',
        repeated: times('table:number-columns-repeated'),
        value: date === undefined ? null : String(date).slice(0, 10),
      }
    } else if (name === 'text:p' && cell && cell.text !== '') cell.text += ' '
    else if (name === 'text:s' && cell) cell.text += ' '
  })
  parser.on('text', (text) => {
    if (cell) cell.text += text
  })
  parser.on('closetag', ({ name }) => {
    if ((name === 'table:table-cell' || name === 'table:covered-table-cell') && cell) {
      const { value, text, repeated } = cell
      const words = (value ?? text).trim()
      for (let i = 0; i < repeated && row.length <= MOST_COLUMNS; i++) row.push(words)
      cell = null
    } else if (name === 'table:table-row') {
      while (row.at(-1) === '') row.pop()
      const { rows } = sheets.at(-1)!
      if (rows.length > MOST_ROWS) throw tooLong()
      rows.push(row)
    }
  })
  let fault: Error | null = null
  parser.on('error', (error) => (fault ??= error))
  parser.write(xml).close()
  if (fault) throw refused(`cannot be read as a workbook: ${(fault as Error).message}`)
  return sheets.map(({ name, rows }) => ({ name, sheet: rowsOf(rows) }))
}
