import type { Bundle, Compact } from './compact.ts'

/** What an unmet unit is charged in the search: more than any plan costs, so that fewest unmet come first. */
export const UNMET = 1e9

/**
 * Prices a set of sellers: the single parts each need takes from them, cheapest first, then the bundles that save money
 * over those, the most saving first, then shipping, handling and what is missing to a minimum. An estimate that is quick
 * rather than exact: parts two needs fight over, fillers and the edges of bands are left to the exact solver.
 * O(needs × options + bundles of the set).
 */
export class SellerPricer {
  private readonly left: Int32Array
  private readonly bought: Int32Array
  /** Offers with anything bought, so that only those are counted and cleared again. */
  private readonly touched: number[] = []
  private readonly isTouched: Uint8Array
  private readonly goods: Float64Array
  private readonly amount: Float64Array
  private readonly used: Uint8Array
  /** For each need: option and parts taken of it, option and parts …; the dearest last. */
  private readonly fills: number[][]
  private readonly missing: Int32Array
  private readonly sellerOf: Int32Array
  private readonly unitsPerStep: Int32Array
  private readonly priceOf: Float64Array
  /** Needs by how few ways they have, so that those with little choice choose first. */
  private readonly order: number[]

  constructor(private readonly c: Compact) {
    const { offers, sellers } = c.problem
    const index = new Map(sellers.map(({ id }, i) => [id, i]))
    this.left = c.steps.slice()
    this.bought = new Int32Array(offers.length)
    this.isTouched = new Uint8Array(offers.length)
    this.goods = new Float64Array(sellers.length)
    this.amount = new Float64Array(sellers.length)
    this.used = new Uint8Array(sellers.length)
    this.sellerOf = Int32Array.from(offers, ({ seller }) => index.get(seller) ?? -1)
    this.unitsPerStep = Int32Array.from(offers, ({ multiple }) => multiple)
    this.priceOf = Float64Array.from(offers, ({ price }) => price)
    this.fills = c.options.map(() => [])
    this.missing = new Int32Array(c.options.length)
    this.order = c.options.map((_, need) => need).filter((need) => c.open[need]! > 0)
    this.order.sort((a, b) => c.options[a]!.length - c.options[b]!.length)
  }

  /**
   * Estimated total of buying from the sellers marked 1 in `open`, with UNMET for each unit they cannot bring. A total under
   * `refineBelow` is worth a closer look: parts then move between parcels where that reaches a cheaper band.
   */
  price(open: Uint8Array, refineBelow = 0): number {
    for (const offer of this.touched) {
      this.bought[offer] = 0
      this.left[offer] = this.c.steps[offer]!
      this.isTouched[offer] = 0
    }
    this.touched.length = 0
    let total = 0
    for (const need of this.order) total += this.fillSingles(need, open)
    total += this.useBundles(open)
    const shipped = this.ship()
    if (total + shipped >= refineBelow) return total + shipped
    return this.rebalance(open, total, shipped)
  }

  /** The sellers the set priced last really buys from; a set may name some it does not need. */
  sellersUsed(): Uint8Array {
    return this.used.slice()
  }

  /** Units by offer id of the set priced last. */
  units(): Map<string, number> {
    const { offers } = this.c.problem
    return new Map(
      this.touched
        .filter((offer) => this.bought[offer]! > 0)
        .map((offer) => [offers[offer]!.id, this.bought[offer]! * this.unitsPerStep[offer]!]),
    )
  }

  private buy(offer: number, steps: number): void {
    if (this.isTouched[offer] === 0) {
      this.isTouched[offer] = 1
      this.touched.push(offer)
    }
    this.bought[offer]! += steps
    this.left[offer]! -= steps
  }

  private fillSingles(need: number, open: Uint8Array): number {
    const fills = this.fills[need]!
    fills.length = 0
    let wanting = this.c.open[need]!
    let spent = 0
    const options = this.c.options[need]!
    for (let i = 0; i < options.length && wanting > 0; i++) {
      const option = options[i]!
      if (open[option.seller] === 0) continue
      const stock = this.left[option.offer]!
      if (stock === 0) continue
      const steps = Math.min(stock, Math.ceil(wanting / option.perStep))
      const parts = Math.min(wanting, steps * option.perStep)
      this.buy(option.offer, steps)
      // Penalties go for the parts used, the price for all that is bought.
      spent += steps * option.stepPrice + parts * (option.partCost - option.stepPrice / option.perStep)
      wanting -= parts
      fills.push(i, parts)
    }
    this.missing[need] = wanting
    return spent + wanting * UNMET
  }

  /**
   * Buy bundles as long as one replaces more than it costs, always the one that saves most. A saving only falls as others
   * are bought, so an old one is looked at again only when it stands first (lazy greedy). The change of the total.
   */
  private useBundles(open: Uint8Array): number {
    const queue: { bundle: Bundle; saves: number }[] = []
    for (let seller = 0; seller < open.length; seller++)
      if (open[seller] === 1)
        for (const bundle of this.c.bundles[seller]!) {
          const saves = this.saving(bundle)
          if (saves > 0) queue.push({ bundle, saves })
        }
    queue.sort((a, b) => a.saves - b.saves)
    let change = 0
    for (let entry = queue.pop(); entry; entry = queue.pop()) {
      const { bundle } = entry
      if (this.left[bundle.offer] === 0) continue
      const saves = this.saving(bundle)
      if (saves <= 0) continue
      const next = queue[queue.length - 1]
      if (next && saves < next.saves) {
        let at = queue.length
        while (at > 0 && queue[at - 1]!.saves > saves) at--
        queue.splice(at, 0, { bundle, saves })
        continue
      }
      for (const { needs } of bundle.parts) {
        const need = this.dearest(needs)
        if (need >= 0) this.replace(need)
      }
      this.buy(bundle.offer, 1)
      change -= saves
      queue.push(entry)
    }
    return change
  }

  /** What one bundle would save over what is bought now; below 0 it costs more. */
  private saving({ price, parts }: Bundle): number {
    let saved = -price
    for (const { qty, needs, resale } of parts) {
      this.dearest(needs)
      saved += Math.max(this.dearestSaves, resale) + (qty - 1) * resale
    }
    return saved
  }

  /** Set by `dearest`: what its need would save. */
  private dearestSaves = 0

  /** The need where one more part of a kind saves most, −1 where it saves nothing. */
  private dearest(needs: Bundle['parts'][number]['needs']): number {
    let best = -1
    this.dearestSaves = 0
    for (let i = 0; i < needs.length; i++) {
      const { need, penalty } = needs[i]!
      const fills = this.fills[need]!
      let saves = 0
      if (this.missing[need]! > 0) saves = UNMET - penalty
      else if (fills.length > 0) {
        const option = this.c.options[need]![fills[fills.length - 2]!]!
        if (option.perStep === 1) saves = option.partCost - penalty
      }
      if (saves > this.dearestSaves) {
        this.dearestSaves = saves
        best = need
      }
    }
    return best
  }

  private replace(need: number): void {
    if (this.missing[need]! > 0) {
      this.missing[need]! -= 1
      return
    }
    const fills = this.fills[need]!
    const offer = this.c.options[need]![fills[fills.length - 2]!]!.offer
    this.bought[offer]! -= 1
    this.left[offer]! += 1
    if ((fills[fills.length - 1]! -= 1) === 0) fills.length -= 2
  }

  /** Move parts between parcels, seller by seller, as long as a cheaper band or a minimum is worth it; the new total. */
  private rebalance(open: Uint8Array, goods: number, shipped: number): number {
    let [spent, shipping] = [goods, shipped]
    for (let seller = 0; seller < this.used.length; seller++) {
      if (this.used[seller] === 0) continue
      for (const target of this.targets(seller)) {
        const moves = target < 0 ? this.movesOut(seller, -target, open) : this.movesIn(seller, target)
        if (moves.length === 0) continue
        let change = 0
        for (const [need, from, to] of moves) change += this.shift(need, from, to)
        const then = this.ship()
        if (change + then < shipping - 1e-6) {
          spent += change
          shipping = then
        } else {
          for (const [need, from, to] of moves.reverse()) this.shift(need, to, from)
          this.ship()
        }
      }
    }
    return spent + shipping
  }

  /** Amounts worth reaching for a parcel: below 0 to leave its band downwards, above 0 to fill it up. */
  private targets(seller: number): number[] {
    const { minimum, basis, upTo, price } = this.c.sellers[seller]!
    const amount = basis === 'value' ? this.goods[seller]! : this.amount[seller]!
    let band = 0
    while (band < upTo.length - 1 && upTo[band]! < amount - 1e-6) band++
    const targets: number[] = []
    if (this.goods[seller]! < minimum && basis === 'value') targets.push(minimum - this.goods[seller]!)
    if (band > 0 && price[band - 1]! < price[band]!) targets.push(upTo[band - 1]! - amount)
    if (band < upTo.length - 1 && price[band + 1]! < price[band]!) targets.push(upTo[band]! - amount + 1e-3)
    return targets
  }

  private amountOf(offer: number, basis: Compact['sellers'][number]['basis']): number {
    return basis === 'count' ? 1 : basis === 'weight' ? this.c.weight[offer]! : this.priceOf[offer]!
  }

  /** Single parts to buy elsewhere so that a parcel shrinks by `excess`, the least dear first; none if that cannot be. */
  private movesOut(seller: number, excess: number, open: Uint8Array): Move[] {
    const { basis } = this.c.sellers[seller]!
    const found: { move: Move; amount: number; ratio: number }[] = []
    for (const need of this.order) {
      const fills = this.fills[need]!
      const options = this.c.options[need]!
      for (let f = 0; f < fills.length; f += 2) {
        const from = options[fills[f]!]!
        if (from.seller !== seller || from.perStep !== 1) continue
        let parts = fills[f + 1]!
        for (let to = 0; to < options.length && parts > 0; to++) {
          const other = options[to]!
          if (other.seller === seller || open[other.seller] === 0 || other.perStep !== 1) continue
          const room = Math.min(parts, this.left[other.offer]!)
          const amount = this.amountOf(from.offer, basis)
          for (let n = 0; n < room; n++)
            found.push({ move: [need, fills[f]!, to], amount, ratio: (other.partCost - from.partCost) / amount })
          parts -= room
        }
      }
    }
    return enough(found, excess)
  }

  /** Single parts bought elsewhere to take from this parcel so that it grows by `lack`, the least dear first. */
  private movesIn(seller: number, lack: number): Move[] {
    const { basis } = this.c.sellers[seller]!
    const found: { move: Move; amount: number; ratio: number }[] = []
    for (const need of this.order) {
      const fills = this.fills[need]!
      const options = this.c.options[need]!
      const to = options.findIndex((option) => option.seller === seller && option.perStep === 1)
      if (to < 0) continue
      const into = options[to]!
      let room = this.left[into.offer]!
      for (let f = fills.length - 2; f >= 0 && room > 0; f -= 2) {
        const from = options[fills[f]!]!
        if (from.seller === seller || from.perStep !== 1) continue
        const amount = this.amountOf(into.offer, basis)
        for (let n = 0; n < Math.min(room, fills[f + 1]!); n++)
          found.push({ move: [need, fills[f]!, to], amount, ratio: (into.partCost - from.partCost) / amount })
        room -= Math.min(room, fills[f + 1]!)
      }
    }
    return enough(found, lack)
  }

  /** Fill one part of a need by another of its options; the change of what goods and penalties cost. */
  private shift(need: number, from: number, to: number): number {
    const fills = this.fills[need]!
    const options = this.c.options[need]!
    const put = (option: number, by: number) => {
      for (let f = 0; f < fills.length; f += 2)
        if (fills[f] === option) {
          fills[f + 1]! += by
          if (fills[f + 1] === 0) fills.splice(f, 2)
          return
        }
      fills.push(option, by)
    }
    put(from, -1)
    put(to, 1)
    this.buy(options[from]!.offer, -1)
    this.buy(options[to]!.offer, 1)
    return options[to]!.partCost - options[from]!.partCost
  }

  /** Shipping, handling, and what is missing to minimums, which has to be spent on something. */
  private ship(): number {
    const { c } = this
    this.goods.fill(0)
    this.amount.fill(0)
    this.used.fill(0)
    for (const offer of this.touched) {
      if (this.bought[offer] === 0) continue
      const seller = this.sellerOf[offer]!
      const units = this.bought[offer]! * this.unitsPerStep[offer]!
      this.used[seller] = 1
      this.goods[seller]! += units * this.priceOf[offer]!
      const { basis } = c.sellers[seller]!
      if (basis === 'count') this.amount[seller]! += units
      else if (basis === 'weight') this.amount[seller]! += units * c.weight[offer]!
    }
    let total = 0
    for (let seller = 0; seller < this.used.length; seller++) {
      if (this.used[seller] === 0) continue
      const { minimum, handling, basis, upTo, price } = c.sellers[seller]!
      const short = Math.max(0, minimum - this.goods[seller]!)
      const amount = basis === 'value' ? this.goods[seller]! + short : this.amount[seller]!
      let band = 0
      while (band < upTo.length && upTo[band]! < amount - 1e-6) band++
      total += handling + short + (band === upTo.length ? UNMET : price[band]!)
    }
    return total
  }
}

/** One part of a need, from one of its options to another. */
type Move = [need: number, from: number, to: number]

/** The moves of least cost for their amount that come to `wanted` together; none where all do not. */
function enough(found: { move: Move; amount: number; ratio: number }[], wanted: number): Move[] {
  found.sort((a, b) => a.ratio - b.ratio)
  const moves: Move[] = []
  let sum = 0
  for (const { move, amount } of found) {
    if (sum >= wanted - 1e-6) break
    moves.push(move)
    sum += amount
  }
  return sum >= wanted - 1e-6 ? moves : []
}
