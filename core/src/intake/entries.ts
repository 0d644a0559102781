import { fold } from '../base/index.ts'
import type { Colour } from '../catalogue/index.ts'
import { formatMoney, MOST } from '../market/index.ts'
import type { Shipping } from '../sourcing/index.ts'
import type { Column } from './columns.ts'
import { SHIPPING_WORDS, TOTAL_WORDS, WEEK_WORDS, type Field } from './lexicon.ts'
import { newCode, newColour } from './made.ts'
import { finishIn, matchColour } from './match.ts'
import type { KnownThings } from './partFinder.ts'
import { plain, readAmount, type CellStyle } from './readCells.ts'
import type { ListFault } from './readList.ts'
import type { SheetRow } from './sheet.ts'
import { wordList } from './words.ts'

type Bands = Shipping['bands']

/** A seller as a list tells of them; money in minor units of their currency. What a list does not say is null. */
export interface ListedSeller {
  what: 'seller'
  line: number
  code: string
  name: string
  /** Whether there is one of that name or code. */
  there: boolean
  country: string | null
  currency: string
  minimum: number | null
  handling: number | null
  arrivesInDays: number | null
  rating: number | null
  /** By the value of goods. */
  shippingBands: Bands | null
  notes: string | null
}

/** A colour as a list tells of it. */
export interface ListedColour extends Colour {
  what: 'colour'
  line: number
  there: boolean
}

export type ListedEntry = ListedSeller | ListedColour

interface EntryList {
  body: readonly SheetRow[]
  columns: readonly Column[]
  style: CellStyle
  at: (field: Field) => number | undefined
}

interface ReadEntries {
  entries: ListedEntry[]
  faults: ListFault[]
  left: number[]
  told: { row: SheetRow; entry: ListedEntry | null }[]
}

const WORDS = {
  free: new Set(wordList(SHIPPING_WORDS.free)),
  from: new Set(wordList(SHIPPING_WORDS.from)),
  upTo: new Set(wordList(SHIPPING_WORDS.upTo)),
}
const TOTALS = new Set(wordList(TOTAL_WORDS))
const WEEKS = new Set(wordList(WEEK_WORDS))
const LONGEST = { name: 120, country: 120, notes: 2000 } as const
const MOST_BANDS = 40

/** Whether a folded text has one of some phrases, as whole words. */
const says = (folded: string, phrases: ReadonlySet<string>): boolean => {
  const words = ` ${folded} `
  return [...phrases].some((phrase) => words.includes(` ${phrase} `))
}

const SIGN = String.raw`R\$|[€$£¥]|(?<!\p{L})(?:[A-Z]{3}|zł|kr|Kč|Ft)(?!\p{L})`
const AMOUNTS = new RegExp(String.raw`(?:${SIGN})?\s*\d[\d.,' ]*(?:\s*(?:${SIGN}))?`, 'gu')

/** Amounts of a text, each with the words before it since the last one, and the words behind the last. */
function amountsIn(text: string): { before: string; amount: string }[] {
  const found: { before: string; amount: string }[] = []
  let from = 0
  for (const match of text.matchAll(AMOUNTS)) {
    // A sign that ends a part of a sentence is none of the number.
    const amount = match[0].replace(/[.,' ]+$/, '')
    found.push({ before: text.slice(from, match.index), amount })
    from = match.index + match[0].length
  }
  return found
}

/** Shipping as it was read; `above` is the amount beyond which a text says nothing, null where it tells of all. */
interface ReadShipping {
  bands: Bands
  above: number | null
}

/**
 * Shipping as people write it: "3,50 €", "free", "bis 20 €: 3,50; darüber 6", "4.50, free from 50", "20=3.50; any=6". The
 * last price holds for more than the text tells of. Null where it says none that can be read.
 */
export function readShipping(text: string, style: Pick<CellStyle, 'decimal' | 'currency'>): ReadShipping | null {
  const bands: { from: number | null; upTo: number | null; price: number }[] = []
  for (const clause of text.split(/[;\n|]|,\s|\/(?!\d)|(?<=\d)\/(?=\s*(?:\p{L}|\d+\s*=))/u)) {
    if (clause.trim() === '') continue
    const [left, right] = clause.split('=')
    const amounts = amountsIn(right === undefined ? clause : right)
    const read = (amount: string) => readAmount(amount, style)?.minor ?? null
    const folded = fold(clause)
    const free = says(folded, WORDS.free)
    if (right !== undefined) {
      // As tables of ours write it: the edge, and what is paid up to it.
      const upTo = /\d/.test(left!) ? read(amountsIn(left!)[0]?.amount ?? '') : null
      const price = read(right.trim())
      if (price === null || (/\d/.test(left!) && upTo === null)) return null
      bands.push({ from: null, upTo, price })
      continue
    }
    let [from, upTo, price]: (number | null)[] = [null, null, free ? 0 : null]
    for (const { before, amount } of amounts) {
      const value = read(amount)
      if (value === null) return null
      const said = fold(before)
      const last = (words: ReadonlySet<string>) => [...words].some((word) => ` ${said}`.endsWith(` ${word}`))
      if (last(WORDS.upTo)) upTo = value
      else if (last(WORDS.from)) from = value
      else if (price === null) price = value
      else return null
    }
    // "Above that 6" is a price, not an edge.
    if (price === null && from !== null && amounts.length === 1) [price, from] = [from, null]
    if (price === null) return null
    bands.push({ from, upTo, price })
  }
  return inOrder(bands)
}

/** Bands that each begin where the one before ends; null where they contradict each other. */
function inOrder(said: readonly { from: number | null; upTo: number | null; price: number }[]): ReadShipping | null {
  let edge = 0
  const starts = said.map(({ from, upTo, price }) => {
    // "Up to 20 … over 20 …" meet at 20, which belongs to the first.
    const start = from === null || from === edge - 1 ? edge : from
    if (upTo !== null) edge = upTo + 1
    return { start, upTo, price }
  })
  const sorted = starts.toSorted((a, b) => a.start - b.start)
  if (sorted.length === 0 || sorted.length > MOST_BANDS || sorted[0]!.start !== 0) return null
  const bands: Bands[number][] = []
  for (const [i, { upTo, price, start }] of sorted.entries()) {
    const next = sorted[i + 1]?.start
    if (next === start || (upTo !== null && next !== undefined && next !== upTo + 1 && next <= upTo)) return null
    bands.push({ upTo: next === undefined ? null : next - 1, price })
  }
  return { bands, above: sorted.at(-1)!.upTo }
}

/** Days until a parcel comes: of "3-5 days" the longer, a week as seven; null where it tells none. */
export function readDays(text: string): number | null {
  const numbers = [...text.matchAll(/\d+/g)].map(([digits]) => Number(digits))
  if (numbers.length === 0) return null
  const days = Math.max(...numbers) * (says(fold(text), WEEKS) ? 7 : 1)
  return days <= 365 ? days : null
}

/** A colour as #RRGGBB: "#1a2b3c", "1A2B3C", "#abc", "rgb(26, 43, 60)", "26 43 60"; null where it is none. */
export function readHex(text: string): string | null {
  const bare = text.trim()
  const [, six] = /^(?:#|0x)?([0-9a-f]{6})$/i.exec(bare) ?? []
  if (six) return `#${six.toUpperCase()}`
  const [, three] = /^#([0-9a-f]{3})$/i.exec(bare) ?? []
  if (three) return `#${[...three].map((digit) => digit + digit).join('')}`.toUpperCase()
  const parts = /^(?:rgb)?\s*\(?\s*(\d{1,3})\s*[,; /]\s*(\d{1,3})\s*[,; /]\s*(\d{1,3})\s*\)?$/i.exec(bare)?.slice(1)
  if (!parts || parts.some((part) => Number(part) > 255)) return null
  return `#${parts.map((part) => Number(part).toString(16).padStart(2, '0')).join('')}`.toUpperCase()
}

/** Read a list of sellers or colours; what no column stands for goes to the notes of a seller. O(rows × columns). */
export function readEntries(kind: 'sellers' | 'colours', list: EntryList, known: KnownThings): ReadEntries {
  const { body, at } = list
  const faults: ListFault[] = []
  const left: number[] = []
  const seen = new Set<string>()
  const told = body.map((row) => {
    const { line, cells } = row
    const cell = (field: Field) => plain(cells[at(field) ?? -1] ?? '')
    const fault = (field: Field, reason: string) => void faults.push({ line, field, reason })
    const before = faults.length
    if (cells.some((one) => TOTALS.has(fold(one)))) {
      left.push(line)
      return { row, entry: null }
    }
    const entry =
      kind === 'sellers' ? sellerIn(row, cell, fault, list, known) : colourIn(line, cell, fault, known.palette)
    if (faults.length > before || entry === null) return { row, entry: null }
    if (seen.has(entry.code)) {
      fault(kind === 'sellers' ? 'seller' : 'colour', `"${entry.name}" stands in more than one row`)
      return { row, entry: null }
    }
    seen.add(entry.code)
    return { row, entry }
  })
  return { entries: told.flatMap(({ entry }) => entry ?? []), faults, left, told }
}

type Cell = (field: Field) => string
type Fault = (field: Field, reason: string) => void

const byName = <T extends { code: string; name: string }>(
  list: readonly T[],
  name: string,
  code = '',
): T | undefined => {
  const folded = fold(name)
  return list.find(
    (one) => (code !== '' && one.code === code) || fold(one.name) === folded || fold(one.code) === folded,
  )
}

function sellerIn(
  { line, cells }: SheetRow,
  cell: Cell,
  fault: Fault,
  { columns, style: whole, at }: EntryList,
  { sellers }: KnownThings,
): ListedSeller | null {
  const name = cell('seller') || cell('name')
  if (name === '') {
    fault(at('seller') === undefined ? 'name' : 'seller', 'says no seller')
    return null
  }
  if (name.length > LONGEST.name) fault('seller', `is longer than ${LONGEST.name} characters`)
  if (cell('country').length > LONGEST.country) fault('country', `is longer than ${LONGEST.country} characters`)
  const there = byName(sellers, name, cell('code'))
  const signs = (['minimum', 'shipping', 'free', 'handling'] as const).map(cell).join(' ')
  const said = cell('currency') === '' ? null : (readAmount(`1 ${cell('currency')}`, whole)?.currency ?? null)
  if (cell('currency') !== '' && said === null) fault('currency', `"${cell('currency')}" is no currency`)
  const signed = amountsIn(signs).flatMap(
    ({ amount }) => readAmount(amount, { ...whole, currency: '' })?.currency || [],
  )
  const currency = said ?? signed[0] ?? there?.currency ?? whole.currency
  if (there && there.currency !== currency)
    fault('currency', `${there.name} sells in ${there.currency}, not in ${currency}`)
  const other = signed.find((one) => one !== currency)
  if (other) fault('currency', `says both ${currency} and ${other}`)
  const style = { ...whole, currency }
  const money = (field: 'minimum' | 'free' | 'handling'): number | null => {
    const text = cell(field)
    if (text === '' || /^[-–—]+$/.test(text)) return null
    if (field !== 'free' && says(fold(text), WORDS.free)) return 0
    const amounts = amountsIn(text)
    const amount = amounts.length > 1 ? null : readAmount(amounts[0]?.amount ?? text, style)
    if (amount === null) fault(field, `"${text}" is no amount`)
    else if (amount.minor > MOST.money) fault(field, `"${text}" is too much`)
    return amount?.minor ?? null
  }
  const [minimum, handling, free] = [money('minimum'), money('handling'), money('free')]
  const text = cell('shipping')
  const told = text === '' ? null : readShipping(text, style)
  if (text !== '' && told === null) fault('shipping', `"${text}" says no shipping that can be read`)
  const shippingBands = told === null || free === null ? (told?.bands ?? null) : freeFrom(told.bands, free)
  if (shippingBands?.some(({ price, upTo }) => price > MOST.money || (upTo ?? 0) > MOST.band))
    fault('shipping', `"${text}" is too much`)
  const time = cell('days')
  const arrivesInDays = time === '' ? null : readDays(time)
  if (time !== '' && arrivesInDays === null) fault('days', `"${time}" is no time of delivery`)
  const stars = cell('rating')
  const rating = /^\d([.,]\d+)?(\s*\/\s*5)?$/.test(stars)
    ? Math.round(Number.parseFloat(stars.replace(',', '.')))
    : null
  const rated = rating !== null && rating >= 1 && rating <= 5
  const taken = new Set<Field>([
    'name',
    'seller',
    'currency',
    'country',
    'minimum',
    'shipping',
    'handling',
    'days',
    'code',
  ])
  if (at('seller') !== undefined) taken.delete('name')
  if (rated) taken.add('rating')
  if (shippingBands !== null) taken.add('free')
  const above = told?.above ?? null
  const open =
    above !== null && free === null ? [`Shipping of more than ${formatMoney(above, currency)} is not told.`] : []
  // What no column stands for is kept in words.
  const kept = columns
    .filter(({ field }) => field === null || !taken.has(field))
    .flatMap(({ index, head, field }) => {
      const own = plain(cells[index] ?? '')
      if (own === '') return []
      return head === '' || field === 'remark' ? [own] : [`${head}: ${own}`]
    })
  const notes = [...kept, ...open].join('; ')
  if (notes.length > LONGEST.notes) fault('remark', `is longer than ${LONGEST.notes} characters`)
  return {
    what: 'seller',
    line,
    code: there?.code ?? newCode('seller', name),
    name: there?.name ?? name,
    there: there !== undefined,
    country: cell('country') || null,
    currency,
    minimum,
    handling,
    arrivesInDays,
    rating: rated ? rating : null,
    shippingBands,
    notes: notes || null,
  }
}

/** Bands that cost nothing from an amount on. */
function freeFrom(bands: Bands, from: number): Bands {
  if (from <= 0) return [{ upTo: null, price: 0 }]
  const below = bands.filter(
    ({ upTo }, i) => i === 0 || (bands[i - 1]!.upTo ?? Infinity) < from - 1 || (upTo ?? Infinity) < from,
  )
  return [...below.slice(0, -1), { upTo: from - 1, price: below.at(-1)!.price }, { upTo: null, price: 0 }]
}

function colourIn(line: number, cell: Cell, fault: Fault, palette: readonly Colour[]): ListedColour | null {
  const name = cell('colour') || cell('name')
  if (name === '') {
    fault('colour', 'says no name')
    return null
  }
  if (name.length > LONGEST.name) fault('colour', `is longer than ${LONGEST.name} characters`)
  const there = byName(palette, name, cell('code'))
  const text = cell('hex')
  const hex = text === '' ? (there?.hex ?? matchColour(name, palette).hex) : readHex(text)
  if (hex === null) {
    fault('hex', text === '' ? `of "${name}" is missing, and its words name no colour` : `"${text}" is no colour`)
    return null
  }
  const finish = finishIn(cell('finish')) ?? finishIn(name) ?? there?.finish ?? 'solid'
  const made = { ...newColour(name, hex, palette), ...(there?.hex === hex ? { family: there.family } : {}) }
  return {
    ...made,
    ...(there ? { code: there.code, name: there.name } : {}),
    finish,
    what: 'colour',
    line,
    there: there !== undefined,
  }
}
