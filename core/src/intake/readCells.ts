import { fold } from '../base/index.ts'
import { digitsOf, homeCurrency } from '../market/index.ts'
import { isDate } from '../tables/index.ts'
import { ABOUT_WORDS, CONDITION_WORDS, COUNT_WORDS, NONE_WORDS, PIECE_WORDS } from './lexicon.ts'
import { wordList } from './words.ts'

/** A cell without the signs that only steer printers and screens. */
export const plain = (cell: string) => cell.replace(/[\u0000-\u001f\u007f]+/g, ' ').trim()

/** How the cells of a list are written, found for the whole list, since a single cell may be read either way. */
export interface CellStyle {
  /** The sign before cents. */
  decimal: ',' | '.'
  dayFirst: boolean
  /** Of amounts without a sign of their own; ISO 4217. */
  currency: string
}

const SIGNS: Readonly<Record<string, string>> = {
  '€': 'EUR',
  $: 'USD',
  '£': 'GBP',
  '¥': 'JPY',
  zł: 'PLN',
  zl: 'PLN',
  kr: 'SEK',
  fr: 'CHF',
  chf: 'CHF',
  r$: 'BRL',
  kč: 'CZK',
  ft: 'HUF',
  eur: 'EUR',
  euro: 'EUR',
  euros: 'EUR',
}

const AMOUNT = /^([^\d\s+-]*)\s*([+-]?\d[\d.,' \u00a0\u202f]*)\s*([^\d]*)$/u

/** The currency a sign or code stands for; null for none known, undefined for no sign. */
function currencyOf(sign: string): string | null | undefined {
  const bare = sign.trim().replace(/[.:]$/, '').toLowerCase()
  if (bare === '') return undefined
  if (SIGNS[bare]) return SIGNS[bare]
  if (/^[a-z]{3}$/.test(bare)) return bare.toUpperCase()
  return null
}

/** The currency most of these cells or heads name; that of home where none does. */
export function currencyIn(cells: readonly string[]): string {
  const counts = new Map<string, number>()
  for (const cell of cells)
    for (const [sign] of cell.matchAll(
      /[€$£¥]|zł|R\$|\b(?:EUR|USD|GBP|CHF|PLN|SEK|NOK|DKK|CZK|HUF|JPY|CAD|AUD|BRL)\b/g,
    )) {
      const code = currencyOf(sign)
      if (code) counts.set(code, (counts.get(code) ?? 0) + 1)
    }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? homeCurrency()
}

/** An amount in minor units. */
export interface Amount {
  minor: number
  currency: string
}

/** Words for the hundredth of what a currency counts in; pence are of pounds whatever else is said. */
const HUNDREDTHS = /^(\d{1,4})\s*(p|pence|¢|c|cts?|cents?|centimes|c[ée]ntimos?|centesim[oi]|grosz[ey])\.?$/i

/** An amount as people write it: "1,20 €", "EUR 1.20", "£3", "1.234,50", "45p", "80 ct"; null where it is none. */
export function readAmount(
  text: string,
  { decimal, currency }: Pick<CellStyle, 'decimal' | 'currency'>,
): Amount | null {
  const [, few, word = ''] = HUNDREDTHS.exec(text.trim()) ?? []
  if (few !== undefined) {
    const own = /^p/i.test(word) ? 'GBP' : currency
    return digitsOf(own) === 2 ? { minor: Number(few), currency: own } : null
  }
  // "3,-" is three.
  const parts = AMOUNT.exec(text.trim().replace(/(\d)[.,]\s*[-–—]+/, '$1'))
  if (!parts) return null
  const [, before = '', digits = '', after = ''] = parts
  // "each" and the like after an amount say nothing about it.
  const trailing = after.replace(/\b(each|ea|stk|st|pro|per|pc|pcs|piece)\b.*$/i, '').replace(/\/.*$/, '')
  const said = [currencyOf(before), currencyOf(trailing)]
  if (said.includes(null)) return null
  const own = said[0] ?? said[1] ?? currency
  const bare = digits.replace(/[' \u00a0\u202f]/g, '')
  const signs = [...bare.matchAll(/[.,]/g)].map(([sign]) => sign)
  const last = signs.at(-1)
  let point: string | null = null
  if (last !== undefined) {
    const cents = bare.length - 1 - bare.lastIndexOf(last)
    const both = new Set(signs).size === 2
    if (both) point = last
    else if (signs.length > 1) point = null
    else if (cents === 3 && last !== decimal) point = null
    else point = last
    // Dates and numbers of versions have points, too; those of amounts stand between groups of three.
    const whole = point === null ? bare : bare.slice(0, bare.lastIndexOf(point))
    if (/[.,]/.test(whole) && !/^\d{1,3}(?:([.,])\d{3})(?:\1\d{3})*$/.test(whole)) return null
  }
  const plain =
    point === null ? bare.replace(/[.,]/g, '') : bare.replaceAll(point === '.' ? ',' : '.', '').replace(point, '.')
  const value = Number(plain)
  if (!Number.isFinite(value) || value < 0) return null
  let factor: number
  try {
    factor = 10 ** digitsOf(own)
  } catch {
    return null
  }
  return { minor: Math.round(value * factor), currency: own }
}

/** Which sign stands before cents in these cells; `sure` unless none of them tells. */
export function decimalOf(cells: readonly string[]): { decimal: ',' | '.'; sure: boolean } {
  let [comma, point, open] = [0, 0, 0]
  for (const cell of cells) {
    const [digits = ''] = /\d[\d.,' ]*/.exec(cell) ?? []
    const bare = digits.replace(/[' ]/g, '').replace(/[.,]$/, '')
    const at = Math.max(bare.lastIndexOf(','), bare.lastIndexOf('.'))
    if (at < 0) continue
    const sign = bare[at]
    const both = bare.includes(',') && bare.includes('.')
    if (!both && bare.length - at - 1 === 3) open += 1
    else if (sign === ',') comma += 1
    else point += 1
  }
  return { decimal: comma > point ? ',' : '.', sure: open === 0 || comma + point > 0 }
}

const PIECES = new Set(wordList(PIECE_WORDS))
const ABOUT = new Set(wordList(ABOUT_WORDS))
const NONE = new Set(wordList(NONE_WORDS))

/** Whether a cell says that there is none. */
export const saysNone = (text: string): boolean => NONE.has(fold(text))

const COUNT = /^(?:([^\d]*?)\s*)?(\d[\d.,' ]*)\s*([^\d]*)$/u

const WRITTEN_OUT = new Map(
  Object.entries(COUNT_WORDS).flatMap(([count, words]) => wordList(words).map((word) => [word, Number(count)])),
)

/** A count in words, with or without one for pieces: "zwei", "two pcs"; null where it is none. */
function countInWords(text: string): number | null {
  const words = fold(text)
  const last = words.lastIndexOf(' ')
  const bare = last > 0 && PIECES.has(words.slice(last + 1).replace(/\.$/, '')) ? words.slice(0, last) : words
  return WRITTEN_OUT.get(bare) ?? null
}

/** A count without what says that it is not exact, and without what is said of it in brackets: "ca. 4", "2 (one broken)". */
function exactly(text: string): string {
  const told = text.replace(/\s*\([^)]*\)\s*$/, '').trim()
  const [first = '', ...rest] = told.split(/\s+/)
  if (/^[~≈]/.test(told)) return told.slice(1).trim()
  return rest.length > 0 && ABOUT.has(fold(first)) ? rest.join(' ') : told
}

/** Whether a cell says more of a count than the number. */
export const saysMore = (text: string): boolean =>
  readCount(text) !== null && !NONE.has(fold(text)) && exactly(text) !== text.trim()

/**
 * A count as people write it: "3", "12 Stk.", "2x", "x 4", "1.0", "zwei", "ca. 4", "sold out"; null where it is none. What else is said
 * of it (`saysMore`) is left to whoever keeps remarks.
 */
export function readCount(text: string): number | null {
  if (NONE.has(fold(text))) return 0
  const bare = exactly(text)
  const parts = COUNT.exec(bare)
  if (!parts) return countInWords(bare)
  const [, before = '', digits = '', after = ''] = parts
  if (![before, after].every((word) => fold(word) === '' || fold(word) === '×' || PIECES.has(fold(word)))) return null
  const number = digits.replace(/[' ]/g, '')
  // "3,0" and "3.00" are three; "1.000" and "1,000" are a thousand.
  const whole = /^\d+[.,]0{1,2}$/.test(number)
    ? number.replace(/[.,].*$/, '')
    : number.replace(/[.,](?=\d{3}(?:\D|$))/g, '')
  return /^\d+$/.test(whole) ? Number(whole) : null
}

/** Months by their folded names and abbreviations in the languages of the lexicon. */
const MONTHS = new Map(
  ['en', 'de', 'fr', 'nl', 'es', 'it', 'pl', 'pt'].flatMap((language) =>
    (['long', 'short'] as const).flatMap((month) =>
      Array.from({ length: 12 }, (_, i): [string, number] => [
        fold(new Intl.DateTimeFormat(language, { month, timeZone: 'UTC' }).format(Date.UTC(2026, i, 15))),
        i + 1,
      ]),
    ),
  ),
)

const two = (n: number | string) => String(n).padStart(2, '0')
const fullYear = (year: string) => (year.length === 2 ? `20${year}` : year)

/** A date as people write it, as ISO 8601; a month alone is its first day; null where it is none. */
export function readDate(text: string, dayFirst: boolean): string | null {
  const bare = text.trim().replace(/[T ]\d{1,2}:\d{2}.*$/, '')
  const iso = /^(\d{4})[-/.](\d{1,2})(?:[-/.](\d{1,2}))?$/.exec(bare)
  if (iso) return dated(iso[1]!, iso[2]!, iso[3] ?? '1')
  const parts = /^(\d{1,2})[./-]\s?(\d{1,2})[./-]\s?(\d{4}|\d{2})$/.exec(bare)
  if (parts) {
    const [, a = '', b = '', year = ''] = parts
    const swapped = Number(a) > 12 ? false : Number(b) > 12 ? true : !dayFirst
    return swapped ? dated(fullYear(year), a, b) : dated(fullYear(year), b, a)
  }
  const month = /^(\d{1,2})[./-](\d{4}|\d{2})$/.exec(bare)
  if (month) return dated(fullYear(month[2]!), month[1]!, '1')
  const words = fold(bare).split(' ')
  const named = words.find((word) => MONTHS.has(word))
  const year = words.find((word) => /^\d{4}$/.test(word))
  if (!named || !year) return null
  return dated(year, String(MONTHS.get(named)), words.find((word) => /^\d{1,2}$/.test(word)) ?? '1')
}

function dated(year: string, month: string, day: string): string | null {
  const date = `${year}-${two(month)}-${two(day)}`
  return isDate(date) ? date : null
}

/** Whether days stand before months in these cells; `sure` unless none of them tells. */
export function dayFirstIn(cells: readonly string[]): { dayFirst: boolean; sure: boolean } {
  let [first, second, open] = [0, 0, 0]
  for (const cell of cells) {
    const [, a, sign, b] = /^(\d{1,2})([./-])\s?(\d{1,2})[./-]\s?\d{2,4}/.exec(cell.trim()) ?? []
    if (a === undefined || b === undefined) continue
    // Points stand between the parts of dates only where days come first.
    if (Number(a) > 12 || sign === '.') first += 1
    else if (Number(b) > 12) second += 1
    else if (a !== b) open += 1
  }
  return { dayFirst: first >= second, sure: open === 0 || first + second > 0 }
}

const CONDITION_OF = new Map(
  (['new', 'used'] as const).flatMap((condition) =>
    wordList(CONDITION_WORDS[condition]).map((word): [string, 'new' | 'used'] => [word, condition]),
  ),
)

/** The beginnings of words that people cut short, as in "gebr." */
const SHORTEST_CUT = 3

/** New or used, by the first word of a cell that says so, whole or cut short; null where none does. */
export function readCondition(text: string): 'new' | 'used' | null {
  const folded = fold(text)
  const whole = CONDITION_OF.get(folded)
  if (whole) return whole
  // "Like new" is not new.
  const said = [...CONDITION_OF].find(([phrase]) => phrase.includes(' ') && ` ${folded} `.includes(` ${phrase} `))
  if (said) return said[1]
  const words = folded.split(' ')
  for (const word of words) if (word.length > 1 && CONDITION_OF.has(word)) return CONDITION_OF.get(word)!
  for (const word of words.filter(({ length }) => length >= SHORTEST_CUT)) {
    const meant = new Set(
      [...CONDITION_OF].flatMap(([one, condition]) => (!one.includes(' ') && one.startsWith(word) ? condition : [])),
    )
    if (meant.size === 1) return [...meant][0]!
  }
  return null
}

/** Words a number before them is part of: "2 tone torso", "3 piece suit". */
const OF_NUMBERS = /^\d+\s+(?:tone|colou?r|faced|sided|eyed|piece|part|d)s?\b/i

/** A number before a name without a sign that it counts, as in "20 hands" or "~20 hands". */
const BARE_COUNT = /^((?:[~≈]|ca\.?\s|circa\s|about\s|approx\.?\s)?\s*\d{1,3})\s+(\p{L}{2,}.*)$/iu

/** Whether a name begins with a number that says how many. */
export const beginsWithCount = (name: string): boolean => BARE_COUNT.test(name) && !OF_NUMBERS.test(name)

/**
 * A count that stands with the name, as in "2x red torso", "torso (3 pcs)" or "torso: 3", apart from it; where `bare` a
 * number before the name counts as well.
 */
export function countedIn(name: string, bare: boolean): { name: string; count: string } {
  const [, before, after] = /^([~≈]?\s*\d{1,4}\s*[x×]|[x×]\s*\d{1,4})\s+(\S.*)$/i.exec(name) ?? []
  if (before !== undefined && after !== undefined) return { name: after, count: before }
  const [, thing, times, more] = /^(\S.*?)\s+(\d{1,4}\s*[x×]|[x×]\s*\d{1,4})\s+(\(.*\))$/i.exec(name) ?? []
  if (thing !== undefined && times !== undefined) return { name: thing, count: `${times} ${more}` }
  const [, words, behind] = /^(\S.*?)\s*\(?\b([x×]\s*\d{1,4}|\d{1,4}\s*(?:x|×|pcs|stk\.?|szt\.?))\)?$/i.exec(name) ?? []
  if (words !== undefined && behind !== undefined) return { name: words, count: behind }
  // "Torso: 3", "torso - 3" and "torso (3)".
  const [, named, told, within] =
    /^(\p{L}.*?)(?:\s*[:=]\s*|\s+[-–—]\s+)(\d{1,3})$|^(?:\p{L}.*?)\s*\((\d{1,3})\)$/u.exec(name) ?? []
  if (named !== undefined && told !== undefined) return { name: named, count: told }
  if (within !== undefined) return { name: name.replace(/\s*\(\d+\)$/, ''), count: within }
  const [, number, rest] = (bare && beginsWithCount(name) && BARE_COUNT.exec(name)) || []
  return number !== undefined && rest !== undefined ? { name: rest, count: number } : { name, count: '' }
}
