import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  gainsByFillers,
  isBroken,
  Ledger,
  PlanSearch,
  lagrangianBound,
  reduceProblem,
  sourcingModel,
  settle,
  spentIn,
  unmetIn,
  UNMET,
  type SourcingProblem,
} from '@outfit/core/sourcing'
import { anyLowPriced, anyProblem } from '../test/anyProblem.ts'
import { everyPurchase } from '../test/everyPurchase.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

const unlimited = (problem: SourcingProblem): SourcingProblem => ({
  ...problem,
  limits: { ...problem.limits, parcels: null, arriveBy: null, budget: null },
})
const searched = (problem: SourcingProblem) => {
  const search = new PlanSearch(new Ledger(problem), { late: () => false })
  search.run(Infinity)
  return search.best(12)
}
/** Whether goods nobody needs may fill a parcel up. */
const fillsUp = ({ sellers }: SourcingProblem) => sellers.some(gainsByFillers)

describe('the ledger', () => {
  test('takes back every change: fills, steps and total are what they were at the mark', () => {
    const change = fc.tuple(fc.nat(99), fc.nat(99), fc.integer({ min: 1, max: 2 }))
    fc.assert(
      fc.property(anyProblem(), fc.array(change, { maxLength: 12 }), (problem, changes) => {
        const ledger = new Ledger(problem)
        const state = () => [[...ledger.fill], [...ledger.steps], [...ledger.lines], ledger.cost]
        const states = [{ mark: ledger.mark(), state: state() }]
        for (const [n, w, units] of changes) {
          const need = n % ledger.ways.length
          const ways = ledger.ways[need]!
          const way = ways[w % (ways.length || 1)]
          if (way && ledger.room(way) >= units && ledger.missing[need]! >= units) ledger.place(need, way, units)
          else if (ledger.canBuyMore(w % ledger.steps.length))
            ledger.hold(w % ledger.steps.length, ledger.steps[w % ledger.steps.length]! + 1)
          states.push({ mark: ledger.mark(), state: state() })
        }
        for (const { mark, state: then } of states.reverse()) {
          ledger.rollback(mark)
          const now = state()
          expect(now.slice(0, 3)).toEqual(then.slice(0, 3))
          expect(now[3]).toBeCloseTo(then[3] as number, 2)
        }
      }),
    )
  })
})

describe('the search', () => {
  test('never claims less than trying every purchase finds, and buys what it says at no more than it says', () => {
    fc.assert(
      fc.property(anyProblem().map(unlimited), (problem) => {
        const oracle = everyPurchase(problem)
        for (const { units, cost } of searched(problem)) {
          if (isBroken(cost)) continue
          const settled = settle(problem, units)
          expect(unmetIn(settled)).toBeGreaterThanOrEqual(oracle.unmet)
          for (const { id, qty, multiple } of problem.offers) {
            const bought = units.get(id) ?? 0
            expect(bought <= qty && bought % multiple === 0).toBe(true)
          }
          // Goods that fill a parcel up come in whole pieces, so a parcel may go over what it was charged for.
          if (!fillsUp(problem)) expect(settled.total + unmetIn(settled) * UNMET).toBeLessThanOrEqual(cost + 0.1)
        }
      }),
      { numRuns: 150 },
    )
  })

  test('claims what its plans come to where parcels are filled up, but for whole pieces', () => {
    fc.assert(
      fc.property(anyLowPriced(), (problem) => {
        const oracle = everyPurchase(problem)
        for (const { units, cost } of searched(problem).slice(0, 3)) {
          if (isBroken(cost)) continue
          const settled = settle(problem, units)
          const dearest = Math.max(...problem.offers.map(({ price }) => price))
          const claimed = cost - unmetIn(settled) * UNMET
          // A filling is of parts of pieces, one for what shipping goes by and one for the minimum, of each seller; the rest
          // of a piece may come into the next band.
          const rises = problem.sellers.map(({ shipping: { bands } }) =>
            Math.max(0, ...bands.slice(1).map(({ price }, b) => price - bands[b]!.price)),
          )
          const wholePieces = rises.reduce((sum, rise) => sum + rise + 2 * dearest, 0)
          expect(settled.total).toBeLessThanOrEqual(claimed + wholePieces + 0.1)
          if (unmetIn(settled) === oracle.unmet) expect(settled.total).toBeGreaterThanOrEqual(oracle.total)
        }
      }),
      { numRuns: 150 },
    )
  })

  test('finds the best plan of nearly all small problems', () => {
    const plain = (problem: SourcingProblem) => ({ ...unlimited(problem), resale: [] })
    const drawn = fc.sample(anyProblem().map(plain), { numRuns: 120, seed: 7 })
    const missed = drawn.filter((problem) => {
      const oracle = everyPurchase(problem)
      const totals = searched(problem).map(({ units }) => settle(problem, units))
      return !totals.some((one) => unmetIn(one) === oracle.unmet && one.total === oracle.total)
    })
    // A chance purchase that only pays together with another is left to the exact solver.
    expect(missed.length).toBeLessThanOrEqual(8)
  })

  test('keeps to the most parcels and to the budget where that can be, cheapest first', () => {
    fc.assert(
      fc.property(anyProblem(), (problem) => {
        const { parcels, budget } = problem.limits
        const plans = searched(problem)
        const costs = plans.map(({ cost }) => cost)
        expect(costs).toEqual([...costs].sort((a, b) => a - b))
        const [best] = plans
        // Buying nothing keeps every limit, so the best of the search does.
        expect(isBroken(best!.cost)).toBe(false)
        const { baskets } = settle(problem, best!.units)
        expect(baskets.length).toBeLessThanOrEqual(parcels ?? Infinity)
        if (!fillsUp(problem)) expect(spentIn({ baskets })).toBeLessThanOrEqual(budget ?? Infinity)
      }),
      { numRuns: 100 },
    )
  })

  test('ends when its time is up, with what it has; another plan is taken over', () => {
    const [problem] = fc.sample(anyProblem().map(unlimited), { numRuns: 1, seed: 3 })
    const search = new PlanSearch(new Ledger(problem!), { late: () => true })
    search.run(Infinity)
    expect(search.best(3).length).toBe(1)
    const [known] = searched(problem!)
    search.adopt(settle(problem!, known!.units))
    expect(search.best(1)[0]!.cost).toBeLessThanOrEqual(known!.cost + 0.1)
  })
})

describe('the bound by prices', () => {
  test('is never above the best plan, and never rules out its sellers and offers', () => {
    fc.assert(
      fc.property(fc.oneof(anyProblem(), anyLowPriced()), fc.integer({ min: 1, max: 80 }), (drawn, rounds) => {
        const problem = reduceProblem(drawn)
        const best = everyPurchase(drawn)
        const priced = lagrangianBound(problem, { fewest: best.unmet, upper: best.total, rounds })
        expect(priced.bound).toBeLessThanOrEqual(best.total + 1e-6)
        const units = best.units
        problem.offers.forEach(({ id, seller }, o) => {
          if ((units.get(id) ?? 0) === 0) return
          expect(priced.withOffer[o]!).toBeLessThanOrEqual(best.total + 1e-6)
          const s = problem.sellers.findIndex((one) => one.id === seller)
          expect(priced.withSeller[s]!).toBeLessThanOrEqual(best.total + 1e-6)
        })
      }),
      { numRuns: 300 },
    )
  })
})

test('with sellers and bands alone whole, the exact solver comes to no more than the best plan, and mostly to little less', async () => {
  const solve = await loadHighsSolver()
  let [near, all] = [0, 0]
  fc.assert(
    fc.property(fc.oneof(anyProblem(), anyLowPriced()), (problem) => {
      const best = everyPurchase(problem)
      const reduced = reduceProblem(problem)
      const { milp } = sourcingModel(reduced, 'cost', best.unmet, { sellersAlone: true })
      const { status, bound } = solve(milp, { seconds: 10, gap: 0 })
      expect(status).toBe('optimal')
      expect(bound).toBeLessThanOrEqual(best.total + 1e-4)
      all += 1
      if (bound >= best.total - 0.1 * Math.abs(best.total)) near += 1
    }),
    { numRuns: 200 },
  )
  expect(near / all).toBeGreaterThan(0.6)
})
