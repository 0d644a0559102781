import { expect, test } from '@jest/globals'
import { planSourcing, readProblem } from '@outfit/core/sourcing'
import { seeded } from '@outfit/core/base'
import { MilpBuilder, type SolveMilp } from '@outfit/core/solver'
import { loadHighsSolver } from './highsSolver.ts'

/** A problem for which the presolve of HiGHS writes past its memory. */
const ruinous = readProblem({
  format: 'outfit.sourcing-problem',
  version: 1,
  currency: 'EUR',
  needs: [{ id: 'n', qty: 9, accept: [{ part: 'B', penalty: 23 }, { part: 'A' }] }],
  sellers: [
    {
      id: 's',
      minimum: 1_399_988,
      handling: 15,
      shipping: {
        basis: 'weight',
        bands: [
          { upTo: 841_365_046_918, price: 58 },
          { upTo: null, price: 57 },
        ],
      },
    },
  ],
  offers: [
    { id: 'o0', seller: 's', price: 0, qty: 1_000_000, multiple: 4, weight: 5, yields: [{ part: 'B', qty: 3924 }] },
    {
      id: 'o1',
      seller: 's',
      price: 100_000_000,
      qty: 1_000_000,
      multiple: 10_000,
      weight: 8,
      yields: [{ part: 'C', qty: 1411 }],
    },
    {
      id: 'o4',
      seller: 's',
      price: 0,
      qty: 652_216,
      multiple: 8,
      weight: 1_000_000,
      yields: [
        { part: 'B', qty: 8 },
        { part: 'A', qty: 11 },
      ],
    },
    { id: 'o2', seller: 's', price: 0, qty: 6, multiple: 10_000, weight: 9, yields: [{ part: 'C', qty: 3762 }] },
    {
      id: 'o3',
      seller: 's',
      price: 0,
      qty: 3,
      multiple: 1629,
      weight: 1_000_000,
      yields: [{ part: 'A', qty: 10_000 }],
    },
  ],
  limits: { parcels: 1, budget: 19, seconds: 0.3, gap: 0 },
})

test('a model that breaks the solver is solved by another, and so is what comes after it', async () => {
  const solve = await loadHighsSolver()
  const build = new MilpBuilder()
  build.row(3, Infinity, [[build.column(2, 9), 2]])
  const models: string[] = []
  const watched: SolveMilp = (model, options) => {
    const outcome = solve(model, options)
    models.push(outcome.status)
    return outcome
  }
  for (let i = 0; i < 2; i++) {
    const plan = planSourcing(ruinous, { solve: watched, now: () => performance.now() / 1000 })
    // The minimum cannot be reached within the budget.
    expect([plan.status, plan.unmet.map(({ qty }) => qty), plan.baskets]).toEqual(['impossible', [9], []])
    // Until another is loaded models stay unsolved.
    await solve.settled()
    const outcome = solve(build.model, { seconds: 5, gap: 0 })
    expect(outcome).toMatchObject({ status: 'optimal', values: [2] })
  }
  expect(models.length).toBeGreaterThan(0)
})

/** Sets of which the fewest are to cover everything: nothing a solver sees at a glance. */
function covering(seed: number) {
  const random = seeded(seed)
  const build = new MilpBuilder()
  const sets = Array.from({ length: 60 }, () => build.column(10 + Math.floor(random() * 10), 1))
  for (let row = 0; row < 60; row++) {
    const having = sets.filter(() => random() < 0.12)
    if (having.length > 0)
      build.row(
        1,
        Infinity,
        having.map((column): [number, number] => [column, 1]),
      )
  }
  return build.model
}

test('so many iterations end it, the same every time, with a bound and a point that are sound; a proof comes to the same', async () => {
  const solve = await loadHighsSolver()
  const model = covering(3)
  const cost = (values: readonly number[]) => model.columns.reduce((sum, one, c) => sum + one.cost * values[c]!, 0)
  const whole = solve(model, { seconds: 60, gap: 0 })
  expect(whole.status).toBe('optimal')
  const best = cost(whole.values!)
  const some = [1, 1].map((iterations) => solve(model, { seconds: 60, gap: 0, iterations }))
  expect(some[0]!.status).not.toBe('optimal')
  expect(some[1]).toEqual(some[0])
  expect(some[0]!.bound).toBeLessThanOrEqual(best + 1e-6)
  if (some[0]!.values) expect(cost(some[0]!.values)).toBeGreaterThanOrEqual(best - 1e-6)
  const points: number[] = []
  const proof = solve(model, {
    seconds: 60,
    gap: 0,
    start: [...whole.values!],
    proveOnly: true,
    onPoint: (point) => points.push(cost([...point])),
  })
  expect([proof.status, cost(proof.values!)]).toEqual(['optimal', best])
  // Each point it tells of is better than the one before.
  expect(points).toEqual([...points].sort((a, b) => b - a))
})
