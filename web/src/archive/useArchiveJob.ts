import { useEffect, useRef, useState } from 'react'
import type { ArchiveProgress, ArchiveReport, RestoreReport } from '@outfit/core/archive'
import { api, errorText } from '../data/api.ts'
import { archiveApi } from '../data/archiveApi.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { watchJob } from '../data/watchJob.ts'

/** What is done with archives: writing one, bringing one back. */
type Act = 'write' | 'restore'

export type ArchiveJob =
  | { state: 'idle' }
  | { state: 'running'; job: string | null; progress: ArchiveProgress | null }
  | { state: 'written'; report: ArchiveReport }
  | { state: 'back'; report: RestoreReport }
  | { state: 'failed'; problem: string }

/** Where what was brought back is told to the page that is loaded after it. */
const TOLD = 'outfit.brought-back'

function toldBefore(): ArchiveJob {
  const report = sessionStorage.getItem(TOLD)
  sessionStorage.removeItem(TOLD)
  return report === null ? { state: 'idle' } : { state: 'back', report: JSON.parse(report) as RestoreReport }
}

/** What the server answered when it was asked to begin. */
export interface Started {
  data?: { job: string } | undefined
  error?: unknown
}

/** Runs one thing at a time with archives; it goes on when the view is left. */
export function useArchiveJob() {
  const [job, setJob] = useState<ArchiveJob>(toldBefore)
  const dispatch = useAppDispatch()
  const [cancel] = api.endpoints.cancelJob.useMutation()
  const leave = useRef(() => {})
  useEffect(() => () => leave.current(), [])

  const run = async (act: Act, begin: () => PromiseLike<Started>) => {
    setJob({ state: 'running', job: null, progress: null })
    const { data, error } = await begin()
    if (!data) return setJob({ state: 'failed', problem: errorText(error) })
    setJob({ state: 'running', job: data.job, progress: null })
    const ended = async () => {
      const asked = archiveApi.endpoints.archiveReport.initiate(data.job, { subscribe: false })
      const { data: told, error: fault } = await dispatch(asked)
      if (!told) return setJob({ state: 'failed', problem: errorText(fault) })
      if (act === 'write') return setJob({ state: 'written', report: told.result as ArchiveReport })
      // Nothing this page has read is true any more.
      sessionStorage.setItem(TOLD, JSON.stringify(told.result))
      return window.location.reload()
    }
    leave.current = watchJob<ArchiveProgress>(data.job, ({ state, progress, detail }) => {
      if (state === 'running') return setJob({ state, job: data.job, progress })
      dispatch(archiveApi.util.invalidateTags(['Archives']))
      if (state === 'cancelled') return setJob({ state: 'idle' })
      if (state === 'failed') return setJob({ state, problem: detail ?? 'It failed.' })
      return void ended()
    })
  }
  return {
    job,
    run,
    cancel: () => {
      if (job.state === 'running' && job.job) void cancel(job.job)
    },
  }
}
