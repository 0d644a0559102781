import { digitsOf } from './money.ts'

/** One line of the dated rate table: one unit of `from` is `rate` units of `to`. */
export interface Rate {
  date: string
  from: string
  to: string
  rate: number
}

/** Thrown when an amount cannot be converted; the message says which rate is missing. */
export class MissingRate extends Error {}

/**
 * Convert minor units with the newest rate not after `date`, in either direction, rounded up so that a plan never
 * promises less than it costs. Throws MissingRate when there is none. A rate is of whole units; minor units have the digits
 * of their currency (a yen has none, a dinar three).
 */
export function convert(minor: number, from: string, to: string, date: string, rates: readonly Rate[]): number {
  if (from === to) return minor
  const [used] = rateOn(from, to, date, rates) ?? []
  if (!used)
    throw new MissingRate(`There is no rate from ${from} to ${to} on or before ${date}. Add one to the rate table.`)
  const units = 10 ** (digitsOf(to) - digitsOf(from))
  const exact = (used.from === from ? minor * used.rate : minor / used.rate) * units
  // What is a hair above a whole unit is a whole one that was rounded on the way, however large it is.
  return Math.ceil(exact - Math.max(1e-9, Math.abs(exact) * 1e-12))
}

/** The rate that holds on a day, alone in a list: the newest one straight, or else one back; null where there is none. */
function rateOn(from: string, to: string, date: string, rates: readonly Rate[]): [Rate] | null {
  const newest = (a: string, b: string) =>
    rates
      .filter((rate) => rate.from === a && rate.to === b && rate.date <= date)
      .sort((x, y) => (x.date < y.date ? 1 : -1))[0]
  const used = newest(from, to) ?? newest(to, from)
  return used ? [used] : null
}

/**
 * What amounts are worth in one currency at the rates of a day, null where there is none yet; each rate is looked up once,
 * for long histories.
 */
export function worthIn(to: string, rates: readonly Rate[]) {
  const known = new Map<string, Rate[] | null>()
  return (minor: number, from: string, date: string): number | null => {
    const key = `${from} ${date}`
    if (!known.has(key)) known.set(key, from === to ? [] : rateOn(from, to, date, rates))
    const own = known.get(key)
    return own ? convert(minor, from, to, date, own) : null
  }
}

/**
 * Rates to another home currency that follow from those to the present one: what a currency was worth in `home` on a day,
 * times what `home` was worth in `next` then, or first after that day. Only for currencies that have no rate to `next`.
 */
export function ratesThrough(home: string, next: string, rates: readonly Rate[]): Rate[] {
  const between = (a: string, b: string) =>
    rates.filter(({ from, to }) => (from === a && to === b) || (from === b && to === a))
  const worth = ({ from, rate }: Rate, of: string) => (from === of ? rate : 1 / rate)
  const steps = between(home, next).sort((a, b) => (a.date < b.date ? -1 : 1))
  if (steps.length === 0) return []
  const on = (date: string) => worth(steps.findLast((step) => step.date <= date) ?? steps[0]!, home)
  const others = [...new Set(rates.flatMap(({ from, to }) => [from, to]))].filter(
    (one) => one !== home && one !== next && between(one, next).length === 0,
  )
  return others.flatMap((from) => {
    // Of two rates of a day, one each way, the straight one says more.
    const days = new Map<string, Rate>()
    for (const rate of between(from, home)) if (!days.has(rate.date) || rate.from === from) days.set(rate.date, rate)
    return [...days.values()].map((rate) => ({
      date: rate.date,
      from,
      to: next,
      rate: worth(rate, from) * on(rate.date),
    }))
  })
}
