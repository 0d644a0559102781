import { stringify } from 'csv-stringify/browser/esm/sync'
import { fold } from '../base/index.ts'
import { headNames } from '../tables/index.ts'
import { isHeaded } from './heads.ts'
import type { Field } from './lexicon.ts'
import { plain } from './readCells.ts'
import type { SheetRow } from './sheet.ts'
import { knownIn, PART_PHRASES } from './words.ts'

/** Rows within which heads of characters stand, and names looked at. */
const HEADS_WITHIN = 12
const LOOKED_AT = 300
/** What is told of parts and sellers, and never of characters. */
const OF_PARTS: readonly Field[] = ['count', 'price', 'bin', 'set', 'seller', 'hex', 'condition', 'pack']

/** Where the heads of a list of characters stand; −1 where it is one of parts, or none. */
export function charactersAt(rows: readonly SheetRow[]): number {
  const at = rows.slice(0, HEADS_WITHIN).findIndex(({ cells }) => headNames(cells))
  if (at < 0) return -1
  if (isHeaded(rows[at]!.cells, OF_PARTS)) return -1
  // Parts have names and descriptions, too.
  const names = rows.slice(at + 1, at + 1 + LOOKED_AT).map(({ cells }) => fold(cells[0] ?? ''))
  const parts = names.filter((name) => knownIn(name, PART_PHRASES).some(({ meaning }) => meaning !== ''))
  return parts.length * 2 > names.length ? -1 : at
}

/** Rows as a text that lists of names are read from (`readNames`); without heads a name and what is told of it a line. */
export function textOf(head: readonly string[] | null, body: readonly SheetRow[]): string {
  const rows = body.map(({ cells }) => cells.map(plain))
  if (head) return stringify([[...head], ...rows])
  // A comma within what is told parted it from the rest; what parts a name from it stands in the first cell, or behind it.
  return rows
    .map(([first = '', ...rest]) =>
      [first, rest.filter(Boolean).join(', ')].join(/\s[-–—]\s|:\s/.test(first) ? ', ' : '\t'),
    )
    .map((line) => line.replace(/[,\t]\s*$/, ''))
    .join('\n')
}
