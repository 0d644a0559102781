import { cheapestOfEach } from './cheapestOfEach.ts'
import { compactOf, type Compact } from './compact.ts'
import { reduceProblem } from './reduce.ts'
import { basketOf, settle, type Settlement } from './settle.ts'
import { sourcingModel, type SourcingModel } from './model.ts'
import { searchSellers, unitsFrom, type SellerSet } from './searchSellers.ts'
import type { MilpOptions, SolveMilp } from '../solver/index.ts'
import type { Basket, Limits, Offer, SourcingPlan, SourcingProblem } from './types.ts'

/** Relative gap at and under which a plan counts as optimal. */
export const OPTIMAL_GAP = 0.0001

export interface PlanOptions {
  solve: SolveMilp
  /** Seconds since some fixed moment; the core has no clock of its own. */
  now: () => number
  onProgress?: MilpOptions['onProgress']
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
 * How the seconds are shared, by how many offers there are: the search over sets of sellers, the exact solver on the best
 * of them one after the other, and whether the whole problem is then given to the exact solver or only its relaxation,
 * which proves less and takes a second at most. A problem the solver closes at once needs no long search.
 */
interface Schedule {
  search: number
  /** Shares for the sets of sellers, the best first. */
  polish: readonly number[]
  whole: boolean
}
const SCHEDULES: readonly (Schedule & { offers: number })[] = [
  { offers: 260, search: 0.03, polish: [], whole: true },
  { offers: 1000, search: 0.1, polish: [0.22, 0.18, 0.15], whole: true },
  { offers: Infinity, search: 0.2, polish: [0.62], whole: false },
]
/** Kept back of the seconds, since the solver looks at the clock only now and then. */
const MARGIN = 0.08

/**
 * Find the cheapest plan that leaves as few units unmet as possible.
 *
 * Large problems have far more sellers than a good plan has parcels, and fixed shipping makes proofs dear; so a local
 * search over sets of sellers comes first, and the exact solver works out its best sets (with their parcels fixed to be
 * sent, which leaves it little to branch on). What time is left goes to the whole problem from the best plan found, for
 * the optimum or a proven bound. Fewest unmet units are found first and then held. The cheapest offer of each part stands
 * ready where nothing better is found in time.
 */
export function planSourcing(problem: SourcingProblem, { solve, now, onProgress }: PlanOptions): SourcingPlan {
  const start = now()
  const { gap: wantedGap, parcels } = problem.limits
  const seconds = problem.limits.seconds * (1 - MARGIN)
  const left = () => Math.max(0.1, seconds - (now() - start))
  const reduced = reduceProblem(problem)
  const schedule = SCHEDULES.find(({ offers }) => reduced.offers.length < offers)!
  const compact = compactOf(reduced)
  const sets = searchSellers(compact, { now, until: now() + seconds * schedule.search, most: parcels })
  const candidates: Candidate[] = []
  const offer = (units: Map<string, number> | null) => {
    if (units && keepsLimits(reduced, units)) candidates.push({ units, settled: settle(problem, units) })
  }
  const best = () => bestOf(candidates)
  const tell = (bound: number | null) => onProgress?.({ best: best()?.settled.total ?? null, bound })
  offer(naiveUnits(reduced))
  for (const set of sets.slice(0, 3)) offer(unitsFrom(compact, set))
  tell(null)

  const fewest = fewestUnmet(reduced, best(), solve, left())
  const tight = fewest > 0 ? tightLimit(problem, fewest, solve, left) : undefined
  const relaxation = schedule.whole ? -Infinity : relaxedBound(reduced, fewest, solve, left())
  tell(relaxation > -Infinity ? relaxation : null)
  schedule.polish.forEach((share, i) => {
    const set = sets[i]
    if (!set || left() < 0.2) return
    const limit = Math.min(left() * 0.9, seconds * share)
    for (const units of polished(reduced, compact, set, fewest, solve, limit, wantedGap)) offer(units)
    tell(relaxation > -Infinity ? relaxation : null)
  })

  const known = best()
  const last = schedule.whole ? reduced : around(reduced, known, sets)
  const model = sourcingModel(last, 'cost', fewest)
  const outcome = solve(model.milp, {
    seconds: left(),
    gap: wantedGap,
    ...(known && unmetIn(known.settled) <= fewest ? { start: model.valuesOf(known.units, known.settled) } : {}),
    onProgress: ({ best: found, bound }) =>
      onProgress?.({
        best: Math.min(found ?? Infinity, best()?.settled.total ?? Infinity),
        bound: schedule.whole ? bound : relaxation,
      }),
  })
  if (outcome.values) offer(unitsOf(last, model.steps, outcome.values))
  const settled = best()?.settled ?? settle(problem, new Map())
  const proven = schedule.whole ? outcome.bound : relaxation
  const bound = wholeBound(Math.max(proven, -mostCredit(reduced)), settled.total)
  const gap = gapOf(settled.total, bound)
  return {
    format: 'outfit.sourcing-plan',
    version: 1,
    status: tight ? 'impossible' : gap <= OPTIMAL_GAP ? 'optimal' : gap <= wantedGap ? 'within-gap' : 'time-limit',
    ...settled,
    bound,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds: Math.round((now() - start) * 1000) / 1000,
    unmet: explainUnmet(problem, settled, tight),
    ...(tight ? { limit: tight } : {}),
  }
}

/** The problem with some of its sellers alone. */
function onlyFrom(problem: SourcingProblem, sellers: ReadonlySet<string>): SourcingProblem {
  return {
    ...problem,
    sellers: problem.sellers.filter(({ id }) => sellers.has(id)),
    offers: problem.offers.filter(({ seller }) => sellers.has(seller)),
  }
}

/**
 * Purchases from a set of sellers, as the exact solver finds them with a parcel from each: first in the shipping bands of
 * the search, which is quickly done, then in any. None where it finds none in time.
 */
function polished(
  problem: SourcingProblem,
  compact: Compact,
  set: SellerSet,
  fewest: number,
  solve: SolveMilp,
  seconds: number,
  gap: number,
): Map<string, number>[] {
  const guess = unitsFrom(compact, set)
  const settled = settle(problem, guess)
  const few = thinned(compact, new Set(settled.baskets.map(({ seller }) => seller)))
  // Goods nobody needs are left to the last look where these parcels can be sent without.
  const fillers = !keepsLimits(problem, guess)
  const model = sourcingModel(few, 'cost', fewest, { fillers })
  const { columns } = model.milp
  for (const { open } of model.parcels) columns[open]!.lower = 1
  const attempt = (limit: number): Map<string, number> | null => {
    // Without a start: the solver would first look round it, which costs it more than finding as good a plan itself.
    const { values } = solve(model.milp, { seconds: limit, gap: Math.min(gap, 0.0005) })
    return values && unitsOf(few, model.steps, values)
  }
  const inBands = fillers ? null : within(model, model.valuesOf(guess, settled), () => attempt(seconds * IN_BANDS))
  return [inBands, attempt(seconds * (fillers ? 1 : 1 - IN_BANDS))].flatMap((units) => (units ? [units] : []))
}

/** Share of the time of a set for its plan in the bands of the search. */
const IN_BANDS = 0.25

/** Do something while every parcel must stay in the band it has at a point. */
function within<R>(model: SourcingModel, point: readonly number[], work: () => R): R {
  const { columns } = model.milp
  const shut = model.parcels.flatMap(({ bands }) => bands.map(({ pick }) => pick).filter((pick) => point[pick]! < 0.5))
  for (const pick of shut) columns[pick]!.upper = 0
  const result = work()
  for (const pick of shut) columns[pick]!.upper = 1
  return result
}

/** Ways kept for each need at the least, and how many times over they must cover it. */
const LEAST_WAYS = 6
const COVERED = 3

/**
 * The problem from some sellers, with the cheapest ways to fill each need and every bundle. What is left out could only
 * serve where moving a part to a far dearer offer pays by its shipping, which is rare; no bound may come of this.
 */
function thinned({ problem, options, bundles, open }: Compact, sellers: ReadonlySet<string>): SourcingProblem {
  const kept = new Set<number>()
  problem.sellers.forEach(({ id }, s) => {
    if (sellers.has(id)) for (const { offer } of bundles[s]!) kept.add(offer)
  })
  options.forEach((ways, need) => {
    let covered = 0
    let count = 0
    for (const { offer, perStep } of ways) {
      const { seller, qty, multiple } = problem.offers[offer]!
      if (!sellers.has(seller)) continue
      if (count >= LEAST_WAYS && covered >= open[need]! * COVERED) break
      kept.add(offer)
      count += 1
      covered += Math.floor(qty / multiple) * perStep
    }
  })
  return { ...onlyFrom(problem, sellers), offers: problem.offers.filter((_, i) => kept.has(i)) }
}

/** Sellers added round the best plan for a last look with the exact solver. */
const MORE_SELLERS = 3

/** The problem with the sellers of the best plan and a few that other good sets buy from. */
function around(problem: SourcingProblem, known: Candidate | undefined, sets: readonly SellerSet[]): SourcingProblem {
  if (!known) return problem
  const inside = new Set(known.settled.baskets.map(({ seller }) => seller))
  const others = sets.flatMap(({ open }) => problem.sellers.flatMap(({ id }, s) => (open[s] === 1 ? [id] : [])))
  const more = [...new Set(others)].filter((id) => !inside.has(id)).slice(0, MORE_SELLERS)
  return onlyFrom(problem, new Set([...inside, ...more]))
}

/** The total of the problem with fractions allowed everywhere: a bound for every plan. −∞ when not found in time. */
function relaxedBound(problem: SourcingProblem, fewest: number, solve: SolveMilp, seconds: number): number {
  const { milp } = sourcingModel(problem, 'cost', fewest)
  const outcome = solve(
    { ...milp, columns: milp.columns.map((column) => ({ ...column, integer: false })) },
    { seconds, gap: 0 },
  )
  return outcome.status === 'optimal' ? outcome.bound : -Infinity
}

const unmetIn = ({ unmet }: Pick<Settlement, 'unmet'>) => unmet.reduce((sum, { qty }) => sum + qty, 0)

/** Fewest unmet units first, then the least total. */
const bestOf = (candidates: readonly Candidate[]): Candidate | undefined =>
  [...candidates].sort((a, b) => unmetIn(a.settled) - unmetIn(b.settled) || a.settled.total - b.settled.total)[0]

/** Whether a purchase reaches every minimum, is shipped, and keeps the limits on parcels and money. */
function keepsLimits(problem: SourcingProblem, units: ReadonlyMap<string, number>): boolean {
  const { baskets } = settle(problem, units)
  const { parcels, budget } = problem.limits
  const minimums = new Map(problem.sellers.map(({ id, minimum }) => [id, minimum]))
  const spent = baskets.reduce((sum, { goods, shipping, handling }) => sum + goods + shipping + handling, 0)
  if ((parcels !== null && baskets.length > parcels) || (budget !== null && spent > budget)) return false
  return baskets.every((basket) => basket.goods >= minimums.get(basket.seller)! && isShipped(problem, basket))
}

function unitsOf(
  problem: SourcingProblem,
  steps: readonly (readonly number[])[],
  values: readonly number[],
): Map<string, number> {
  return new Map(
    problem.offers.flatMap((offer, i): [string, number][] => {
      const bought = steps[i]!.reduce((sum, column) => sum + Math.round(values[column]!), 0) * offer.multiple
      return bought > 0 ? [[offer.id, bought]] : []
    }),
  )
}

/** What the cheapest of each buys; null where a seller would refuse it. */
function naiveUnits(problem: SourcingProblem): Map<string, number> | null {
  const { baskets, refused } = cheapestOfEach(problem)
  if (refused.length > 0) return null
  return new Map(baskets.flatMap(({ lines }) => lines.map(({ offer, qty }): [string, number] => [offer, qty])))
}

/** Whether some band of the seller holds the basket. */
function isShipped(problem: SourcingProblem, { seller: id, lines }: Basket): boolean {
  const seller = problem.sellers.find((s) => s.id === id)!
  const offers = new Map(problem.offers.map((offer) => [offer.id, offer]))
  return basketOf(
    seller,
    lines.map((line) => ({ ...offers.get(line.offer)!, ...line })),
  ).withinBands
}

/** No plan can earn more from leftovers than all there is to buy would fetch. */
function mostCredit({ offers, resale }: SourcingProblem): number {
  const price = new Map(resale.map(({ part, price }) => [part, price]))
  const worth = ({ yields }: Offer) => yields.reduce((sum, { part, qty }) => sum + qty * (price.get(part) ?? 0), 0)
  return offers.reduce((sum, offer) => sum + offer.qty * worth(offer), 0)
}

/**
 * Fewest units any plan must leave unmet; when it cannot be proven in time, the best number found. No plan meets more
 * than buying everything would; where the best plan found meets as much, nothing need be solved.
 */
function fewestUnmet(
  problem: SourcingProblem,
  ready: Candidate | undefined,
  solve: SolveMilp,
  seconds: number,
): number {
  const wanted = problem.needs.reduce((sum, need) => sum + need.qty, 0)
  const atHand = ready ? unmetIn(ready.settled) : wanted
  const everything = new Map(problem.offers.map(({ id, qty, multiple }) => [id, qty - (qty % multiple)]))
  if (atHand === unmetIn(settle(problem, everything))) return atHand
  const model = sourcingModel(problem, 'unmet')
  const outcome = solve(model.milp, { seconds, gap: 0 })
  if (!outcome.values) return atHand
  return Math.min(
    atHand,
    model.unmet.reduce((sum, column) => sum + Math.round(outcome.values![column]!), 0),
  )
}

/** The limit without which fewer units would stay unmet, if any; money before parcels before time. */
function tightLimit(
  problem: SourcingProblem,
  fewest: number,
  solve: SolveMilp,
  left: () => number,
): SourcingPlan['limit'] {
  const without = (...names: (keyof Limits)[]) => {
    const limits = { ...problem.limits, ...Object.fromEntries(names.map((name) => [name, null])) }
    const freed = reduceProblem({ ...problem, limits })
    const naive = naiveUnits(freed)
    const ready = naive && keepsLimits(freed, naive) ? { units: naive, settled: settle(freed, naive) } : undefined
    return fewestUnmet(freed, ready, solve, left()) < fewest
  }
  const set = (['budget', 'parcels', 'arriveBy'] as const).filter((name) => problem.limits[name] !== null)
  if (set.length === 0 || !without(...set)) return undefined
  return set.find((name) => without(name)) ?? set[0]
}

/** Say of each unmet need why: nobody offers it, too little is offered, or a limit stands in the way. */
function explainUnmet(
  problem: SourcingProblem,
  { unmet }: Settlement,
  tight: SourcingPlan['limit'],
): SourcingPlan['unmet'] {
  const offered = new Set(problem.offers.flatMap((offer) => offer.yields.map(({ part }) => part)))
  return unmet.map((entry) => {
    const need = problem.needs.find(({ id }) => id === entry.need)!
    const someone = need.accept.some(({ part }) => offered.has(part))
    return { ...entry, why: !someone ? 'no offer' : tight ? `limit ${tight} is too tight` : 'not enough on offer' }
  })
}
