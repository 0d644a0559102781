import { Injectable, type OnModuleDestroy, type Provider, type Type } from '@nestjs/common'
import { availableParallelism } from 'node:os'
import { MessageChannel } from 'node:worker_threads'
import { Piscina } from 'piscina'
import type { SolverResults, SolverTask } from '@outfit/core/wardrobe'

interface PlanProgress {
  best: number | null
  bound: number | null
}

/** Who waits for a plan: told of progress, may cancel it, or say that the best so far is good enough (a 1 in `enough`). */
export interface JobContext {
  signal: AbortSignal
  report: (progress: PlanProgress) => void
  enough: Int32Array
}

/** Runs the solver away from the request thread. */
@Injectable()
export abstract class PlanRunner {
  abstract run<T extends SolverTask>(task: T, waiting: JobContext): Promise<SolverResults[T['do']]>
}

/** Names the class of the runner that is used. */
export const PLAN_RUNNER = Symbol('plan runner')

export const runnerIn: Provider = {
  provide: PlanRunner,
  inject: [PLAN_RUNNER],
  useFactory: (runner: Type<PlanRunner>): PlanRunner => new runner(),
}

/** Plans worked out at once, so that one that takes long blocks no other. */
const THREADS = Math.max(2, availableParallelism())

/** Milliseconds a thread waits for another plan before it ends, and with it the hundred megabytes a large plan has taken. */
const IDLE = 20_000

/** Milliseconds a cancelled plan has to stop by itself, before its thread is ended. */
const GRACE = 1_500

/**
 * Worker threads, started when first needed. A cancelled plan is told to stop and leaves its thread to the next: a bench cancels one with
 * every change, and a thread that begins has the solver to load. Only what does not stop takes its thread with it.
 */
@Injectable()
export class WorkerPlanRunner extends PlanRunner implements OnModuleDestroy {
  private readonly pool = new Piscina({
    filename: new URL('./planWorker.js', import.meta.url).href,
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE,
    // Loaded by `require`, a module whose thread is ended meanwhile takes the whole program with it (Node 20.20: "IsGraphAsync
    // must be used on an instantiated module"); by `import`, it does not.
    execArgv: ['--no-experimental-require-module'],
  })

  async run<T extends SolverTask>(task: T, { signal, report, enough }: JobContext): Promise<SolverResults[T['do']]> {
    signal.throwIfAborted()
    const { port1, port2 } = new MessageChannel()
    port1.on('message', report)
    const halt = new Int32Array(new SharedArrayBuffer(4))
    const end = new AbortController()
    let onCancel = () => {}
    const cancelled = new Promise<never>((_, reject) => {
      onCancel = () => {
        Atomics.store(halt, 0, 1)
        const last = setTimeout(() => end.abort(), GRACE)
        void work.catch(() => undefined).finally(() => clearTimeout(last))
        reject(signal.reason as Error)
      }
    })
    signal.addEventListener('abort', onCancel, { once: true })
    const work = this.pool.run({ task, port: port2, enough, halt }, { signal: end.signal, transferList: [port2] })
    try {
      return (await Promise.race([work, cancelled])) as SolverResults[T['do']]
    } finally {
      signal.removeEventListener('abort', onCancel)
      port1.close()
    }
  }

  async onModuleDestroy(): Promise<void> {
    await this.pool.destroy()
  }
}
