import { naiveUnits } from './cheapestOfEach.ts'
import { keepsLimits } from './keepsLimits.ts'
import { sourcingModel } from './model.ts'
import { reduceProblem } from './reduce.ts'
import { settle, unmetIn, type Settlement } from './settle.ts'
import { unitsInModel } from './supplyModel.ts'
import type { SolveMilp } from '../solver/index.ts'
import type { Limits, SourcingPlan, SourcingProblem } from './types.ts'

/** Fewest units that must stay unmet, and whether it is proven that no plan leaves fewer. */
export interface Fewest {
  units: number
  proven: boolean
  /** Units by offer id of a purchase that leaves so few, where the exact solver found one. */
  bought?: Map<string, number>
}

/** Units that stay unmet even where everything is bought. */
export function unmetByAll(problem: SourcingProblem): number {
  const everything = new Map(problem.offers.map(({ id, qty, multiple }) => [id, qty - (qty % multiple)]))
  return unmetIn(settle(problem, everything))
}

/**
 * Fewest units any plan must leave unmet; when it cannot be proven in time, the best number found. No plan meets more
 * than buying everything would; where the best plan found meets as much, nothing need be solved.
 */
export function fewestUnmet(
  problem: SourcingProblem,
  ready: Settlement | undefined,
  solve: SolveMilp,
  seconds: number,
): Fewest {
  const wanted = problem.needs.reduce((sum, need) => sum + need.qty, 0)
  const atHand = ready ? unmetIn(ready) : wanted
  if (atHand === 0 || atHand === unmetByAll(problem)) return { units: atHand, proven: true }
  const model = sourcingModel(problem, 'unmet')
  const outcome = solve(model.milp, { seconds: Math.max(0.1, seconds), gap: 0 })
  if (!outcome.values) return { units: atHand, proven: false }
  const found = model.unmet.reduce((sum, column) => sum + Math.round(outcome.values![column]!), 0)
  return {
    units: Math.min(atHand, found),
    proven: outcome.status === 'optimal',
    bought: unitsInModel(problem, model.steps, outcome.values),
  }
}

/** The limit without which fewer units would stay unmet, if any; money before parcels before time. */
export function tightLimit(
  problem: SourcingProblem,
  fewest: number,
  solve: SolveMilp,
  left: () => number,
): SourcingPlan['limit'] {
  const without = (...names: (keyof Limits)[]) => {
    const limits = { ...problem.limits, ...Object.fromEntries(names.map((name) => [name, null])) }
    const freed = reduceProblem({ ...problem, limits })
    const naive = naiveUnits(freed)
    const settled = naive ? settle(freed, naive) : undefined
    const ready = settled && keepsLimits(freed, settled) ? settled : undefined
    return fewestUnmet(freed, ready, solve, left()).units < fewest
  }
  const set = (['budget', 'parcels', 'arriveBy'] as const).filter((name) => problem.limits[name] !== null)
  if (set.length === 0 || !without(...set)) return undefined
  return set.find((name) => without(name)) ?? set[0]
}

/** Say of each unmet need why: nobody offers it, too little is offered, or a limit stands in the way. */
export function explainUnmet(
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
