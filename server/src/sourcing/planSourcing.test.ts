import { beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cheapestOfEach, planSourcing, settle, type SourcingPlan, type SourcingProblem } from '@outfit/core/sourcing'
import type { SolveMilp } from '@outfit/core/solver'
import { anyProblem } from '../test/anyProblem.ts'
import { everyPurchase } from '../test/everyPurchase.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

let solve: SolveMilp
beforeAll(async () => {
  solve = await loadHighsSolver()
})
const plan = (problem: SourcingProblem): SourcingPlan =>
  planSourcing(problem, { solve, now: () => performance.now() / 1000 })

/** Check a plan against the problem it answers, without asking how it was found. */
function expectHonest(problem: SourcingProblem, answer: SourcingPlan): void {
  const units = new Map(answer.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty] as const)))
  for (const offer of problem.offers) {
    const bought = units.get(offer.id) ?? 0
    expect(bought % offer.multiple === 0 && bought <= offer.qty).toBe(true)
  }
  const again = settle(problem, units)
  expect([again.total, again.baskets]).toEqual([answer.total, answer.baskets])
  for (const basket of answer.baskets)
    expect(basket.goods).toBeGreaterThanOrEqual(problem.sellers.find((s) => s.id === basket.seller)!.minimum)
  expect(answer.bound).toBeLessThanOrEqual(answer.total)
  for (const need of problem.needs) {
    const filled = answer.fills.filter((fill) => fill.need === need.id).reduce((sum, { qty }) => sum + qty, 0)
    const unmet = answer.unmet.find((entry) => entry.need === need.id)?.qty ?? 0
    expect(filled + unmet).toBe(need.qty)
  }
}

test('agrees with trying every purchase, and its figures add up', () => {
  fc.assert(
    fc.property(anyProblem(), (problem) => {
      const answer = plan(problem)
      expectHonest(problem, answer)
      const best = everyPurchase(problem)
      const unmet = answer.unmet.reduce((sum, { qty }) => sum + qty, 0)
      expect([unmet, answer.total]).toEqual([best.unmet, best.total])
    }),
    { numRuns: 250 },
  )
})

test('is never dearer than the cheapest of each that meets as much', () => {
  fc.assert(
    fc.property(anyProblem(), (drawn) => {
      const problem = { ...drawn, limits: { ...drawn.limits, parcels: null, arriveBy: null, budget: null } }
      const [answer, naive] = [plan(problem), cheapestOfEach(problem)]
      const units = (unmet: { qty: number }[]) => unmet.reduce((sum, { qty }) => sum + qty, 0)
      fc.pre(naive.refused.length === 0)
      expect(units(answer.unmet)).toBeLessThanOrEqual(units(naive.unmet))
      if (units(answer.unmet) === units(naive.unmet)) expect(answer.total).toBeLessThanOrEqual(naive.total)
    }),
    { numRuns: 100 },
  )
})

test('of very many offers, once the search finds nothing more, the solver has what is left of the time for the proof', () => {
  // Each box brings two of three parts, so that prices on the parts prove three halves of a box, and it takes two.
  const sellers = Array.from({ length: 20 }, (_, s) => ({
    id: `s${s}`,
    name: `Seller ${s}`,
    minimum: 0,
    handling: 0,
    arrivesInDays: 5,
    shipping: { basis: 'value' as const, bands: [{ upTo: null, price: 0 }] },
  }))
  const offers = Array.from({ length: 1100 }, (_, n) => ({
    id: `o${n}`,
    seller: sellers[n % sellers.length]!.id,
    price: 100 + (n % 40),
    qty: 1,
    multiple: 1,
    weight: 1,
    yields: ['A', 'B', 'C'].filter((_, part) => part !== n % 3).map((part) => ({ part, qty: 1 })),
  }))
  const given: SourcingProblem = {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: ['A', 'B', 'C'].map((part) => ({ id: part, qty: 1, accept: [{ part, penalty: 0 }] })),
    owned: [],
    sellers,
    offers,
    resale: [],
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 30, gap: 0 },
  }
  const answer = plan(given)
  expectHonest(given, answer)
  expect([answer.status, answer.total, answer.bound]).toEqual(['optimal', 200, 200])
})

test('a solver that finds nothing in its time leaves an honest plan, as good as the naive one', () => {
  const nothing: SolveMilp = () => ({ status: 'unknown', values: null, bound: -Infinity })
  fc.assert(
    fc.property(anyProblem(), (drawn) => {
      const problem = { ...drawn, limits: { ...drawn.limits, parcels: null, arriveBy: null, budget: null } }
      const naive = cheapestOfEach(problem)
      fc.pre(naive.refused.length === 0)
      const answer = planSourcing(problem, { solve: nothing, now: () => 0 })
      expectHonest(problem, answer)
      // Fewest unmet units come first; the search may meet more than the naive plan, and that costs.
      const missing = (unmet: readonly { qty: number }[]) => unmet.reduce((sum, { qty }) => sum + qty, 0)
      expect(missing(answer.unmet)).toBeLessThanOrEqual(missing(naive.unmet))
      if (missing(answer.unmet) === missing(naive.unmet)) expect(answer.total).toBeLessThanOrEqual(naive.total)
      expect(Number.isFinite(answer.bound)).toBe(true)
      if (answer.status === 'optimal') expect(answer.total).toBe(everyPurchase(problem).total)
    }),
    { numRuns: 100 },
  )
})

describe('what cannot be met is explained', () => {
  const base = (limits: Partial<SourcingProblem['limits']>): SourcingProblem => ({
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: ['A', 'B', 'Z'].map((part) => ({ id: part, qty: 1, accept: [{ part, penalty: 0 }] })),
    owned: [],
    sellers: ['s', 't'].map((id, i) => ({
      id,
      name: id,
      minimum: 0,
      handling: 0,
      arrivesInDays: 3 + i * 5,
      shipping: { basis: 'count' as const, bands: [{ upTo: null, price: 100 }] },
    })),
    offers: [
      { id: 'a', seller: 's', price: 50, qty: 1, multiple: 1, weight: 0, yields: [{ part: 'A', qty: 1 }] },
      { id: 'b', seller: 't', price: 50, qty: 1, multiple: 1, weight: 0, yields: [{ part: 'B', qty: 1 }] },
    ],
    resale: [],
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 10, gap: 0, ...limits },
  })

  test('no limit: only what nobody offers stays unmet, and the plan is proven', () => {
    const answer = plan(base({}))
    expect(answer).toMatchObject({ status: 'optimal', total: 300, bound: 300, gap: 0 })
    expect(answer.unmet).toEqual([{ need: 'Z', qty: 1, why: 'no offer' }])
    expect(answer.limit).toBeUndefined()
  })

  test.each([
    ['parcels', 1],
    ['arriveBy', 4],
    ['budget', 200],
  ] as const)('%s too tight is named', (limit, value) => {
    const answer = plan(base({ [limit]: value }))
    expect(answer).toMatchObject({ status: 'impossible', limit })
    expect(answer.unmet.find(({ need }) => need !== 'Z')!.why).toBe(`limit ${limit} is too tight`)
  })
})
