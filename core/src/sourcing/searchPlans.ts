import { seeded } from '../random/index.ts'
import { UNMET, type Ledger, type Way } from './ledger.ts'
import type { Settlement } from './settle.ts'

/** A plan of the search: what it buys, and what it comes to with UNMET for each missing unit. */
export interface FoundPlan {
  units: Map<string, number>
  cost: number
}

export interface SearchOptions {
  /** Whether the search is to end. */
  late: () => boolean
  /** Sets of sellers of which the best plan is kept. */
  keep?: number
  onBetter?: (cost: number) => void
}

/** Rounds that bring nothing better, for each seller, after which the search has seen enough. */
const PATIENCE = 60
/** After so many for each seller it goes back to the best plan, for that is where good ones are. */
const WANDERING = 4
/** A saving smaller than this is none: prices are whole, and sums with UNMET in them are rounded. */
const EPS = 0.01
/** How much dearer than the plan it came from a new one may be to go on from. */
const WARMTH = 0.006

/**
 * Search for cheap plans unit by unit, always at the whole price with shipping bands, handling and minimums: from the
 * cheapest of everything, units move to other offers, figures and boxes come in and go out, sellers are closed, opened and
 * swapped while that saves; then the plan is shaken and improved again, for as long as `run` is let (iterated local search;
 * Lourenço, Martin and Stützle, Handbook of Metaheuristics, 2003). A run goes on from where the one before ended.
 */
export class PlanSearch {
  private readonly pool = new Map<string, { fill: Int32Array; cost: number }>()
  private readonly moves: Moves
  private begun = false
  private current = Infinity
  private idle = 0

  constructor(
    private readonly ledger: Ledger,
    private readonly options: SearchOptions,
  ) {
    this.moves = new Moves(ledger, options.late)
  }

  /** Whether nothing better came for so long that more of the same will not find it. */
  get exhausted(): boolean {
    return this.idle >= PATIENCE * this.ledger.sellerCount
  }

  /** Search for as long as `left`, which falls from 1, is above 0. */
  run(left: () => number): void {
    const { ledger, moves } = this
    if (!this.begun) {
      this.begun = true
      moves.thorough = true
      moves.begin()
      this.remember()
      moves.openEach()
      this.remember()
      moves.thorough = false
    }
    const count = ledger.sellerCount
    for (let share = left(); share > 0 && !this.exhausted && !this.options.late(); share = left()) {
      const mark = ledger.mark()
      moves.shake()
      moves.descend()
      const better = this.remember()
      if (ledger.cost < this.current * (1 + WARMTH * share * moves.random())) {
        this.current = ledger.cost
        ledger.settleDown()
      } else ledger.back(mark)
      this.idle = better ? 0 : this.idle + 1
      if (this.idle % (WANDERING * count) === WANDERING * count - 1) this.goTo(this.sorted()[0]!.fill)
    }
  }

  /** Go on from a plan found elsewhere. */
  adopt(settled: Pick<Settlement, 'fills'>): void {
    this.begun = true
    this.ledger.adopt(settled)
    this.moves.descend()
    this.current = this.ledger.cost
    if (this.remember()) this.idle = 0
  }

  /** The best plan of each of the best sets of sellers, cheapest first. */
  best(most: number): FoundPlan[] {
    const at = this.ledger.fill.slice()
    const plans = this.sorted()
      .slice(0, most)
      .map(({ fill, cost }) => {
        this.ledger.become(fill)
        return { units: this.ledger.units(), cost }
      })
    this.goTo(at)
    return plans
  }

  private sorted() {
    return [...this.pool.values()].sort((a, b) => a.cost - b.cost)
  }

  private goTo(fill: Int32Array): void {
    this.ledger.become(fill)
    this.current = this.ledger.cost
  }

  /** Keep the plan if it is the best of its sellers; whether it is the best of all. */
  private remember(): boolean {
    const { pool, ledger, options } = this
    const key = this.moves.active().join(' ')
    const { cost } = ledger
    this.current = Math.min(this.current, cost)
    const [best] = this.sorted()
    if ((pool.get(key)?.cost ?? Infinity) <= cost + EPS) return false
    pool.set(key, { fill: ledger.fill.slice(), cost })
    if (pool.size > (options.keep ?? 12)) {
      const dearest = [...pool].reduce((a, b) => (b[1].cost > a[1].cost ? b : a))
      pool.delete(dearest[0])
    }
    if (best && best.cost <= cost + EPS) return false
    options.onBetter?.(cost)
    return true
  }
}

/** The moves. Each leaves the ledger cheaper or as it was, but for `begin` and `shake`. */
class Moves {
  readonly random: () => number
  private readonly drawer: number
  /** Whether all that a box brings is tried together; too slow for every round. */
  thorough = false

  constructor(
    private readonly ledger: Ledger,
    readonly late: () => boolean,
  ) {
    this.random = seeded(ledger.sellerCount * 7919 + ledger.ways.length)
    this.drawer = ledger.sellerCount
  }

  private pick(): number {
    return Math.floor(this.random() * this.drawer)
  }

  /** Sellers with a parcel, by index. */
  active(): number[] {
    const sellers: number[] = []
    for (let s = 0; s < this.drawer; s++) if (this.ledger.lines[s]! > 0) sellers.push(s)
    return sellers
  }

  /** Fill everything as cheaply as it goes before shipping, then look what parcels are worth it. */
  begin(): void {
    const { ledger } = this
    for (let s = 0; s < this.drawer; s++) ledger.setFree(s, true)
    for (const need of this.shuffled(ledger.ways.length))
      while (ledger.missing[need]! > 0 && this.fillBest(need, -1, -1, true));
    for (let s = 0; s < this.drawer; s++) this.bringBundles(s)
    for (let s = 0; s < this.drawer; s++) ledger.setFree(s, false)
    this.descend()
  }

  /** Change the sellers by force. */
  shake(): void {
    const active = this.active()
    const pick = this.pick()
    const kind = this.random()
    if (kind < 0.65 && this.ledger.lines[pick] === 0) this.pull(pick)
    if (kind > 0.45 && active.length > 0) {
      this.close(active[Math.floor(this.random() * active.length)]!)
      if (kind > 0.9) this.close(active[Math.floor(this.random() * active.length)]!)
    }
  }

  /** Improve until no move of a unit, bundle or closing of a seller saves. */
  descend(): void {
    const { ledger } = this
    for (let better = true; better && !this.late();) {
      better = this.shiftUnits()
      better = this.changeBundles() || better
      if (better) continue
      for (const s of this.shuffled(this.drawer)) {
        if (ledger.lines[s] === 0) continue
        const before = ledger.cost
        if (this.attempt(() => this.close(s, before))) better = true
      }
      if (!better) better = this.openOne()
    }
  }

  /** Open each seller in turn, perhaps for another, where that saves; a box that has nearly all is found so. */
  openEach(): void {
    for (const s of this.shuffled(this.drawer)) {
      if (this.late()) return
      if (this.ledger.lines[s] === 0 && this.open(s)) this.descend()
    }
  }

  /** Open some seller that is closed, perhaps for another, if one of a few looked at saves. */
  private openOne(): boolean {
    for (let n = 0; n < 3; n++) {
      const s = this.pick()
      if (this.ledger.lines[s] === 0 && this.open(s)) return true
    }
    return false
  }

  private attempt(move: () => void): boolean {
    const mark = this.ledger.mark()
    const before = this.ledger.cost
    move()
    if (this.ledger.cost < before - EPS) return true
    this.ledger.back(mark)
    return false
  }

  /** Open a seller, or swap another for it, if that saves. */
  private open(seller: number): boolean {
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
      ledger.back(opened)
    }
    ledger.back(mark)
    return false
  }

  /** Take to a seller all it would bring for less, were it not for its shipping. */
  private pull(seller: number): void {
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
    while (ledger.room(to) > 0) {
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
    if (ledger.missing[need]! > 0) {
      ledger.nudge(need, to, 1)
      cost = ledger.cost
      ledger.nudge(need, to, -1)
      return { way, cost }
    }
    for (const from of ledger.ways[need]!) {
      if (from === to || ledger.fill[from.at] === 0) continue
      ledger.nudge(need, from, -1)
      ledger.nudge(need, to, 1)
      if (ledger.cost < cost) [way, cost] = [from, ledger.cost]
      ledger.nudge(need, to, -1)
      ledger.nudge(need, from, 1)
    }
    return { way, cost }
  }

  /** Put one missing unit where it costs least, among sellers with a parcel unless `anywhere`; whether it went in. */
  private fillBest(need: number, notOffer: number, notSeller: number, anywhere = false): boolean {
    const { ledger } = this
    let best: Way | undefined
    let cost = ledger.cost
    const filled = cost - UNMET
    for (const way of ledger.ways[need]!) {
      const { offer, seller } = way
      if (offer === notOffer || seller === notSeller) continue
      if (!anywhere && ledger.lines[seller] === 0 && seller !== this.drawer) continue
      if (filled + ledger.leastFor(way, 1) >= cost - EPS || ledger.room(way) <= 0) continue
      ledger.nudge(need, way, 1)
      if (ledger.cost < cost - EPS) [best, cost] = [way, ledger.cost]
      ledger.nudge(need, way, -1)
    }
    if (!best) return false
    ledger.place(need, best, 1)
    return true
  }

  /** Fill a missing unit with a part another need has, which can look on better. */
  private fillByAnother(need: number): boolean {
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

  private refill(need: number, notOffer: number, notSeller: number): void {
    if (this.fillBest(need, notOffer, notSeller)) return
    this.fillBest(need, notOffer, notSeller, true)
  }

  /** Empty a seller; its units go where they cost least. Given up half-way where it cannot come to less than `under`. */
  private close(seller: number, under = Infinity): void {
    const { ledger } = this
    for (const offer of ledger.offersOf[seller]!) {
      if (ledger.steps[offer]! > 0) this.empty(offer, 0, -1, seller)
      if (ledger.cost - ledger.mostSaved(seller) >= under) return
    }
  }

  /** Take units out of an offer until so many steps are enough; they go where they cost least. */
  private empty(offer: number, steps: number, notOffer: number, notSeller: number): void {
    const { ledger } = this
    for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++) {
      let excess = ledger.taken[y]! - steps * ledger.perStep[y]!
      for (const { need, way: w } of ledger.takers[y]!) {
        const way = ledger.ways[need]![w]!
        while (excess > 0 && ledger.fill[way.at]! > 0) {
          ledger.place(need, way, -1)
          excess -= 1
          this.refill(need, notOffer, notSeller)
        }
      }
    }
  }

  /** Move single units, or all units of a way, to cheaper ways of their need. */
  private shiftUnits(): boolean {
    const { ledger } = this
    let better = false
    for (const need of this.shuffled(ledger.ways.length)) {
      const ways = ledger.ways[need]!
      for (const from of ways) {
        for (let units = ledger.fill[from.at]!; units > 0; units = units > 1 ? 1 : 0) {
          if (ledger.fill[from.at]! < units) continue
          const before = ledger.cost
          let best: Way | undefined
          let cost = before - EPS
          ledger.nudge(need, from, -units)
          const filled = ledger.cost - units * UNMET
          for (const to of ways) {
            if (to === from || (ledger.lines[to.seller] === 0 && to.seller !== this.drawer)) continue
            if (filled + ledger.leastFor(to, units) >= cost || ledger.room(to) < units) continue
            ledger.nudge(need, to, units)
            if (ledger.cost < cost) [best, cost] = [to, ledger.cost]
            ledger.nudge(need, to, -units)
          }
          ledger.nudge(need, from, units)
          if (!best) continue
          ledger.place(need, from, -units)
          ledger.place(need, best, units)
          better = true
        }
      }
      while (ledger.missing[need]! > 0 && (this.fillBest(need, -1, -1, true) || this.fillByAnother(need))) better = true
    }
    return better
  }

  /** Buy one step more, or one fewer, of offers that bring several parts at once. */
  private changeBundles(): boolean {
    let better = false
    for (const s of this.active()) {
      if (this.bringBundles(s)) better = true
      for (const offer of this.ledger.offersOf[s]!)
        if (this.isBundle(offer) && this.ledger.steps[offer]! > 0)
          while (
            this.ledger.steps[offer]! > 0 &&
            this.attempt(() => this.empty(offer, this.ledger.steps[offer]! - 1, offer, -1))
          )
            better = true
    }
    return better
  }

  private isBundle(offer: number): boolean {
    const { firstSource, perStep } = this.ledger
    return firstSource[offer + 1]! - firstSource[offer]! > 1 || perStep[firstSource[offer]!]! > 1
  }

  private bringBundles(seller: number): boolean {
    let better = false
    for (const offer of this.ledger.offersOf[seller]!)
      if (this.isBundle(offer))
        while (
          this.ledger.canBuyMore(offer) &&
          this.mayPay(offer) &&
          (this.attempt(() => this.bring(offer)) || (this.thorough && this.attempt(() => this.bring(offer, true))))
        )
          better = true
    return better
  }

  /** Whether what a step of a bundle could replace costs about as much; a whole parcel may go with it. */
  private mayPay(offer: number): boolean {
    const { ledger } = this
    let saves = ledger.dearestParcel() - ledger.netPrice[offer]!
    const bundles = new Set<number>()
    for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++) {
      let most = 0
      for (const { need } of ledger.takers[y]!) {
        if (ledger.missing[need]! > 0) return true
        for (const from of ledger.ways[need]!) {
          if (ledger.fill[from.at] === 0) continue
          if (from.price + from.penalty > most) most = from.price + from.penalty
          // Of another bundle a unit saves nothing, but all it brings may do.
          if (this.thorough && this.isBundle(from.offer) && from.offer !== offer && !bundles.has(from.offer)) {
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
  private bring(offer: number, all = false): void {
    const { ledger } = this
    ledger.hold(offer, ledger.steps[offer]! + 1)
    const steps = ledger.steps[offer]!
    for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++)
      for (;;) {
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

  private shuffled(count: number): number[] {
    const order = Array.from({ length: count }, (_, i) => i)
    for (let i = count - 1; i > 0; i--) {
      const j = Math.floor(this.random() * (i + 1))
      ;[order[i], order[j]] = [order[j]!, order[i]!]
    }
    return order
  }
}
