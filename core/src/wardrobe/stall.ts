import type { Seller, SourcingProblem } from '../sourcing/index.ts'
import type { Wardrobe } from './wardrobe.ts'

/**
 * Takes: what choices take of parts, one after another: `entry` is a part of a choice of a place. Each has a price of its
 * own in the bound.
 */
export interface Takes {
  /** First entry of each choice, by place; entries of a choice follow one another. */
  first: readonly Int32Array[]
  need: Int32Array
  count: Int32Array
  place: Int32Array
  /** Entries that take a need, by need. */
  ofNeed: readonly Int32Array[]
}

/** Number what choices take. */
export function takesOf({ places, supply }: Wardrobe): Takes {
  const [need, count, place]: [number[], number[], number[]] = [[], [], []]
  const first = places.map(({ choices }, at) => {
    const starts = new Int32Array(choices.length + 1)
    choices.forEach(({ needs, counts }, c) => {
      starts[c] = need.length
      needs.forEach((one, k) => {
        need.push(one)
        count.push(counts[k]!)
        place.push(at)
      })
    })
    starts[choices.length] = need.length
    return starts
  })
  const ofNeed: number[][] = supply.needs.map(() => [])
  need.forEach((one, entry) => ofNeed[one]!.push(entry))
  return {
    first,
    need: Int32Array.from(need),
    count: Int32Array.from(count),
    place: Int32Array.from(place),
    ofNeed: ofNeed.map((entries) => Int32Array.from(entries)),
  }
}

/** The best prices anybody pays for copies of a need, and who pays them. */
export interface Tops {
  /** Copies looked at; further ones count as the last. */
  depth: number
  /** By need × depth. */
  price: Float64Array
  entry: Int32Array
  /** Which of the units of its entry a copy is. */
  unit: Int32Array
}

/** Copies of a part whose worth is told apart. */
const DEPTH = 4

export const emptyTops = (needs: number): Tops => ({
  depth: DEPTH,
  price: new Float64Array(needs * DEPTH),
  entry: new Int32Array(needs * DEPTH),
  unit: new Int32Array(needs * DEPTH),
})

/** Find the best prices anew. O(entries × depth). */
export function findTops({ ofNeed, place, count }: Takes, prices: Float64Array, tops: Tops): void {
  const { depth, price, entry, unit } = tops
  price.fill(0)
  entry.fill(-1)
  ofNeed.forEach((entries, need) => {
    const from = need * depth
    const end = from + depth
    for (const e of entries) {
      const its = prices[e]!
      const units = Math.min(depth, count[e]!)
      for (let n = 0; n < units && its > price[end - 1]!; n++) {
        // A place wears one choice, so that of its first units, its second, … only the dearest counts.
        let at = from
        while (at < end && entry[at] !== -1 && !(place[entry[at]!] === place[e] && unit[at] === n)) at++
        if (at < end && entry[at] !== -1) {
          if (its <= price[at]!) continue
        } else at = end - 1
        for (; at > from && price[at - 1]! < its; at--) {
          price[at] = price[at - 1]!
          entry[at] = entry[at - 1]!
          unit[at] = unit[at - 1]!
        }
        price[at] = its
        entry[at] = e
        unit[at] = n
      }
    }
  })
}

/** A figure or box: what it brings of needs, what the rest of it fetches, and how many there are. */
interface Bundle {
  goods: number
  fetches: number
  amount: number
  stock: number
  needs: Int32Array
  counts: Int32Array
  credits: Float64Array
}

/** Units of an offer that can be of use for what they bring, in steps. */
function mostOf(
  wanted: readonly { part: string; qty: number }[],
  supply: SourcingProblem,
  needAt: ReadonlyMap<string, number>,
  multiple: number,
): number {
  const units = Math.max(...wanted.map(({ part, qty }) => Math.ceil(supply.needs[needAt.get(part)!]!.qty / qty)))
  return Math.ceil(units / multiple) * multiple
}

/**
 * A seller as the bound asks it: what it could sell to each place, at most one choice each, with figures and boxes. Stocks
 * of single parts are not looked at, and whatever is left over may be sold at once; so it never earns less than in a plan.
 */
export class Stall {
  /** Items by choice by place: entry, price and amounts of a unit. */
  private readonly entry: Int32Array
  private readonly goods: Float64Array
  private readonly lightest: Float64Array
  private readonly heaviest: Float64Array
  private readonly firstItem: Int32Array
  private readonly firstChoice: Int32Array
  private readonly bundles: readonly Bundle[]
  /** What selling leftovers at once would earn, whatever anybody wears. */
  private readonly trade: number
  private readonly bands: { from: number; upTo: number; price: number }[]
  /** Least money a unit of amount costs where goods nobody needs bring it. */
  private readonly amountRate: number
  private readonly byValue: boolean
  /** What goods, shipping and handling of the last sale come to. */
  paid = 0

  constructor(
    supply: SourcingProblem,
    private readonly seller: Seller,
    wardrobe: Wardrobe,
    private readonly takes: Takes,
  ) {
    const { basis, bands } = seller.shipping
    this.byValue = basis === 'value'
    const credits = new Map(supply.resale.map(({ part, price }) => [part, price]))
    const needAt = new Map(supply.needs.map(({ id }, i) => [id, i]))
    const own = supply.offers.filter((offer) => offer.seller === seller.id)
    const amountOf = (price: number, weight: number) => (this.byValue ? price : basis === 'count' ? 1 : weight)
    const fetchedBy = (yields: (typeof own)[number]['yields']) =>
      yields.reduce((sum, { part, qty }) => sum + qty * (credits.get(part) ?? 0), 0)
    const single = new Map<number, { goods: number; lightest: number; heaviest: number }>()
    const found: Bundle[] = []
    let trade = 0
    let amountRate = Infinity
    for (const { price, qty, multiple, weight, yields } of own) {
      const amount = amountOf(price, weight)
      const fetches = fetchedBy(yields)
      trade += Math.max(0, fetches - price) * qty
      const net = Math.max(0, price - fetches)
      if (amount > 0) amountRate = Math.min(amountRate, net / amount)
      const [one] = yields
      const need = yields.length === 1 && one!.qty === 1 ? needAt.get(one!.part) : undefined
      if (need !== undefined) {
        const known = single.get(need)
        single.set(need, {
          goods: Math.min(known?.goods ?? Infinity, price),
          lightest: Math.min(known?.lightest ?? Infinity, amount),
          heaviest: Math.max(known?.heaviest ?? 0, amount),
        })
        continue
      }
      const wanted = yields.filter(({ part }) => needAt.has(part))
      if (wanted.length === 0) continue
      found.push({
        goods: price,
        fetches: fetchedBy(yields.filter(({ part }) => !needAt.has(part))),
        amount,
        // No more are of use than everybody could wear at once; what more would earn is in `trade`.
        stock: Math.min(qty - (qty % multiple), mostOf(wanted, supply, needAt, multiple)),
        needs: Int32Array.from(wanted, ({ part }) => needAt.get(part)!),
        counts: Int32Array.from(wanted, ({ qty: each }) => each),
        credits: Float64Array.from(wanted, ({ part }) => credits.get(part) ?? 0),
      })
    }
    this.bundles = found
    this.trade = trade
    this.amountRate = amountRate === Infinity ? 0 : amountRate
    this.bands = bands.map(({ upTo, price }, b) => ({
      from: b === 0 ? 0 : bands[b - 1]!.upTo!,
      upTo: upTo ?? Infinity,
      price,
    }))
    const [entry, firstItem, firstChoice]: [number[], number[], number[]] = [[], [], []]
    wardrobe.places.forEach(({ choices }, place) => {
      const begun = firstItem.length
      choices.forEach((_, c) => {
        const from = entry.length
        for (let e = takes.first[place]![c]!; e < takes.first[place]![c + 1]!; e++)
          if (single.has(takes.need[e]!)) entry.push(e)
        if (entry.length > from) firstItem.push(from)
      })
      if (firstItem.length > begun) firstChoice.push(begun)
    })
    firstChoice.push(firstItem.length)
    firstItem.push(entry.length)
    const items = entry.map((e) => single.get(takes.need[e]!)!)
    this.entry = Int32Array.from(entry)
    this.goods = Float64Array.from(items, ({ goods }) => goods)
    this.lightest = Float64Array.from(items, ({ lightest }) => lightest)
    this.heaviest = Float64Array.from(items, ({ heaviest }) => heaviest)
    this.firstItem = Int32Array.from(firstItem)
    this.firstChoice = Int32Array.from(firstChoice)
  }

  /**
   * The least a parcel of this seller can come to at given prices, below 0 where it pays: over all bands, each bounded by a
   * price on what shipping goes by. `sold` gets what is sold of each entry, less than 0; `markup` and `toll` are what limits
   * make dearer.
   */
  sell(prices: Float64Array, tops: Tops, markup: number, toll: number, sold: Float64Array): number {
    const { seller, bands } = this
    const plain = this.weigh(prices, tops, markup, 0)
    let least = Infinity
    let rate = 0
    let shipping = 0
    for (const band of bands) {
      const from = this.byValue ? Math.max(band.from, seller.minimum) : band.from
      const price = band.price * (1 + markup)
      if (from > band.upTo) continue
      let its = price - plain.profit
      let at = 0
      if (plain.amount > band.upTo) [its, at] = this.tune(prices, tops, markup, price, band.upTo, 1)
      else if (plain.amount < from && this.amountRate > 0) [its, at] = this.tune(prices, tops, markup, price, from, -1)
      if (its < least) [least, rate, shipping] = [its, at, band.price]
    }
    if (least === Infinity) return Infinity
    this.weigh(prices, tops, markup, rate, sold)
    this.paid += seller.handling + shipping
    return seller.handling * (1 + markup) + toll + least - this.trade
  }

  /** The best of a few prices on the amount, so that it keeps a limit: at most (`side` 1) or at least (-1). */
  private tune(
    prices: Float64Array,
    tops: Tops,
    markup: number,
    price: number,
    limit: number,
    side: 1 | -1,
  ): [value: number, rate: number] {
    let low = 0
    let high = side === 1 ? Math.max(1e-9, this.weigh(prices, tops, markup, 0).density) : this.amountRate
    let best = -Infinity
    let at = 0
    for (let turn = 0; turn < 7; turn++) {
      const rate = (turn === 0 && side === -1 ? high : (low + high) / 2) * side
      const { profit, amount } = this.weigh(prices, tops, markup, rate)
      const value = price - profit - rate * limit
      if (value > best) [best, at] = [value, rate]
      if (side === 1 ? amount > limit : amount < limit) low = Math.abs(rate)
      else high = Math.abs(rate)
      if (high - low < 1e-9) break
    }
    return [best, at]
  }

  /**
   * What selling pays at most, with each unit of amount costing `rate` more; the amount and the greatest profit a unit of it
   * brings.
   */
  private weigh(
    prices: Float64Array,
    tops: Tops,
    markup: number,
    rate: number,
    sold?: Float64Array,
  ): { profit: number; amount: number; density: number } {
    const { entry, goods, firstItem, firstChoice, takes } = this
    const amounts = rate < 0 ? this.heaviest : this.lightest
    const dearer = 1 + markup
    let [profit, amount, density, paid] = [0, 0, 0, 0]
    for (let p = 0; p + 1 < firstChoice.length; p++) {
      let best = 0
      let chosen = -1
      for (let c = firstChoice[p]!; c < firstChoice[p + 1]!; c++) {
        let its = 0
        for (let i = firstItem[c]!; i < firstItem[c + 1]!; i++) {
          const gain = prices[entry[i]!]! - goods[i]! * dearer - rate * amounts[i]!
          if (gain > 0) its += gain * takes.count[entry[i]!]!
        }
        if (its > best) [best, chosen] = [its, c]
      }
      if (chosen < 0) continue
      profit += best
      for (let i = firstItem[chosen]!; i < firstItem[chosen + 1]!; i++) {
        const gain = prices[entry[i]!]! - goods[i]! * dearer - rate * amounts[i]!
        if (gain <= 0) continue
        const count = takes.count[entry[i]!]!
        amount += amounts[i]! * count
        paid += goods[i]! * count
        if (amounts[i]! > 0) density = Math.max(density, gain / amounts[i]! + Math.max(0, rate))
        if (sold) sold[entry[i]!]! -= count
      }
    }
    for (const bundle of this.bundles) {
      const { needs, counts, credits, stock } = bundle
      const cost = bundle.goods * dearer + rate * bundle.amount - bundle.fetches
      for (let copy = 0; copy < stock; copy++) {
        let its = -cost
        for (let k = 0; k < needs.length; k++)
          for (let n = 0; n < counts[k]!; n++) {
            const nth = copy * counts[k]! + n
            const last = nth >= tops.depth - 1
            const worth = Math.max(credits[k]!, tops.price[needs[k]! * tops.depth + (last ? tops.depth - 1 : nth)]!)
            its += last ? worth * (counts[k]! - n) : worth
            if (last) break
          }
        if (its <= 0) break
        // Copies beyond those told apart are all worth the same.
        const times = copy >= tops.depth ? stock - copy : 1
        profit += its * times
        amount += bundle.amount * times
        paid += bundle.goods * times
        if (bundle.amount > 0) density = Math.max(density, its / bundle.amount + Math.max(0, rate))
        if (sold)
          for (let k = 0; k < needs.length; k++) {
            const at = needs[k]! * tops.depth + Math.min(tops.depth - 1, copy * counts[k]!)
            if (tops.entry[at]! >= 0 && tops.price[at]! > credits[k]!) sold[tops.entry[at]!]! -= 1
          }
        if (times > 1) break
      }
    }
    if (sold) this.paid = paid
    return { profit, amount, density }
  }
}
