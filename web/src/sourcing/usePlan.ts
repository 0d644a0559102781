import { useEffect, useState } from 'react'
import { skipToken } from '@reduxjs/toolkit/query'
import { api, errorText } from '../app/api.ts'

interface JobEvent {
  state: 'running' | 'done' | 'failed' | 'cancelled'
  progress: { best: number | null; bound: number | null } | null
  detail?: string
}

export interface PlanState {
  state: 'idle' | JobEvent['state']
  /** What it is a plan of; an older one says nothing about what is worn now. */
  of: string
  job: string | null
  progress: JobEvent['progress']
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
    let source: EventSource | null = null
    let job: string | null = null
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
          source = new EventSource(`/api/jobs/${job}/events`)
          source.onmessage = ({ data }: MessageEvent<string>) => {
            const { state, progress, detail } = JSON.parse(data) as JobEvent
            if (state !== 'running') source?.close()
            settle({ state, problem: detail ?? null, ...(progress ? { progress } : {}) })
          }
          source.onerror = () => {
            if (source?.readyState === EventSource.CLOSED)
              settle({ state: 'failed', problem: 'The server stopped answering.' })
          }
        },
        (error: unknown) => settle({ ...IDLE, state: 'failed', of, problem: errorText(error) }),
      )
    return () => {
      const wasOpen = source && source.readyState !== EventSource.CLOSED
      over = true
      source?.close()
      if (job && wasOpen) void cancelJob(job)
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
