import { own } from '../base/index.ts'
import type { Mapping } from './readTable.ts'
import { columnsOf, TABLES, type TableName } from './tables.ts'

/** Other words files use for a column of ours, letters and digits only. */
const SYNONYMS: Record<string, readonly string[]> = {
  code: ['id', 'number', 'no', 'item', 'itemno', 'itemnumber', 'partno', 'partnumber', 'partcode', 'sku', 'ref'],
  name: ['title', 'description', 'label', 'partname', 'itemname'],
  mould: ['mold', 'shape', 'design', 'mouldcode'],
  colours: ['colour', 'color', 'colors', 'colourname', 'colorname'],
  print: ['pattern', 'decoration', 'printcode'],
  year: ['released', 'since', 'yearreleased', 'from'],
  hex: ['rgb', 'colour', 'color', 'value'],
  family: ['group'],
  part: ['partcode', 'partno', 'item', 'code'],
  qty: ['quantity', 'count', 'amount', 'number', 'pieces', 'pcs'],
  price: ['cost', 'unitprice', 'retail', 'retailprice'],
  seller: ['shop', 'store', 'vendor'],
  condition: ['state', 'neworused'],
  stock: ['available', 'instock'],
  multiple: ['pack', 'packof', 'lot'],
  bin: ['box', 'location', 'drawer', 'place'],
  slot: ['position', 'where'],
  assembly: ['parent', 'whole'],
  figure: ['fig', 'figurecode'],
  release: ['set', 'releasecode'],
  inProduction: ['current', 'available'],
}

/** Columns of parts that a name can stand in for. */
const GUESSABLE = new Set(['mould', 'colours'])

const bare = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')

/**
 * Which header of a file stands for which column of a table: the same word, else a synonym; each header is used once.
 * Columns nothing stands for are left out.
 */
export function guessMapping(table: TableName, header: readonly string[]): Mapping {
  const free = new Map(header.map((name) => [bare(name), name]))
  const mapping: Mapping = {}
  const take = (column: string, words: readonly string[]) => {
    const word = words.find((candidate) => free.has(candidate))
    if (word === undefined || mapping[column] !== undefined) return
    mapping[column] = free.get(word)!
    free.delete(word)
  }
  const columns = columnsOf(table).map(({ name }) => name)
  for (const column of columns) take(column, [bare(column)])
  for (const column of columns) take(column, own(SYNONYMS, column) ?? [])
  return mapping
}

/** The table a file is most likely one of, by its name and by how much of its header fills the columns a table needs; null for no idea. */
export function guessTable(fileName: string, header: readonly string[]): TableName | null {
  const said = bare(fileName.replace(/\.[^.]*$/, ''))
  const names = Object.keys(TABLES) as TableName[]
  const named = names.find((name) => bare(name) === said)
  if (named) return named
  const filled = names.map((name) => {
    const columns = columnsOf(name)
    const mapping = guessMapping(name, header)
    // What a row of parts leaves empty can be guessed, so a plain list of names is one of parts.
    const needed = columns.filter(
      ({ name: column, optional }) => !optional && !(name === 'parts' && GUESSABLE.has(column)),
    )
    const met = needed.filter(({ name: column }) => mapping[column] !== undefined).length / needed.length
    const used = Object.keys(mapping).length
    return { name, met, used }
  })
  const [best] = filled.sort((a, b) => b.met * b.used - a.met * a.used)
  return best && best.met >= 0.5 ? best.name : null
}
