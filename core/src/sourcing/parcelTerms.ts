import { gainsByFillers } from './reduce.ts'
import type { Seller } from './types.ts'

/** Amounts may be fractions of a gram. */
export const CLOSE = 1e-6
/** What a broken limit, or a parcel that cannot be sent, is charged: more than any plan costs, units unmet included. */
export const BROKEN = 1e11
/** Whether a total is that of a plan that breaks a limit; resale of what such a plan brings may have taken a little off it. */
export const isBroken = (total: number): boolean => total > BROKEN * 0.99

/** An offer of the seller: price, what that is less what all it brings would fetch, amount (what shipping goes by), each of a step. */
export interface Stock {
  offer: number
  price: number
  net: number
  amount: number
  most: number
}

const net = (one: Stock) => Math.max(0, one.net)

/**
 * The least money that goods nobody needs cost to come up to something, the best value first (or what is to be `spared`
 * instead of money), the last of them in part; steps bought already are no longer for sale.
 */
class Filling {
  private readonly offers: Int32Array
  private readonly worth: Float64Array
  private readonly net: Float64Array
  private readonly most: Int32Array
  private readonly price: Float64Array
  private readonly amounts: Float64Array
  /** Of the last cost, what is taken is worth, and its amount. */
  goods = 0
  amount = 0
  /** Money for one more at the least. */
  readonly rate: number

  constructor(stock: readonly Stock[], worthOf: (stock: Stock) => number, spared: (stock: Stock) => number = net) {
    const sorted = stock
      .filter((one) => worthOf(one) > 0 && one.most > 0)
      .sort((a, b) => spared(a) / worthOf(a) - spared(b) / worthOf(b))
    this.offers = Int32Array.from(sorted, ({ offer }) => offer)
    this.worth = Float64Array.from(sorted, worthOf)
    this.net = Float64Array.from(sorted, net)
    this.most = Int32Array.from(sorted, ({ most }) => most)
    this.price = Float64Array.from(sorted, ({ price }) => price)
    this.amounts = Float64Array.from(sorted, ({ amount }) => amount)
    this.rate = sorted.length > 0 ? this.net[0]! / this.worth[0]! : Infinity
  }

  /**
   * What so much costs, while of one offer so many steps more are bought than `steps` says; more than anything where there is
   * too little. `goods` is the worth of what is taken then, `amount` its amount.
   */
  cost(lack: number, steps: Int32Array, offer: number, change: number): number {
    let sum = 0
    let open = lack
    this.goods = 0
    this.amount = 0
    for (let i = 0; i < this.offers.length && open > CLOSE; i++) {
      const at = this.offers[i]!
      const left = this.most[i]! - steps[at]! - (at === offer ? change : 0)
      if (left <= 0) continue
      const taken = Math.min(left, open / this.worth[i]!)
      sum += taken * this.net[i]!
      this.goods += taken * this.price[i]!
      this.amount += taken * this.amounts[i]!
      open -= taken * this.worth[i]!
    }
    return open > CLOSE ? Infinity : sum
  }
}

/**
 * What a seller's parcel is charged beside its goods: shipping, handling and, below a minimum or just under a cheaper band,
 * the goods that fill it up.
 */
export class ParcelTerms {
  readonly minimum: number
  readonly basis: Seller['shipping']['basis']
  /** Whether a fuller parcel may be charged less, and the least a parcel is ever charged. */
  readonly falls: boolean
  readonly least: number
  /** What the smallest parcel is charged. */
  readonly smallest: number
  private readonly handling: number
  private readonly bands: readonly { from: number; upTo: number; price: number }[]
  private readonly byAmount: Filling
  private readonly byGoods: Filling
  /** Up to the minimum with the least amount, for a band that must not be left. */
  private readonly slight: Filling
  /** Of the last charge, the band it is in; -1 where nobody sends the parcel. */
  private band = -1

  /** `steps`: bought of every offer, kept right by whoever asks. */
  constructor(
    seller: Seller,
    stock: readonly Stock[],
    private readonly steps: Int32Array,
  ) {
    const { minimum, handling, shipping } = seller
    this.minimum = minimum
    this.handling = handling
    this.basis = shipping.basis
    const above = shipping.basis === 'weight' ? 1e-4 : 1
    this.bands = shipping.bands.map(({ upTo, price }, b) => ({
      from: b === 0 ? 0 : shipping.bands[b - 1]!.upTo! + above,
      upTo: upTo ?? Infinity,
      price,
    }))
    this.falls = gainsByFillers(seller)
    // A parcel that costs nothing is a parcel all the same.
    this.least = Math.max(CLOSE, handling + Math.min(...shipping.bands.map(({ price }) => price)))
    this.smallest = handling + shipping.bands[0]!.price
    const fillers = this.falls ? stock : []
    this.byAmount = new Filling(fillers, ({ amount }) => amount)
    this.byGoods = new Filling(fillers, ({ price }) => price)
    this.slight = new Filling(
      fillers,
      ({ price }) => price,
      ({ amount }) => amount,
    )
  }

  /**
   * Shipping, handling and goods to fill up with, for goods at such a price and such an amount of what shipping goes by; with so
   * many steps more of one offer in them than are bought.
   */
  charge(goods: number, amount: number, offer = -1, change = 0): number {
    const { bands, handling } = this
    if (!this.falls) {
      for (let b = 0; b < bands.length; b++)
        if (amount <= bands[b]!.upTo + CLOSE) return Math.max(handling + bands[b]!.price, CLOSE)
      return BROKEN
    }
    const least = this.filledUp(goods, amount, offer, change)
    return this.band < 0 ? BROKEN + handling : Math.max(least + handling, CLOSE)
  }

  /** Amount at which the band charged for begins, where the parcel has to be filled up to it; else 0. */
  reach(goods: number, amount: number): number {
    if (!this.falls) return 0
    this.filledUp(goods, amount, -1, 0)
    const from = this.bands[this.band]?.from ?? 0
    return from > amount ? from : 0
  }

  /** What the amount may come to at most for the cheaper band below that of an amount; -1 where none is. */
  lighter(amount: number): number {
    const { bands } = this
    const band = bands.findIndex(({ upTo }) => amount <= upTo + CLOSE)
    return band > 0 && bands[band - 1]!.price < bands[band]!.price ? bands[band - 1]!.upTo : -1
  }

  /** Shipping and goods to fill up with in the band where they are least, and that band; the minimum is come up to as well. */
  private filledUp(goods: number, amount: number, offer: number, change: number): number {
    const { bands, basis, steps, byAmount, byGoods, slight } = this
    const short = this.minimum - goods
    const byValue = basis === 'value'
    const toMinimum = short > 0 ? byGoods.cost(short, steps, offer, change) : 0
    const withMinimum = amount + (short > 0 ? byGoods.amount : 0)
    let least = Infinity
    this.band = -1
    for (let b = 0; b < bands.length; b++) {
      const { from, upTo, price } = bands[b]!
      if (amount > upTo + CLOSE) continue
      const lack = from - amount
      // Later bands are only dearer to reach.
      if (lack > 0 && lack * byAmount.rate >= least) break
      if (price + toMinimum >= least || (byValue && goods + short > upTo)) continue
      let extra = toMinimum
      let filled = withMinimum
      if (lack > 0 && (!byValue || lack > short)) {
        extra = byAmount.cost(lack, steps, offer, change)
        filled = from
        // What fills up to the band counts towards the minimum.
        const rest = short - byAmount.goods
        if (rest > CLOSE && !byValue) {
          extra += byGoods.cost(rest, steps, offer, change)
          filled += byGoods.amount
        }
      }
      if (filled > upTo + CLOSE) {
        // The cheapest goods up to the minimum would leave the band.
        extra = Math.max(extra, slight.cost(short, steps, offer, change))
        if (amount + slight.amount > upTo + CLOSE) continue
      }
      if (price + extra < least) [this.band, least] = [b, price + extra]
    }
    return least
  }
}
