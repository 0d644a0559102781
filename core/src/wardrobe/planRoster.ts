import type { Aside, MilpOptions, SolveAside, SolveMilp } from '../solver/index.ts'
import { OPTIMAL_GAP, type SourcingProblem } from '../sourcing/index.ts'
import { castFirst } from './castFirst.ts'
import { activeIn, Mixes, type Mix } from './mixes.ts'
import { impossibleIn, tightIn, type Impossible } from './impossibleRoster.ts'
import { rosterBound, type RosterBound } from './rosterBound.ts'
import { mostLikeness, rosterModel, type RosterModel } from './rosterModel.ts'
import { RosterSearch } from './searchRoster.ts'
import { SellerSets } from './sellerSets.ts'
import { settleRoster, type SettledRoster } from './settleRoster.ts'
import { supplyOf } from './supply.ts'
import { missedWorth, type RosterPlan, type RosterProblem } from './types.ts'
import { Wardrobe, type WardrobeState } from './wardrobe.ts'

export interface RosterOptions {
  solve: SolveMilp
  /** Where there is a thread to spare, plans are mixed beside the search. */
  solveAside?: SolveAside
  /** Seconds since some fixed moment; the core has no clock of its own. */
  now: () => number
  onProgress?: MilpOptions['onProgress']
  /** Choices by slot of each outfit that plans begin from too: what is worn now, say, so that nothing comes out worse. */
  begin?: readonly Readonly<Record<string, string>>[]
  /** Whether who waits takes the best so far. */
  stopRequested?: () => boolean
}

/** Kept back of the seconds, since the solver looks at the clock only now and then. */
const MARGIN = 0.06
/** Rounds for the prices, and the most of the seconds they get with the plans begun from them. */
const ROUNDS = 400
const PRICING = 0.35
/** Rounds between two plans begun from what everybody would wear: more where there are many places. */
const EVERY = 4
/** Rounds before which prices do not say yet what is worth mixing in. */
const RIPE = 50
const PLACES_A_ROUND = 16
/** Shares of the seconds for sets of sellers at first and in each turn, of a turn of search, and of a mixing at the most. */
const FIRST_SCOUTING = 0.2
const SCOUTING = 0.1
const SEARCHING = 0.06
const MIXING = 0.35
/** Tries that bring no new set of sellers after which no more are made. */
const NOTHING_NEW = 12
/** How much dearer than the best a set of sellers may seem for a plan to be begun from it. */
const PROMISING = 0.15
/** Choices and offers up to which all that can be in a better plan goes to the exact solver. */
const WHOLE_MODEL = 3000

/**
 * Decide what everybody wears and where it is bought, together: the least spending and missed likeness (`worth`), where
 * every part of every choice is owned or bought and all limits are kept.
 *
 * Prices on parts (`rosterBound`) give a bound, leave out what is in no better plan, and say what everybody would wear at
 * them; sets of sellers are judged by what everybody would choose of them (`SellerSets`). Plans begin from both and are
 * improved (`RosterSearch`). In turns with that the exact solver finds the best mix of the best plans; where little is left
 * that can be better, it proves the optimum.
 */
export function planRoster(problem: RosterProblem, options: RosterOptions): RosterPlan {
  const start = options.now()
  const seconds = () => Math.round((options.now() - start) * 1000) / 1000
  const planner = new RosterPlanner(problem, options)
  const impossible = planner.run()
  const { best, bound } = planner
  return best ? published(problem, best, bound, seconds()) : nothing(impossible ?? planner.notFound(), seconds())
}

/**
 * A plan, or another of the same problem where that keeps everything and is better: what a plan is shown beside is never
 * better than it, however little the search had of its seconds on a busy machine.
 */
export function planOrBetter(
  problem: RosterProblem,
  plan: RosterPlan,
  others: readonly (SettledRoster | null)[],
): RosterPlan {
  const none = plan.status === 'impossible'
  const best = others
    .filter((one) => one !== null && one.faults.length === 0 && (none || one.value < plan.value))
    .reduce((least, one) => (least === null || one!.value < least.value ? one : least), null)
  if (!best) return plan
  const bound = none ? plainBound(new Wardrobe(problem, supplyOf(problem), () => false)) : plan.bound
  return published(problem, best, bound, plan.seconds)
}

class RosterPlanner {
  best: SettledRoster | undefined
  bound: number
  private choices: Int32Array | undefined
  private units = new Map<string, number>()
  /** Whether the exact solver has proven that no choices and purchases keep everything. */
  private none = false
  /** The least any plan spent that keeps everything but limits on buying; infinite where none was found. */
  private leastSpent = Infinity
  private readonly start: number
  private readonly seconds: number
  private readonly supply: SourcingProblem
  private readonly wardrobe: Wardrobe
  private readonly search: RosterSearch
  /** Plans of the search that were settled, and sets of sellers a plan was begun from. */
  private readonly settled = new Set<WardrobeState>()
  private readonly begun = new Set<string>()
  private readonly mixes: Mixes
  /** What is mixed beside the search, and when that has had its time. */
  private beside: { aside: Aside; model: RosterModel; until: number } | undefined
  /** What its thread was given last. */
  private given: Aside | undefined

  constructor(
    private readonly problem: RosterProblem,
    private readonly options: RosterOptions,
  ) {
    this.start = options.now()
    this.seconds = problem.limits.seconds * (1 - MARGIN)
    this.supply = supplyOf(problem)
    this.wardrobe = new Wardrobe(problem, this.supply, this.late)
    this.bound = plainBound(this.wardrobe)
    this.search = new RosterSearch(this.wardrobe, this.late)
    this.mixes = new Mixes(this.wardrobe)
  }

  /** Plan; why there is no plan, where that was found out. */
  run(): Impossible | null {
    try {
      return this.find()
    } finally {
      this.takeMixed()
      this.given?.stop()
    }
  }

  private find(): Impossible | null {
    const { wardrobe, search } = this
    const impossible = impossibleIn(wardrobe)
    if (impossible) return impossible
    search.begin(castFirst(wardrobe))
    if (this.options.begin) search.begin(this.indicesOf(this.options.begin))
    this.collect()
    const priced = this.price()
    if (this.proven) return null
    const sets = new SellerSets(wardrobe, this.late, priced)
    this.scout(
      sets,
      search.best().map((plan) => activeIn(wardrobe, plan)),
      FIRST_SCOUTING,
      priced,
    )
    if (!this.best) {
      const tight = this.tight()
      if (tight) return tight
    }
    while (!this.late() && !this.proven) {
      const reach = this.within(priced)
      if (!reach) {
        this.bound = this.value
        this.tell()
        break
      }
      const { allowed, sellers } = reach
      const offers = this.supply.offers.filter(({ seller }) => sellers.has(seller)).length
      if (allowed.reduce((sum, own) => sum + own.length, offers) <= WHOLE_MODEL) {
        this.solve(reach, this.left(), true)
        break
      }
      wardrobe.allowed = allowed
      this.mixBeside(priced)
      this.look(SEARCHING)
      this.mixBeside(priced)
      if (!this.late()) this.mix(priced)
      this.mixBeside(priced)
      if (!this.late()) this.scout(sets, [this.sellersOfBest()], SCOUTING, priced)
    }
    while (!this.late() && !this.proven) this.look(SEARCHING)
    return null
  }

  notFound(): Impossible {
    if (this.none) return { why: 'no choices keep every floor and limit with what is owned and for sale' }
    const { budget, parcels, seconds } = this.problem.limits
    const limit = budget !== null ? 'budget' : parcels !== null ? 'parcels' : undefined
    return {
      why: `no plan that keeps every limit was found in ${seconds} seconds; whether there is one is not proven`,
      ...(limit ? { limit } : {}),
      ...(limit === 'budget' && Number.isFinite(this.leastSpent) ? { would: this.leastSpent } : {}),
    }
  }

  private readonly late = (): boolean => this.left() <= 0 || (this.options.stopRequested?.() ?? false)

  private left(): number {
    return Math.max(0, this.seconds - (this.options.now() - this.start))
  }

  private get value(): number {
    return this.best?.value ?? Infinity
  }

  private get proven(): boolean {
    return this.bound >= this.value
  }

  private tell(): void {
    const { bound, best } = this
    this.options.onProgress?.({ best: best?.value ?? null, bound })
  }

  /** Take a plan if it keeps everything and is better than the best. */
  private offer(choices: ArrayLike<number>, units: Map<string, number>): void {
    const settled = settleRoster(this.problem, namesOf(this.wardrobe, choices), units)
    if (settled.faults.length > 0) {
      const { budget, ...limits } = this.problem.limits
      if (budget === null || this.best) return
      const free = { ...this.problem, limits: { ...limits, budget: null } }
      const anyhow = settleRoster(free, namesOf(this.wardrobe, choices), units)
      if (anyhow.faults.length === 0) this.leastSpent = Math.min(this.leastSpent, anyhow.spending)
      return
    }
    if (settled.value >= this.value) return
    this.best = settled
    this.choices = Int32Array.from(choices)
    this.units = units
    this.tell()
  }

  /** Settle what the search found since it was asked last. */
  private collect(): void {
    const { wardrobe, settled } = this
    const at = wardrobe.standing()
    for (const plan of this.search.best()) {
      if (settled.has(plan) || plan.cost >= this.value) continue
      settled.add(plan)
      wardrobe.restore(plan)
      this.offer(plan.choice, wardrobe.ledger.units())
    }
    wardrobe.restore(at)
  }

  /** Prices on parts, with plans begun from what everybody would wear at them. */
  private price(): RosterBound {
    const { wardrobe, search } = this
    const from = this.options.now()
    const every = Math.max(EVERY, Math.round(wardrobe.places.length / PLACES_A_ROUND))
    const priced = rosterBound(wardrobe, {
      // A plan that breaks a limit is charged so much for it that it says nothing of what plans come to.
      upper: this.best ? this.value : wardrobe.roughly,
      rounds: ROUNDS,
      late: () => this.late() || this.options.now() - from > this.seconds * PRICING,
      onRound: (round, choices, soFar) => {
        if (round % every !== every - 1) return
        search.begin(choices.slice())
        this.collect()
        if (round >= RIPE) this.mixBeside(soFar)
      },
    })
    this.bound = Math.max(this.bound, Math.ceil(priced.bound - 1e-4))
    this.tell()
    return priced
  }

  /** Search for a share of the seconds. */
  private look(share: number): void {
    const from = this.options.now()
    this.search.run(() => 1 - (this.options.now() - from) / (this.seconds * share))
    this.collect()
  }

  /** Look for sets of sellers around some, and begin plans from the most promising none was begun from. */
  private scout(sets: SellerSets, around: readonly (readonly number[])[], share: number, priced: RosterBound): void {
    const { search, wardrobe } = this
    const from = this.options.now()
    const spent = () => (this.options.now() - from) / (this.seconds * share)
    for (let n = 0, stalled = 0; spent() < 0.3 && stalled < NOTHING_NEW && !this.late(); n++) {
      const near = around[n % Math.max(1, around.length)] ?? []
      const known = sets.count
      sets.improve(n < around.length ? near : changed(near, this.supply.sellers.length, wardrobe.moves.random))
      stalled = sets.count > known ? 0 : stalled + 1
    }
    const found = sets.best()
    for (const { choices, sellers, value } of found) {
      if (spent() > 1 || this.late() || value > found[0]!.value + Math.abs(found[0]!.value) * PROMISING) break
      const key = sellers.join(' ')
      if (this.begun.has(key)) continue
      this.begun.add(key)
      search.begin(choices, sellers)
      this.collect()
      this.mixBeside(priced)
    }
    search.resume()
  }

  private indicesOf(named: readonly Readonly<Record<string, string>>[]): number[] {
    const { places } = this.wardrobe
    const choices = places.map(() => 0)
    this.problem.outfits.forEach(({ slots }, i) =>
      slots.forEach(({ id, candidates }, s) => {
        const at = candidates.findIndex((one) => one.id === named[i]![id])
        choices[this.wardrobe.placesOf[i]![s]!] = Math.max(0, at)
      }),
    )
    return choices
  }

  private sellersOfBest(): number[] {
    const [best] = this.search.best()
    return best ? activeIn(this.wardrobe, best) : []
  }

  /**
   * The best plan out of the sellers of a good one: of the best whose sellers were not solved yet; where there is none, out of
   * the choices and sellers of several good plans together.
   */
  private mix(priced: RosterBound): void {
    const { rises } = priced
    const plans = this.search.best()
    const mix = this.mixes.next(plans, rises) ?? this.mixes.together(plans, rises)
    // What is mixed beside need not wait for this to end; where nothing is, there is nothing new to mix until then either.
    this.solve(mix, Math.min(this.left(), this.seconds * MIXING), false, () => {
      if (this.beside) this.mixBeside(priced)
    })
  }

  /** The same beside the search: take what has come of it, and give it the next to mix. */
  private mixBeside({ rises }: RosterBound): void {
    const { beside, options } = this
    if (!options.solveAside || this.late()) return
    if (beside && !beside.aside.solved() && options.now() < beside.until) return
    this.takeMixed()
    const mix = this.mixes.next(this.search.best(), rises)
    if (!mix) return
    const seconds = Math.min(this.left(), this.seconds * MIXING)
    const model = this.modelOf(mix, false)
    const solveAside = this.given?.next ?? options.solveAside
    this.given = solveAside(model.milp, { seconds, gap: OPTIMAL_GAP / 2, ...this.startOf(model) })
    this.beside = { aside: this.given, model, until: options.now() + seconds }
  }

  private takeMixed(): void {
    const { beside } = this
    if (!beside) return
    const point = beside.aside.point()
    this.beside = undefined
    if (point) this.takePoint(beside.model, point)
  }

  /** The model of some choices and sellers; with `all`, with goods nobody wears that fill parcels up. */
  private modelOf({ allowed, sellers }: Mix, all: boolean): RosterModel {
    const { wardrobe, supply } = this
    const parts = new Set(
      allowed.flatMap((choices, place) =>
        choices.flatMap((c) => [...wardrobe.places[place]!.choices[c]!.needs].map((need) => supply.needs[need]!.id)),
      ),
    )
    const some: SourcingProblem = {
      ...supply,
      needs: supply.needs.filter(({ id }) => parts.has(id)),
      offers: supply.offers.filter(
        ({ seller, yields }) => sellers.has(seller) && (all || yields.some(({ part }) => parts.has(part))),
      ),
      sellers: supply.sellers.filter(({ id }) => sellers.has(id)),
    }
    return rosterModel(wardrobe, some, allowed)
  }

  /** The best plan as the point a model is solved from, where it can express it. */
  private startOf(model: RosterModel): { start?: number[] } {
    const start = this.choices && model.pointOf(this.choices, this.units)
    return start ? { start } : {}
  }

  /** Take a point of a model as a plan, and search on from there. */
  private takePoint(model: RosterModel, point: readonly number[]): void {
    const found = model.choicesOf(point)
    const units = model.unitsInModel(point)
    this.offer(found, units)
    this.search.adopt(found, units)
    this.collect()
  }

  /**
   * Solve the model of some choices and sellers; with `all`, these are all that can be better, so that its bound counts.
   * `meanwhile` is called now and then.
   */
  private solve(mix: Mix, seconds: number, all: boolean, meanwhile?: () => void): void {
    const { options } = this
    if (seconds < 0.05) return
    const model = this.modelOf(mix, all)
    const raise = (bound: number) => {
      // What is left out is in no plan better than the best known, which the value never exceeds.
      this.bound = Math.max(this.bound, Math.min(this.value, Math.ceil(bound - 1e-4)))
      this.tell()
    }
    const outcome = options.solve(model.milp, {
      seconds,
      gap: OPTIMAL_GAP / 2,
      stop: () => {
        meanwhile?.()
        return options.stopRequested?.() ?? false
      },
      ...this.startOf(model),
      ...(all ? { onProgress: ({ bound }) => raise(bound ?? -Infinity) } : {}),
    })
    if (outcome.values) this.takePoint(model, outcome.values)
    if (!all) return
    this.none = outcome.status === 'infeasible' && !this.best
    raise(outcome.bound)
  }

  /** Choices and sellers that can be in a plan better than the best; null where none can, so that it is proven. */
  private within({ withChoice, withSeller }: RosterBound): Mix | null {
    // Values are whole, so a better plan saves one unit of money at the least.
    const within = (bound: number) => bound <= this.value - 1 + 1e-6
    const allowed = withChoice.map((bounds) => [...bounds.keys()].filter((choice) => within(bounds[choice]!)))
    if (allowed.some((own) => own.length === 0)) return null
    return {
      allowed,
      sellers: new Set(this.supply.sellers.flatMap(({ id }, s) => (within(withSeller[s]!) ? [id] : []))),
    }
  }

  /** Whether a limit stands in the way of every plan; a plan found on the way is taken. */
  private tight(): Impossible | null {
    const { wardrobe, supply, options } = this
    return tightIn(
      wardrobe,
      supply,
      (model, seconds) => options.solve(model, { seconds, gap: 0, stop: this.late }),
      () => this.left(),
      (choices, units) => {
        this.offer(choices, units)
        this.search.adopt(choices, units)
      },
      this.leastSpent,
    )
  }
}

/** A bound that needs no search: everybody as like as can be, nothing spent, and everything there is sold. O(pairs + offers). */
function plainBound(wardrobe: Wardrobe): number {
  const { outfits, worth, owned, offers, resale } = wardrobe.problem
  const missed = outfits.reduce((sum, _, i) => sum + missedWorth(worth, mostLikeness(wardrobe, i)), 0)
  const fetches = new Map(resale.map(({ part, price }) => [part, price]))
  const stock = [
    ...owned,
    ...offers.flatMap(({ qty, yields }) => yields.map((y) => ({ part: y.part, qty: y.qty * qty }))),
  ]
  return stock.reduce((least, { part, qty }) => least - qty * (fetches.get(part) ?? 0), Math.floor(missed))
}

/** Choices by their ids, for each outfit. */
function namesOf({ problem, placesOf }: Wardrobe, choices: ArrayLike<number>): Record<string, string>[] {
  return problem.outfits.map(({ slots }, i) =>
    Object.fromEntries(slots.map(({ id, candidates }, s) => [id, candidates[choices[placesOf[i]![s]!]!]!.id])),
  )
}

/** A set of sellers changed at random: some gone, some more. */
function changed(sellers: readonly number[], count: number, random: () => number): number[] {
  const kept = sellers.filter(() => random() > 0.3)
  const more = Array.from({ length: 1 + Math.floor(random() * 3) }, () => Math.floor(random() * count))
  return count > 0 ? [...new Set([...kept, ...more])] : []
}

function published(problem: RosterProblem, settled: SettledRoster, bound: number, seconds: number): RosterPlan {
  const { value, spending, outfits, baskets, surplus } = settled
  // Not -0.
  const whole = Math.min(value, bound) + 0
  const gap = value === whole ? 0 : value === 0 ? 1 : Math.abs((value - whole) / value)
  return {
    format: 'outfit.roster-plan',
    version: 1,
    status: gap <= OPTIMAL_GAP ? 'optimal' : gap <= problem.limits.gap ? 'within-gap' : 'time-limit',
    value,
    bound: whole,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds,
    spending,
    outfits,
    baskets,
    surplus,
  }
}

const nothing = (impossible: Impossible, seconds: number): RosterPlan => ({
  format: 'outfit.roster-plan',
  version: 1,
  status: 'impossible',
  value: 0,
  bound: 0,
  gap: 0,
  seconds,
  spending: 0,
  outfits: [],
  baskets: [],
  surplus: [],
  ...impossible,
})
