import { spreadOf } from './robust.ts'

/** Where prices go: `unknown` where there are too few to say. `perMonth` is the change in a month, 0.03 for 3 % dearer. */
export interface Trend {
  direction: 'rising' | 'falling' | 'steady' | 'unknown'
  perMonth: number
  from: string
  to: string
}

const FEWEST_POINTS = 6
const FEWEST_DAYS = 35
const MONTH = 30.44
/** Two-sided, at five in a hundred. */
const SURE = 1.96
/** Less than this a month is not worth a word. */
const SLIGHT = 0.005

const dayNumber = (date: string) => Date.parse(`${date}T00:00:00Z`) / 86_400_000

/**
 * The trend of prices over days: the slope by Theil and Sen (the median of the slopes of all pairs, of logarithms), and
 * whether it is more than chance by the test of Mann and Kendall with its correction for ties. O(n²). `points` by date.
 */
export function trendOf(points: readonly { date: string; price: number }[]): Trend {
  const known = points.filter(({ price }) => price > 0)
  const [from, to] = [known[0]?.date ?? '', known.at(-1)?.date ?? '']
  const xs = known.map(({ date }) => dayNumber(date))
  if (known.length < FEWEST_POINTS || xs.at(-1)! - xs[0]! < FEWEST_DAYS)
    return { direction: 'unknown', perMonth: 0, from, to }
  const ys = known.map(({ price }) => Math.log(price))
  const slopes: number[] = []
  let s = 0
  for (let j = 1; j < ys.length; j++)
    for (let i = 0; i < j; i++) {
      s += Math.sign(ys[j]! - ys[i]!)
      if (xs[j]! > xs[i]!) slopes.push((ys[j]! - ys[i]!) / (xs[j]! - xs[i]!))
    }
  const n = ys.length
  const ties = new Map<number, number>()
  for (const y of ys) ties.set(y, (ties.get(y) ?? 0) + 1)
  const term = (t: number) => t * (t - 1) * (2 * t + 5)
  const variance = (term(n) - [...ties.values()].reduce((sum, t) => sum + term(t), 0)) / 18
  const z = variance > 0 ? (s - Math.sign(s)) / Math.sqrt(variance) : 0
  const perMonth = Math.exp(spreadOf(slopes)!.median * MONTH) - 1
  const moves = Math.abs(z) >= SURE && Math.abs(perMonth) >= SLIGHT
  return { direction: !moves ? 'steady' : perMonth > 0 ? 'rising' : 'falling', perMonth, from, to }
}

/** "rising by about 3 % a month since 1 June": `day` writes a date. */
export function trendInWords({ direction, perMonth, from }: Trend, day: (date: string) => string): string {
  const share = `${Math.abs(perMonth * 100).toFixed(Math.abs(perMonth) < 0.1 ? 1 : 0)} %`
  switch (direction) {
    case 'unknown':
      return 'too few prices yet to see a trend'
    case 'steady':
      return `steady since ${day(from)}`
    default:
      return `${direction} by about ${share} a month since ${day(from)}`
  }
}
