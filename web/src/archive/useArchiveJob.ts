import { useEffect, useRef, useState } from 'react'
import type { ArchiveProgress, ArchiveReport } from '@outfit/core/archive'
import { api, errorText } from '../data/api.ts'
import { archiveApi } from '../data/archiveApi.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { watchJob } from '../data/watchJob.ts'

/** What is done with archives: writing one, bringing one back. */
export type Act = 'write' | 'restore'

export type ArchiveJob =
  | { state: 'idle' }
  | { state: 'running'; act: Act; job: string | null; progress: ArchiveProgress | null }
  | { state: 'done'; act: Act; report: ArchiveReport }
  | { state: 'failed'; act: Act; problem: string }

/** What the server answered when it was asked to begin. */
export interface Started {
  data?: { job: string } | undefined
  error?: unknown
}

/** Runs one thing at a time with archives; it goes on when the view is left. */
export function useArchiveJob() {
  const [job, setJob] = useState<ArchiveJob>({ state: 'idle' })
  const dispatch = useAppDispatch()
  const [cancel] = api.endpoints.cancelJob.useMutation()
  const leave = useRef(() => {})
  useEffect(() => () => leave.current(), [])

  const run = async (act: Act, begin: () => PromiseLike<Started>) => {
    setJob({ state: 'running', act, job: null, progress: null })
    const { data, error } = await begin()
    if (!data) return setJob({ state: 'failed', act, problem: errorText(error) })
    setJob({ state: 'running', act, job: data.job, progress: null })
    leave.current = watchJob<ArchiveProgress>(data.job, ({ state, progress, detail }) => {
      if (state === 'running') return setJob({ state, act, job: data.job, progress })
      dispatch(archiveApi.util.invalidateTags(['Archives']))
      if (state === 'cancelled') return setJob({ state: 'idle' })
      if (state === 'failed') return setJob({ state, act, problem: detail ?? 'It failed.' })
      return void dispatch(archiveApi.endpoints.archiveReport.initiate(data.job, { subscribe: false })).then((told) =>
        setJob(
          told.data
            ? { state: 'done', act, report: told.data.result }
            : { state: 'failed', act, problem: errorText(told.error) },
        ),
      )
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
