import { useEffect, useRef, useState } from 'react'
import type { ArchiveProgress, ArchiveReport, ClearReport, RestoreReport } from '@outfit/core/archive'
import { api, errorText } from '../data/api.ts'
import { archiveApi } from '../data/archiveApi.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { tellKept } from '../data/browserKept.ts'
import { watchJob } from '../data/watchJob.ts'

/** What is done with archives: writing one, bringing one back, clearing after one. */
type Act = 'write' | 'restore' | 'clear'

export type ArchiveJob =
  | { state: 'idle' }
  | { state: 'running'; job: string | null; progress: ArchiveProgress | null }
  | { state: 'written'; report: ArchiveReport }
  | { state: 'back'; report: RestoreReport }
  | { state: 'cleared'; report: ClearReport }
  | { state: 'failed'; problem: string }

/** Where what was brought back or cleared is told to the page that is loaded after it. */
const TOLD = 'outfit.brought-back'

function toldBefore(): ArchiveJob {
  const told = sessionStorage.getItem(TOLD)
  sessionStorage.removeItem(TOLD)
  return told === null ? { state: 'idle' } : (JSON.parse(told) as ArchiveJob)
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
    // What is being typed here goes along.
    await tellKept()
    const { data, error } = await begin()
    if (!data) return setJob({ state: 'failed', problem: errorText(error) })
    setJob({ state: 'running', job: data.job, progress: null })
    const ended = async () => {
      const asked = archiveApi.endpoints.archiveReport.initiate(data.job, { subscribe: false })
      const { data: told, error: fault } = await dispatch(asked)
      if (!told) return setJob({ state: 'failed', problem: errorText(fault) })
      if (act === 'write') return setJob({ state: 'written', report: told.result as ArchiveReport })
      // Nothing this page has read is true any more; other windows are told by the server.
      const state = act === 'restore' ? 'back' : 'cleared'
      sessionStorage.setItem(TOLD, JSON.stringify({ state, report: told.result }))
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
