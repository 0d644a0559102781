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
  onBetter?: (cost: number) => void
}

/** Rounds that bring nothing better, for each seller, after which the search has seen enough. */
const STALL_ROUNDS = 60
/** After so many for each seller it goes back to one of the best plans, for that is where good ones are. */
const WANDERING = 4
const BEST = 3
/** How much dearer than the best plan a plan may be to go on from, at the start of a run. */
const WARMTH = 0.008
/** How much dearer than that a plan may be, once its units lie well, for its sellers to be tried too. */
const HOPE = 0.006
/** Changes by force before each descent, at the most, where the search is not stuck. */
const SHAKES = 3
/** And how many more, one for each time it went back for nothing. */
const MORE_SHAKES = 10

/**
 * Search for cheap plans unit by unit, always at the whole price with shipping bands, handling and minimums: from the
 * cheapest of everything, units move to other offers, figures and boxes come in and go out, parcels go into a cheaper band,
 * sellers are closed, opened and swapped while that saves; then the plan is shaken and improved again, for as long as `run`
 * is let (iterated local search; Lourenço, Martin and Stützle, Handbook of Metaheuristics, 2003). A run goes on from where
 * the one before ended.
 */
export class PlanSearch {
  private readonly pool = new Map<string, { fill: Int32Array; cost: number }>()
  private readonly moves: Moves
  private readonly descent: Descent
  private begun = false
  private least = Infinity
  private stalled = 0

  constructor(
    private readonly ledger: Ledger,
    private readonly options: SearchOptions,
  ) {
    this.moves = new Moves(ledger, options.late)
    this.descent = new Descent(ledger, this.moves, options.late)
  }

  /** Whether nothing better came for so long that more of the same will not find it. */
  get exhausted(): boolean {
    return this.stalled >= STALL_ROUNDS * this.ledger.sellerCount
  }

  /** Search for as long as `left`, which falls from 1, is above 0. */
  run(left: () => number): void {
    const { ledger, moves, descent } = this
    if (!this.begun) {
      this.begun = true
      moves.thorough = true
      descent.begin()
      this.remember()
      descent.openEach()
      this.remember()
      moves.thorough = false
    }
    const count = ledger.sellerCount
    for (let share = left(); share > 0 && !this.exhausted && !this.options.late(); share = left()) {
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
      if (this.stalled % (WANDERING * count) === WANDERING * count - 1)
        ledger.restore(moves.oneOf(this.sorted().slice(0, BEST))!.fill)
    }
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
    const key = this.moves.active().join(' ')
    const { cost } = ledger
    const [best] = this.sorted()
    if ((pool.get(key)?.cost ?? Infinity) <= cost + EPS) return false
    pool.set(key, { fill: ledger.fill.slice(), cost })
    if (pool.size > (options.keep ?? 12)) {
      const dearest = [...pool].reduce((a, b) => (b[1].cost > a[1].cost ? b : a))
      pool.delete(dearest[0])
    }
    if (best && best.cost <= cost + EPS) return false
    this.least = cost
    options.onBetter?.(cost)
    return true
  }
}
