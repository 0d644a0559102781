import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { seeded } from '../base/index.ts'
import { castBest } from './castBest.ts'
import type { Cast, CastProblem } from './problem.ts'

const patient = { seconds: 1e9, now: () => 0 }

/**
 * What a choice is worth, counted from the words of the problem as a whole: shortages of a thing for everybody together,
 * less what each pays for by itself; no code of the solver is asked.
 */
function worthOf(problem: CastProblem, choice: readonly number[]): Cast | null {
  const taken = choice.map((c, i) => ({ i, ...problem.slots[i]!.candidates[c]! }))
  const sum = (numbers: readonly number[]) => numbers.reduce((all, one) => all + one, 0)
  let price = sum(taken.map((one) => one.price))
  for (const thing of new Set(taken.flatMap(({ needs }) => needs.map((need) => need.thing)))) {
    const { free, unitPrice } = problem.things.get(thing)!
    const wants = taken.flatMap(({ needs }) => needs.filter((need) => need.thing === thing).map(({ qty }) => qty))
    const short = Math.max(0, sum(wants) - free) - sum(wants.map((qty) => Math.max(0, qty - free)))
    if (short > 0 && unitPrice === null) return null
    price += short * (unitPrice ?? 0)
  }
  if (problem.limit !== null && price > problem.limit) return null
  const pairs = taken.flatMap((a) => taken.filter((b) => b.i > a.i).map((b) => problem.penalty(a.i, a.cls, b.i, b.cls)))
  const marks = new Set([...problem.givenMarks, ...taken.flatMap(({ i, cls }) => problem.marks(i, cls))])
  const worth =
    sum(taken.map(({ value }) => value)) -
    sum(pairs) -
    problem.markPenalty * Math.max(0, marks.size - problem.mostMarks) -
    problem.priceWeight * price
  return { choice: [...choice], worth, price }
}

/** Worth more first, then cheaper, then with earlier candidates. */
const inOrder = (a: Cast, b: Cast) =>
  b.worth - a.worth || a.price - b.price || (a.choice.map((c, i) => c - b.choice[i]!).find((d) => d !== 0) ?? 0)

/** Every choice there is, by the words of the problem alone. */
function everyCast(problem: CastProblem): Cast[] {
  let choices: number[][] = [[]]
  for (const { candidates } of problem.slots)
    choices = choices.flatMap((choice) => candidates.map((_, index) => [...choice, index]))
  return choices.flatMap((choice) => worthOf(problem, choice) ?? []).sort(inOrder)
}

interface Sizes {
  slots: number
  candidates: number
  classes: number
  values: number
  /** Only neighbouring slots hold anything against each other, as in an outfit. */
  chain?: boolean
}

/** A problem made from a seed; few different values, so that there are many equals. */
function randomProblem(
  seed: number,
  { slots, candidates, classes, values, chain = false }: Sizes,
  limited: boolean,
): CastProblem {
  const random = seeded(seed)
  const below = (n: number) => Math.floor(random() * n)
  const table = Array.from({ length: slots * slots * classes * classes }, () => (random() < 0.5 ? 0 : below(values)))
  const penalty = (i: number, a: number, j: number, b: number) => {
    const [p, q, r, s] = i < j ? [i, a, j, b] : [j, b, i, a]
    return (chain ? r - p !== 1 : (p + r) % 3 === 0) ? 0 : table[((p * slots + r) * classes + q) * classes + s]!
  }
  const names = ['oar', 'mitt', 'cap']
  const list = Array.from({ length: slots }, (_, i) => ({
    key: `slot ${i}`,
    candidates: Array.from({ length: candidates }, (_, c) => ({
      id: `${i}/${c}`,
      value: below(values),
      price: below(4),
      cls: below(classes),
      needs: random() < 0.4 ? [{ thing: names[below(3)]!, qty: 1 + below(2) }] : [],
    })),
  }))
  return {
    slots: list,
    penalty,
    marks: (i, cls) => (cls % 2 === 0 ? [`m${(i + cls) % 4}`] : []),
    givenMarks: seed % 2 ? ['m1'] : [],
    mostMarks: 2,
    markPenalty: below(3),
    things: new Map([
      ['oar', { free: 1, unitPrice: 2 }],
      ['mitt', { free: 2, unitPrice: null }],
      ['cap', { free: 0, unitPrice: 1 }],
    ]),
    priceWeight: below(2),
    limit: limited ? below(3 * slots) : null,
  }
}

describe('casting', () => {
  test.each([false, true])('agrees with trying everything, equals and all (with a limit: %s)', (limited) => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.integer({ min: 1, max: 4 }), (seed, slots) => {
        const problem = randomProblem(seed, { slots, candidates: 5, classes: 3, values: 6 }, limited)
        const { casts, complete, bound } = castBest(problem, { count: 4, ...patient })
        const all = everyCast(problem)
        expect(casts).toEqual(all.slice(0, 4))
        expect(complete).toBe(true)
        expect(bound).toBe(all[0]?.worth ?? -Infinity)
      }),
      { numRuns: 400 },
    )
  })

  test('finds the best of eight slots with 200 candidates without visiting most of them', () => {
    const problem = randomProblem(7, { slots: 8, candidates: 200, classes: 6, values: 1000, chain: true }, false)
    const { casts, complete, explored } = castBest(problem, { count: 10, ...patient })
    expect(complete).toBe(true)
    expect(casts).toHaveLength(10)
    expect(explored).toBeLessThan(1e5)
    for (const cast of casts) expect(worthOf(problem, cast.choice)).toEqual(cast)
  })

  test('cut short it says so, and its bound holds', () => {
    const problem = randomProblem(7, { slots: 7, candidates: 120, classes: 6, values: 1000 }, false)
    const whole = castBest(problem, { count: 3, ...patient })
    let ticks = 0
    const cut = castBest(problem, { count: 3, seconds: 1, now: () => ticks++ * 0.9 })
    expect([whole.complete, cut.complete]).toEqual([true, false])
    expect(cut.bound).toBeGreaterThanOrEqual(whole.casts[0]!.worth)
    for (const cast of cut.casts) expect(cast.worth).toBeLessThanOrEqual(whole.casts[0]!.worth)
  })

  test('a limit nothing keeps gives no cast; a slot without candidates is named', () => {
    const problem = randomProblem(3, { slots: 3, candidates: 4, classes: 2, values: 5 }, false)
    const dear = {
      ...problem,
      slots: problem.slots.map((s) => ({ ...s, candidates: s.candidates.map((c) => ({ ...c, price: 9 })) })),
    }
    expect(castBest({ ...dear, limit: 26 }, { count: 3, ...patient }).casts).toEqual([])
    const empty = { ...problem, slots: [...problem.slots, { key: 'hands', candidates: [] }] }
    expect(() => castBest(empty, { count: 1, ...patient })).toThrow('Nothing can be cast as hands.')
  })
})
