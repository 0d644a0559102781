import type { MessagePort } from 'node:worker_threads'
import { planSourcing, type SourcingPlan, type SourcingProblem } from '@outfit/core/sourcing'
import { loadHighsSolver } from './highsSolver.ts'

const loaded = loadHighsSolver()

/** Worker thread entry: solve one problem, telling each new best and bound over the port. */
export default async function planWorker({
  problem,
  port,
}: {
  problem: SourcingProblem
  port: MessagePort
}): Promise<SourcingPlan> {
  const solve = await loaded
  let last = ''
  return planSourcing(problem, {
    solve,
    now: () => performance.now() / 1000,
    onProgress: (progress) => {
      const key = `${progress.best} ${progress.bound}`
      if (key !== last) port.postMessage(progress)
      last = key
    },
  })
}
