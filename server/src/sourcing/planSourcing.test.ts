import { beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cheapestOfEach, planSourcing, settle, type SourcingPlan, type SourcingProblem } from '@outfit/core/sourcing'
import { seeded } from '@outfit/core/base'
import type { SolveMilp } from '@outfit/core/solver'
import { anyLowPriced, anyProblem } from '../test/anyProblem.ts'
import { everyPurchase } from '../test/everyPurchase.ts'
import { solvedAtOnce } from '../test/solvedAtOnce.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

let solve: SolveMilp
beforeAll(async () => {
  solve = await loadHighsSolver()
})
const plan = (problem: SourcingProblem): SourcingPlan =>
  planSourcing(problem, { solve, now: () => performance.now() / 1000 })

const unmetUnits = ({ unmet }: SourcingPlan) => unmet.reduce((sum, { qty }) => sum + qty, 0)

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

test('agrees with trying every purchase where parcels cost more than what is in them', () => {
  fc.assert(
    fc.property(anyLowPriced(), (problem) => {
      const answer = plan(problem)
      expectHonest(problem, answer)
      const best = everyPurchase(problem)
      expect([unmetUnits(answer), answer.total]).toEqual([best.unmet, best.total])
    }),
    { numRuns: 120 },
  )
})

/** A market too large to be proven in a hurry: figures beside single parts of many sellers, shipping that weighs heavily. */
function largeMarket(seed: number): SourcingProblem {
  const random = seeded(seed)
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1))
  const parts = Array.from({ length: 60 }, (_, p) => ({ part: `P${p}`, worth: Math.exp(1 + random() * 4) }))
  const priceOf = (worth: number) => Math.max(1, Math.round(worth * (0.6 + random() * 0.8)))
  const sellers = Array.from({ length: 40 }, (_, s) => {
    const first = whole(150, 750)
    const [then, above] = [
      [0.7, 0.4],
      [1, 0],
      [1.25, 1.6],
    ][s % 3]!
    return {
      id: `s${s}`,
      name: `Seller ${s}`,
      minimum: s % 4 ? 0 : whole(100, 600),
      handling: s % 3 ? 0 : 40,
      arrivesInDays: 5,
      shipping: {
        basis: (['value', 'count', 'weight'] as const)[whole(0, 2)]!,
        bands: [
          { upTo: whole(10, 900), price: first },
          { upTo: whole(1000, 3000), price: Math.round(first * then!) },
          { upTo: null, price: Math.round(first * above!) },
        ],
      },
    }
  })
  const offers = sellers.flatMap(({ id }) => [
    ...parts.flatMap(({ part, worth }) =>
      random() < 0.45
        ? [{ seller: id, price: priceOf(worth), qty: whole(1, 6), weight: whole(1, 6), yields: [{ part, qty: 1 }] }]
        : [],
    ),
    ...Array.from({ length: 2 }, () => {
      const inside = parts.filter(() => random() < 0.07)
      const worth = inside.reduce((sum, one) => sum + one.worth, 1) * 0.7
      const yields = inside.length > 0 ? inside.map(({ part }) => ({ part, qty: 1 })) : [{ part: 'P0', qty: 1 }]
      return { seller: id, price: priceOf(worth), qty: 1, weight: 9, yields }
    }),
  ])
  return {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: parts.map(({ part }) => ({ id: part, qty: whole(1, 3), accept: [{ part, penalty: 0 }] })),
    owned: [],
    sellers,
    offers: offers.map((offer, o) => ({ id: `o${o}`, multiple: 1, ...offer })),
    resale: [],
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0 },
  }
}

describe('of a market too large to be proven', () => {
  // A clock that goes by how often it is asked: as fast on any machine, and so often asked in the same work.
  const planIn = (problem: SourcingProblem, looks: number, solving: SolveMilp) => {
    let asked = 0
    return planSourcing(
      { ...problem, limits: { ...problem.limits, seconds: looks } },
      { solve: solving, now: () => asked++ },
    )
  }
  // The exact solver looks at a clock of its own, so it is let only count.
  const counting: SolveMilp = (model, { seconds: _, iterations, ...options }) =>
    solve(model, { ...options, seconds: 1000, iterations: Math.min(iterations ?? Infinity, 300) })

  test('more time never gives a worse plan, and the same time the same one', () => {
    const problem = largeMarket(4)
    expect(problem.offers.length).toBeGreaterThan(1000)
    const plans = [4_000, 16_000, 40_000].map((looks) => planIn(problem, looks, counting))
    for (const answer of plans) expectHonest(problem, answer)
    const totals = plans.map(({ total }) => total)
    expect(totals).toEqual([...totals].sort((a, b) => b - a))
    expect(planIn(problem, 16_000, counting).baskets).toEqual(plans[1]!.baskets)
  })

  test('a proof beside the search bounds the plan', () => {
    const problem = largeMarket(4)
    const { seen, solveAside } = solvedAtOnce(solve, { seconds: 1000, iterations: 3000 })
    let asked = 0
    const limits = { ...problem.limits, seconds: 4_000 }
    const beside = planSourcing({ ...problem, limits }, { solve: counting, solveAside, now: () => asked++ })
    expectHonest(problem, beside)
    expect(seen.bound).toBeGreaterThan(0)
    expect(beside.bound).toBeGreaterThanOrEqual(Math.min(seen.bound, beside.total) - 1e-6)
    expect(seen.stopped).toBe(1)
  })
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
