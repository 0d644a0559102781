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
 * promises less than it costs. Throws MissingRate when there is none. Both currencies have two digits here.
 */
export function convert(minor: number, from: string, to: string, date: string, rates: readonly Rate[]): number {
  if (from === to) return minor
  const newest = (a: string, b: string) =>
    rates
      .filter((rate) => rate.from === a && rate.to === b && rate.date <= date)
      .sort((x, y) => (x.date < y.date ? 1 : -1))[0]
  const straight = newest(from, to)
  if (straight) return Math.ceil(minor * straight.rate - 1e-9)
  const back = newest(to, from)
  if (back) return Math.ceil(minor / back.rate - 1e-9)
  throw new MissingRate(`There is no rate from ${from} to ${to} on or before ${date}. Add one to the rate table.`)
}
