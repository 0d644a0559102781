import { Descent } from './descent.ts'
import { UNMET, type Ledger } from './ledger.ts'
import { EPS, Moves } from './moves.ts'
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
  /** How often each seller is tried, for what all are together; alike where it is not said. */
  lean?: Float64Array
  onBetter?: (cost: number) => void
}

/** Rounds that bring nothing better, for each seller, after which the search has seen enough. */
const STALL_ROUNDS = 60
/** After so many for each seller it goes back to one of the best plans, for that is where good ones are. */
const WANDERING = 4
const BEST = 3
/** How much dearer than the best plan a plan may be to go on from, at the start of a run. */
const WARMTH = 0.02
/** How much dearer than that a plan may be, once its units lie well, for its sellers to be tried too. */
const HOPE = 0.02
/** Changes by force before each descent, at the most, where the search is not stuck. */
const SHAKES = 3
/** And how many more, one for each time it went back for nothing. */
const MORE_SHAKES = 10
/** Times it begins anew, for each seller, after which that has been seen enough of. */
const BEGINNINGS = 5
/** Chance of a seller of one of two good plans to be in what comes of both, and of one more seller to be. */
const KEPT = 0.6
const ONE_MORE = 0.5

/**
 * Search for cheap plans unit by unit, always at the whole price with shipping bands, handling and minimums: from the
 * cheapest of everything, units move to other offers, figures and boxes come in and go out, parcels go into a cheaper band,
 * sellers are closed, opened and swapped while that saves; then the plan is shaken and improved again, for as much work as
 * `run` is given (iterated local search; Lourenço, Martin and Stützle, Handbook of Metaheuristics, 2003). A run goes on from
 * where the one before ended. The same work finds the same plans, however long it takes.
 */
export class PlanSearch {
  private readonly pool = new Map<string, { sellers: number[]; fill: Int32Array; cost: number }>()
  private readonly moves: Moves
  private readonly descent: Descent
  private begun = false
  private least = Infinity
  private stalled = 0

  constructor(
    private readonly ledger: Ledger,
    private readonly options: SearchOptions,
  ) {
    this.moves = new Moves(ledger, options.late, options.lean)
    this.descent = new Descent(ledger, this.moves, options.late)
  }

  /** Whether nothing better came for so long that more of the same will not find it. */
  get exhausted(): boolean {
    return this.stalled >= STALL_ROUNDS * this.ledger.sellerCount
  }

  /** Find a first plan, and what one more seller would better of it. */
  begin(): void {
    if (this.begun) return
    this.begun = true
    const { moves, descent } = this
    moves.thorough = true
    descent.begin()
    this.remember()
    descent.openEach()
    this.remember()
    moves.thorough = false
  }

  /** Begin anew from sets of sellers, each drawn by `chances`, for so much work (`Ledger.work`); it goes on from the best. */
  beginAnew(chances: ArrayLike<number>, work: number): void {
    const { ledger, moves, options } = this
    const end = ledger.work + work
    for (let n = 0; n < BEGINNINGS * ledger.sellerCount && ledger.work < end && !options.late(); n++)
      this.beginFrom(Array.from(chances).flatMap((chance, s) => (moves.random() < chance ? [s] : [])))
    this.goBack(1)
  }

  /** Begin anew from what two good plans have of sellers, in common or not, for so much work; it goes on from the best. */
  combine(work: number): void {
    const { ledger, moves, options } = this
    const end = ledger.work + work
    for (let n = 0; n < BEGINNINGS * ledger.sellerCount && ledger.work < end && !options.late(); n++) {
      const good = this.sorted()
      const [one, other] = [moves.oneOf(good)!.sellers, moves.oneOf(good)!.sellers]
      const common = new Set(other)
      const sellers = [...new Set([...one, ...other])].filter(
        (s) => (one.includes(s) && common.has(s)) || moves.random() < KEPT,
      )
      this.beginFrom(moves.random() < ONE_MORE ? [...sellers, moves.pick()] : sellers)
    }
    this.goBack(1)
  }

  /** Begin anew from some sellers. */
  beginFrom(sellers: readonly number[]): void {
    this.begun = true
    this.descent.beginFrom(sellers)
    this.ledger.work += 1
    this.remember()
    this.stalled = 0
  }

  /** Search for so much work (`Ledger.work`), more and more narrowly. */
  run(work: number): void {
    this.begin()
    const { ledger, descent } = this
    const count = ledger.sellerCount
    const from = ledger.work
    for (let share = 1; share > 0 && !this.exhausted && !this.options.late(); share = 1 - (ledger.work - from) / work) {
      const mark = ledger.mark()
      const before = { cost: ledger.cost, goods: ledger.goods.slice() }
      // Whole units that nobody sells are in every plan: what may be dearer is the rest.
      const money = Math.abs(this.least) % UNMET
      const warm = this.least + money * WARMTH * share
      descent.perturb(SHAKES + Math.min(MORE_SHAKES, Math.floor(this.stalled / (WANDERING * count))))
      descent.descendNear(before, warm + money * HOPE)
      if (ledger.cost < this.least - EPS) descent.descend()
      this.stalled = this.remember() ? 0 : this.stalled + 1
      if (ledger.cost < warm) ledger.commit()
      else ledger.rollback(mark)
      // A round in which nothing could be changed is work, too.
      ledger.work += 1
      if (this.stalled % (WANDERING * count) === WANDERING * count - 1) this.goBack(BEST)
    }
  }

  /** Go on from one of the best plans. */
  private goBack(best: number): void {
    const plan = this.moves.oneOf(this.sorted().slice(0, best))
    if (plan) this.ledger.restore(plan.fill)
  }

  /** Go on from a plan found elsewhere. */
  adopt(settled: Pick<Settlement, 'fills'>): void {
    this.begun = true
    this.ledger.adopt(settled)
    this.descent.descend()
    if (this.remember()) this.stalled = 0
  }

  /** The best plan of each of the best sets of sellers, cheapest first. */
  best(most: number): FoundPlan[] {
    const at = this.ledger.fill.slice()
    const plans = this.sorted()
      .slice(0, most)
      .map(({ fill, cost }) => {
        this.ledger.restore(fill)
        return { units: this.ledger.units(), cost }
      })
    this.ledger.restore(at)
    return plans
  }

  private sorted() {
    return [...this.pool.values()].sort((a, b) => a.cost - b.cost)
  }

  /** Keep the plan if it is the best of its sellers; whether it is the best of all. */
  private remember(): boolean {
    const { pool, ledger, options } = this
    const sellers = this.moves.active()
    const key = sellers.join(' ')
    const { cost } = ledger
    if ((pool.get(key)?.cost ?? Infinity) <= cost + EPS) return false
    pool.set(key, { sellers, fill: ledger.fill.slice(), cost })
    if (pool.size > (options.keep ?? 16)) {
      const dearest = [...pool].reduce((a, b) => (b[1].cost > a[1].cost ? b : a))
      pool.delete(dearest[0])
    }
    if (this.least <= cost + EPS) return false
    this.least = cost
    options.onBetter?.(cost)
    return true
  }
}
