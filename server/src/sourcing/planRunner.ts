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
export interface Waiting {
  signal: AbortSignal
  report: (progress: PlanProgress) => void
  enough: Int32Array
}

/** Runs the solver away from the request thread. */
@Injectable()
export abstract class PlanRunner {
  abstract run<T extends SolverTask>(task: T, waiting: Waiting): Promise<SolverResults[T['do']]>
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

/** Milliseconds a thread waits for another plan before it ends. */
const IDLE = 60_000

/** Worker threads, started when first needed; a cancelled plan ends its own, the next starts a new one. */
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

  async run<T extends SolverTask>(task: T, { signal, report, enough }: Waiting): Promise<SolverResults[T['do']]> {
    const { port1, port2 } = new MessageChannel()
    port1.on('message', report)
    try {
      return (await this.pool.run(
        { task, port: port2, enough },
        { signal, transferList: [port2] },
      )) as SolverResults[T['do']]
    } finally {
      port1.close()
    }
  }

  async onModuleDestroy(): Promise<void> {
    await this.pool.destroy()
  }
}
