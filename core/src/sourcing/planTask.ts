import { cheapestOfEach, type NaivePlan } from './cheapestOfEach.ts'
import type { PlanOptions } from './planner.ts'
import { planSourcing } from './planSourcing.ts'
import { comingIn, planVariant, relaxations, sensitivity, type Variant } from './strategies.ts'
import type { SourcingPlan, SourcingProblem } from './types.ts'

/** Work for a thread of its own. */
export type PlanTask =
  | { do: 'plan'; problem: SourcingProblem }
  | { do: 'naive'; problem: SourcingProblem }
  /** `base`: the plan it is a variant of. */
  | { do: 'variant'; problem: SourcingProblem; variant: Variant; base?: SourcingPlan }
  | { do: 'relax'; problem: SourcingProblem }
  | { do: 'sensitivity'; problem: SourcingProblem; plan: SourcingPlan }

/** What comes of each kind of work. */
export interface PlanResults {
  plan: SourcingPlan
  naive: NaivePlan
  variant: SourcingPlan
  relax: ReturnType<typeof relaxations>
  sensitivity: { rises: ReturnType<typeof sensitivity>; falls: ReturnType<typeof comingIn> }
}

/** Do it; every kind of work solves sourcing problems with the options given. */
export function doPlanTask<T extends PlanTask>(task: T, options: PlanOptions): PlanResults[T['do']]
export function doPlanTask(task: PlanTask, all: PlanOptions): PlanResults[PlanTask['do']] {
  // What is asked in many plans has no threads to spare.
  const { solveAside: _, ...options } = all
  switch (task.do) {
    case 'plan':
      return planSourcing(task.problem, all)
    case 'naive':
      return cheapestOfEach(task.problem)
    case 'variant':
      return planVariant(task.problem, task.variant, options, task.base)
    case 'relax':
      // "Good enough" was said of the plan; half a search would name a relaxation that is not the smallest.
      return relaxations(task.problem, { ...options, stopRequested: () => false })
    case 'sensitivity':
      return {
        rises: sensitivity(task.problem, task.plan, options),
        falls: comingIn(task.problem, task.plan, options),
      }
  }
}
