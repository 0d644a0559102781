import { naiveUnits } from './cheapestOfEach.ts'
import { fewestUnmet, tightLimit, unmetByAll } from './impossible.ts'
import { keepsLimits } from './keepsLimits.ts'
import { Ledger } from './ledger.ts'
import { lagrangianBound, type LagrangianBound } from './lagrangian.ts'
import { sourcingModel } from './model.ts'
import { Proof } from './proof.ts'
import { reduceProblem } from './reduce.ts'
import { PlanSearch } from './searchPlans.ts'
import { unitsInModel } from './supplyModel.ts'
import { isBetter, settle, unmetIn, type Settlement } from './settle.ts'
import type { MilpOptions, SolveAside, SolveMilp } from '../solver/index.ts'
import type { Limits, Offer, SourcingProblem } from './types.ts'

/** Relative gap at and under which a plan counts as optimal. */
export const OPTIMAL_GAP = 0.0001

export interface PlanOptions {
  solve: SolveMilp
  /** Where there is a thread to spare, the proof goes on beside the search. */
  solveAside?: SolveAside
  /** Seconds since some fixed moment; the core has no clock of its own. */
  now: () => number
  onProgress?: MilpOptions['onProgress']
  /** Whether the best plan found so far is good enough for who waits for it. */
  stopRequested?: () => boolean
  /** Units by offer id of a purchase known to keep the limits. */
  known?: ReadonlyMap<string, number>
}

/** The relative gap of a total above its bound. */
export const gapOf = (total: number, bound: number) =>
  total <= bound ? 0 : total === 0 ? 1 : Math.abs((total - bound) / total)

/** A purchase that keeps all limits, with what it comes to. */
interface Candidate {
  units: Map<string, number>
  settled: Settlement
}

/**
 * How work is shared, by how many offers there are: search, in `Ledger.work`, of which one to two million take a second, and
 * mixing by the exact solver, in simplex iterations, of which one to two thousand do. As work is counted and not timed, the same is found on every machine and
 * the clock only ends it; and more seconds begin with all that fewer would have found.
 */
interface Schedule {
  /** Beginning anew from sellers drawn by chance, from those of two good plans, and the first search from the best of these. */
  anew: number
  combine: number
  first: number
  /** Search in the turns that follow, each with a mixing of so many iterations at the most. */
  turns: readonly number[]
  mixing: number
  /** Whether what is left goes to all that can still be better, for the optimum and its proof; else turns go on. */
  proves: boolean
}
const SCHEDULES = {
  small: { anew: 0, combine: 0, first: 0.5e6, turns: [0], mixing: 2_000, proves: true },
  middling: { anew: 0.3e6, combine: 0.2e6, first: 0.5e6, turns: [0, 0.4e6], mixing: 2_000, proves: true },
  large: { anew: 0, combine: 0, first: 1.2e6, turns: [0, 1e6], mixing: 2_000, proves: false },
  /** Of a large one whose parcels weigh heavily: whom to buy from decides then. */
  heavy: { anew: 0.7e6, combine: 0.7e6, first: 0.6e6, turns: [0, 0.6e6], mixing: 2_000, proves: false },
} satisfies Record<string, Schedule>
/** Offers under which a problem is small, and middling. */
const SMALL = 260
const MIDDLING = 700
/**
 * Offers from which the proof waits for the first turn, unless parcels weigh heavily: so many slow a search down so much that
 * what a second thread takes of memory and cache is missed.
 */
const VAST = 6000
/** Share of the seconds that have to be left for a proof to be begun anew. */
const LATE = 0.4
/** Share of a plan that goes to parcels from which they weigh heavily. */
const HEAVY = 0.125
/** Work of beginning anew once all turns have been taken and there is time left. */
const ANEW = 0.7e6
/** Work for meeting more, and the share of the seconds for the proof that no more can be met. */
const MEETING = 1e6
const PROVING_FEWEST = 0.5
/** Work after which the best so far is told again. */
const TELLING = 0.1e6
/** Kept back of the seconds, since the solver looks at the clock only now and then. */
const MARGIN = 0.08
/** Rounds for the prices that prove a bound, and how many offers are priced at the most in all of them. */
const ROUNDS = 600
const PRICING = 2e6
/** Share of the seconds it gets in any case. */
const LEAST_PRICING = 0.08
/** Chance of a seller to be begun from beside how much of it a plan of fractions opens, and for each of that; how often it is tried. */
const CHANCE = 0.02
const CHANCES = 1.5
const LEAN = 0.05
/** How far offers that are searched may raise the bound, as a share of what a parcel is charged. */
const FOCUS = 0.4
/** And how many of each part are searched in any case. */
const FEW = 6
/** Plans mixed with one another. */
const MIXED = 5

/**
 * Finds the cheapest purchase that leaves as few units unmet as possible, and a bound on all of them.
 *
 * Fixed shipping makes good plans cheap to find and proofs dear; so a local search (`PlanSearch`) comes first, and the exact
 * solver is asked for what the search cannot: the best plan out of all offers that the best plans use, the fewest units that
 * must stay unmet, and a bound, beside the search where there is a thread to spare (`Proof`). The cheapest offer of each part
 * stands ready where nothing better is found in time.
 */
export class Planner {
  best: Candidate | undefined
  bound = -Infinity
  /** Units that any plan leaves unmet, whether that is proven, and the limit that makes it so. */
  readonly fewest: number
  readonly isFewest: boolean
  readonly tight: keyof Pick<Limits, 'parcels' | 'arriveBy' | 'budget'> | undefined
  private readonly reduced: SourcingProblem
  private readonly start: number
  private readonly seconds: number
  private readonly priced: LagrangianBound
  private readonly schedule: Schedule
  private readonly search: PlanSearch
  private proof: Proof | undefined
  /** A second search, of the sellers the proof has found, so that the first is the same however fast the proof is. */
  private desk: PlanSearch | undefined
  /** How often each seller is tried. */
  private readonly lean: Float64Array
  /** Sets of sellers whose best plan is known. */
  private readonly solved = new Set<string>()
  /** Whether parcels weigh so heavily that sets of sellers are solved, not mixtures of plans. */
  private readonly isBySellers: boolean

  constructor(
    private readonly problem: SourcingProblem,
    private readonly options: PlanOptions,
  ) {
    const { solve, now, known } = options
    this.start = now()
    this.seconds = problem.limits.seconds * (1 - MARGIN)
    const reduced = reduceProblem(problem)
    this.reduced = reduced
    this.offer(naiveUnits(reduced))
    if (known) this.offer(new Map(known))
    const { late, left } = this
    const first = new PlanSearch(new Ledger(reduced), { late })
    first.begin()
    this.take(first)
    // Where limits stand in the way, what can be met is found sooner by searching than proven.
    if (this.best && unmetIn(this.best.settled) > unmetByAll(reduced)) {
      first.run(MEETING)
      this.take(first)
    }
    const unmet = fewestUnmet(reduced, this.best?.settled, solve, left() * PROVING_FEWEST)
    this.offer(unmet.bought ?? null)
    this.fewest = unmet.units
    this.isFewest = unmet.proven
    this.tight = this.fewest > 0 ? tightLimit(problem, this.fewest, solve, left) : undefined
    this.isBySellers = chargesOf(this.best?.settled) > HEAVY * (this.best?.settled.total ?? Infinity)
    if (reduced.offers.length >= SMALL && (this.isBySellers || reduced.offers.length < VAST)) this.beginProof()
    // Where limits took all the time, there is a bound all the same.
    const pricing = now()
    const most = Math.max(left(), this.seconds * LEAST_PRICING)
    this.priced = lagrangianBound(reduced, {
      fewest: this.fewest,
      upper: this.best?.settled.total ?? mostSpent(reduced),
      rounds: Math.min(ROUNDS, Math.ceil(PRICING / (reduced.offers.length + 1))),
      late: () => options.stopRequested?.() === true || now() - pricing > most,
    })
    this.bound = this.priced.bound
    this.tell()
    this.schedule =
      SCHEDULES[
        this.withinReach().offers.length < SMALL
          ? 'small'
          : reduced.offers.length < MIDDLING
            ? 'middling'
            : this.isBySellers
              ? 'heavy'
              : 'large'
      ]
    this.lean = this.priced.open.map((share) => share + LEAN)
    const { lean } = this
    const ledger = new Ledger(focus(reduced, this.priced))
    let told = 0
    const onBetter = () => {
      if (ledger.work < told + TELLING) return
      told = ledger.work
      this.offer(ledger.units())
    }
    this.search = new PlanSearch(ledger, { late, lean, onBetter })
    if (this.best) this.search.adopt(this.best.settled)
  }

  readonly left = () => Math.max(0, this.seconds - (this.options.now() - this.start))
  private readonly late = () => this.options.stopRequested?.() === true || this.left() <= 0

  /** Search and prove until time is up or the best is known. */
  run(): void {
    try {
      this.takeTurns()
      if (!this.finished()) this.prove()
      this.hear()
    } finally {
      this.proof?.stop()
    }
    // No plan can earn more from leftovers than all there is to buy would fetch.
    this.bound = Math.max(this.bound, -mostCredit(this.reduced))
  }

  private takeTurns(): void {
    const { search, schedule } = this
    const again = schedule.turns.at(-1)!
    this.begin(schedule.anew, schedule.combine)
    if (schedule.proves) this.proof?.anew(this.toProve)
    schedule.turns.forEach((work, nth) => {
      this.turn(work)
      if (schedule.proves) return
      this.beginProof()
      // By then the first proof has come as far as it soon will, and the plan is as good as it soon will be.
      if (nth > 0 && this.left() > LATE * this.seconds) this.proof?.anew(this.toProve)
    })
    while (!schedule.proves && !this.finished() && !search.exhausted) this.turn(again)
    // Beside a proof of its own the search begins anew as long as there is time.
    while (!schedule.proves && this.proof && !this.finished()) {
      this.begin(ANEW, ANEW)
      this.turn(again)
    }
  }

  /** Begin the proof beside the search, where there is a thread for it. */
  private beginProof(): void {
    const { solveAside } = this.options
    if (!solveAside || this.proof || this.late()) return
    this.proof = new Proof(this.reduced, this.fewest, solveAside, this.left, this.problem.limits.gap)
  }

  /** What the best so far comes to, where no plan leaves less unmet. */
  private knownTotal(): number | undefined {
    const { best, fewest } = this
    return best && unmetIn(best.settled) <= fewest ? best.settled.total : undefined
  }

  private readonly toProve = () => ({ problem: this.withinReach(), known: this.knownTotal() })

  /** Begin anew from sets of sellers, drawn by chance and of two good plans, for so much work each; then search on from the best. */
  private begin(anew: number, combine: number): void {
    const { search, schedule, late } = this
    const chances = this.priced.open.map((share) => share * CHANCES + CHANCE)
    if (!late() && anew > 0) search.beginAnew(chances, anew)
    if (!late() && combine > 0) search.combine(combine)
    if (!late()) search.run(schedule.first)
    this.take(search)
    this.ask()
  }

  private turn(work: number): void {
    if (this.finished()) return
    if (work > 0) this.search.run(work)
    this.take(this.search)
    if (!this.late()) this.mix()
    this.ask()
  }

  private finished(): boolean {
    return this.late() || this.isProven()
  }

  /** Whether nothing better can be. */
  private isProven(): boolean {
    const { best, bound, fewest, problem } = this
    // A plan that leaves more unmet comes to less than the bound is of.
    if (!best || unmetIn(best.settled) > fewest) return false
    return gapOf(best.settled.total, bound) <= Math.min(problem.limits.gap, OPTIMAL_GAP)
  }

  /** Take in what the proof beside has proven. */
  private hear(): void {
    this.bound = Math.max(this.bound, this.proof?.bound() ?? -Infinity)
  }

  /** Look how far the proof is, and what plan comes of the sellers it has found. */
  private ask(): void {
    const { proof, schedule, reduced, lean, late } = this
    if (!proof) return
    this.hear()
    this.tell()
    const sellers = proof.sellers()
    proof.goOn(this.toProve)
    if (!sellers || late()) return
    const desk = (this.desk ??= new PlanSearch(new Ledger(reduced), { late, lean }))
    desk.beginFrom(reduced.sellers.flatMap(({ id }, s) => (sellers.has(id) ? [s] : [])))
    if (!schedule.proves) desk.run(schedule.first)
    this.take(desk)
  }

  /**
   * The best plan out of the offers that the best plans use or, where it is by sellers, out of all that the sellers of one of
   * them have, goods to fill its parcels up with among it: of the best whose sellers were not solved yet. The search goes on
   * from there.
   */
  private mix(): void {
    const { reduced, search, solved, options, fewest } = this
    const plans = search.best(MIXED).map(({ units }) => ({ units, sellers: sellersOf(reduced, units) }))
    const ready = this.best && { units: this.best.units, sellers: sellersOf(reduced, this.best.units) }
    const open = this.isBySellers
      ? [...(ready ? [ready] : []), ...plans].find(({ sellers }) => !solved.has([...sellers].join(' ')))
      : undefined
    const mixed = open
      ? onlyOffers(reduced, ({ seller }) => open.sellers.has(seller))
      : onlyOffers(reduced, ({ id }) => plans.some(({ units }) => units.has(id)))
    if (open) solved.add([...open.sellers].join(' '))
    if (mixed.offers.length === 0) return
    const model = sourcingModel(mixed, 'cost', fewest, { fillers: open !== undefined })
    const { values } = options.solve(model.milp, {
      seconds: this.left(),
      iterations: this.schedule.mixing,
      gap: OPTIMAL_GAP,
      ...this.startOf(model, mixed),
    })
    if (values) this.offer(unitsInModel(mixed, model.steps, values))
    if (this.best) search.adopt(this.best.settled)
    this.take(search)
  }

  /** Give all that can be in a better plan to the exact solver. */
  private prove(): void {
    const { options, fewest, problem, schedule } = this
    const narrow = this.withinReach()
    const model = sourcingModel(narrow, 'cost', fewest)
    const { values, bound } = options.solve(model.milp, {
      seconds: Math.max(0.1, this.left()),
      gap: Math.min(problem.limits.gap, OPTIMAL_GAP),
      proveOnly: schedule.proves,
      ...this.startOf(model, narrow),
      // The proof beside may come first.
      stop: () => {
        this.hear()
        // Asked thousands of times: only of what a round has come to.
        if (this.proof?.isReady) this.ask()
        return options.stopRequested?.() === true || this.isProven()
      },
      onProgress: ({ best: found, bound: proven }) => {
        this.bound = Math.max(this.bound, proven ?? -Infinity)
        this.tell(unmetIn(this.best?.settled) <= fewest ? (found ?? Infinity) : Infinity)
      },
    })
    // What the narrow problem leaves out is no cheaper than the best plan known then, which the total never exceeds.
    this.bound = Math.max(this.bound, bound)
    if (values) this.offer(unitsInModel(narrow, model.steps, values))
  }

  /** Keep a purchase if it is the best so far. */
  private offer(units: Map<string, number> | null): void {
    if (!units) return
    const candidate = { units, settled: settle(this.problem, units) }
    if (!keepsLimits(this.problem, candidate.settled)) return
    if (this.best && !isBetter(candidate.settled, this.best.settled)) return
    this.best = candidate
    this.tell()
  }

  private take(search: PlanSearch): void {
    for (const { units } of search.best(1)) this.offer(units)
  }

  private tell(estimate = Infinity): void {
    this.options.onProgress?.({
      best: Math.min(estimate, this.best?.settled.total ?? Infinity),
      bound: this.bound > -Infinity ? this.bound : null,
    })
  }

  /** The best plan as the point a model is solved from, where the model can express it; and whether to stop. */
  private startOf(
    model: ReturnType<typeof sourcingModel>,
    { offers }: SourcingProblem,
  ): { start?: number[]; stop?: () => boolean } {
    const { best } = this
    const { stopRequested } = this.options
    const known = new Set(offers.map(({ id }) => id))
    const fits = best !== undefined && [...best.units.keys()].every((id) => known.has(id))
    return {
      ...(stopRequested ? { stop: stopRequested } : {}),
      ...(fits ? { start: model.valuesOf(best.units, best.settled) } : {}),
    }
  }

  /** All of the problem that can be in a better plan than the best so far: without the sellers and offers no plan under it has. */
  private withinReach(): SourcingProblem {
    const { reduced, best, priced } = this
    if (!best || unmetIn(best.settled) > this.fewest) return reduced
    // Totals are whole, so a better plan saves one unit of money at the least.
    const within = (bound: number) => bound <= best.settled.total - 1 + 1e-6
    const sellers = new Set(reduced.sellers.filter((_, s) => within(priced.withSeller[s]!)).map(({ id }) => id))
    return {
      ...reduced,
      sellers: reduced.sellers.filter(({ id }) => sellers.has(id)),
      offers: reduced.offers.filter(({ seller }, o) => sellers.has(seller) && within(priced.withOffer[o]!)),
    }
  }
}

/** What parcels are charged beside their goods. */
const chargesOf = (settled?: Settlement) =>
  (settled?.baskets ?? []).reduce((sum, { shipping, handling }) => sum + shipping + handling, 0)

/** Sellers of whom something is bought, in the order of the problem. */
function sellersOf({ offers, sellers }: SourcingProblem, units: ReadonlyMap<string, number>): Set<string> {
  const bought = new Set(offers.flatMap(({ id, seller }) => (units.has(id) ? [seller] : [])))
  return new Set(sellers.flatMap(({ id }) => (bought.has(id) ? [id] : [])))
}

/** The problem with some of its offers alone. */
function onlyOffers(problem: SourcingProblem, kept: (offer: Offer) => boolean): SourcingProblem {
  const offers = problem.offers.filter(kept)
  const sellers = new Set(offers.map(({ seller }) => seller))
  return { ...problem, offers, sellers: problem.sellers.filter(({ id }) => sellers.has(id)) }
}

/**
 * The problem with the offers that good plans are made of: those by which the bound rises little, and a few of each part all
 * the same. No bound comes of it.
 */
function focus(problem: SourcingProblem, { bound, withOffer }: LagrangianBound): SourcingProblem {
  const { sellers, offers } = problem
  const charge = sellers.reduce((sum, s) => sum + s.handling + s.shipping.bands[0]!.price, 0) / (sellers.length || 1)
  const few = new Set<number>()
  const bringing = new Map<string, number[]>()
  offers.forEach(({ yields }, o) => {
    for (const { part } of yields) bringing.set(part, [...(bringing.get(part) ?? []), o])
  })
  for (const list of bringing.values())
    for (const o of list.sort((a, b) => withOffer[a]! - withOffer[b]!).slice(0, FEW)) few.add(o)
  return { ...problem, offers: offers.filter((_, o) => few.has(o) || withOffer[o]! <= bound + FOCUS * charge) }
}

/** More than any plan can come to. */
const mostSpent = ({ offers, sellers }: SourcingProblem): number =>
  offers.reduce((sum, { price, qty }) => sum + price * qty, 0) +
  sellers.reduce((sum, { handling, shipping }) => sum + handling + Math.max(...shipping.bands.map((b) => b.price)), 0)

/** No plan can earn more from leftovers than all there is to buy would fetch. */
function mostCredit({ offers, resale }: SourcingProblem): number {
  const price = new Map(resale.map(({ part, price }) => [part, price]))
  const worth = ({ yields }: Offer) => yields.reduce((sum, { part, qty }) => sum + qty * (price.get(part) ?? 0), 0)
  return offers.reduce((sum, offer) => sum + offer.qty * worth(offer), 0)
}
