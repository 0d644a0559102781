import type { Milp, MilpOutcome, SolveMilp } from './milp.ts'

/** Models whose answer is remembered; a question in several steps is a handful of them. */
const MOST = 24

/** Characters of a model that is remembered; the drawer of a long collection comes to a hundred thousand. */
const LARGEST = 2_000_000

/**
 * A solver that answers what it has proven before without solving it again: most changes leave a problem as it was. Answers
 * that ran into their time are not kept, nor those of somebody who watches the progress or of models too large to be
 * kept. O(model) for a remembered one.
 */
export function keptSolver(solve: SolveMilp, most = MOST): SolveMilp {
  const known = new Map<string, MilpOutcome>()
  const keyOf = ({ columns, rows }: Milp, gap: number) =>
    JSON.stringify([
      gap,
      columns.map(({ cost, lower, upper, integer }) => [cost, lower, upper, integer]),
      // JSON knows no infinity.
      rows.map(({ lower, upper, entries }) => [String(lower), String(upper), entries]),
    ])
  return (model, options) => {
    if (options.onProgress || options.stop) return solve(model, options)
    const key = keyOf(model, options.gap)
    const before = known.get(key)
    // What was asked for last is forgotten last.
    known.delete(key)
    const outcome = before ?? solve(model, options)
    if (key.length > LARGEST) return outcome
    if (outcome.status === 'optimal' || outcome.status === 'infeasible') known.set(key, outcome)
    if (known.size > most) known.delete(known.keys().next().value!)
    return outcome
  }
}
