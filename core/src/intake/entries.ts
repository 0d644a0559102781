import { fold, formatCount } from '../base/index.ts'
import type { Colour } from '../catalogue/index.ts'
import { formatMoney, MOST } from '../market/index.ts'
import type { Shipping } from '../sourcing/index.ts'
import type { Column } from './columns.ts'
import { TOTAL_WORDS, WEEK_WORDS, type Field } from './lexicon.ts'
import { newCode, newColour } from './made.ts'
import { finishIn, matchColour } from './match.ts'
import type { KnownThings } from './partFinder.ts'
import { plain, readAmount, saysNone, type CellStyle } from './readCells.ts'
import type { ListFault } from './readList.ts'
import type { SheetRow } from './sheet.ts'
import { amountsIn, bandIn, freeFrom, readShipping, saysFree } from './shipping.ts'
import { wordList } from './words.ts'

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
  shipping: Shipping | null
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

const TOTALS = new Set(wordList(TOTAL_WORDS))
const WEEKS = new Set(wordList(WEEK_WORDS))
const LONGEST = { name: 120, country: 120, notes: 2000 } as const

/** Whether a folded text has one of some words. */
const says = (folded: string, words: ReadonlySet<string>): boolean => folded.split(' ').some((word) => words.has(word))

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
    if (field !== 'free' && (saysFree(text) || saysNone(text))) return 0
    const amounts = amountsIn(text)
    const amount = amounts.length > 1 ? null : readAmount(amounts[0]?.amount ?? text, style)
    if (amount === null) fault(field, `"${text}" is no amount`)
    else if (amount.minor > MOST.money) fault(field, `"${text}" is too much`)
    return amount?.minor ?? null
  }
  const [minimum, handling, free] = [money('minimum'), money('handling'), money('free')]
  const text = shippingIn(columns, cells)
  const told = text === '' ? null : readShipping(text, style)
  if (text !== '' && told === null) fault('shipping', `"${text}" says no shipping that can be read`)
  const isFree = told?.basis === 'value' && free !== null
  const shipping = told && { basis: told.basis, bands: isFree ? freeFrom(told.bands, free) : told.bands }
  if (shipping?.bands.some(({ price, upTo }) => price > MOST.money || (upTo ?? 0) > MOST.band))
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
  if (isFree) taken.add('free')
  const above = told?.above ?? null
  const open =
    above !== null && !isFree ? [`Shipping of more than ${amountOf(told!.basis, above, currency)} is not told.`] : []
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
    shipping,
    notes: notes || null,
  }
}

/** What a row says of shipping: in one column, or in one for each band, whose heads tell from where to where. */
function shippingIn(columns: readonly Column[], cells: readonly string[]): string {
  const told = columns.flatMap(({ index, head, field }) => {
    const text = plain(cells[index] ?? '')
    if (field !== 'shipping' || text === '' || /^[-–—]+$/.test(text)) return []
    return bandIn(head) !== null ? `${head}: ${text}` : text
  })
  return told.join('; ')
}

const amountOf = (basis: Shipping['basis'], amount: number, currency: string): string =>
  basis === 'value' ? formatMoney(amount, currency) : `${formatCount(amount)} ${basis === 'weight' ? 'g' : 'parts'}`

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
