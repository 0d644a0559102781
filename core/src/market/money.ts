/** Money is an integer in the minor unit of an ISO 4217 currency. */
const DIGITS = new Map<string, number>()

function digitsOf(currency: string): number {
  let digits = DIGITS.get(currency)
  if (digits === undefined) {
    digits = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2
    DIGITS.set(currency, digits)
  }
  return digits
}

/** "€9.10": minor units as a person reads them. */
export function formatMoney(minor: number, currency: string): string {
  const digits = digitsOf(currency)
  return new Intl.NumberFormat('en', { style: 'currency', currency, minimumFractionDigits: digits }).format(
    minor / 10 ** digits,
  )
}

/** Plain decimal for files: "9.10". */
export const decimalMoney = (minor: number, currency: string) =>
  (minor / 10 ** digitsOf(currency)).toFixed(digitsOf(currency))

/** Split an amount in proportion to weights; the shares add up to it exactly (largest remainders get the odd units). */
export function shareOut(amount: number, weights: readonly number[]): number[] {
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

/** What prices are compared in; sellers' own currencies are converted through the rate table. */
export const HOME_CURRENCY = 'EUR'
