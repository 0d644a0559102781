/** Five numbers of a set of prices, in their unit. */
export interface Spread {
  n: number
  low: number
  q1: number
  median: number
  q3: number
  high: number
}

/**
 * The value below which a share `p` of sorted numbers lies, between neighbours in proportion (type 7 of Hyndman and Fan,
 * "Sample quantiles in statistical packages", 1996). `sorted` must not be empty.
 */
export function quantile(sorted: readonly number[], p: number): number {
  const at = (sorted.length - 1) * p
  const below = Math.floor(at)
  const low = sorted[below]!
  return low + ((sorted[below + 1] ?? low) - low) * (at - below)
}

/** Lowest, quartiles, median and highest; null of nothing. */
export function spreadOf(values: readonly number[]): Spread | null {
  if (values.length === 0) return null
  const sorted = [...values].sort((a, b) => a - b)
  return {
    n: sorted.length,
    low: sorted[0]!,
    q1: quantile(sorted, 0.25),
    median: quantile(sorted, 0.5),
    q3: quantile(sorted, 0.75),
    high: sorted.at(-1)!,
  }
}

/** Fewer prices than this tell too little of what is usual to call one of them unusual. */
export const FEWEST_FOR_OUTLIERS = 5
/** The modified z-score beyond which a value is an outlier (Iglewicz and Hoaglin, "How to detect and handle outliers", 1993). */
const BEYOND = 3.5

/** Why a price is unusual: how many times the median it is, and within what prices usually are. */
export interface Outlier {
  index: number
  times: number
  usual: { from: number; to: number; median: number; n: number }
}

/**
 * Prices far from the others by their median absolute deviation, on a logarithmic scale since prices differ by factors: the
 * modified z-score 0.6745 · (x − median) / MAD beyond 3.5. Where more than half of them are the same, so that the MAD is 0,
 * 1.2533 times the mean absolute deviation takes its place, as the source advises. Prices must not be negative; free ones
 * are left out.
 */
export function outliersOf(prices: readonly number[]): Outlier[] {
  const kept = prices.flatMap((price, index) => (price > 0 ? [{ index, log: Math.log(price) }] : []))
  if (kept.length < FEWEST_FOR_OUTLIERS) return []
  const middle = spreadOf(kept.map(({ log }) => log))!.median
  const away = kept.map(({ log }) => Math.abs(log - middle))
  const mad = spreadOf(away)!.median
  const scale = mad > 0 ? mad / 0.6745 : 1.2533 * (away.reduce((sum, one) => sum + one, 0) / away.length)
  if (scale === 0) return []
  const usual = {
    from: Math.exp(middle - BEYOND * scale),
    to: Math.exp(middle + BEYOND * scale),
    median: Math.exp(middle),
    n: kept.length,
  }
  return kept
    .filter((_, i) => away[i]! > BEYOND * scale)
    .map(({ index, log }) => ({ index, times: Math.exp(log - middle), usual }))
}
