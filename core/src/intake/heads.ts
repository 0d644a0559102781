import { fold } from '../base/index.ts'
import { FIELD_WORDS, FIELDS, type Field } from './lexicon.ts'
import { wordList } from './words.ts'

/** What columns of each field are headed by. */
export const HEAD_WORDS: readonly { field: Field; words: ReadonlySet<string> }[] = FIELDS.map((field) => ({
  field,
  words: new Set(wordList(FIELD_WORDS[field])),
}))

/** Whether a cell is the name of some field cut short, as "Qté." and "Bez." are; what speaks of a part is longer, or has numbers. */
export const isCutHead = (cell: string): boolean =>
  /^[^\d]{2,16}$/.test(cell) && cell.includes('.') && HEAD_WORDS.some(({ words }) => cutFits(cell, words) > 0.5)

/** Letters a word is cut to at the least: with a point behind it, and without. */
const CUT = { pointed: 2, bare: 4 } as const

/** How well a head is one of some words cut short, 0 to 1: "Anz." for "Anzahl". */
function cutFits(head: string, words: ReadonlySet<string>): number {
  const begins = (cut: string) => [...words].some((word) => word.startsWith(cut) && !word.includes(' '))
  for (const [, letters = ''] of head.matchAll(/(\p{L}+)\./gu))
    if (letters.length >= CUT.pointed && begins(fold(letters))) return 0.75
  const bare = fold(head)
  return bare.length >= CUT.bare && begins(bare) ? 0.5 : 0
}

/** How well a head names a field, 0 to 1: as a whole, by its first words, by one of them, or cut short. */
export function headFits(head: string, words: ReadonlySet<string>): number {
  // Of columns of one name that are numbered the first is meant.
  const [, first = fold(head), number] = /^(.+) (\d)$/.exec(fold(head)) ?? []
  if (number !== undefined) return number === '1' ? headFits(first, words) : 0.6 * headFits(first, words)
  const folded = first
  if (folded === '') return 0
  if (words.has(folded)) return 1
  const parts = folded.split(' ')
  if (parts.length > 1 && words.has(parts.slice(0, 2).join(' '))) return 0.9
  if (words.has(parts[0]!)) return 0.8
  if (parts.some((part) => words.has(part))) return 0.6
  if ([...words].some((word) => word.length >= 5 && folded.includes(word))) return 0.5
  return cutFits(head, words)
}

/** Whether one of some heads names one of some fields outright. */
export const isHeaded = (heads: readonly string[], fields: readonly Field[]): boolean =>
  HEAD_WORDS.some(({ field, words }) => fields.includes(field) && heads.some((head) => headFits(head, words) >= 0.8))
