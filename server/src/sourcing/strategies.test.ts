import { beforeAll, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  betterOf,
  comingIn,
  planSourcing,
  planVariant,
  relaxations,
  sensitivity,
  spentIn,
  unmetIn,
  type PlanOptions,
  type SourcingProblem,
} from '@outfit/core/sourcing'
import { anyProblem } from '../test/anyProblem.ts'
import { everyPurchase } from '../test/everyPurchase.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

let options: PlanOptions
beforeAll(async () => {
  options = { solve: await loadHighsSolver(), now: () => performance.now() / 1000 }
})
const free = (problem: SourcingProblem): SourcingProblem => ({
  ...problem,
  limits: { ...problem.limits, parcels: null, arriveBy: null, budget: null },
})
const withLimits = (problem: SourcingProblem, limits: Partial<SourcingProblem['limits']>): SourcingProblem => ({
  ...problem,
  limits: { ...problem.limits, ...limits },
})

test('fewest parcels, one seller and a dropped seller agree with trying every purchase', () => {
  fc.assert(
    fc.property(anyProblem().map(free), (problem) => {
      const all = everyPurchase(problem)
      const few = planVariant(problem, { way: 'fewest' }, options)
      const least = [0, 1, 2].find((parcels) => everyPurchase(withLimits(problem, { parcels })).unmet === all.unmet)!
      const within = everyPurchase(withLimits(problem, { parcels: least }))
      expect([unmetIn(few), few.baskets.length <= least, few.total]).toEqual([all.unmet, true, within.total])

      // With the best plan at hand it says the same, and where a solver finds nothing in its time it is no worse than that.
      const best = planSourcing(problem, options)
      expect(planVariant(problem, { way: 'fewest' }, options, best).total).toBe(few.total)
      const hurried = { ...options, solve: () => ({ status: 'unknown', values: null, bound: 0 }) as const }
      const rushed = planVariant(problem, { way: 'fewest' }, hurried, best)
      expect([unmetIn(rushed), rushed.baskets.length <= best.baskets.length]).toEqual([all.unmet, true])

      for (const answers of [1, 2, 3]) {
        let left = answers
        const tiring: PlanOptions = {
          ...options,
          solve: (...asked) => (left-- > 0 ? options.solve(...asked) : hurried.solve()),
        }
        const tired = planVariant(problem, { way: 'fewest' }, tiring, best)
        expect([unmetIn(tired) <= all.unmet, tired.baskets.length <= best.baskets.length]).toEqual([true, true])
      }

      const one = planVariant(problem, { way: 'one' }, options)
      const single = everyPurchase(withLimits(problem, { parcels: 1 }))
      expect([unmetIn(one), one.total]).toEqual([single.unmet, single.total])

      const dropped = planVariant(problem, { way: 'drop', seller: 's0' }, options)
      const rest = everyPurchase({ ...problem, offers: problem.offers.filter(({ seller }) => seller !== 's0') })
      expect([unmetIn(dropped), dropped.total]).toEqual([rest.unmet, rest.total])
    }),
    { numRuns: 60 },
  )
})

test('a way that turns out better than a plan takes its place, bounded as that was; no way beats the best', () => {
  let taken = 0
  fc.assert(
    fc.property(anyProblem().map(free), (problem) => {
      const best = planSourcing(problem, options)
      const few = planVariant(problem, { way: 'fewest' }, options, best)
      const dropped = planVariant(problem, { way: 'drop', seller: 's0' }, options)
      expect([betterOf(problem, best, few), betterOf(problem, best, dropped), betterOf(problem, best, best)]).toEqual([
        null,
        null,
        null,
      ])
      // What a search that had no time may come to: fewer sellers, and a bound of the whole problem.
      const bound = unmetIn(dropped) === unmetIn(best) ? best.bound : dropped.bound
      const hasty = { ...dropped, status: 'time-limit' as const, bound, gap: 1 }
      const better = betterOf(problem, hasty, best)
      const isBetter = unmetIn(best) < unmetIn(dropped) || best.total < dropped.total
      expect(better !== null).toBe(isBetter)
      if (!better) return
      taken += 1
      expect([better.total, better.baskets, better.unmet]).toEqual([best.total, best.baskets, best.unmet])
      expect(better.bound).toBeLessThanOrEqual(better.total)
      expect(better.status === 'optimal').toBe(unmetIn(best) === unmetIn(dropped) && best.bound >= best.total)
    }),
    { numRuns: 60 },
  )
  expect(taken).toBeGreaterThan(0)
})

test('figures and boxes first buys singly only what they do not bring enough of', () => {
  fc.assert(
    fc.property(anyProblem().map(free), (problem) => {
      const plan = planVariant(problem, { way: 'whole' }, options)
      const best = planSourcing(problem, options)
      if (unmetIn(plan) === unmetIn(best)) expect(plan.total).toBeGreaterThanOrEqual(best.total)
      const bought = plan.baskets.flatMap(({ lines }) => lines.map(({ offer }) => offer))
      const singles = problem.offers.filter(({ id, yields }) => bought.includes(id) && yields.length === 1)
      // A figure of which not even a step is in stock brings nothing.
      const bundled = new Set(
        problem.offers.flatMap(({ yields, qty, multiple }) =>
          yields.length > 1 && qty >= multiple ? yields.map((y) => y.part) : [],
        ),
      )
      const wholeOnly = everyPurchase({
        ...problem,
        offers: problem.offers.filter(({ yields }) => yields.length > 1 || !bundled.has(yields[0]!.part)),
      })
      if (singles.some(({ yields }) => bundled.has(yields[0]!.part)))
        expect(wholeOnly.unmet).toBeGreaterThan(unmetIn(plan))
    }),
    { numRuns: 60 },
  )
})

test('the relaxation named is enough, and one less is not', () => {
  let seen = 0
  fc.assert(
    fc.property(anyProblem(), (problem) => {
      const aim = everyPurchase(free(problem)).unmet
      fc.pre(everyPurchase(problem).unmet > aim)
      const { alone, together } = relaxations(problem, options)
      seen += alone.length
      for (const { limit, from, to } of alone) {
        expect(to).toBeGreaterThan(from)
        expect(everyPurchase(withLimits(problem, { [limit]: to })).unmet).toBe(aim)
        expect(everyPurchase(withLimits(problem, { [limit]: to - 1 })).unmet).toBeGreaterThan(aim)
      }
      if (alone.length === 0) {
        const all = Object.fromEntries(together.map(({ limit, to }) => [limit, to]))
        expect(everyPurchase(withLimits(problem, all)).unmet).toBe(aim)
      }
    }),
    { numRuns: 60, skipAllAfterTimeLimit: 60_000 },
  )
  expect(seen).toBeGreaterThan(5)
})

test('a line may rise by what is told and the plan stays best; above that another is better', () => {
  fc.assert(
    fc.property(anyProblem().map(free), (problem) => {
      const plan = planSourcing(problem, options)
      fc.pre(plan.baskets.length > 0)
      for (const { offer, rise } of sensitivity(problem, plan, options, 2)) {
        const units = plan.baskets.flatMap(({ lines }) => lines).find((line) => line.offer === offer)!.qty
        const dearer = everyPurchase({ ...problem, offers: problem.offers.filter(({ id }) => id !== offer) })
        if (rise === null) expect(dearer.unmet).toBeGreaterThan(unmetIn(plan))
        else expect(Math.abs(dearer.total - plan.total - rise * units)).toBeLessThan(units)
      }
    }),
    { numRuns: 40 },
  )
})

test('an offer comes in at the price that is told, and stays out where none would do', () => {
  fc.assert(
    fc.property(anyProblem().map(free), (problem) => {
      const plan = planSourcing(problem, options)
      for (const { offer, at } of comingIn(problem, plan, options, 2)) {
        const priced = (price: number): SourcingProblem => ({
          ...problem,
          offers: problem.offers.map((one) => (one.id === offer ? { ...one, price } : one)),
        })
        const without = everyPurchase({ ...problem, offers: problem.offers.filter(({ id }) => id !== offer) })
        const then = everyPurchase(priced(at ?? 0))
        if (at !== null) expect(then.unmet < unmetIn(plan) || then.total <= plan.total).toBe(true)
        // For nothing it changes nothing: the best plan is as good without it.
        else expect([then.unmet, then.total]).toEqual([without.unmet, without.total])
      }
    }),
    { numRuns: 40 },
  )
})

test('favoured sellers come first, others only for what those lack', () => {
  fc.assert(
    fc.property(anyProblem().map(free), (problem) => {
      const plan = planVariant(problem, { way: 'favoured', sellers: ['s0'] }, options)
      const all = everyPurchase(problem)
      const only = everyPurchase({ ...problem, offers: problem.offers.filter(({ seller }) => seller === 's0') })
      expect(unmetIn(plan)).toBeLessThanOrEqual(only.unmet)
      expect(unmetIn(plan)).toBeGreaterThanOrEqual(all.unmet)
      if (only.unmet === 0) expect(plan.total).toBe(only.total)
    }),
    { numRuns: 40 },
  )
})

test('what a plan spends is goods, shipping and handling', () => {
  const basket = { seller: 's', lines: [], goods: 100, shipping: 20, handling: 3 }
  expect(spentIn({ baskets: [basket, basket] })).toBe(246)
})
