import { forms, USUAL_FORMS } from '../base/index.ts'

/** Making a formatter takes far longer than using it, so each currency has one for each way of writing. Money is an integer in the minor unit. */
const FORMATS = new Map<string, { format: Intl.NumberFormat; digits: number }>()

function formatOf(currency: string): { format: Intl.NumberFormat; digits: number } {
  const { locale } = forms()
  const key = `${locale} ${currency}`
  let known = FORMATS.get(key)
  if (!known) {
    // English without a country writes every currency by its shortest sign.
    const format = new Intl.NumberFormat(locale === USUAL_FORMS.locale ? 'en' : locale, { style: 'currency', currency })
    known = { format, digits: format.resolvedOptions().maximumFractionDigits ?? 2 }
    FORMATS.set(key, known)
  }
  return known
}

/** Digits of the minor unit of an ISO 4217 currency: none of a yen, two of a euro, three of a dinar. */
export const digitsOf = (currency: string): number => formatOf(currency).digits

/** "€", "CHF": how a currency is written before an amount. */
export const signOf = (currency: string): string =>
  formatOf(currency)
    .format.formatToParts(0)
    .find(({ type }) => type === 'currency')?.value ?? currency

/** "€9.10": minor units of an ISO 4217 currency as a person reads them. */
export function formatMoney(minor: number, currency: string): string {
  const { format, digits } = formatOf(currency)
  return format.format(minor / 10 ** digits)
}

/** Plain decimal for files: "9.10". */
export function decimalMoney(minor: number, currency: string): string {
  const { digits } = formatOf(currency)
  return (minor / 10 ** digits).toFixed(digits)
}

/**
 * Without what groups thousands: blanks and apostrophes, and of points and commas those that stand more than once, or before
 * the other kind. A single one parts the minor unit.
 */
function ungrouped(amount: string): string {
  const plain = amount.replace(/(?<=\d)[\s'’](?=\d{3}(?!\d))/gu, '')
  const [, head, group, tail = ''] = /^(\d{1,3})([.,])(.+)$/.exec(plain) ?? []
  if (head === undefined || group === undefined) return plain
  const [whole, ...parts] = tail.split(group === '.' ? ',' : '.')
  const groups = whole!.split(group)
  const isGrouped = groups.every((three) => /^\d{3}$/.test(three)) && parts.length <= 1
  if (!isGrouped || (groups.length === 1 && parts.length === 0)) return plain
  return [head + groups.join(''), ...parts].join('.')
}

/**
 * An amount as people write it, "34.99" or "34,99", in minor units of an ISO 4217 currency. Throws a sentence where it is
 * no amount, is below nothing, or has more digits than the currency.
 */
export function readMoney(text: string, currency: string): number {
  if (!/^[A-Z]{3}$/.test(currency)) throw new Error(`"${currency}" is no currency of three capital letters`)
  const { digits } = formatOf(currency)
  const example = decimalMoney(3499, currency)
  // With the sign or the code of the currency, as people write it: "60,00 €".
  const bare = [signOf(currency), currency].reduce((rest, one) => rest.replace(one, ''), text).trim()
  const [, whole, fraction = ''] = /^(\d+)(?:[.,](\d+))?$/.exec(ungrouped(bare)) ?? []
  if (whole === undefined) throw new Error(`"${text}" is no amount; write it as ${example}`)
  if (fraction.length > digits)
    throw new Error(`"${text}" has more digits than ${currency} knows; write it as ${example}`)
  const minor = Number(whole + fraction.padEnd(digits, '0'))
  if (!Number.isSafeInteger(minor)) throw new Error(`"${text}" is too much`)
  return minor
}

/** Split an amount in proportion to weights; the shares add up to it exactly (largest remainders get the odd units). */
export function splitAmount(amount: number, weights: readonly number[]): number[] {
  const sum = weights.reduce((total, weight) => total + weight, 0)
  if (weights.length === 0) return []
  const exact = weights.map((weight) => (sum > 0 ? (amount * weight) / sum : amount / weights.length))
  const shares = exact.map(Math.floor)
  let odd = amount - shares.reduce((total, share) => total + share, 0)
  const order = exact
    .map((value, i) => ({ i, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i)
  for (const { i } of order) {
    if (odd <= 0) break
    shares[i]! += 1
    odd -= 1
  }
  return shares
}
