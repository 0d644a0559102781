import { Worker } from 'node:worker_threads'
import type { Milp, MilpOptions, SolveAside } from '@outfit/core/solver'

/** What both threads see: counters, the bound, and the values of the best point. */
export interface Board {
  /** `POINTS`: points written so far, one more while one is being written; `SOLVED`: 1 once solved to the end; `HALT`: 1 once nobody asks. */
  counts: Int32Array
  bound: Float64Array
  values: Float64Array
}
export const [POINTS, SOLVED, HALT] = [0, 1, 2]

/** What a thread that solves aside is given. */
export interface AsideWork {
  model: Milp
  options: Pick<MilpOptions, 'seconds' | 'gap' | 'start' | 'proveOnly'>
  board: Board
}

/**
 * Solves models on threads of their own (`asideWorker`), which write what they know into memory that is shared: whoever asks
 * is at work and takes no messages. A thread keeps nothing alive, and is ended once nobody waits for it.
 */
export const solveAside: SolveAside = (model, options) => {
  const worker = new Worker(new URL('./asideWorker.js', import.meta.url), {
    execArgv: ['--no-experimental-require-module'],
  })
  worker.unref()
  // What a thread comes to grief over is not known then; whoever asked has plans without it.
  worker.on('error', () => undefined)
  return solveOn(worker)(model, options)
}

const solveOn =
  (worker: Worker): SolveAside =>
  (model, options) => {
    const shared = (bytes: number) => new SharedArrayBuffer(bytes)
    const board: Board = {
      counts: new Int32Array(shared(12)),
      bound: new Float64Array(shared(8)).fill(-Infinity),
      values: new Float64Array(shared(8 * model.columns.length)),
    }
    worker.postMessage({ model, options, board } satisfies AsideWork)
    return {
      bound: () => board.bound[0]!,
      point: () => {
        const points = Atomics.load(board.counts, POINTS)
        const values = Array.from(board.values)
        // What is being written is asked for again later.
        return points > 0 && points % 2 === 0 && Atomics.load(board.counts, POINTS) === points ? values : null
      },
      solved: () => Atomics.load(board.counts, SOLVED) === 1,
      next: (...another) => {
        Atomics.store(board.counts, HALT, 1)
        return solveOn(worker)(...another)
      },
      stop: () => void worker.terminate(),
    }
  }
