import { seeded } from '../base/index.ts'
import { UNMET, type Ledger, type Way } from './ledger.ts'
import { isBroken, CLOSE } from './parcelTerms.ts'

/** A saving smaller than this is none: prices are whole, and sums with UNMET in them are rounded. */
export const EPS = 0.01

/** Steps of loops between two looks at the clock, which take longer than a step. */
const LOOK = 32

/** The changes a plan is searched by, made in its ledger, each at its whole price. */
export class Moves {
  readonly random: () => number
  /** The drawer, as one more seller. */
  readonly drawer: number
  /** Whether all that a box brings is tried together; too slow for every round. */
  thorough = false

  /** Every so many steps of a loop the clock is looked at. */
  private asked = 0
  private ended = false

  /** What all lean to together. */
  private readonly leaning: number

  /**
   * `late`: whether the search is to end. Loops that may go unit by unit look at it, for needs of a million units. `lean`: how
   * often each seller is picked, for what all are together; alike where it is not said.
   */
  constructor(
    private readonly ledger: Ledger,
    private readonly late: () => boolean = () => false,
    private readonly lean: ArrayLike<number> = new Float64Array(ledger.sellerCount).fill(1),
  ) {
    this.random = seeded(ledger.sellerCount * 7919 + ledger.ways.length)
    this.drawer = ledger.sellerCount
    this.leaning = Array.from(this.lean).reduce((sum, each) => sum + each, 0)
  }

  /** Whether it is time to end; the clock is looked at now and then. A move cut short is a plan all the same. */
  outOfTime(): boolean {
    if (!this.ended && ++this.asked % LOOK === 0) this.ended = this.late()
    return this.ended
  }

  /** Some seller, the likelier the more it leans to them. */
  pick(): number {
    let at = this.random() * this.leaning
    for (let s = 0; s < this.drawer; s++) {
      at -= this.lean[s]!
      if (at < 0) return s
    }
    return this.drawer - 1
  }

  /** Some entry of a list; undefined of an empty one. */
  oneOf<T>(list: readonly T[]): T | undefined {
    return list[Math.floor(this.random() * list.length)]
  }

  /** Sellers with a parcel, by index. */
  active(): number[] {
    const sellers: number[] = []
    for (let s = 0; s < this.drawer; s++) if (this.ledger.lines[s]! > 0) sellers.push(s)
    return sellers
  }

  /** Make a move if that saves. */
  attempt(move: () => void): boolean {
    const mark = this.ledger.mark()
    const before = this.ledger.cost
    move()
    if (this.ledger.cost < before - EPS) return true
    this.ledger.rollback(mark)
    return false
  }

  /** Open a seller, or swap another for it, if that saves. */
  open(seller: number): boolean {
    const { ledger } = this
    const mark = ledger.mark()
    const before = ledger.cost
    this.pull(seller)
    if (ledger.lines[seller] === 0) return false
    if (ledger.cost < before - EPS) return true
    const opened = ledger.mark()
    for (const other of this.active()) {
      if (other === seller) continue
      this.close(other, before)
      if (ledger.cost < before - EPS) return true
      ledger.rollback(opened)
    }
    ledger.rollback(mark)
    return false
  }

  /** Take to a seller all it would bring for less, were it not for its shipping. */
  pull(seller: number): void {
    const { ledger } = this
    ledger.setFree(seller, true)
    for (const offer of ledger.offersOf[seller]!)
      for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++)
        for (const { need, way } of ledger.takers[y]!) this.drawIn(need, ledger.ways[need]![way]!)
    this.bringBundles(seller)
    ledger.setFree(seller, false)
  }

  /** Move units of a need to one of its ways, each from where that saves most, as long as it saves. */
  private drawIn(need: number, to: Way): void {
    const { ledger } = this
    while (ledger.room(to) > 0 && !this.outOfTime()) {
      const before = ledger.cost
      const from = this.bestFrom(need, to)
      if (from.cost >= before - EPS) return
      if (from.way) ledger.place(need, from.way, -1)
      ledger.place(need, to, 1)
    }
  }

  /** Which way of a need a unit best leaves for another, undefined for one that is missing; and the total then. */
  private bestFrom(need: number, to: Way): { way: Way | undefined; cost: number } {
    const { ledger } = this
    let way: Way | undefined
    let cost = Infinity
    const now = ledger.cost
    if (ledger.missing[need]! > 0) return { way, cost: now + ledger.quote(to, 1) }
    for (const from of ledger.ways[need]!) {
      if (from === to || ledger.fill[from.at] === 0) continue
      const its = this.afterShift(need, from, to, 1, ledger.quote(from, -1))
      if (its < cost) [way, cost] = [from, its]
    }
    return { way, cost }
  }

  /** The total if units of a need went from one way to another; `gone` is what it changes by where they are taken out. */
  afterShift(need: number, from: Way, to: Way, units: number, gone: number): number {
    const { ledger } = this
    if (from.seller !== to.seller && !ledger.limited) return ledger.cost + gone + ledger.quote(to, units)
    ledger.nudge(need, from, -units)
    const cost = ledger.cost + ledger.quote(to, units)
    ledger.nudge(need, from, units)
    return cost
  }

  /** Put one missing unit where it costs least, among sellers with a parcel unless `anywhere`; whether it went in. */
  fillBest(need: number, notOffer: number, notSeller: number, anywhere = false): boolean {
    const { ledger } = this
    let best: Way | undefined
    const now = ledger.cost
    let cost = now
    const filled = cost - UNMET
    for (const way of ledger.ways[need]!) {
      const { offer, seller } = way
      if (offer === notOffer || seller === notSeller) continue
      if (!anywhere && ledger.lines[seller] === 0 && seller !== this.drawer) continue
      if (filled + ledger.leastFor(way, 1) >= cost - EPS || ledger.room(way) <= 0) continue
      const its = now + ledger.quote(way, 1)
      if (its < cost - EPS) [best, cost] = [way, its]
    }
    if (!best) return false
    ledger.place(need, best, 1)
    return true
  }

  /** Fill a missing unit with a part another need has, which can look on better. */
  fillByAnother(need: number): boolean {
    const { ledger } = this
    for (const way of ledger.ways[need]!) {
      for (const { need: other, way: w } of ledger.takers[way.source]!) {
        const theirs = ledger.ways[other]![w]!
        if (other === need || ledger.fill[theirs.at] === 0) continue
        const moved = this.attempt(() => {
          ledger.place(other, theirs, -1)
          ledger.place(need, way, 1)
          this.refill(other, way.offer, -1)
        })
        if (moved) return true
      }
    }
    return false
  }

  /** Put a missing unit with a seller who has a parcel, else with anyone. */
  private refill(need: number, notOffer: number, notSeller: number): void {
    if (this.fillBest(need, notOffer, notSeller)) return
    this.fillBest(need, notOffer, notSeller, true)
  }

  /** Empty a seller; its units go where they cost least. Given up half-way where it cannot come to less than `under`. */
  close(seller: number, under = Infinity): void {
    const { ledger } = this
    for (const offer of ledger.offersOf[seller]!) {
      if (ledger.steps[offer]! > 0) this.empty(offer, 0, -1, seller)
      if (ledger.cost - ledger.mostSaved(seller) >= under) return
    }
  }

  /** Bring a parcel into the band below: what costs least elsewhere, for what shipping goes by, goes there. */
  lighten(seller: number): void {
    const { ledger } = this
    const most = ledger.lighter(seller)
    if (most < 0) return
    ledger.setFree(seller, true)
    const lines: { offer: number; amount: number; dearer: number }[] = []
    for (const offer of ledger.offersOf[seller]!) {
      const amount = ledger.stepAmount[offer]!
      if (ledger.steps[offer] === 0 || amount <= 0) continue
      const mark = ledger.mark()
      const before = ledger.cost
      this.empty(offer, ledger.steps[offer]! - 1, -1, seller)
      lines.push({ offer, amount, dearer: ledger.cost - before })
      ledger.rollback(mark)
    }
    while (!this.outOfTime()) {
      const over = ledger.amount[seller]! - most
      if (over <= CLOSE) break
      let best = -1
      let rate = Infinity
      lines.forEach(({ offer, amount, dearer }, i) => {
        const its = dearer / Math.min(amount, over)
        if (ledger.steps[offer]! > 0 && its < rate) [best, rate] = [i, its]
      })
      if (best < 0) break
      const { offer } = lines[best]!
      this.empty(offer, ledger.steps[offer]! - 1, -1, seller)
    }
    ledger.setFree(seller, false)
  }

  /** Take units out of an offer until so many steps are enough; they go where they cost least. */
  empty(offer: number, steps: number, notOffer: number, notSeller: number): void {
    const { ledger } = this
    for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++) {
      let excess = ledger.taken[y]! - steps * ledger.perStep[y]!
      for (const { need, way: w } of ledger.takers[y]!) {
        const way = ledger.ways[need]![w]!
        while (excess > 0 && ledger.fill[way.at]! > 0 && !this.outOfTime()) {
          ledger.place(need, way, -1)
          excess -= 1
          this.refill(need, notOffer, notSeller)
        }
      }
    }
  }

  /** Where a limit is broken, do without one offer after another until all are kept. */
  giveUp(): void {
    const { ledger } = this
    for (const offer of this.shuffled(ledger.steps.length)) {
      if (!isBroken(ledger.cost)) return
      if (ledger.steps[offer] === 0 || ledger.sellerOf[offer] === this.drawer) continue
      for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++)
        for (const { need, way: w } of ledger.takers[y]!) {
          const way = ledger.ways[need]![w]!
          if (ledger.fill[way.at]! > 0) ledger.place(need, way, -ledger.fill[way.at]!)
        }
    }
  }

  /** Whether a step brings several parts. */
  isBundle(offer: number): boolean {
    const { firstSource, perStep } = this.ledger
    return firstSource[offer + 1]! - firstSource[offer]! > 1 || perStep[firstSource[offer]!]! > 1
  }

  /** Buy bundles of a seller as long as that saves. */
  bringBundles(seller: number): boolean {
    let better = false
    for (const offer of this.ledger.offersOf[seller]!)
      if (this.isBundle(offer))
        while (
          this.ledger.canBuyMore(offer) &&
          this.mayPay(offer) &&
          !this.outOfTime() &&
          (this.attempt(() => this.bring(offer)) || (this.thorough && this.attempt(() => this.bring(offer, true))))
        )
          better = true
    return better
  }

  /** Whether what a step of a bundle could replace costs about as much; a whole parcel may go with it. */
  private mayPay(offer: number): boolean {
    const { ledger } = this
    let saves = ledger.dearestParcel() - ledger.netPrice[offer]!
    if (saves > 0) return true
    const bundles = this.thorough ? new Set<number>() : undefined
    for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++) {
      let most = 0
      for (const { need } of ledger.takers[y]!) {
        if (ledger.missing[need]! > 0) return true
        for (const from of ledger.ways[need]!) {
          if (ledger.fill[from.at] === 0) continue
          if (from.price + from.penalty > most) most = from.price + from.penalty
          // Of another bundle a unit saves nothing, but all it brings may do.
          if (bundles && this.isBundle(from.offer) && from.offer !== offer && !bundles.has(from.offer)) {
            bundles.add(from.offer)
            saves += ledger.netPrice[from.offer]!
          }
        }
      }
      saves += most * ledger.perStep[y]!
    }
    return saves > 0
  }

  /** Buy a step more of an offer and use of it what saves, or `all`; where nothing does, nothing is bought. */
  bring(offer: number, all = false): void {
    const { ledger } = this
    ledger.hold(offer, ledger.steps[offer]! + 1)
    const steps = ledger.steps[offer]!
    for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++)
      while (!this.outOfTime()) {
        if (ledger.taken[y]! >= steps * ledger.perStep[y]!) break
        let best: { need: number; to: Way; from: Way | undefined } | null = null
        let cost = all ? Infinity : ledger.cost - EPS
        for (const { need, way } of ledger.takers[y]!) {
          const to = ledger.ways[need]![way]!
          const from = this.bestFrom(need, to)
          if (from.cost < cost) [best, cost] = [{ need, to, from: from.way }, from.cost]
        }
        if (!best) break
        if (best.from) ledger.place(best.need, best.from, -1)
        ledger.place(best.need, best.to, 1)
      }
    ledger.hold(offer, 0)
  }

  /** The numbers under `count` in random order. */
  shuffled(count: number): number[] {
    const order = Array.from({ length: count }, (_, i) => i)
    for (let i = count - 1; i > 0; i--) {
      const j = Math.floor(this.random() * (i + 1))
      ;[order[i], order[j]] = [order[j]!, order[i]!]
    }
    return order
  }
}
