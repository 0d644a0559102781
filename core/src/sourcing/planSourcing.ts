import { cheapestOfEach } from './cheapestOfEach.ts'
import { compactOf } from './compact.ts'
import { reduceProblem } from './reduce.ts'
import { basketOf, settle, type Settlement } from './settle.ts'
import { sourcingModel } from './model.ts'
import { searchSellers, unitsFrom, type SellerSet } from './searchSellers.ts'
import type { MilpOptions, SolveMilp } from './milp.ts'
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

/** Shares of the seconds a plan may take: the search over sellers, then the exact solver on what it found. */
const SEARCH_SHARE = 0.25
const POLISH_SHARE = 0.35
/** Sets of sellers of the search that the exact solver works out. */
const POLISHED = 4

/**
 * Find the cheapest plan that leaves as few units unmet as possible.
 *
 * Large problems have far more sellers than a good plan has parcels, and fixed shipping makes proofs dear; so a local
 * search over sets of sellers comes first, then the exact solver works out its best sets one by one (a problem of few
 * sellers is quickly solved), and what time is left goes to the whole problem from the best plan found, which gives the
 * proven bound and, where the problem is small, the optimum. Fewest unmet units are found first and then held. The
 * cheapest offer of each part stands ready where nothing better is found in time.
 */
export function planSourcing(problem: SourcingProblem, { solve, now, onProgress }: PlanOptions): SourcingPlan {
  const start = now()
  const seconds = problem.limits.seconds
  const left = () => Math.max(0.1, seconds - (now() - start))
  const reduced = reduceProblem(problem)
  const compact = compactOf(reduced)
  const sets = searchSellers(compact, {
    now,
    until: start + seconds * SEARCH_SHARE,
    most: problem.limits.parcels,
    // A problem that the exact solver closes at once needs no long search.
    ...(reduced.offers.length < SMALL ? { keep: 3, until: start + Math.min(0.15, seconds * SEARCH_SHARE) } : {}),
  })
  const candidates: Candidate[] = []
  const offer = (units: Map<string, number> | null) => {
    if (units && keepsLimits(reduced, units)) candidates.push({ units, settled: settle(problem, units) })
  }
  offer(naiveUnits(reduced))
  for (const set of sets.slice(0, POLISHED)) offer(unitsFrom(compact, set))
  const best = () => bestOf(candidates)
  const tell = (bound: number | null) => onProgress?.({ best: best()?.settled.total ?? null, bound })
  tell(null)

  const fewest = fewestUnmet(reduced, best(), solve, left())
  const tight = fewest > 0 ? tightLimit(problem, fewest, solve, left) : undefined
  const polishUntil = now() + Math.min(left(), seconds * POLISH_SHARE)
  for (const set of reduced.offers.length < SMALL ? [] : sets.slice(0, POLISHED)) {
    if (now() >= polishUntil) break
    offer(polished(reduced, set, fewest, best(), solve, (polishUntil - now()) / 2, problem.limits.gap))
    tell(null)
  }

  const model = sourcingModel(reduced, 'cost', fewest)
  const known = best()
  const outcome = solve(model.milp, {
    seconds: left(),
    gap: problem.limits.gap,
    ...(known && unmetIn(known.settled) <= fewest ? { start: model.valuesOf(known.units, known.settled) } : {}),
    onProgress: ({ best: found, bound }) =>
      onProgress?.({ best: Math.min(found ?? Infinity, best()?.settled.total ?? Infinity), bound }),
  })
  if (outcome.values) offer(unitsOf(reduced, model.steps, outcome.values))
  const settled = best()?.settled ?? settle(problem, new Map())
  const bound = wholeBound(Math.max(outcome.bound, -mostCredit(reduced)), settled.total)
  const gap = gapOf(settled.total, bound)
  return {
    format: 'outfit.sourcing-plan',
    version: 1,
    status: tight
      ? 'impossible'
      : gap <= OPTIMAL_GAP
        ? 'optimal'
        : gap <= problem.limits.gap
          ? 'within-gap'
          : 'time-limit',
    ...settled,
    bound,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds: Math.round((now() - start) * 1000) / 1000,
    unmet: explainUnmet(problem, settled, tight),
    ...(tight ? { limit: tight } : {}),
  }
}

/** Offers under which the exact solver is given the whole problem at once. */
const SMALL = 260

/** The best purchase from a set of sellers alone, as the exact solver finds it; null when it finds none in time. */
function polished(
  problem: SourcingProblem,
  { open }: SellerSet,
  fewest: number,
  known: Candidate | undefined,
  solve: SolveMilp,
  seconds: number,
  gap: number,
): Map<string, number> | null {
  const inside = new Set(problem.sellers.flatMap(({ id }, s) => (open[s] === 1 ? [id] : [])))
  const few = {
    ...problem,
    sellers: problem.sellers.filter(({ id }) => inside.has(id)),
    offers: problem.offers.filter(({ seller }) => inside.has(seller)),
  }
  const model = sourcingModel(few, 'cost', fewest)
  const fits =
    known && known.settled.baskets.every(({ seller }) => inside.has(seller)) && unmetIn(known.settled) <= fewest
  const { values } = solve(model.milp, {
    seconds: Math.max(0.05, seconds),
    gap: Math.min(gap, 0.0005),
    ...(fits ? { start: model.valuesOf(known.units, known.settled) } : {}),
  })
  return values && unitsOf(few, model.steps, values)
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

function unitsOf(problem: SourcingProblem, steps: readonly number[], values: readonly number[]): Map<string, number> {
  return new Map(
    problem.offers.flatMap((offer, i): [string, number][] => {
      const bought = Math.round(values[steps[i]!]!) * offer.multiple
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
