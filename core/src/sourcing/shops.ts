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

/** Lines of a shop in an order, and how much of what they are ordered by each has; whoever has none is left out. */
interface Order {
  lines: Int32Array
  each: Float64Array
  density: Float64Array
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
  /** Lines by what a unit of the amount, and of goods, costs beyond the prices of its parts, as of when that was asked for last. */
  byDensity: Order
  byGoodsDensity: Order
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
      byDensity: orderOf(lines.map(({ amount }) => amount)),
      byGoodsDensity: orderOf(lines.map(({ goods }) => goods)),
      steps: new Float64Array(lines.length),
      reduced: new Float64Array(lines.length),
      base: 0,
    }
  })
}

/** What weighs nothing changes no amount, and has no density to go by. */
function orderOf(each: readonly number[]): Order {
  const lines = Int32Array.from([...each.keys()].filter((l) => each[l]! > 0))
  return { lines, each: Float64Array.from(each), density: new Float64Array(each.length) }
}

/** Moves of an insertion, for each line, after which sorting from scratch is faster. */
const FEW_MOVES = 8

/** The lines by density. Prices change little from round to round, so that they are nearly in order as they were left. */
function sorted(order: Order, reduced: Float64Array): Order {
  const { lines, each, density } = order
  for (const l of lines) density[l] = reduced[l]! / each[l]!
  let moves = 0
  for (let i = 1; i < lines.length; i++) {
    const line = lines[i]!
    const its = density[line]!
    let at = i
    for (; at > 0 && density[lines[at - 1]!]! > its; at--) lines[at] = lines[at - 1]!
    lines[at] = line
    moves += i - at
    if (moves <= FEW_MOVES * lines.length) continue
    lines.sort((a, b) => density[a]! - density[b]!)
    break
  }
  return order
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
  let order: Order | undefined
  const inOrder = () => (order ??= sorted(shop.byDensity, reduced))
  const short =
    byValue || goods >= minimum
      ? 0
      : addition(shop, sorted(shop.byGoodsDensity, reduced), minimum - goods, shop.byGoods)
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
      change = removal(shop, inOrder(), amount - to)
    } else if (amount < from) {
      to = from
      change = addition(shop, inOrder(), from - amount, shop.byAmount)
    }
    const value = band.price + Math.max(change, short)
    if (value < cheapest) [cheapest, aim] = [value, to]
  }
  if (cheapest === Infinity) return Infinity
  if (aim < amount) {
    let excess = amount - aim
    const { lines } = inOrder()
    for (let i = lines.length - 1; i >= 0 && excess > 0; i--) {
      const l = lines[i]!
      if (reduced[l]! >= 0) continue
      const less = Math.min(steps[l]!, excess / shop.lines[l]!.amount)
      steps[l]! -= less
      excess -= less * shop.lines[l]!.amount
    }
  } else if (aim > amount) addition(shop, inOrder(), aim - amount, shop.byAmount, (l, taken) => (steps[l] = taken))
  return shop.handling + sum + cheapest
}

/** The least that selling so much less of an amount costs; `order`: lines by density. */
function removal({ lines, reduced }: Shop, { lines: order }: Order, excess: number): number {
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
 * The least that so much more of an amount costs, with lines not sold yet, in their order, and goods nobody needs; more than
 * anything where there is too little. `take` is told how many steps of a line are in it.
 */
function addition(
  { lines, reduced }: Shop,
  { lines: order, each, density }: Order,
  lack: number,
  fillings: readonly Filling[],
  take?: (line: number, steps: number) => void,
): number {
  let cost = 0
  for (let [i, f] = [0, 0]; lack > 1e-6;) {
    while (i < order.length && reduced[order[i]!]! < 0) i++
    const l = i < order.length ? order[i]! : -1
    const filling = fillings[f]
    if (l < 0 && !filling) return Infinity
    if (l >= 0 && (!filling || density[l]! <= filling.net / filling.worth)) {
      const steps = Math.min(lines[l]!.most, lack / each[l]!)
      take?.(l, steps)
      cost += steps * reduced[l]!
      lack -= steps * each[l]!
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
