import { useEffect, useState } from 'react'
import { skipToken } from '@reduxjs/toolkit/query'
import { api, errorText } from '../app/api.ts'
import { watchJob, type JobEvent } from '../app/watchJob.ts'

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
 * The sourcing plan of a take, made anew whenever `key` changes; a plan that is overtaken is cancelled. With
 * `ready` false nothing is started yet (what is on the bench is not saved). `again` changes when the user asks once more.
 */
export function usePlan(
  outfit: string | undefined,
  take: string | null | undefined,
  key: string,
  ready: boolean,
  again = 0,
) {
  const [latest, setPlan] = useState<PlanState>(IDLE)
  const of = `${take} ${key}`
  const plan = latest.of === of ? latest : IDLE
  const [start] = api.endpoints.startPlan.useMutation()
  const [cancelJob] = api.endpoints.cancelJob.useMutation()
  useEffect(() => {
    if (!outfit || !take || !ready) return
    let leave: (() => void) | null = null
    let job: string | null = null
    let running = false
    let over = false
    const settle = (next: Partial<PlanState>) => {
      if (!over) setPlan((plan) => ({ ...plan, ...next }))
    }
    void start({ outfit, take })
      .unwrap()
      .then(
        (answer) => {
          job = answer.job
          if (over) return void cancelJob(job)
          setPlan({ ...IDLE, state: 'running', of, job })
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
  }, [outfit, take, of, ready, again, start, cancelJob])
  const { data: report, error } = api.endpoints.report.useQuery(
    plan.state === 'done' && plan.job ? plan.job : skipToken,
  )
  return {
    ...plan,
    problem: plan.problem ?? (error ? errorText(error) : null),
    report: plan.state === 'done' ? report : undefined,
    cancel: () => plan.job && void cancelJob(plan.job),
  }
}
