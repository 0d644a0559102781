import { beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { SolveMilp } from '@outfit/core/solver'
import {
  planRoster,
  readRosterProblem,
  rosterBound,
  settleRoster,
  supplyOf,
  Wardrobe,
  type RosterPlan,
  type RosterProblem,
} from '@outfit/core/wardrobe'
import { anyRoster, everyRoster } from '../test/anyRoster.ts'
import { extremeRoster } from '../test/extremes.ts'
import { timed } from '../test/processorTime.ts'
import { runs } from '../test/runs.ts'
import { solvedAtOnce } from '../test/solvedAtOnce.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

let solve: SolveMilp
beforeAll(async () => {
  solve = await loadHighsSolver()
})
const plan = (problem: RosterProblem): RosterPlan =>
  planRoster(readRosterProblem(problem), { solve, now: () => performance.now() / 1000 })

/** Check a plan against the problem it answers, without asking how it was found. */
function expectHonest(problem: RosterProblem, answer: RosterPlan): void {
  const units = new Map(answer.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty] as const)))
  for (const { id, qty, multiple } of problem.offers) {
    const bought = units.get(id) ?? 0
    expect(bought % multiple === 0 && bought <= qty).toBe(true)
  }
  const again = settleRoster(
    problem,
    answer.outfits.map(({ choices }) => choices),
    units,
  )
  expect(again.faults).toEqual([])
  const { value, spending, outfits, baskets, surplus } = answer
  expect({ value, spending, outfits, baskets, surplus }).toEqual({
    value: again.value,
    spending: again.spending,
    outfits: again.outfits,
    baskets: again.baskets,
    surplus: again.surplus,
  })
  expect(answer.bound).toBeLessThanOrEqual(answer.value)
}

test('agrees with trying every choice and every purchase', () => {
  const seen = { planned: 0, impossible: 0 }
  fc.assert(
    fc.property(anyRoster(), (problem) => {
      const answer = plan(problem)
      const best = everyRoster(problem)
      if (best === null) {
        seen.impossible++
        expect([answer.status, answer.outfits]).toEqual(['impossible', []])
        expect(answer.why).not.toBe('')
        return
      }
      seen.planned++
      expectHonest(problem, answer)
      expect([answer.status, answer.value, answer.bound]).toEqual(['optimal', best, best])
    }),
    { numRuns: runs(150) },
  )
  expect(Math.min(seen.planned, seen.impossible)).toBeGreaterThan(10)
})

test('prices bound every plan, and every plan with a choice worn', () => {
  fc.assert(
    fc.property(anyRoster(), (drawn) => {
      const problem = { ...drawn, limits: { ...drawn.limits, parcels: null } }
      const best = everyRoster(problem)
      fc.pre(best !== null)
      const wardrobe = new Wardrobe(problem, supplyOf(problem), () => false)
      const { bound, withChoice } = rosterBound(wardrobe, { upper: best! + 100, rounds: 60, late: () => false })
      expect(bound).toBeLessThanOrEqual(best! + 1e-6)
      wardrobe.places.forEach(({ outfit, choices }, place) =>
        choices.forEach((_, c) => {
          const slot = wardrobe.placesOf[outfit]!.indexOf(place)
          const forced = everyRoster(wornAlone(problem, outfit, slot, c))
          if (forced !== null) expect(withChoice[place]![c]).toBeLessThanOrEqual(forced + 1e-6)
        }),
      )
    }),
    { numRuns: runs(60) },
  )
})

test('what is mixed beside the search is taken, and ended', () => {
  const nothing: SolveMilp = () => ({ status: 'unknown', values: null, bound: -Infinity })
  const { seen, solveAside } = solvedAtOnce(solve)
  let better = 0
  fc.assert(
    fc.property(anyRoster(), (problem) => {
      const clock = () => {
        let asked = 0
        return () => asked++ / 1000
      }
      const alone = planRoster(readRosterProblem(problem), { solve: nothing, now: clock() })
      const beside = planRoster(readRosterProblem(problem), { solve: nothing, solveAside, now: clock() })
      if (beside.status !== 'impossible') expectHonest(problem, beside)
      if (beside.status !== 'impossible' && (alone.status === 'impossible' || beside.value < alone.value)) better++
    }),
    { numRuns: runs(50) },
  )
  expect(seen.stopped).toBe(seen.begun)
  expect(Math.min(seen.begun, better)).toBeGreaterThan(0)
})

test('whatever the numbers, a plan comes within its seconds and one more, and adds up', () => {
  fc.assert(
    fc.property(extremeRoster(), (problem) => {
      // Processor time, so that a busy machine is not taken for a loop that does not end.
      const most = problem.limits.seconds + 1
      const { result: answer, seconds } = timed(() => plan(problem), most)
      expect(seconds).toBeLessThan(most)
      if (answer.status !== 'impossible') expectHonest(problem, answer)
    }),
    { numRuns: runs(60) },
  )
})

/** The problem with one choice alone in a slot. */
const wornAlone = (problem: RosterProblem, outfit: number, slot: number, choice: number): RosterProblem => ({
  ...problem,
  outfits: problem.outfits.map((one, o) => {
    if (o !== outfit) return one
    const slots = one.slots.map((own, s) => (s === slot ? { ...own, candidates: [own.candidates[choice]!] } : own))
    const has = new Map(slots.map(({ id, candidates }) => [id, new Set(candidates.map((each) => each.id))]))
    const pairs = one.pairs.map(({ a, b, off }) => ({
      a,
      b,
      off: off.filter(([x, y]) => has.get(a)!.has(x) && has.get(b)!.has(y)),
    }))
    return { ...one, slots, pairs }
  }),
})

describe('what cannot be', () => {
  const candidate = (id: string, part: string | null, score = 50_000, face: string | null = null) => ({
    id,
    parts: part ? [{ part, qty: 1 }] : [],
    score,
    face,
  })
  const base: RosterProblem = {
    format: 'outfit.roster-problem',
    version: 1,
    currency: 'EUR',
    worth: 40,
    outfits: ['Ada', 'Bo'].map((id) => ({
      id,
      floor: 0,
      slots: [{ id: 'head', candidates: [candidate('one', 'H1', 90_000, 'F1'), candidate('two', 'H2', 60_000, 'F2')] }],
      pairs: [],
    })),
    owned: [],
    sellers: [
      {
        id: 's',
        name: 'S',
        minimum: 0,
        handling: 0,
        arrivesInDays: 9,
        shipping: { basis: 'value', bands: [{ upTo: null, price: 300 }] },
      },
    ],
    offers: ['H1', 'H2'].map((part) => ({
      id: `offer ${part}`,
      seller: 's',
      price: 100,
      qty: 5,
      multiple: 1,
      weight: 1,
      yields: [{ part, qty: 1 }],
    })),
    resale: [],
    limits: { parcels: null, arriveBy: null, budget: null, faces: 'distinct', seconds: 5, gap: 0 },
  }
  const limited = (limits: Partial<RosterProblem['limits']>) => ({ ...base, limits: { ...base.limits, ...limits } })

  test('two heads come in one parcel, one for each', () => {
    const answer = plan(base)
    expect([answer.status, answer.value, answer.spending]).toEqual(['optimal', 500 + 400 + 1600, 500])
    expect(answer.outfits.map(({ choices }) => choices['head']).sort()).toEqual(['one', 'two'])
  })

  test.each<[string, RosterProblem, Partial<RosterPlan>]>([
    [
      'a budget',
      limited({ budget: 499 }),
      { limit: 'budget', why: 'a budget of 499 cannot be kept; it would have to be 500' },
    ],
    [
      'parcels',
      limited({ parcels: 0 }),
      { limit: 'parcels', why: 'a number of parcels of 0 cannot be kept; it would have to be 1' },
    ],
    ['time', limited({ arriveBy: 3 }), { limit: 'arriveBy', outfit: 'Ada' }],
    [
      'faces',
      { ...base, outfits: [...base.outfits, { ...base.outfits[0]!, id: 'Cy' }] },
      { limit: 'faces', why: expect.stringContaining('3 outfits choose among 2 faces') as unknown as string },
    ],
    [
      'a floor',
      { ...base, outfits: base.outfits.map((one, i) => ({ ...one, floor: i === 1 ? 90_001 : 0 })) },
      { outfit: 'Bo', why: 'outfit Bo: nothing that can be had comes to its floor of 90001; the most is 90000' },
    ],
  ])('is said of %s', (_, problem, told) => {
    const answer = plan(problem)
    expect(answer).toMatchObject({ status: 'impossible', outfits: [], baskets: [], ...told })
  })

  test.each<[string, RosterProblem]>([
    [
      'a floor of nothing, below which what pairs take off brings an outfit',
      {
        ...base,
        outfits: [
          {
            id: 'Ada',
            floor: 0,
            slots: [
              { id: 'head', candidates: [candidate('one', 'O1', 5000)] },
              { id: 'hair', candidates: [candidate('bare', null, 0), candidate('same', 'O1', 60_000)] },
            ],
            pairs: [{ a: 'head', b: 'hair', off: [['one', 'bare', 9000]] }],
          },
        ],
        owned: [{ part: 'O1', qty: 1 }],
      },
    ],
    [
      'a part there is once and two must wear',
      {
        ...base,
        outfits: ['Ada', 'Bo'].map((id) => ({
          id,
          floor: 0,
          slots: [{ id: 'head', candidates: [candidate('one', 'O1')] }],
          pairs: [],
        })),
        owned: [{ part: 'O1', qty: 1 }],
      },
    ],
  ])('is proven of %s', (_, problem) => {
    expect(plan({ ...problem, limits: { ...problem.limits, budget: 400 } })).toMatchObject({
      status: 'impossible',
      outfits: [],
      why: 'no choices keep every floor and limit with what is owned and for sale',
    })
  })

  test('nobody to dress costs nothing', () => {
    expect(plan({ ...base, outfits: [] })).toMatchObject({
      status: 'optimal',
      value: 0,
      spending: 0,
      outfits: [],
      baskets: [],
    })
  })
})
