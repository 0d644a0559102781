import { explainUnmet } from './impossible.ts'
import { gapOf, OPTIMAL_GAP, Planner, type PlanOptions } from './planner.ts'
import { settle, unmetIn } from './settle.ts'
import type { SourcingPlan, SourcingProblem } from './types.ts'

/** Round a proven bound up to whole money, forgiving the solver's tolerance. */
const wholeBound = (bound: number, total: number) => Math.min(total, Math.ceil(bound - 1e-4))

/** Find the cheapest plan that leaves as few units unmet as possible (`Planner`). */
export function planSourcing(problem: SourcingProblem, options: PlanOptions): SourcingPlan {
  const start = options.now()
  const planner = new Planner(problem, options)
  planner.run()
  const { best, bound, fewest, isFewest, tight } = planner
  const settled = best?.settled ?? settle(problem, new Map())
  const whole = wholeBound(bound, settled.total)
  const gap = gapOf(settled.total, whole)
  // A total is only the best where it is sure that no plan meets more.
  const sure = isFewest && unmetIn(settled) <= fewest
  const reached = gap <= OPTIMAL_GAP ? 'optimal' : gap <= problem.limits.gap ? 'within-gap' : 'time-limit'
  return {
    format: 'outfit.sourcing-plan',
    version: 1,
    status: tight ? 'impossible' : sure ? reached : 'time-limit',
    ...settled,
    bound: whole,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds: Math.round((options.now() - start) * 1000) / 1000,
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
