import { fold } from '../base/index.ts'
import {
  BIN_WORDS,
  FIELD_WORDS,
  FOR_SALE_WORDS,
  OWNED_WORDS,
  SHIPPING_WORDS,
  TOTAL_WORDS,
  type Field,
} from './lexicon.ts'
import { readAmount, readCondition, readCount, readDate } from './readCells.ts'
import { HEAD_WORDS, headFits } from './heads.ts'
import type { SheetRow } from './sheet.ts'
import { bandIn } from './shipping.ts'
import { COLOUR_PHRASES, knownIn, PART_PHRASES, wordList } from './words.ts'

/** A column of a list and what it is taken for; null for what nothing stands for, which goes to the remarks. */
export interface Column {
  index: number
  /** Its head as it stands in the file; empty for none. */
  head: string
  field: Field | null
  /** How sure that is, 0 to 1. */
  sure: number
}

/** What a list is. */
export const LIST_KINDS = ['owned', 'prices', 'sets', 'sellers', 'colours', 'characters'] as const
export type ListKind = (typeof LIST_KINDS)[number]

const BINS = wordList(BIN_WORDS)
const TOTALS = new Set(wordList(TOTAL_WORDS))
const OWNED = new Set(wordList(OWNED_WORDS))
const FOR_SALE = new Set(wordList(FOR_SALE_WORDS))
const SHIPPING = new Set(wordList(FIELD_WORDS.shipping))
const FREE = new Set(wordList(SHIPPING_WORDS.free))

/** Fields nothing tells of but the head of their column. */
const BY_HEAD: ReadonlySet<Field> = new Set([
  'kind',
  'country',
  'minimum',
  'shipping',
  'free',
  'handling',
  'days',
  'rating',
  'finish',
])

/** Rows looked at to tell what a column holds. */
const LOOKED_AT = 300

/** The cells of a column; where a row has no other cell it heads what stands below it, and the column has none there. */
export const columnOf = (rows: readonly SheetRow[], index: number): string[] =>
  rows.map(({ cells }) => (cells.filter((cell) => cell !== '').length > 1 ? (cells[index] ?? '') : ''))

/** Rows a column that numbers them has at the least: one after the other, and in any order. */
const NUMBERED = { inOrder: 4, shuffled: 8 } as const

/**
 * Whether a column only numbers the rows: 1, 2, 3, with few left out, from the beginning below each heading or not; or each
 * number up to as many once, in whatever order they were sorted since. Counts do not do that.
 */
export function numbersRows(cells: readonly string[]): boolean {
  const numbers = cells.map((cell) =>
    cell === '' ? null : Number(/^\D{0,4}(\d{1,6})[.):]?$/.exec(cell)?.[1] ?? Number.NaN),
  )
  const filled = numbers.filter((number) => number !== null)
  if (filled.length < NUMBERED.inOrder || filled.some(Number.isNaN) || filled.some((n) => n < 0)) return false
  let [last, steps] = [0, 0]
  const rises = numbers.every((number, row) => {
    if (number === null) return true
    const begins = row === 0 || numbers[row - 1] === null
    const next = number === last + 1 || (number === 0 && row === 0)
    if (next || (begins && number === 1)) steps += 1
    else if (number <= last) return false
    last = number
    return true
  })
  if (rises && steps >= 0.8 * filled.length) return true
  const most = Math.max(...filled)
  const distinct = new Set(filled).size === filled.length
  return distinct && filled.length >= NUMBERED.shuffled && most <= 1.25 * filled.length
}

/** How well cells read as each field, 0 to 1. */
function cellsFit(cells: readonly string[], knowsColour: (text: string) => boolean): Record<Field, number> {
  const filled = cells.filter((cell) => cell !== '')
  const share = (test: (cell: string) => boolean) =>
    filled.length === 0 ? 0 : filled.filter(test).length / filled.length
  const amounts = share((cell) => /\d/.test(cell) && readAmount(cell, { decimal: ',', currency: 'EUR' }) !== null)
  const signed = share((cell) => /[€$£¥]|\b(EUR|USD|GBP|CHF|PLN|zł)\b/i.test(cell) && /\d/.test(cell))
  const cents = share((cell) => /\d[.,]\d{2}(\D|$)/.test(cell))
  // Words alone are no sign of it: "neuf" is new as well as nine, and an elf is no eleven.
  const counts = share((cell) => /\d/.test(cell) && readCount(cell) !== null && readCount(cell)! < 10_000)
  const dates = share((cell) => /\d/.test(cell) && readDate(cell, true) !== null && !/^\d+[.,]\d{2}$/.test(cell))
  const distinct = new Set(filled.map(fold)).size / Math.max(1, filled.length)
  const colours = share((cell) => {
    const known = knownIn(fold(cell), COLOUR_PHRASES)
    return knowsColour(cell) || (known.length <= 3 && known.some(({ meaning }) => meaning !== ''))
  })
  const parts = share((cell) => knownIn(fold(cell), PART_PHRASES).some(({ meaning }) => meaning !== ''))
  const texts = share((cell) => /\p{L}{2}/u.test(cell))
  const bins = share((cell) => BINS.some((word) => fold(cell).split(' ')[0] === word || fold(cell).startsWith(word)))
  const coded = share((cell) => /^[\p{L}\p{N}][\p{L}\p{N}._/-]*$/u.test(cell) && /\d/.test(cell) && cell.length > 2)
  return {
    name: texts * (0.35 + 0.65 * parts) * (colours > 0.9 && parts < 0.5 ? 0.3 : 1),
    kind: parts * (distinct < 0.6 ? 1 : 0.4),
    code: coded * distinct * (counts > 0.9 ? 0.3 : 0.8),
    colour: colours * (parts > 0.6 && colours < 0.95 ? 0.4 : 1),
    count: counts * (cents > 0.3 || signed > 0.3 ? 0.2 : 0.7) * (dates > 0.5 ? 0.2 : 1),
    bin: bins > 0 ? 0.3 + 0.6 * bins : distinct < 0.4 ? 0.2 : 0,
    price: Math.max(amounts * signed, amounts * cents * 0.9),
    currency: share((cell) => /^[A-Z]{3}$/.test(cell) || /^[€$£¥]$/.test(cell)) * (distinct < 0.3 ? 0.8 : 0.3),
    date: dates * 0.9,
    condition: share((cell) => cell.length < 24 && readCondition(cell) !== null) * 0.9,
    seller: 0,
    pack: 0,
    set: 0,
    figure: 0,
    year: share((cell) => /^(19|20)\d\d$/.test(cell)) * 0.2,
    // These are told by their heads alone; what stands under them only makes that surer.
    country: texts,
    minimum: amounts,
    shipping: Math.max(
      amounts,
      share((cell) => /\d/.test(cell) || FREE.has(fold(cell))),
    ),
    free: amounts,
    handling: amounts,
    days: share((cell) => /\d/.test(cell)),
    rating: share((cell) => /^[1-5]\b/.test(cell)),
    hex: share((cell) => /^#[0-9a-f]{6}$/i.test(cell)) * 0.9,
    finish: texts,
    remark: texts * 0.1,
  }
}

/**
 * Columns that each tell what is paid for shipping from where to where. Prices of parts go down from some number on as well, so that
 * columns by number are none unless one speaks of shipping.
 */
function bandColumns(heads: readonly string[]): number[] {
  const bands = heads.flatMap((head, index) => {
    const basis = bandIn(head)
    return basis === null ? [] : { index, basis, isSaid: headFits(head, SHIPPING) > 0 }
  })
  const own = bands.filter(({ basis }) => basis === bands[0]!.basis).length > 1 && bands[0]!.basis !== 'count'
  return own || bands.some(({ isSaid }) => isSaid) ? bands.map(({ index }) => index) : []
}

/**
 * What the columns of a list hold, from their heads and what stands under them: each field is given to the column that fits
 * it best. `knowsColour` tells names of the palette. O(rows × columns).
 */
export function guessColumns(
  head: readonly string[] | null,
  rows: readonly SheetRow[],
  knowsColour: (text: string) => boolean,
): Column[] {
  const width = rows.reduce((most, { cells }) => Math.max(most, cells.length), head?.length ?? 0)
  const looked = rows.slice(0, LOOKED_AT)
  const fits = Array.from({ length: width }, (_, index) => {
    const under = looked.map(({ cells }) => cells[index] ?? '')
    const own = cellsFit(under, knowsColour)
    const empty = under.every((cell) => cell === '')
    const numbering = numbersRows(columnOf(looked, index))
    return HEAD_WORDS.map(({ field, words }) => {
      const said = headFits(head?.[index] ?? '', words)
      // What numbers the rows is no count unless its head says so outright, and nothing else that is told by cells alone.
      if (numbering && said < 0.8) return { index, field, sure: 0 }
      // A head is believed unless what stands under it is plainly something else.
      const contrary = !empty && said > 0 && said < 1 && own[field] < 0.1 && ['count', 'price', 'date'].includes(field)
      return {
        index,
        field,
        sure:
          contrary || (said === 0 && BY_HEAD.has(field))
            ? 0
            : said > 0
              ? 0.55 * said + 0.45 * own[field]
              : head?.[index]
                ? 0.5 * own[field]
                : own[field],
      }
    })
  }).flat()
  const taken = new Map<number, { field: Field; sure: number }>()
  const given = new Set<Field>()
  for (const index of bandColumns(head ?? [])) {
    taken.set(index, { field: 'shipping', sure: 0.8 })
    given.add('shipping')
  }
  for (const { index, field, sure } of fits.sort((a, b) => b.sure - a.sure || a.index - b.index)) {
    if (sure < 0.25 || taken.has(index) || given.has(field)) continue
    taken.set(index, { field, sure })
    given.add(field)
  }
  // "No." numbers the rows, or says how many.
  const numbers = [...taken].find(([, { field }]) => field === 'code')?.[0]
  if (numbers !== undefined && !given.has('count')) {
    const cells = looked.map(({ cells: own }) => own[numbers] ?? '').filter((cell) => cell !== '')
    if (cells.every((cell) => readCount(cell) !== null) && new Set(cells).size < cells.length)
      taken.set(numbers, { field: 'count', sure: 0.5 })
  }
  // Without a name nothing can be told apart; the wordiest column left is it.
  const wordiest = fits.find(({ index, field, sure }) => field === 'name' && sure > 0 && !taken.has(index))
  if (!given.has('name') && !given.has('code') && wordiest)
    taken.set(wordiest.index, { field: 'name', sure: wordiest.sure })
  return Array.from({ length: width }, (_, index) => ({
    index,
    head: head?.[index] ?? '',
    field: taken.get(index)?.field ?? null,
    sure: taken.get(index)?.sure ?? 0,
  }))
}

/**
 * What a list is by its columns and by what it is called, in its file's name or above its heads, with how sure that is: who
 * tells where things lie owns them, who tells a seller sells.
 */
export function guessKind(columns: readonly Column[], called: string): { kind: ListKind; sure: number } {
  const has = (field: Field) => columns.some((column) => column.field === field)
  const named = fold(called)
  const says = (words: string) => words.split(' ').some((word) => named.includes(word))
  // What stands in a figure of a set is what it holds; sets beside parts that lie somewhere are where these came from.
  const holds = says('set inhalt inhalte contents inventar inventaire inventario inhoud zawartosc')
  if (has('set') && (has('figure') || (holds && !has('bin') && !has('price')))) return { kind: 'sets', sure: 1 }
  const terms = (['country', 'minimum', 'shipping', 'free', 'handling', 'days', 'rating'] as const).filter(has).length
  const ofParts = has('price') || has('bin') || has('colour') || has('count') || has('set')
  if (!ofParts && terms > 0 && (has('seller') || (has('name') && terms > 1))) return { kind: 'sellers', sure: 1 }
  if (has('hex') && !(['price', 'bin', 'count', 'set', 'seller'] as const).some(has))
    return { kind: 'colours', sure: 1 }
  let prices = 0
  if (has('price')) prices += 2
  if (has('seller')) prices += 1.5
  if (has('pack')) prices += 1
  if (has('price') && columns.some(({ field, head }) => field === 'count' && headFits(head, FOR_SALE) > 0))
    prices += 1.5
  if (has('currency')) prices += 0.5
  if (says('preis price prix prijs precio prezzo cen preco angebot offer offre aanbod oferta shop laden seller'))
    prices += 2
  let owned = 1
  if (has('bin')) owned += 3
  if (has('date')) owned += 1.5
  if (has('count') && !has('price')) owned += 2
  if (columns.some(({ field, head }) => field === 'count' && headFits(head, OWNED) >= 0.5)) owned += 3
  // Who adds up what each row comes to has bought it.
  if (has('count') && has('price') && columns.some(({ field, head }) => field === null && headFits(head, TOTALS) > 0))
    owned += 3
  if (says('bestand owned own inventar inventory stock sammlung collection drawer kiste box mine inventaire voorraad'))
    owned += 1.5
  const kind = prices > owned ? 'prices' : 'owned'
  return { kind, sure: Math.min(1, Math.abs(prices - owned) / 3) }
}
