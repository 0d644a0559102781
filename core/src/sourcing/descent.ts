import { UNMET, type Ledger, type Way } from './ledger.ts'
import { EPS, type Moves } from './moves.ts'

/** By how much chance a change by force is followed by another. */
const ANOTHER = 0.7
/** How often a bundle is changed by force, and how often a parcel lightened; else sellers are opened and closed. */
const BUNDLE = 0.2
const LIGHTEN = 0.35

/** Makes the plan of a ledger cheaper by the moves, until none saves; and changes it by force. */
export class Descent {
  /** What was bought of each seller before a shake, where only sellers are to be looked at that changed since. */
  private before: Float64Array | undefined

  constructor(
    private readonly ledger: Ledger,
    private readonly moves: Moves,
    private readonly late: () => boolean,
  ) {}

  /** Fill everything as cheaply as it goes before shipping, then look what parcels are worth it. */
  begin(): void {
    this.beginFrom(Array.from({ length: this.moves.drawer }, (_, s) => s))
  }

  /** Change the plan by force, so many times at the most. */
  perturb(most: number): void {
    const { moves } = this
    let open = most
    do this.perturbOnce()
    while (--open > 0 && moves.random() < ANOTHER)
  }

  private perturbOnce(): void {
    const { moves } = this
    const active = moves.active()
    const one = () => moves.oneOf(active)!
    const kind = active.length > 0 ? moves.random() : 1
    if (kind < BUNDLE) return this.changeBundle(one())
    if (kind < BUNDLE + LIGHTEN) return moves.lighten(one())
    const sellers = moves.random()
    const pick = moves.pick()
    if (sellers < 0.65 && this.ledger.lines[pick] === 0) moves.pull(pick)
    if (sellers > 0.45 && active.length > 0) {
      moves.close(one())
      if (sellers > 0.9) moves.close(one())
    }
  }

  /** Buy a step more or less of some bundle of a seller, whatever it costs. */
  private changeBundle(seller: number): void {
    const { ledger, moves } = this
    const bundles = ledger.offersOf[seller]!.filter((offer) => moves.isBundle(offer))
    const offer = moves.oneOf(bundles)
    if (offer === undefined) return
    if (ledger.steps[offer]! > 0 && (moves.random() < 0.5 || !ledger.canBuyMore(offer)))
      moves.empty(offer, ledger.steps[offer]! - 1, offer, -1)
    else if (ledger.canBuyMore(offer)) moves.bring(offer, true)
  }

  /** Begin anew from some sellers: everything from those as long as that is cheaper, shipping aside, then what saves. */
  beginFrom(sellers: readonly number[]): void {
    const { ledger, moves } = this
    ledger.restore(new Int32Array(ledger.fill.length))
    for (const s of sellers) ledger.setFree(s, true)
    for (const need of moves.shuffled(ledger.ways.length))
      while (ledger.missing[need]! > 0 && !moves.outOfTime() && moves.fillBest(need, -1, -1, true));
    for (const s of sellers) moves.bringBundles(s)
    for (const s of sellers) ledger.setFree(s, false)
    this.descend()
  }

  /** Improve until no move of a unit, bundle, closing or lightening of a seller saves, and all limits are kept. */
  descend(): void {
    while (!this.late()) {
      const shifted = this.shiftUnits()
      if (this.changeBundles() || shifted || this.changeSellers()) continue
      if (!this.moves.attempt(() => this.moves.giveUp())) return
    }
  }

  /**
   * Improve what a shake changed since `before`, and what that touches. It ends early where the plan is what it was before,
   * or where its units lie well and it still costs more than `most`.
   */
  descendNear(before: { cost: number; goods: Float64Array }, most: number): void {
    const { ledger } = this
    const same = () => Math.abs(ledger.cost - before.cost) < EPS
    this.before = before.goods
    while (!this.late()) {
      const shifted = this.shiftUnits()
      if (same()) break
      if (this.changeBundles() || shifted) continue
      if (ledger.cost > most || !this.changeSellers()) break
    }
    this.before = undefined
  }

  /** Whether a seller is to be looked at: anyone, or who changed since the shake. */
  private looksAt(seller: number): boolean {
    return !this.before || this.before[seller] !== this.ledger.goods[seller]
  }

  /** Close, lighten and open sellers where that saves. */
  private changeSellers(): boolean {
    const { ledger, moves } = this
    let better = false
    for (const s of moves.shuffled(moves.drawer)) {
      if (ledger.lines[s] === 0 || !this.looksAt(s)) continue
      if (moves.outOfTime()) return better
      const before = ledger.cost
      if (moves.attempt(() => moves.close(s, before)) || moves.attempt(() => moves.lighten(s))) better = true
    }
    return better || this.openOne()
  }

  /** Open each seller in turn, perhaps for another, where that saves; a box that has nearly all is found so. */
  openEach(): void {
    const { moves } = this
    for (const s of moves.shuffled(moves.drawer)) {
      if (this.late()) return
      if (this.ledger.lines[s] === 0 && moves.open(s)) this.descend()
    }
  }

  /** Open some seller that is closed, perhaps for another, if one of a few looked at saves. */
  private openOne(): boolean {
    const { moves } = this
    for (let n = 0; n < 3; n++) {
      const s = moves.pick()
      if (this.ledger.lines[s] === 0 && moves.open(s)) return true
    }
    return false
  }

  /** Move single units, or all units of a way, to cheaper ways of their need. */
  private shiftUnits(): boolean {
    const { ledger, moves } = this
    let better = false
    for (const need of moves.shuffled(ledger.ways.length)) {
      const ways = ledger.ways[need]!
      for (const from of ways) {
        for (let units = ledger.fill[from.at]!; units > 0; units = units > 1 ? 1 : 0) {
          if (ledger.fill[from.at]! < units) continue
          const before = ledger.cost
          let best: Way | undefined
          let cost = before - EPS
          const gone = ledger.quote(from, -units)
          const filled = before + gone - units * UNMET
          const looked = this.looksAt(from.seller)
          for (const to of ways) {
            if (to === from || !(looked || this.looksAt(to.seller))) continue
            if (ledger.lines[to.seller] === 0 && to.seller !== moves.drawer) continue
            // Where the unit leaves, shipping may rise first.
            const least = to.seller === from.seller ? -Infinity : filled + ledger.leastFor(to, units)
            if (least >= cost || ledger.room(to) < units) continue
            const its = moves.afterShift(need, from, to, units, gone)
            if (its < cost) [best, cost] = [to, its]
          }
          if (!best) continue
          ledger.place(need, from, -units)
          ledger.place(need, best, units)
          better = true
        }
      }
      if (moves.outOfTime()) return better
      while (
        ledger.missing[need]! > 0 &&
        !moves.outOfTime() &&
        (moves.fillBest(need, -1, -1, true) || moves.fillByAnother(need))
      )
        better = true
    }
    return better
  }

  /** Buy one step more, or one fewer, of offers that bring several parts at once. */
  private changeBundles(): boolean {
    const { moves } = this
    let better = false
    for (const s of moves.active()) {
      if (!this.looksAt(s)) continue
      if (moves.bringBundles(s)) better = true
      for (const offer of this.ledger.offersOf[s]!)
        if (moves.isBundle(offer) && this.ledger.steps[offer]! > 0)
          while (
            this.ledger.steps[offer]! > 0 &&
            !moves.outOfTime() &&
            moves.attempt(() => moves.empty(offer, this.ledger.steps[offer]! - 1, offer, -1))
          )
            better = true
    }
    return better
  }
}
