import { Injectable, type OnModuleDestroy } from '@nestjs/common'
import { DataSource, type EntityManager } from 'typeorm'
import { Observable, ReplaySubject } from 'rxjs'
import { monotonicFactory } from 'ulid'
import { notFound } from '../base/problem.ts'
import { storageFault } from '../base/storage.ts'
import { Writer } from '../base/writer.ts'
import { JobEntity } from '../schema/jobs.ts'

/** Ids that rise as long as the clock does. */
const newId = monotonicFactory()

export type JobState = 'running' | JobEntity['state']

export interface JobEvent {
  state: JobState
  progress: unknown
  /** Why it failed. */
  detail?: string
}

interface Running {
  events: ReplaySubject<JobEvent>
  abort: AbortController
  /** Shared with worker threads; 1 when the best so far is good enough. */
  enough: Int32Array
}

/** What work is given: how to tell progress, whether it is cancelled, whether what it has is good enough. */
export interface Course {
  signal: AbortSignal
  report: (progress: unknown) => void
  enough: Int32Array
}

/** Finished jobs kept of each kind; a busy bench plans again after every change. */
export const KEPT_JOBS = 100

/** Long work: started, watched, cancelled; what came of it is kept in the database. */
@Injectable()
export class JobsService implements OnModuleDestroy {
  private readonly running = new Map<string, Running>()

  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
  ) {}

  /** Start work and return its id at once. */
  start(kind: string, input: unknown, work: (course: Course) => Promise<unknown>): string {
    const id = newId()
    const job: Running = {
      events: new ReplaySubject(1),
      abort: new AbortController(),
      enough: new Int32Array(new SharedArrayBuffer(4)),
    }
    this.running.set(id, job)
    job.events.next({ state: 'running', progress: null })
    const finish = async (state: JobEntity['state'], result: unknown, detail?: string) => {
      await this.writer.transaction(async (db) => {
        await db.insert(JobEntity, {
          id,
          kind,
          state,
          at: new Date().toISOString(),
          input: input as object,
          result: result as object,
        })
        await this.forgetOldest(db, kind)
      })
      job.events.next({ state, progress: null, ...(detail ? { detail } : {}) })
      job.events.complete()
      this.running.delete(id)
    }
    const report = (progress: unknown) => job.events.next({ state: 'running', progress })
    void work({ signal: job.abort.signal, report, enough: job.enough })
      .then(
        (result) => finish('done', result),
        (error: Error) => {
          const detail = storageFault(error)?.detail ?? error.message
          return job.abort.signal.aborted ? finish('cancelled', null) : finish('failed', { detail }, detail)
        },
      )
      .catch((error: Error) => {
        // What came of it cannot be kept, as on a full disk: whoever waits is told, and the program goes on.
        job.events.next({ state: 'failed', progress: null, detail: storageFault(error)?.detail ?? error.message })
        job.events.complete()
        this.running.delete(id)
      })
    return id
  }

  /** Put something better in the place of what came of a job. Nothing happens where it was forgotten meanwhile. */
  async improve<Result extends object>(id: string, change: (result: Result) => Result): Promise<void> {
    await this.writer.transaction(async (db) => {
      const job = await db.findOneBy(JobEntity, { id, state: 'done' })
      if (job) await db.update(JobEntity, { id }, { result: change(job.result as Result) as object })
    })
  }

  /** How a job stands, and what came of it. 404 where there is none. */
  async get(id: string): Promise<{ id: string; state: JobState; result: unknown }> {
    if (this.running.has(id)) return { id, state: 'running', result: null }
    const job = await this.database.getRepository(JobEntity).findOneBy({ id })
    if (!job) throw notFound('job', id)
    return { id, state: job.state, result: job.result }
  }

  /** The newest job of a kind that was done. */
  newest(kind: string): Promise<JobEntity | null> {
    return this.database
      .getRepository(JobEntity)
      .createQueryBuilder('job')
      .where({ kind, state: 'done' })
      .orderBy('job.rowid', 'DESC')
      .limit(1)
      .getOne()
  }

  /** What a job tells until it ends; of one that has ended how it did. 404 where there is none. */
  async events(id: string): Promise<Observable<JobEvent>> {
    const job = this.running.get(id)
    if (job) return job.events
    const { state, result } = await this.get(id)
    const detail = state === 'failed' ? (result as { detail?: string } | null)?.detail : undefined
    return new Observable((subscriber) => {
      subscriber.next({ state, progress: null, ...(detail ? { detail } : {}) })
      subscriber.complete()
    })
  }

  /** Where a job stands; `gone` when it was given up, failed or forgotten. */
  async stateOf(id: string): Promise<'running' | 'done' | 'gone'> {
    if (this.running.has(id)) return 'running'
    const job = await this.database.getRepository(JobEntity).findOneBy({ id })
    return job?.state === 'done' ? 'done' : 'gone'
  }

  /** Tell a running job that the best it has found is good enough; a finished one stays as it is. */
  async enough(id: string): Promise<void> {
    const job = this.running.get(id)
    if (job) Atomics.store(job.enough, 0, 1)
    else await this.get(id)
  }

  /** Ask a running job to stop; a finished one stays as it is. */
  async cancel(id: string): Promise<void> {
    const job = this.running.get(id)
    if (job) job.abort.abort()
    else await this.get(id)
  }

  private async forgetOldest(db: EntityManager, kind: string): Promise<void> {
    // In the order they were written: ids rise with the clock, which may have been put back.
    await db.query(
      `DELETE FROM job WHERE kind = ? AND rowid <= (SELECT rowid FROM job WHERE kind = ? ORDER BY rowid DESC LIMIT 1 OFFSET ?)`,
      [kind, kind, KEPT_JOBS],
    )
  }

  onModuleDestroy(): void {
    for (const { abort } of this.running.values()) abort.abort()
  }
}
