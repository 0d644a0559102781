import { fold } from '../base/index.ts'
import { isHeaded } from './heads.ts'
import { FIELD_WORDS, FIELDS, PRICE_KINDS, TOTAL_WORDS } from './lexicon.ts'
import { namesColour } from './match.ts'
import { readAmount, readCount } from './readCells.ts'
import type { SheetRow } from './sheet.ts'
import { wordList } from './words.ts'

/** Rows of a list below their heads. */
interface Table {
  head: string[]
  body: SheetRow[]
}

/**
 * A table with a column for each colour ("Part | Red | Blue", counts below) or for each seller ("Part | Lotte | Old Quay", prices below)
 * as rows of one of them each; null where it is neither. A row that says nothing of any stays. O(cells).
 */
export function partedTable(head: readonly string[], body: readonly SheetRow[]): Table | null {
  return byColour(head, body) ?? bySeller(head, body)
}

function byColour(head: readonly string[], body: readonly SheetRow[]): Table | null {
  if (isHeaded(head, ['colour', 'count'])) return null
  const colours = head.flatMap((text, index) => (namesColour(text) ? { index, says: text } : []))
  const cells = body.flatMap((row) => colours.map(({ index }) => (row.cells[index] ?? '').trim()))
  if (cells.some((cell) => cell !== '' && readCount(cell) === null)) return null
  return parted(head, body, colours, ['Colour', 'Count'], '0')
}

function bySeller(head: readonly string[], body: readonly SheetRow[]): Table | null {
  if (isHeaded(head, ['seller'])) return null
  const sellers = head.flatMap((text, index) => {
    const says = sellerIn(text)
    const cells = body
      .map((row) => (row.cells[index] ?? '').trim())
      .filter((cell) => cell !== '' && !NOTHING.test(cell))
    const money = cells.filter(
      (cell) => MONEY.test(cell) && readAmount(cell, { decimal: ',', currency: 'EUR' }) !== null,
    )
    // A length or a year is no price: those have cents, or a sign.
    return says !== '' && cells.length > 0 && money.length === cells.length ? { index, says } : []
  })
  return parted(head, body, sellers, ['Seller', 'Price'], '')
}

/** Rows of one of some columns each, with what that column says beside its cell; null where there are not two of them and another. */
function parted(
  head: readonly string[],
  body: readonly SheetRow[],
  columns: readonly { index: number; says: string }[],
  heads: readonly [string, string],
  none: string,
): Table | null {
  if (columns.length < 2 || columns.length === head.length) return null
  const own = new Set(columns.map(({ index }) => index))
  // What adds the columns up says nothing of one of them.
  const others = head.flatMap((text, index) => (own.has(index) || TOTALS.has(fold(text)) ? [] : index))
  return {
    head: [...others.map((index) => head[index]!), ...heads],
    body: body.flatMap(({ line, cells }) => {
      const rest = others.map((index) => cells[index] ?? '')
      const told = columns.flatMap(({ index, says }) => {
        const cell = (cells[index] ?? '').trim()
        return cell === '' || NOTHING.test(cell) ? [] : [{ line, cells: [...rest, says, cell] }]
      })
      return told.length > 0 ? told : [{ line, cells: [...rest, '', none] }]
    }),
  }
}

const NOTHING = /^[-–—/xX]$/
/** Cents, or the sign of a currency. */
const MONEY = /\d[.,]\d{2}(?!\d)|[€$£¥]|\b[A-Z]{3}\b|zł/u
const PRICES = new Set(
  [FIELD_WORDS.price, FIELD_WORDS.currency, 'eur, gbp, usd, chf, pln, in, at, bei, chez'].flatMap(wordList),
)
const KINDS = new Set(wordList(PRICE_KINDS))
const TOTALS = new Set(wordList(TOTAL_WORDS))

/** The seller a head names: what is no field of a list, or what stands beside a word for prices; empty for none. */
function sellerIn(head: string): string {
  const words = head.split(/[\s:()]+/).filter((word) => word !== '' && !/^[€$£¥]$/.test(word))
  const rest = words.filter((word) => !PRICES.has(fold(word)))
  if (rest.every((word) => KINDS.has(fold(word)))) return ''
  return rest.length < words.length || !isHeaded([head], FIELDS) ? rest.join(' ') : ''
}
