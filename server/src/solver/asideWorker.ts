import { parentPort } from 'node:worker_threads'
import { HALT, POINTS, SOLVED, type AsideWork } from './asideSolver.ts'
import { loadHighsSolver } from './highsSolver.ts'

/** Thread entry: solve one model after the other and write what is known so far on its board. */
const solve = await loadHighsSolver()
parentPort!.on('message', ({ model, options, board }: AsideWork) => {
  const raise = (bound: number) => (board.bound[0] = Math.max(board.bound[0]!, bound))
  const write = (values: ArrayLike<number>) => {
    Atomics.add(board.counts, POINTS, 1)
    board.values.set(values)
    Atomics.add(board.counts, POINTS, 1)
  }
  const { status, values, bound } = solve(model, {
    ...options,
    onProgress: ({ bound: proven }) => void (proven !== null && raise(proven)),
    onPoint: write,
    stop: () => Atomics.load(board.counts, HALT) === 1,
  })
  raise(bound)
  if (values) write(values)
  if (status === 'optimal') Atomics.store(board.counts, SOLVED, 1)
})
