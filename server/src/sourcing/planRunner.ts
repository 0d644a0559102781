import { Injectable, type OnModuleDestroy } from '@nestjs/common'
import { MessageChannel } from 'node:worker_threads'
import { Piscina } from 'piscina'
import type { SourcingPlan, SourcingProblem } from '@outfit/core/sourcing'

export interface PlanProgress {
  best: number | null
  bound: number | null
}

/** Runs the solver away from the request thread. */
@Injectable()
export abstract class PlanRunner {
  abstract run(
    problem: SourcingProblem,
    signal: AbortSignal,
    report: (progress: PlanProgress) => void,
  ): Promise<SourcingPlan>
}

/** One worker thread; a cancelled plan ends it, the next starts a new one. */
@Injectable()
export class WorkerPlanRunner extends PlanRunner implements OnModuleDestroy {
  private readonly pool = new Piscina({ filename: new URL('./planWorker.js', import.meta.url).href, maxThreads: 1 })

  async run(
    problem: SourcingProblem,
    signal: AbortSignal,
    report: (progress: PlanProgress) => void,
  ): Promise<SourcingPlan> {
    const { port1, port2 } = new MessageChannel()
    port1.on('message', report)
    try {
      return await this.pool.run({ problem, port: port2 }, { signal, transferList: [port2] })
    } finally {
      port1.close()
    }
  }

  async onModuleDestroy(): Promise<void> {
    await this.pool.destroy()
  }
}
