import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { forestOf } from './forest.ts'
import type { CastProblem } from './problem.ts'
import { reduceCandidates } from './reduce.ts'

/** A problem of slots with one class each, whose pairs hold against each other what a table says. */
function problemOf(weights: readonly (readonly number[])[]): CastProblem {
  return {
    slots: weights.map((_, i) => ({
      key: `slot ${i}`,
      candidates: [{ id: `${i}`, value: 0, price: 0, cls: 0, needs: [] }],
    })),
    penalty: (i, _a, j, _b) => weights[Math.min(i, j)]![Math.max(i, j)] ?? 0,
    marks: () => [],
    givenMarks: [],
    mostMarks: 3,
    markPenalty: 0,
    things: new Map(),
    priceWeight: 0,
    limit: null,
  }
}
const tables = fc.integer({ min: 1, max: 7 }).chain((n) =>
  fc.array(fc.array(fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 9 })), { minLength: n, maxLength: n }), {
    minLength: n,
    maxLength: n,
  }),
)

describe('the forest of pair terms', () => {
  test('has every slot once, parents first, and every pair that matters as an edge or charged', () => {
    fc.assert(
      fc.property(tables, (weights) => {
        const problem = problemOf(weights)
        const order = forestOf(
          problem,
          weights.map(() => [0]),
        )
        expect(order.map(({ slot }) => slot).sort((a, b) => a - b)).toEqual(weights.map((_, i) => i))
        const covered = new Set<string>()
        const name = (a: number, b: number) => [order[a]!.slot, order[b]!.slot].sort((x, y) => x - y).join()
        for (const [at, { parent, children, charged }] of order.entries()) {
          expect(parent).toBeLessThan(at)
          if (parent >= 0) {
            expect(order[parent]!.children).toContain(at)
            covered.add(name(at, parent))
          }
          for (const child of children) expect(order[child]!.parent).toBe(at)
          for (const other of charged) {
            expect(other).toBeLessThan(at)
            covered.add(name(at, other))
          }
        }
        for (let i = 0; i < weights.length; i++)
          for (let j = i + 1; j < weights.length; j++)
            expect(covered.has(`${i},${j}`)).toBe(problem.penalty(i, 0, j, 0) > 0)
      }),
    )
  })

  test('keeps the heaviest terms: of a triangle the lightest side is charged', () => {
    const order = forestOf(
      problemOf([
        [0, 5, 1],
        [0, 0, 9],
        [0, 0, 0],
      ]),
      [[0], [0], [0]],
    )
    const charged = order.flatMap(({ slot, charged: list }) => list.map((at) => [slot, order[at]!.slot].sort()))
    expect(charged).toEqual([[0, 2]])
  })
})

describe('candidates that cannot matter', () => {
  const slot = (values: [value: number, price: number, cls: number, thing?: string][]) => ({
    key: 'slot',
    candidates: values.map(([value, price, cls, thing], i) => ({
      id: `${i}`,
      value,
      price,
      cls,
      needs: thing ? [{ thing, qty: 1 }] : [],
    })),
  })
  const kept = (slots: CastProblem['slots'], count: number, limit: number | null = null) =>
    reduceCandidates({ ...problemOf([[0]]), slots, limit }, count).map((list) => [...list].sort())

  test('are left out when so many of their class are as good', () => {
    expect(
      kept(
        [
          slot([
            [9, 0, 0],
            [8, 0, 0],
            [7, 0, 0],
            [6, 0, 1],
          ]),
        ],
        2,
      ),
    ).toEqual([[0, 1, 3]])
  })

  test('stay where they are cheaper and there is a limit', () => {
    const dear = [
      slot([
        [9, 5, 0],
        [8, 5, 0],
        [7, 1, 0],
      ]),
    ]
    expect(kept(dear, 2)).toEqual([[0, 1]])
    expect(kept(dear, 2, 10)).toEqual([[0, 1, 2]])
  })

  test('stay where what is better wants something others want too', () => {
    const shared: CastProblem['slots'] = [
      slot([
        [9, 0, 0, 'oar'],
        [8, 0, 0],
        [7, 0, 0],
      ]),
      slot([[1, 0, 0, 'oar']]),
    ]
    expect(kept(shared, 1)[0]).toEqual([0, 1])
  })
})
