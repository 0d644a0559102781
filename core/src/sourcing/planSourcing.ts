import { cheapestOfEach } from './cheapestOfEach.ts'
import { reduceProblem } from './reduce.ts'
import { basketOf, settle, type Settlement } from './settle.ts'
import { sourcingModel } from './model.ts'
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

/**
 * Find the cheapest plan that leaves as few units unmet as possible. First the fewest unmet units are found, then the
 * total is minimised with that number held, both as exact MILPs; `limits.seconds` and `limits.gap` end the second. The
 * cheapest offer of each part stands ready where the solver finds nothing in its time.
 */
export function planSourcing(problem: SourcingProblem, { solve, now, onProgress }: PlanOptions): SourcingPlan {
  const start = now()
  const left = () => Math.max(0.1, problem.limits.seconds - (now() - start))
  const reduced = reduceProblem(problem)
  const ready = naiveUnits(reduced)
  const fewest = fewestUnmet(reduced, ready, solve, left())
  const tight = fewest > 0 ? tightLimit(problem, fewest, solve, left) : undefined

  const model = sourcingModel(reduced, 'cost', fewest)
  const outcome = solve(model.milp, { seconds: left(), gap: problem.limits.gap, ...(onProgress ? { onProgress } : {}) })
  const found = outcome.values && unitsOf(reduced, model.steps, outcome.values)
  const settled =
    bestOf([found, ready].flatMap((units) => (units ? [settle(problem, units)] : []))) ?? settle(problem, new Map())
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

const unmetIn = ({ unmet }: Pick<Settlement, 'unmet'>) => unmet.reduce((sum, { qty }) => sum + qty, 0)

/** Fewest unmet units first, then the least total. */
const bestOf = (settlements: Settlement[]): Settlement | undefined =>
  settlements.sort((a, b) => unmetIn(a) - unmetIn(b) || a.total - b.total)[0]

function unitsOf(problem: SourcingProblem, steps: readonly number[], values: readonly number[]): Map<string, number> {
  return new Map(
    problem.offers.flatMap((offer, i): [string, number][] => {
      const bought = Math.round(values[steps[i]!]!) * offer.multiple
      return bought > 0 ? [[offer.id, bought]] : []
    }),
  )
}

/** What the cheapest of each buys; null where that breaks a minimum or a limit. */
function naiveUnits(problem: SourcingProblem): Map<string, number> | null {
  const { baskets, refused } = cheapestOfEach(problem)
  const { parcels, budget } = problem.limits
  const spent = baskets.reduce((sum, { goods, shipping, handling }) => sum + goods + shipping + handling, 0)
  if (refused.length > 0 || (parcels !== null && baskets.length > parcels) || (budget !== null && spent > budget))
    return null
  if (baskets.some((basket) => !isShipped(problem, basket))) return null
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
 * than buying everything would; where the naive plan meets as much, nothing need be solved.
 */
function fewestUnmet(
  problem: SourcingProblem,
  ready: ReadonlyMap<string, number> | null,
  solve: SolveMilp,
  seconds: number,
): number {
  const wanted = problem.needs.reduce((sum, need) => sum + need.qty, 0)
  const atHand = ready ? unmetIn(settle(problem, ready)) : wanted
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
    return fewestUnmet(freed, naiveUnits(freed), solve, left()) < fewest
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
