import { reduceProblem } from './reduce.ts'
import { settle, type Settlement } from './settle.ts'
import { sourcingModel } from './model.ts'
import type { MilpOptions, SolveMilp } from './milp.ts'
import type { Limits, SourcingPlan, SourcingProblem } from './types.ts'

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
 * total is minimised with that number held, both as exact MILPs; `limits.seconds` and `limits.gap` end the second.
 */
export function planSourcing(problem: SourcingProblem, { solve, now, onProgress }: PlanOptions): SourcingPlan {
  const start = now()
  const left = () => Math.max(0.1, problem.limits.seconds - (now() - start))
  const reduced = reduceProblem(problem)
  const fewest = fewestUnmet(reduced, solve, left())
  const tight = fewest > 0 ? tightLimit(problem, fewest, solve, left()) : undefined

  const model = sourcingModel(reduced, 'cost', fewest)
  const outcome = solve(model.milp, { seconds: left(), gap: problem.limits.gap, ...(onProgress ? { onProgress } : {}) })
  const units = new Map<string, number>()
  if (outcome.values)
    reduced.offers.forEach((offer, i) => {
      const steps = Math.round(outcome.values![model.steps[i]!]!)
      if (steps > 0) units.set(offer.id, steps * offer.multiple)
    })
  const settled = settle(problem, units)
  const bound = wholeBound(outcome.bound, settled.total)
  const gap = gapOf(settled.total, bound)
  const proven = outcome.values !== null && gap <= OPTIMAL_GAP
  return {
    format: 'outfit.sourcing-plan',
    version: 1,
    status: tight ? 'impossible' : proven ? 'optimal' : gap <= problem.limits.gap ? 'within-gap' : 'time-limit',
    ...settled,
    bound,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds: Math.round((now() - start) * 1000) / 1000,
    unmet: explainUnmet(problem, settled, tight),
    ...(tight ? { limit: tight } : {}),
  }
}

/** Fewest units any plan must leave unmet; when it cannot be proven in time, the best number found. */
function fewestUnmet(problem: SourcingProblem, solve: SolveMilp, seconds: number): number {
  const wanted = problem.needs.reduce((sum, need) => sum + need.qty, 0)
  const model = sourcingModel(problem, 'unmet')
  const outcome = solve(model.milp, { seconds, gap: 0 })
  if (!outcome.values) return wanted
  return model.unmet.reduce((sum, column) => sum + Math.round(outcome.values![column]!), 0)
}

/** The limit without which fewer units would stay unmet, if any; money before parcels before time. */
function tightLimit(
  problem: SourcingProblem,
  fewest: number,
  solve: SolveMilp,
  seconds: number,
): SourcingPlan['limit'] {
  const without = (...names: (keyof Limits)[]) => {
    const limits = { ...problem.limits, ...Object.fromEntries(names.map((name) => [name, null])) }
    return fewestUnmet(reduceProblem({ ...problem, limits }), solve, seconds) < fewest
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
