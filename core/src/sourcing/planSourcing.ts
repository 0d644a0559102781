import { naiveUnits } from './cheapestOfEach.ts'
import { explainUnmet, fewestUnmet, tightLimit } from './impossible.ts'
import { keepsLimits } from './keepsLimits.ts'
import { Ledger } from './ledger.ts'
import { lagrangianBound, type LagrangianBound } from './lagrangian.ts'
import { sourcingModel } from './model.ts'
import { reduceProblem } from './reduce.ts'
import { PlanSearch } from './searchPlans.ts'
import { unitsInModel } from './supplyModel.ts'
import { isBetter, settle, unmetIn, type Settlement } from './settle.ts'
import type { MilpOptions, SolveMilp } from '../solver/index.ts'
import type { Offer, SourcingPlan, SourcingProblem } from './types.ts'

/** Relative gap at and under which a plan counts as optimal. */
export const OPTIMAL_GAP = 0.0001

export interface PlanOptions {
  solve: SolveMilp
  /** Seconds since some fixed moment; the core has no clock of its own. */
  now: () => number
  onProgress?: MilpOptions['onProgress']
  /** Whether the best plan found so far is good stopRequested for who waits for it. */
  stopRequested?: () => boolean
  /** Units by offer id of a purchase known to keep the limits. */
  known?: ReadonlyMap<string, number>
}

/** The relative gap of a total above its bound. */
const gapOf = (total: number, bound: number) =>
  total <= bound ? 0 : total === 0 ? 1 : Math.abs((total - bound) / total)

/** Round a proven bound up to whole money, forgiving the solver's tolerance. */
const wholeBound = (bound: number, total: number) => Math.min(total, Math.ceil(bound - 1e-4))

/** A purchase that keeps all limits, with what it comes to. */
interface Candidate {
  units: Map<string, number>
  settled: Settlement
}

/**
 * How the seconds are shared, by how many offers there are. The search and the exact solver take turns: the search finds
 * plans, the solver works out the best way to mix the best of them. What is left goes to all of
 * the problem that can still be in a better plan, for the optimum and its proof; where that is hopeless the turns go on
 * until the search finds nothing more.
 */
interface Schedule {
  offers: number
  /** Shares of the seconds for the first turn of search, and for those that follow, each with a mixing of so much at most. */
  first: number
  turns: readonly number[]
  mixing: number
  whole: boolean
  /** Seconds that the shares are of at the most: who is given more begins with what fewer would have found. */
  most: number
}
const SCHEDULES: readonly Schedule[] = [
  { offers: 260, first: 0.07, turns: [0], mixing: 0.03, whole: true, most: 5 },
  { offers: 1000, first: 0.12, turns: [0.08, 0.1, 0.1, 0.1], mixing: 0.07, whole: true, most: 5 },
  { offers: Infinity, first: 0.25, turns: [0.25, 0.2], mixing: 0.2, whole: false, most: 10 },
]
/**
 * The same where much is open between bound and plan after the first turn, as a share of the plan: shipping weighs heavily
 * then, and what is to be decided is who is bought from; the exact solver is given the sellers of one good plan after the
 * other.
 */
const BY_SELLERS: readonly Pick<Schedule, 'turns' | 'mixing'>[] = [
  { turns: [0], mixing: 0.1 },
  { turns: [0, 0.08, 0.08], mixing: 0.15 },
  { turns: [0, 0.1], mixing: 0.35 },
]
const MUCH_OPEN = 0.05
/** Share of all seconds up to which turns go on where a proof follows. */
const TURNING = 0.4
/** Kept back of the seconds, since the solver looks at the clock only now and then. */
const MARGIN = 0.08
/** Rounds for the prices that prove a bound, and the most of the seconds they get. */
const ROUNDS = 600
const PRICING = 0.08
/** How far offers that are searched may raise the bound, as a share of what a parcel is charged. */
const FOCUS = 0.4
/** Plans mixed with one another. */
const MIXED = 8

/**
 * Find the cheapest plan that leaves as few units unmet as possible.
 *
 * Fixed shipping makes good plans cheap to find and proofs dear; so a local search (PlanSearch) comes first, and the exact
 * solver is asked for what the search cannot: the best plan out of all offers that the best plans use, the fewest units
 * that must stay unmet, and a bound. The cheapest offer of each part stands ready where nothing better is found in time.
 */
export function planSourcing(
  problem: SourcingProblem,
  { solve, now, onProgress, stopRequested = () => false, known }: PlanOptions,
): SourcingPlan {
  const start = now()
  const { gap: wantedGap } = problem.limits
  const seconds = problem.limits.seconds * (1 - MARGIN)
  const left = () => Math.max(0, seconds - (now() - start))
  const late = () => stopRequested() || left() <= 0
  const reduced = reduceProblem(problem)
  let best: Candidate | undefined
  let bound = -Infinity
  const tell = (estimate = Infinity) =>
    onProgress?.({
      best: Math.min(estimate, best?.settled.total ?? Infinity),
      bound: bound > -Infinity ? bound : null,
    })
  const offer = (units: Map<string, number> | null) => {
    if (!units) return
    const candidate = { units, settled: settle(problem, units) }
    if (!keepsLimits(problem, candidate.settled)) return
    if (best && !isBetter(candidate.settled, best.settled)) return
    best = candidate
    tell()
  }
  offer(naiveUnits(reduced))
  if (known) offer(new Map(known))
  const first = new PlanSearch(new Ledger(reduced), { late })
  first.run(() => 0)
  for (const { units } of first.best(1)) offer(units)
  const { units: fewest, proven: isFewest } = fewestUnmet(reduced, best?.settled, solve, left())
  const tight = fewest > 0 ? tightLimit(problem, fewest, solve, left) : undefined
  const pricing = now()
  const priced = lagrangianBound(reduced, {
    fewest,
    upper: best?.settled.total ?? mostSpent(reduced),
    rounds: ROUNDS,
    late: () => stopRequested() || now() - pricing > seconds * PRICING,
  })
  bound = priced.bound
  tell()
  /** All of the problem that can be in a better plan than the best so far. */
  const reach = () => (unmetIn(best?.settled) <= fewest ? withinReach(reduced, priced, best!.settled.total) : reduced)
  const size =
    reach().offers.length < SCHEDULES[0]!.offers
      ? 0
      : SCHEDULES.findIndex(({ offers }) => reduced.offers.length < offers)
  const { first: firstTurn, whole: proves, most: longest } = SCHEDULES[size]!
  const unit = Math.min(seconds, longest)
  const search = new PlanSearch(new Ledger(focus(reduced, priced)), { late })
  if (best) search.adopt(best.settled)
  /** One turn of search for a share of the seconds. */
  const look = (share: number) => {
    const from = now()
    search.run(() => 1 - (now() - from) / (unit * share))
    for (const { units } of search.best(1)) offer(units)
  }
  if (!late()) look(firstTurn)
  const bySellers = gapOf(best?.settled.total ?? 0, bound) > MUCH_OPEN
  const { turns, mixing } = (bySellers ? BY_SELLERS : SCHEDULES)[size]!
  const solved = new Set<string>()
  /**
   * The best plan out of the offers that the best plans use or, `bySellers`, out of all that the sellers of one of them have,
   * goods to fill its parcels up with among it: of the best whose sellers were not solved yet. The search goes on from there.
   */
  const mix = (most: number) => {
    if (most < 0.02) return
    const plans = search.best(MIXED).map(({ units }) => ({ units, sellers: sellersOf(reduced, units) }))
    const ready = best && { units: best.units, sellers: sellersOf(reduced, best.units) }
    const open = bySellers
      ? [...(ready ? [ready] : []), ...plans].find(({ sellers }) => !solved.has([...sellers].join(' ')))
      : undefined
    const mixed = open
      ? onlyOffers(reduced, ({ seller }) => open.sellers.has(seller))
      : onlyOffers(reduced, ({ id }) => plans.some(({ units }) => units.has(id)))
    if (open) solved.add([...open.sellers].join(' '))
    if (mixed.offers.length === 0) return
    const model = sourcingModel(mixed, 'cost', fewest, { fillers: open !== undefined })
    const { values } = solve(model.milp, {
      seconds: most,
      gap: OPTIMAL_GAP,
      stop: stopRequested,
      ...startFrom(model, best, mixed),
    })
    if (values) offer(unitsInModel(mixed, model.steps, values))
    if (best) search.adopt(best.settled)
    for (const plan of search.best(1)) offer(plan.units)
  }
  const turn = (share: number) => {
    if (!late() && share > 0) look(share)
    if (!late()) mix(Math.min(left(), unit * mixing))
  }
  turns.forEach(turn)
  const again = turns.at(-1)!
  const turning = () => again > 0 && !late() && !search.exhausted && (!proves || now() - start < seconds * TURNING)
  while (turning()) turn(again)
  if (!late()) {
    const narrow = reach()
    const model = sourcingModel(narrow, 'cost', fewest)
    const outcome = solve(model.milp, {
      seconds: Math.max(0.1, left()),
      gap: Math.min(wantedGap, OPTIMAL_GAP),
      stop: stopRequested,
      ...startFrom(model, best, narrow),
      onProgress: ({ best: found, bound: proven }) => {
        bound = Math.max(bound, proven ?? -Infinity)
        tell(unmetIn(best?.settled) <= fewest ? (found ?? Infinity) : Infinity)
      },
    })
    // What the narrow problem leaves out is no cheaper than the best plan known then, which the total never exceeds.
    bound = Math.max(bound, outcome.bound)
    if (outcome.values) offer(unitsInModel(narrow, model.steps, outcome.values))
  }
  const settled = best?.settled ?? settle(problem, new Map())
  const whole = wholeBound(Math.max(bound, -mostCredit(reduced)), settled.total)
  const gap = gapOf(settled.total, whole)
  // A total is only the best where it is sure that no plan meets more.
  const sure = isFewest && unmetIn(settled) <= fewest
  const reached = gap <= OPTIMAL_GAP ? 'optimal' : gap <= wantedGap ? 'within-gap' : 'time-limit'
  return {
    format: 'outfit.sourcing-plan',
    version: 1,
    status: tight ? 'impossible' : sure ? reached : 'time-limit',
    ...settled,
    bound: whole,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds: Math.round((now() - start) * 1000) / 1000,
    unmet: explainUnmet(problem, settled, tight),
    ...(tight ? { limit: tight } : {}),
  }
}

/**
 * A plan with what another way to buy the same came to, where that meets more, or as much for less: a way that stands beside
 * the best plan is never better than it, however little the search had of its seconds. Null where it is no better. The other
 * plan keeps everything the problem asks (it is of the problem with less allowed), so that what bounds the one bounds both.
 */
export function betterOf(problem: SourcingProblem, plan: SourcingPlan, other: SourcingPlan): SourcingPlan | null {
  const units = ({ unmet }: SourcingPlan) => unmet.reduce((sum, { qty }) => sum + qty, 0)
  const more = units(plan) - units(other)
  if (more < 0 || (more === 0 && other.total >= plan.total)) return null
  // The bound is of plans that leave no more unmet than the one did, so of those that meet more, too.
  const whole = Math.min(plan.bound, other.total)
  const gap = gapOf(other.total, whole)
  const reached = gap <= OPTIMAL_GAP ? 'optimal' : gap <= problem.limits.gap ? 'within-gap' : 'time-limit'
  const { limit: _, ...bought } = other
  return {
    ...bought,
    // What cannot be kept still cannot, and how much can be met at the most was not what was proven.
    ...(more === 0 && plan.limit ? { limit: plan.limit } : {}),
    status: more > 0 ? 'time-limit' : plan.status === 'impossible' ? 'impossible' : reached,
    bound: whole,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds: plan.seconds,
  }
}

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

/** The best plan as the point a model is solved from, where the model can express it. */
function startFrom(
  model: ReturnType<typeof sourcingModel>,
  best: Candidate | undefined,
  { offers }: SourcingProblem,
): { start?: number[] } {
  if (!best) return {}
  const known = new Set(offers.map(({ id }) => id))
  return [...best.units.keys()].every((id) => known.has(id)) ? { start: model.valuesOf(best.units, best.settled) } : {}
}

/** The problem without the sellers and offers that no plan under a total can have. */
function withinReach(
  problem: SourcingProblem,
  { withSeller, withOffer }: LagrangianBound,
  total: number,
): SourcingProblem {
  // Totals are whole, so a better plan saves one unit of money at the least.
  const within = (bound: number) => bound <= total - 1 + 1e-6
  const sellers = new Set(problem.sellers.filter((_, s) => within(withSeller[s]!)).map(({ id }) => id))
  return {
    ...problem,
    sellers: problem.sellers.filter(({ id }) => sellers.has(id)),
    offers: problem.offers.filter(({ seller }, o) => sellers.has(seller) && within(withOffer[o]!)),
  }
}

/** The problem with the offers that good plans are made of: those by which the bound rises little. No bound comes of it. */
function focus(problem: SourcingProblem, { bound, withOffer }: LagrangianBound): SourcingProblem {
  const { sellers } = problem
  const charge = sellers.reduce((sum, s) => sum + s.handling + s.shipping.bands[0]!.price, 0) / (sellers.length || 1)
  return { ...problem, offers: problem.offers.filter((_, o) => withOffer[o]! <= bound + FOCUS * charge) }
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
