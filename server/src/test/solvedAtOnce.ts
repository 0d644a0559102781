import type { MilpOptions, SolveAside, SolveMilp } from '@outfit/core/solver'

/** A solver beside that has solved everything as soon as it is asked, as if another thread had, and counts what it was asked. */
export function solvedAtOnce(solve: SolveMilp, limits: Partial<MilpOptions> = {}) {
  const seen = { begun: 0, asked: 0, stopped: 0, bound: -Infinity }
  const on: SolveAside = (model, options) => {
    const { status, values, bound } = solve(model, { ...options, seconds: 100, ...limits })
    seen.asked++
    seen.bound = Math.max(seen.bound, bound)
    return {
      bound: () => bound,
      point: () => values,
      solved: () => status === 'optimal',
      next: on,
      stop: () => void seen.stopped++,
    }
  }
  const solveAside: SolveAside = (...first) => {
    seen.begun++
    return on(...first)
  }
  return { seen, solveAside }
}
