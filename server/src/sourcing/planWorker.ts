import type { MessagePort } from 'node:worker_threads'
import { doSolverTask, type SolverResults, type SolverTask } from '@outfit/core/wardrobe'
import { solveAside } from '../solver/asideSolver.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

const loaded = loadHighsSolver()

/** Worker thread entry: do one task, telling each new best and bound over the port. */
export default async function planWorker({
  task,
  port,
  enough,
  halt,
}: {
  task: SolverTask
  port: MessagePort
  enough: Int32Array
  /** 1 once nobody waits any more. */
  halt: Int32Array
}): Promise<SolverResults[SolverTask['do']]> {
  const solve = await loaded
  let last = ''
  return doSolverTask(task, {
    solve,
    solveAside,
    now: () => performance.now() / 1000,
    stopRequested: () => Atomics.load(enough, 0) === 1 || Atomics.load(halt, 0) === 1,
    onProgress: (progress) => {
      const key = `${progress.best} ${progress.bound}`
      if (key !== last) port.postMessage(progress)
      last = key
    },
  })
}
