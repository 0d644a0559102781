import { daysBetween } from '../base/index.ts'
import { outliersOf, spreadOf, type Outlier, type Spread } from './robust.ts'
import { trendOf, type Trend } from './trend.ts'

/** What a seller asked for a unit of a thing from a day on, in its own currency, and how many there were; none: gone. */
export interface Quote {
  date: string
  seller: string
  condition: 'new' | 'used'
  multiple: number
  /** Tells lines of one sheet apart that are alike in all but price. */
  nth: number
  price: number
  currency: string
  stock: number
}

/** What an amount in some currency is worth at home on a day; null where no rate is known. */
export type Worth = (amount: number, currency: string, date: string) => number | null

/** A day a seller's whole list was read. */
export interface Heard {
  seller: string
  date: string
}

/** Whose prices count: all, or of one condition. */
export const PRICE_CONDITIONS = ['any', 'new', 'used'] as const
export type PriceCondition = (typeof PRICE_CONDITIONS)[number]

export interface PricePoint extends Spread {
  date: string
}

export interface PriceSeries {
  condition: PriceCondition
  /** Days on which anything was for sale, the oldest first. */
  points: PricePoint[]
  trend: Trend
}

/** An offer as it stands on the last day, with why its price is unusual. */
export interface StandingOffer extends Quote {
  /** Its price in the home currency on the last day. */
  home: number
  /** The day the seller was last heard of this offer. */
  heard: string
  outlier: Omit<Outlier, 'index'> | null
}

export interface PriceHistory {
  series: PriceSeries[]
  offers: StandingOffer[]
  /** Every price that was ever put down, in the home currency on its day; the oldest first. */
  asked: (Pick<Quote, 'date' | 'seller' | 'condition'> & { home: number })[]
}

/** After so many days unheard a seller's prices are stale: they are not counted among the prices of a day. */
export const STALE_DAYS = 21

/**
 * The history of a thing's prices: for each day anybody was heard, the spread of what was for sale then. An offer counts
 * from its quote until the next one, as long as its seller was heard within STALE_DAYS. Offers of too few units to be sold
 * do not count, nor do those in money that has no rate yet. Unusual prices are told of the last day's offers, each among
 * those of its condition. O(days × quotes of the thing).
 */
export function priceHistory(quotes: readonly Quote[], heard: readonly Heard[], worth: Worth): PriceHistory {
  const sorted = [...quotes].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0))
  const first = sorted[0]?.date
  if (first === undefined) return { series: [], offers: [], asked: [] }
  const days = [...new Set([...heard, ...sorted].map(({ date }) => date))].filter((date) => date >= first).sort()
  const heardBySeller = new Map<string, string[]>()
  for (const { seller, date } of heard) heardBySeller.set(seller, [...(heardBySeller.get(seller) ?? []), date])
  const keyOf = ({ seller, condition, multiple, nth }: Quote) => `${seller} ${condition} ${multiple} ${nth}`
  const now = new Map<string, Quote>()
  const lastHeard = new Map<string, string>()
  const points = new Map<PriceCondition, PricePoint[]>(PRICE_CONDITIONS.map((condition) => [condition, []]))
  let at = 0
  for (const date of days) {
    for (; at < sorted.length && sorted[at]!.date <= date; at++) now.set(keyOf(sorted[at]!), sorted[at]!)
    for (const [seller, dates] of heardBySeller) if (dates.includes(date)) lastHeard.set(seller, date)
    const fresh = [...now.values()].flatMap((quote) => {
      const home = worth(quote.price, quote.currency, date)
      const on = later(quote.date, lastHeard.get(quote.seller))
      return home !== null && isForSale(quote) && daysBetween(on, date) <= STALE_DAYS ? [{ quote, home }] : []
    })
    for (const condition of PRICE_CONDITIONS) {
      const spread = spreadOf(fresh.filter(({ quote }) => counts(quote, condition)).map(({ home }) => home))
      if (spread) points.get(condition)!.push({ date, ...spread })
    }
  }
  const last = days.at(-1)!
  const offers = [...now.values()]
    .filter(isForSale)
    .flatMap((quote): StandingOffer[] => {
      const home = worth(quote.price, quote.currency, last)
      return home === null
        ? []
        : [{ ...quote, home, heard: later(quote.date, lastHeard.get(quote.seller)), outlier: null }]
    })
    .sort((a, b) => a.home - b.home || (a.seller < b.seller ? -1 : 1))
  for (const condition of ['new', 'used'] as const) {
    const those = offers.filter((offer) => offer.condition === condition)
    for (const { index, ...why } of outliersOf(those.map(({ home }) => home))) those[index]!.outlier = why
  }
  return {
    series: PRICE_CONDITIONS.map((condition) => ({
      condition,
      points: points.get(condition)!,
      trend: trendFor(points.get(condition)!),
    })),
    offers,
    asked: sorted.filter(isForSale).flatMap(({ date, seller, condition, price, currency }) => {
      const home = worth(price, currency, date)
      return home === null ? [] : [{ date, seller, condition, home }]
    }),
  }
}

const later = (a: string, b: string | undefined) => (b !== undefined && b > a ? b : a)
const isForSale = ({ stock, multiple }: Quote) => stock >= multiple
const counts = (quote: Quote, condition: PriceCondition) => condition === 'any' || quote.condition === condition
const trendFor = (points: readonly PricePoint[]) => trendOf(points.map(({ date, median }) => ({ date, price: median })))

/** The prices of many things in one sum, with what is missing from it. */
export interface SummedHistory {
  /** `n` is the number of things with a price of their own that day; the others stand at their last price. */
  points: PricePoint[]
  trend: Trend
  /** Things that never had a price, by index; they are in no sum. */
  never: number[]
}

/**
 * What several things cost together over time: the sums of their lowest prices, medians and quartiles (which hold each
 * thing's usual price, not the quartiles of the sum). Sums begin on the day from which each that ever has a price has one;
 * where one is not for sale for a while its last price stands.
 */
export function sumHistories(things: readonly { qty: number; points: readonly PricePoint[] }[]): SummedHistory {
  const never = things.flatMap(({ points }, i) => (points.length === 0 ? [i] : []))
  const priced = things.filter(({ points }) => points.length > 0)
  const begins = priced.reduce((latest, { points }) => later(latest, points[0]!.date), '')
  const days = [...new Set(priced.flatMap(({ points }) => points.map(({ date }) => date)))].sort()
  const at = priced.map(() => 0)
  const points: PricePoint[] = []
  for (const date of days) {
    for (const [i, { points: own }] of priced.entries())
      while (at[i]! < own.length && own[at[i]!]!.date <= date) at[i]!++
    if (date < begins) continue
    const sum: PricePoint = { date, n: 0, low: 0, q1: 0, median: 0, q3: 0, high: 0 }
    for (const [i, { qty, points: own }] of priced.entries()) {
      const point = own[at[i]! - 1]!
      if (point.date === date) sum.n += 1
      for (const field of ['low', 'q1', 'median', 'q3', 'high'] as const) sum[field] += qty * point[field]
    }
    points.push(sum)
  }
  return { points, trend: trendFor(points), never }
}

/** One slot's share of what something costs. */
export interface CostShare<Key> {
  key: Key
  cost: number
  share: number
}

/**
 * What makes the cost: each key's sum with its share of all, the dearest first. `dear` is the one that costs more than a
 * third of the whole and at least twice the next, null where none stands out.
 */
export function costShares<Key>(costs: readonly { key: Key; cost: number }[]): {
  shares: CostShare<Key>[]
  dear: CostShare<Key> | null
} {
  const sums = new Map<Key, number>()
  for (const { key, cost } of costs) sums.set(key, (sums.get(key) ?? 0) + cost)
  const all = [...sums.values()].reduce((sum, cost) => sum + cost, 0)
  const shares = [...sums]
    .filter(([, cost]) => cost > 0)
    .map(([key, cost]) => ({ key, cost, share: cost / all }))
    .sort((a, b) => b.cost - a.cost)
  const [first, second] = shares
  const dear = first && first.share > 1 / 3 && first.cost >= 2 * (second?.cost ?? 0) ? first : null
  return { shares, dear }
}
