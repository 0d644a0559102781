import { useEffect, useState } from 'react'
import { skipToken } from '@reduxjs/toolkit/query'
import { api, errorText, type PlanAsk } from '../data/api.ts'
import { watchJob, type JobEvent } from '../data/watchJob.ts'

type PlanEvent = JobEvent<{ best: number | null; bound: number | null }>

export interface PlanState {
  state: 'idle' | PlanEvent['state']
  /** What it is a plan of; an older one says nothing about what is worn now. */
  of: string
  job: string | null
  progress: PlanEvent['progress']
  problem: string | null
}

const IDLE: PlanState = { state: 'idle', of: '', job: null, progress: null, problem: null }

/**
 * Follow a job that `start` begins, anew whenever `of` changes; one that is overtaken is cancelled. With `of` null nothing
 * is started. `again` changes when the user asks once more.
 */
export function useJob(of: string | null, start: () => Promise<{ job: string }>, again = 0) {
  const [latest, setState] = useState<PlanState>(IDLE)
  const current = latest.of === of ? latest : IDLE
  const [cancelJob] = api.endpoints.cancelJob.useMutation()
  const [enoughOf] = api.endpoints.enoughOfJob.useMutation()
  useEffect(() => {
    if (of === null) return
    let leave: (() => void) | null = null
    let job: string | null = null
    let running = false
    let over = false
    const settle = (next: Partial<PlanState>) => {
      if (!over) setState((state) => ({ ...state, ...next }))
    }
    void start().then(
      (answer) => {
        job = answer.job
        if (over) return void cancelJob(job)
        setState({ ...IDLE, state: 'running', of, job })
        running = true
        leave = watchJob<NonNullable<PlanEvent['progress']>>(job, ({ state, progress, detail }) => {
          running = state === 'running'
          settle({ state, problem: detail ?? null, ...(progress ? { progress } : {}) })
        })
      },
      (error: unknown) => settle({ ...IDLE, state: 'failed', of, problem: errorText(error) }),
    )
    return () => {
      over = true
      leave?.()
      if (job && running) void cancelJob(job)
    }
    // What `start` does is told by `of`.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [of, again, cancelJob])
  return {
    ...current,
    cancel: () => current.job && void cancelJob(current.job),
    /** The best found so far will do. */
    enough: () => current.job && void enoughOf(current.job),
  }
}

/** The sourcing plan of what is asked, made anew whenever that or `version` changes; of nothing yet with null. */
export function usePlan(ask: PlanAsk | null, version: string, again = 0) {
  const [start] = api.endpoints.startPlan.useMutation()
  const plan = useJob(ask && `${JSON.stringify(ask)} ${version}`, () => start(ask!).unwrap(), again)
  const { data: report, error } = api.endpoints.report.useQuery(
    plan.state === 'done' && plan.job ? plan.job : skipToken,
  )
  return {
    ...plan,
    problem: plan.problem ?? (error ? errorText(error) : null),
    report: plan.state === 'done' ? report : undefined,
  }
}
