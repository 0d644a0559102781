import { gainsByFillers } from './reduce.ts'
import type { Seller } from './types.ts'

/** Amounts may be fractions of a gram. */
export const CLOSE = 1e-6
/** What a broken limit, or a parcel that cannot be sent, is charged: more than any plan costs, units unmet included. */
export const BROKEN = 1e11

/** What is for sale: price and amount (what shipping goes by) of a step, and how many steps there are. */
interface Stock {
  price: number
  amount: number
  most: number
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
  /** What all the seller has to sell comes to. */
  private readonly stockWorth: number
  /** Least money for one more unit of what shipping goes by, where goods nobody needs fill a parcel up. */
  private readonly fillRate: number

  constructor(seller: Seller, stock: readonly Stock[]) {
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
    this.stockWorth = stock.reduce((sum, { price, most }) => sum + price * most, 0)
    this.fillRate = stock.reduce(
      (least, { price, amount }) => (amount > 0 ? Math.min(least, price / amount) : least),
      Infinity,
    )
  }

  /** Shipping, handling and goods to fill up with, for goods at such a price and such an amount of what shipping goes by. */
  charge(goods: number, amount: number): number {
    const { bands, handling } = this
    if (!this.falls) {
      for (let b = 0; b < bands.length; b++)
        if (amount <= bands[b]!.upTo + CLOSE) return Math.max(handling + bands[b]!.price, CLOSE)
      return BROKEN
    }
    const band = this.band(goods, amount)
    return band < 0 ? BROKEN + handling : Math.max(this.priceIn(band, goods, amount) + handling, CLOSE)
  }

  /** Amount at which the band charged for begins, where the parcel has to be filled up to it; else 0. */
  reach(goods: number, amount: number): number {
    const from = this.falls ? (this.bands[this.band(goods, amount)]?.from ?? 0) : 0
    return from > amount ? from : 0
  }

  /** What the amount may come to at most for the cheaper band below that of an amount; -1 where none is. */
  lighter(amount: number): number {
    const { bands } = this
    const band = bands.findIndex(({ upTo }) => amount <= upTo + CLOSE)
    return band > 0 && bands[band - 1]!.price < bands[band]!.price ? bands[band - 1]!.upTo : -1
  }

  /** The band a parcel is cheapest in, filled up to it and to the minimum; -1 where nobody sends it. */
  private band(goods: number, amount: number): number {
    const { bands, basis, stockWorth } = this
    let best = -1
    let least = Infinity
    for (let b = 0; b < bands.length; b++) {
      const { upTo, price } = bands[b]!
      if (amount > upTo + CLOSE) continue
      // Later bands are only dearer to reach.
      if (this.lack(b, amount) > least) break
      const extra = this.extra(b, goods, amount)
      if (extra > stockWorth - goods || (basis === 'value' && amount + extra > upTo)) continue
      if (price + extra < least) [best, least] = [b, price + extra]
    }
    return best
  }

  private priceIn(band: number, goods: number, amount: number): number {
    return this.bands[band]!.price + this.extra(band, goods, amount)
  }

  /** Money for goods nobody needs that bring a parcel into a band, and to the minimum as well. */
  private extra(band: number, goods: number, amount: number): number {
    return Math.max(0, this.minimum - goods, this.lack(band, amount))
  }

  private lack(band: number, amount: number): number {
    const { from } = this.bands[band]!
    return from > amount ? (from - amount) * (this.basis === 'value' ? 1 : this.fillRate) : 0
  }
}
