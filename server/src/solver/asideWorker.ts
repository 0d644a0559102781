import { workerData } from 'node:worker_threads'
import { POINTS, SOLVED, type AsideWork } from './asideSolver.ts'
import { loadHighsSolver } from './highsSolver.ts'

/** Thread entry: solve the model and write what is known so far on the board. */
const { model, options, board } = workerData as AsideWork
const raise = (bound: number) => (board.bound[0] = Math.max(board.bound[0]!, bound))
const write = (values: ArrayLike<number>) => {
  Atomics.add(board.counts, POINTS, 1)
  board.values.set(values)
  Atomics.add(board.counts, POINTS, 1)
}
const solve = await loadHighsSolver()
const { status, values, bound } = solve(model, {
  ...options,
  onProgress: ({ bound: proven }) => void (proven !== null && raise(proven)),
  onPoint: write,
})
raise(bound)
if (values) write(values)
if (status === 'optimal') Atomics.store(board.counts, SOLVED, 1)
