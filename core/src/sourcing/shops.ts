import { gainsByFillers } from './reduce.ts'
import { usefulSteps } from './supplyModel.ts'
import type { SourcingProblem } from './types.ts'

interface Line {
  offer: number
  /** What a step costs less what parts nobody needs fetch, its goods and amount, steps of use, and the parts it brings. */
  price: number
  goods: number
  amount: number
  most: number
  parts: Int32Array
  counts: Float64Array
}

/** Steps beyond those of use: what one brings and costs net of what it fetches, and how many there are. */
interface Filling {
  worth: number
  net: number
  most: number
}

export interface Shop {
  lines: Line[]
  handling: number
  minimum: number
  byValue: boolean
  bands: { from: number; upTo: number; price: number }[]
  least: number
  /** Goods nobody needs that fill a parcel up to an amount, and to goods of such a worth, the best value first. */
  byAmount: readonly Filling[]
  byGoods: readonly Filling[]
  /** Of the last sale: steps sold of each line, what each costs beyond the prices of its parts, and the sum before bands. */
  steps: Float64Array
  reduced: Float64Array
  base: number
}

/** The sellers of a problem as `sell` asks them; `index` numbers the parts that have a price of their own. */
export function readShops(problem: SourcingProblem, index: ReadonlyMap<string, number>): Shop[] {
  const { offers } = problem
  const credits = new Map(problem.resale.map(({ part, price }) => [part, price]))
  const useful = usefulSteps(problem)
  const ofSeller = new Map(problem.sellers.map(({ id }): [string, number[]] => [id, []]))
  offers.forEach(({ seller }, o) => ofSeller.get(seller)?.push(o))
  return problem.sellers.map((seller): Shop => {
    const { minimum, handling, shipping } = seller
    const amountOf = (o: number) => {
      const { multiple, price, weight } = offers[o]!
      return multiple * (shipping.basis === 'value' ? price : shipping.basis === 'count' ? 1 : weight)
    }
    const fetches = (o: number, kept: (part: string) => boolean) =>
      offers[o]!.yields.reduce((sum, { part, qty }) => sum + (kept(part) ? qty * (credits.get(part) ?? 0) : 0), 0)
    const all = ofSeller.get(seller.id)!
    const fillers = gainsByFillers(seller) ? all : []
    const fillings = (worthOf: (o: number) => number) =>
      fillers
        .map((o): Filling => {
          const net = Math.max(0, offers[o]!.price - fetches(o, () => true)) * offers[o]!.multiple
          return { worth: worthOf(o), net, most: Math.floor(offers[o]!.qty / offers[o]!.multiple) - useful[o]! }
        })
        .filter(({ worth, most }) => worth > 0 && most > 0)
        .sort((a, b) => a.net / a.worth - b.net / b.worth)
    const lines = all
      .filter((o) => useful[o]! > 0)
      .map((o): Line => {
        const wanted = offers[o]!.yields.filter(({ part }) => index.has(part))
        return {
          offer: o,
          price: (offers[o]!.price - fetches(o, (part) => !index.has(part))) * offers[o]!.multiple,
          goods: offers[o]!.price * offers[o]!.multiple,
          amount: amountOf(o),
          most: useful[o]!,
          parts: Int32Array.from(wanted, ({ part }) => index.get(part)!),
          counts: Float64Array.from(wanted, ({ qty }) => qty * offers[o]!.multiple),
        }
      })
    return {
      lines,
      handling,
      minimum,
      byValue: shipping.basis === 'value',
      bands: shipping.bands.map(({ upTo, price }, b) => ({
        from: b === 0 ? 0 : shipping.bands[b - 1]!.upTo!,
        upTo: upTo ?? Infinity,
        price,
      })),
      least: Math.min(...shipping.bands.map(({ price }) => price)),
      byAmount: fillings(amountOf),
      byGoods: fillings((o) => offers[o]!.price * offers[o]!.multiple),
      steps: new Float64Array(lines.length),
      reduced: new Float64Array(lines.length),
      base: 0,
    }
  })
}

/** The cheapest each part can be had for: a place to begin from. */
export function startingPrices(shops: readonly Shop[], floor: Float64Array): Float64Array {
  const prices = new Float64Array(floor.length).fill(Infinity)
  for (const { lines } of shops)
    for (const { price, parts, counts } of lines) {
      const brought = counts.reduce((sum, count) => sum + count, 0)
      parts.forEach((p) => (prices[p] = Math.min(prices[p]!, price / brought)))
    }
  const known = prices.filter((price) => price < Infinity)
  const typical = known.length > 0 ? known.reduce((a, b) => a + b, 0) / known.length : 0
  return prices.map((price, p) => Math.max(floor[p]!, price < Infinity ? price : typical))
}

/**
 * The least a parcel of a seller can come to at given prices of parts, below 0 where it pays: over all bands, with steps as
 * fractions. Leaves in the shop what is sold.
 */
export function sell(shop: Shop, prices: Float64Array): number {
  const { lines, reduced, steps, minimum, byValue } = shop
  let sum = 0
  let amount = 0
  let goods = 0
  for (let l = 0; l < lines.length; l++) {
    const { price, goods: worth, parts, counts, most, amount: each } = lines[l]!
    let cost = price
    for (let k = 0; k < parts.length; k++) cost -= prices[parts[k]!]! * counts[k]!
    reduced[l] = cost
    if (cost < 0) {
      steps[l] = most
      sum += cost * most
      amount += each * most
      goods += worth * most
    } else steps[l] = 0
  }
  shop.base = sum + shop.handling + shop.least
  let order: number[] | undefined
  const sorted = () => {
    // What weighs nothing changes no amount, and has no density to go by.
    order ??= [...lines.keys()]
      .filter((l) => lines[l]!.amount > 0)
      .sort((a, b) => reduced[a]! / lines[a]!.amount - reduced[b]! / lines[b]!.amount)
    return order
  }
  const short = byValue || goods >= minimum ? 0 : addition(shop, minimum - goods, shop.byGoods, (line) => line.goods)
  let cheapest = Infinity
  let aim = amount
  for (const band of shop.bands) {
    const from = byValue ? Math.max(band.from, minimum) : band.from
    if (from > band.upTo) continue
    // A dearer band that has to be reached first is never better.
    if (band.price >= cheapest && from > amount) continue
    let change = 0
    let to = amount
    if (amount > band.upTo) {
      to = band.upTo
      change = removal(shop, sorted(), amount - to)
    } else if (amount < from) {
      to = from
      change = addition(shop, from - amount, shop.byAmount, ({ amount: each }) => each)
    }
    const value = band.price + Math.max(change, short)
    if (value < cheapest) [cheapest, aim] = [value, to]
  }
  if (cheapest === Infinity) return Infinity
  if (aim < amount) {
    let excess = amount - aim
    for (const l of [...sorted()].reverse()) {
      if (excess <= 0) break
      if (reduced[l]! >= 0) continue
      const less = Math.min(steps[l]!, excess / lines[l]!.amount)
      steps[l]! -= less
      excess -= less * lines[l]!.amount
    }
  } else if (aim > amount)
    addition(
      shop,
      aim - amount,
      shop.byAmount,
      ({ amount: each }) => each,
      (l, taken) => (steps[l] = taken),
    )
  return shop.handling + sum + cheapest
}

/** The least that selling so much less of an amount costs. */
function removal({ lines, reduced }: Shop, order: readonly number[], excess: number): number {
  let cost = 0
  for (let i = order.length - 1; i >= 0 && excess > 1e-9; i--) {
    const { amount, most } = lines[order[i]!]!
    const each = reduced[order[i]!]!
    if (each >= 0) continue
    const less = Math.min(most, excess / amount)
    cost -= less * each
    excess -= less * amount
  }
  return excess > 1e-6 ? Infinity : cost
}

/**
 * The least that so much more of an amount costs, with lines not sold yet and goods nobody needs; more than anything where
 * there is too little. `take` is told how many steps of a line are in it.
 */
function addition(
  { lines, reduced }: Shop,
  lack: number,
  fillings: readonly Filling[],
  amountOf: (line: Line) => number,
  take?: (line: number, steps: number) => void,
): number {
  const order = [...lines.keys()]
    .filter((l) => reduced[l]! >= 0 && amountOf(lines[l]!) > 0)
    .sort((a, b) => reduced[a]! / amountOf(lines[a]!) - reduced[b]! / amountOf(lines[b]!))
  let cost = 0
  for (let [i, f] = [0, 0]; lack > 1e-6;) {
    const line = order[i] === undefined ? undefined : lines[order[i]!]!
    const filling = fillings[f]
    if (!line && !filling) return Infinity
    const rate = line ? reduced[order[i]!]! / amountOf(line) : Infinity
    if (line && (!filling || rate <= filling.net / filling.worth)) {
      const steps = Math.min(line.most, lack / amountOf(line))
      take?.(order[i]!, steps)
      cost += steps * reduced[order[i]!]!
      lack -= steps * amountOf(line)
      i++
    } else {
      const steps = Math.min(filling!.most, lack / filling!.worth)
      cost += steps * filling!.net
      lack -= steps * filling!.worth
      f++
    }
  }
  return cost
}
