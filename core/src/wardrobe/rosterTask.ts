import { doPlanTask, type PlanOptions, type PlanResults, type PlanTask } from '../sourcing/index.ts'
import { newFiguresAround, type LooseQuestion, type NewFiguresFound } from '../uses/index.ts'
import { buyAfter } from './buyAfter.ts'
import { castMembers, type CastMembers, type MembersAsk } from './castMembers.ts'
import { planRoster, type RosterOptions } from './planRoster.ts'
import type { RosterPlan, RosterProblem } from './types.ts'

/** Work for a thread of its own: that of sourcing, what casting a roster takes, and new figures of loose parts. */
export type SolverTask =
  | PlanTask
  | { do: 'members'; ask: MembersAsk }
  | { do: 'new-figures'; ask: LooseQuestion }
  | { do: 'cast'; problem: RosterProblem; begin?: RosterOptions['begin'] }
  | { do: 'buy-after'; problem: RosterProblem; choices?: RosterOptions['begin'] }

/** What comes of each kind of work. */
export interface SolverResults extends PlanResults {
  members: CastMembers
  'new-figures': NewFiguresFound
  cast: RosterPlan
  'buy-after': ReturnType<typeof buyAfter>
}

/** Do it. */
export function doSolverTask<T extends SolverTask>(task: T, options: PlanOptions): SolverResults[T['do']]
export function doSolverTask(task: SolverTask, options: PlanOptions): SolverResults[SolverTask['do']] {
  switch (task.do) {
    case 'members':
      return castMembers(task.ask)
    case 'new-figures':
      return newFiguresAround(task.ask, options.now)
    case 'cast':
      return planRoster(task.problem, { ...options, ...(task.begin ? { begin: task.begin } : {}) })
    case 'buy-after':
      // "Good enough" was said of the cast; half a purchase would flatter it.
      return buyAfter(task.problem, { ...options, stopRequested: () => false }, task.choices)
    default:
      return doPlanTask(task, options)
  }
}
