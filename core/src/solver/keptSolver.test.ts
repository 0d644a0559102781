import { expect, test } from '@jest/globals'
import { keptSolver } from './keptSolver.ts'
import { MilpBuilder, type MilpOutcome, type SolveMilp } from './milp.ts'

const model = (upper: number) => {
  const milp = new MilpBuilder()
  milp.column(1, upper)
  milp.row(-Infinity, Infinity, [[0, 1]])
  return milp.model
}
const options = { seconds: 1, gap: 0 }
const counting = (status: MilpOutcome['status']) => {
  const asked: number[] = []
  const solve: SolveMilp = ({ columns }) => {
    asked.push(columns[0]!.upper)
    return { status, values: [columns[0]!.upper], bound: 0 }
  }
  return { asked, solve }
}

test('what is proven is solved once; another bound, cost or row is another question', () => {
  const { asked, solve } = counting('optimal')
  const kept = keptSolver(solve)
  expect([model(3), model(4), model(3), model(4)].map((one) => kept(one, options).values)).toEqual([[3], [4], [3], [4]])
  expect(asked).toEqual([3, 4])
  const dearer = model(3)
  dearer.columns[0]!.cost = 2
  const bounded = model(3)
  bounded.rows[0]!.upper = 2
  for (const other of [dearer, bounded]) kept(other, options)
  kept(model(3), { ...options, gap: 0.1 })
  expect(asked).toEqual([3, 4, 3, 3, 3])
})

test('what ran into its time, and what somebody watches, is solved each time', () => {
  const slow = counting('feasible')
  const kept = keptSolver(slow.solve)
  for (let i = 0; i < 3; i++) kept(model(1), options)
  expect(slow.asked).toHaveLength(3)
  const { asked, solve } = counting('optimal')
  const watched = keptSolver(solve)
  for (let i = 0; i < 3; i++) watched(model(1), { ...options, onProgress: () => undefined })
  expect(asked).toHaveLength(3)
})

test('what was not asked for longest is forgotten first', () => {
  const { asked, solve } = counting('optimal')
  const kept = keptSolver(solve, 2)
  for (const upper of [1, 2, 1, 3, 1, 2]) kept(model(upper), options)
  expect(asked).toEqual([1, 2, 3, 2])
})

test('what is too large to be kept is solved each time, and drives nothing else out', () => {
  const { asked, solve } = counting('optimal')
  const kept = keptSolver(solve, 2)
  const large = model(9)
  for (let row = 0; row < 100_000; row++) large.rows.push({ lower: 0, upper: 1, entries: [[0, row + 0.5]] })
  for (const one of [model(1), model(2), large, large, model(1), model(2)]) kept(one, options)
  expect(asked).toEqual([1, 2, 9, 9])
})
