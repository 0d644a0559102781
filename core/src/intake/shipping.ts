import { fold } from '../base/index.ts'
import type { Shipping } from '../sourcing/index.ts'
import { ELSE_WORDS, SHIPPING_WORDS } from './lexicon.ts'
import { readAmount, type CellStyle } from './readCells.ts'
import { wordList } from './words.ts'

/** Shipping as it was read; `above` is the amount beyond which a text says nothing, null where it tells of all. */
export interface ReadShipping {
  basis: Shipping['basis']
  bands: Shipping['bands']
  above: number | null
}

type Style = Pick<CellStyle, 'decimal' | 'currency'>

const WORDS = {
  free: new Set(wordList(SHIPPING_WORDS.free)),
  from: new Set(wordList(SHIPPING_WORDS.from)),
  upTo: new Set(wordList(SHIPPING_WORDS.upTo)),
  per: new Set(wordList(SHIPPING_WORDS.per)),
}
/** What shipping can go by beside the value of goods, with grams or parts of a unit. */
const UNITS = new Map(
  (
    [
      [SHIPPING_WORDS.grams, 'weight', 1],
      [SHIPPING_WORDS.kilos, 'weight', 1000],
      [SHIPPING_WORDS.parts, 'count', 1],
    ] as const
  ).flatMap(([words, basis, of]) => wordList(words).map((word) => [word, { basis, of }] as const)),
)
const MOST_BANDS = 40
const ELSE = new RegExp(String.raw`(?<!\p{L})(?:${wordList(ELSE_WORDS).join('|')})(?!\p{L})`, 'giu')

/** Whether a folded text has one of some phrases, as whole words. */
const says = (folded: string, phrases: ReadonlySet<string>): boolean => {
  const words = ` ${folded} `
  return [...phrases].some((phrase) => words.includes(` ${phrase} `))
}

/** Whether a text says that nothing is to be paid. */
export const saysFree = (text: string): boolean => says(fold(text), WORDS.free)

const SIGN = String.raw`R\$|[€$£¥]|(?<!\p{L})(?:[A-Z]{3}|zł|kr|Kč|Ft)(?!\p{L})`
const AMOUNTS = new RegExp(String.raw`(?:${SIGN})?\s*\d[\d.,' ]*(?:\s*(?:${SIGN}))?`, 'gu')

/** Amounts of a text, each with the words before it since the last one, and the word behind it. */
export function amountsIn(text: string): { before: string; amount: string; after: string }[] {
  // Three capitals are the code of a currency, unless they are a unit: "10 PCS".
  const told = text.replace(/\p{Lu}{2,}/gu, (word) => (UNITS.has(fold(word)) ? word.toLowerCase() : word))
  const found: { before: string; amount: string; after: string }[] = []
  let from = 0
  for (const match of told.matchAll(AMOUNTS)) {
    // A sign that ends a part of a sentence is none of the number.
    const amount = match[0].replace(/[.,' ]+$/, '')
    const end = match.index + match[0].length
    const [after = ''] = fold(/^[\p{L}.]*/u.exec(told.slice(end))![0]).split(' ')
    found.push({ before: told.slice(from, match.index), amount, after })
    from = end
  }
  return found
}

/** Where a band begins or ends: minor units of money, grams or parts. */
interface Edge {
  value: number
  basis: Shipping['basis']
}

interface Clause {
  from: Edge | null
  upTo: Edge | null
  price: number | null
}

/**
 * Shipping as people write it: "3,50 €", "free", "bis 20 €: 3,50; darüber 6", "4.50, free from 50", "0-100 g: 2.50, 100-500 g:
 * 4", "up to 10 parts 3.50", "20=3.50; any=6". The last price holds for more than the text tells of. Null where it says none
 * that can be read, or goes by several things at once.
 */
export function readShipping(text: string, style: Style): ReadShipping | null {
  const clauses: Clause[] = []
  let open: Clause | null = null
  /** What is left open by itself: "above that 6" is a price, not an edge. */
  const closed = (clause: Clause | null): boolean => {
    if (clause === null) return true
    if (clause.from?.basis !== 'value' || clause.upTo !== null) return false
    clauses.push({ from: null, upTo: null, price: clause.from.value })
    return true
  }
  for (const part of text.replace(ELSE, ';').split(/[;\n|]|,\s|\/(?!\d)|(?<=\d)\/(?=\s*(?:\p{L}|\d+\s*=))/u)) {
    if (part.trim() === '') continue
    const clause = readClause(part, style)
    if (clause === null) return null
    // "Up to 100 g, 2.50": what is told of it comes behind the comma.
    if (open !== null && clause.price !== null && clause.from === null && clause.upTo === null) {
      clauses.push({ ...open, price: clause.price })
      open = null
      continue
    }
    if (!closed(open)) return null
    open = clause.price === null ? clause : null
    if (clause.price !== null) clauses.push(clause)
  }
  if (!closed(open)) return null
  const bases = new Set(clauses.flatMap(({ from, upTo }) => [from, upTo].flatMap((edge) => edge?.basis ?? [])))
  if (bases.size > 1) return null
  const [basis = 'value'] = bases
  const bands = inOrder(
    clauses.map(({ from, upTo, price }) => ({ from: from?.value ?? null, upTo: upTo?.value ?? null, price: price! })),
  )
  return bands && { basis, ...bands }
}

/** One band as it is told; a price of null where it tells only from where to where. Null where it cannot be read. */
function readClause(clause: string, style: Style): Clause | null {
  const [left, right] = clause.split('=')
  const edgeOf = (amount: string, after: string): Edge | null => {
    const unit = UNITS.get(after)
    const read = readAmount(amount, unit ? { ...style, currency: 'EUR' } : style)
    if (read === null) return null
    return unit
      ? { value: Math.round((read.minor / 100) * unit.of), basis: unit.basis }
      : { value: read.minor, basis: 'value' }
  }
  if (right !== undefined) {
    // As tables of ours write it: the edge, and what is paid up to it.
    const [first] = amountsIn(left!)
    const upTo = first ? edgeOf(first.amount, first.after) : null
    const price = readAmount(right.trim(), style)?.minor ?? null
    return price === null || (first && upTo === null) ? null : { from: null, upTo, price }
  }
  const amounts = amountsIn(clause)
  const free = saysFree(clause)
  let [from, upTo]: (Edge | null)[] = [null, null]
  let plain: string | null = null
  for (const [i, { before, amount, after }] of amounts.entries()) {
    const said = fold(before)
    const last = (words: ReadonlySet<string>) => [...words].some((word) => ` ${said}`.endsWith(` ${word}`))
    // By the piece or by the gram is no band.
    if (last(WORDS.per) || WORDS.per.has(after)) return null
    const edge = edgeOf(amount, after)
    if (edge === null) return null
    const isRange = plain !== null && (/^\s*[-–—]\s*$/.test(before) || WORDS.upTo.has(said))
    if (isRange && from === null && upTo === null && (free || i + 1 < amounts.length)) {
      ;[from, upTo] = [edgeOf(plain!, after), edge]
      plain = null
    } else if (last(WORDS.from)) from = edge
    else if (last(WORDS.upTo) || (edge.basis !== 'value' && upTo === null)) upTo = edge
    else if (plain === null) plain = amount
    else return null
  }
  if (free) return plain === null ? { from, upTo, price: 0 } : null
  if (plain === null) return from === null && upTo === null ? null : { from, upTo, price: null }
  return { from, upTo, price: readAmount(plain, style)?.minor ?? null }
}

/** Bands that each begin where the one before ends; null where they contradict each other. */
function inOrder(
  said: readonly { from: number | null; upTo: number | null; price: number }[],
): Omit<ReadShipping, 'basis'> | null {
  let edge = 0
  const starts = said.map(({ from, upTo, price }) => {
    // "Up to 20 … over 20 …" meet at 20, which belongs to the first.
    const start = from === null || from === edge - 1 ? edge : from
    if (upTo !== null) edge = upTo + 1
    return { start, upTo, price }
  })
  const sorted = starts.toSorted((a, b) => a.start - b.start)
  if (sorted.length === 0 || sorted.length > MOST_BANDS || sorted[0]!.start !== 0) return null
  const bands: Shipping['bands'][number][] = []
  for (const [i, { upTo, price, start }] of sorted.entries()) {
    const next = sorted[i + 1]?.start
    if (next === start || (upTo !== null && next !== undefined && next !== upTo + 1 && next <= upTo)) return null
    bands.push({ upTo: next === undefined ? null : next - 1, price })
  }
  return { bands, above: sorted.at(-1)!.upTo }
}

/** Bands by value that cost nothing from an amount on. */
export function freeFrom(bands: Shipping['bands'], from: number): Shipping['bands'] {
  if (from <= 0) return [{ upTo: null, price: 0 }]
  const below = bands.filter(
    ({ upTo }, i) => i === 0 || (bands[i - 1]!.upTo ?? Infinity) < from - 1 || (upTo ?? Infinity) < from,
  )
  return [...below.slice(0, -1), { upTo: from - 1, price: below.at(-1)!.price }, { upTo: null, price: 0 }]
}

/** What the head of a column tells shipping by, where it says from where to where: "Versand bis 100 g"; else null. */
export function bandIn(head: string): Shipping['basis'] | null {
  if (!/\d/.test(head)) return null
  // "2-4 days" are none of money.
  const isOfMoney = new RegExp(SIGN, 'u').test(head) || says(fold(head), WORDS.from) || says(fold(head), WORDS.upTo)
  const clause = readClause(`${head}: 1`, { decimal: ',', currency: 'EUR' })
  const basis = clause?.from?.basis ?? clause?.upTo?.basis ?? null
  return basis === 'value' && !isOfMoney ? null : basis
}
