import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { Proof, reduceProblem } from '@outfit/core/sourcing'
import { loadHighsSolver } from '../solver/highsSolver.ts'
import { anyLowPriced, anyProblem } from '../test/anyProblem.ts'
import { everyPurchase } from '../test/everyPurchase.ts'
import { solvedAtOnce } from '../test/solvedAtOnce.ts'

const solve = await loadHighsSolver()

const atOnce = () => solvedAtOnce(solve)

test('a proof rises, never above the best plan, by making whole what is bought in parts, until it is the best plan', () => {
  let rounds = 0
  fc.assert(
    fc.property(fc.oneof(anyProblem(), anyLowPriced()), fc.nat(40), fc.boolean(), (drawn, above, isNew) => {
      const best = everyPurchase(drawn)
      const problem = reduceProblem(drawn)
      const { seen, solveAside } = atOnce()
      const proof = new Proof(problem, best.unmet, solveAside, () => 20, 0)
      const work = () => ({ problem, known: best.total + above })
      if (isNew) proof.anew(work)
      let bound = -Infinity
      for (let before = 0; before < seen.asked && seen.asked < 60; proof.goOn(work)) {
        before = seen.asked
        expect(proof.bound()).toBeGreaterThanOrEqual(bound)
        bound = proof.bound()
        expect(bound).toBeLessThanOrEqual(best.total + 1e-3)
      }
      expect(bound).toBeCloseTo(best.total, 2)
      rounds = Math.max(rounds, seen.asked)
      proof.stop()
      expect([seen.stopped, proof.bound()]).toEqual([1, bound])
    }),
    { numRuns: 150 },
  )
  expect(rounds).toBeGreaterThan(3)
})

test('sellers of a point are told once, and none where the known plan is as good as any', () => {
  const [drawn] = fc.sample(
    anyLowPriced().filter((problem) => everyPurchase(problem).units.size > 0),
    { numRuns: 1, seed: 5 },
  )
  const best = everyPurchase(drawn!)
  const problem = reduceProblem(drawn!)
  const { solveAside } = atOnce()
  const proof = new Proof(problem, best.unmet, solveAside, () => 20, 0)
  expect(proof.sellers()!.size).toBeGreaterThan(0)
  expect(proof.sellers()).toBeNull()
  const known = new Proof(problem, best.unmet, atOnce().solveAside, () => 20, 0)
  // Far below what anything comes to, so that nothing else is taken.
  for (let asks = 0; asks < 60; asks++) known.goOn(() => ({ problem, known: best.total - 1 }))
  expect(known.sellers()).toBeNull()
})
