import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cheapestOfEach, planSourcing, readProblem, settle } from '@outfit/core/sourcing'
import { extremeProblem } from '../test/extremes.ts'
import { timed } from '../test/processorTime.ts'
import { runs } from '../test/runs.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

test('whatever the numbers, a plan comes within its seconds and one more, and adds up', async () => {
  const solve = await loadHighsSolver()
  fc.assert(
    fc.property(extremeProblem(), (given) => {
      const problem = readProblem(given)
      // Processor time, so that a busy machine is not taken for a loop that does not end.
      const most = problem.limits.seconds + 1
      const { result: plan, seconds } = timed(
        () => planSourcing(problem, { solve, now: () => performance.now() / 1000 }),
        most,
      )
      expect(seconds).toBeLessThan(most)
      const units = new Map(plan.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty] as const)))
      expect(settle(problem, units).total).toBe(plan.total)
      expect(plan.bound).toBeLessThanOrEqual(plan.total)
      cheapestOfEach(problem)
    }),
    { numRuns: runs(60) },
  )
})
