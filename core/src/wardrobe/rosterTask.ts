import { doPlanTask, type PlanOptions, type PlanResults, type PlanTask } from '../sourcing/index.ts'
import { buyAfter } from './buyAfter.ts'
import { castMembers, type CastMembers, type MembersAsk } from './castMembers.ts'
import { planRoster, type RosterOptions } from './planRoster.ts'
import type { RosterPlan, RosterProblem } from './types.ts'

/** Work for a thread of its own: that of sourcing, and what casting a roster takes. */
export type SolverTask =
  | PlanTask
  | { do: 'members'; ask: MembersAsk }
  | { do: 'cast'; problem: RosterProblem; begin?: RosterOptions['begin'] }
  | { do: 'buy-after'; problem: RosterProblem; choices?: RosterOptions['begin'] }

/** What comes of each kind of work. */
export interface SolverResults extends PlanResults {
  members: CastMembers
  cast: RosterPlan
  'buy-after': ReturnType<typeof buyAfter>
}

/** Do it. */
export function doSolverTask<T extends SolverTask>(task: T, options: PlanOptions): SolverResults[T['do']]
export function doSolverTask(task: SolverTask, options: PlanOptions): SolverResults[SolverTask['do']] {
  switch (task.do) {
    case 'members':
      return castMembers(task.ask)
    case 'cast':
      return planRoster(task.problem, { ...options, ...(task.begin ? { begin: task.begin } : {}) })
    case 'buy-after':
      // "Good enough" was said of the cast; half a purchase would flatter it.
      return buyAfter(task.problem, { ...options, stopRequested: () => false }, task.choices)
    default:
      return doPlanTask(task, options)
  }
}
