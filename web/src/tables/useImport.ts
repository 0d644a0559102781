import { useEffect, useRef, useState } from 'react'
import type { ImportReport } from '@outfit/core/tables'
import { api, errorText, type ImportRequest } from '../data/api.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { watchJob } from '../data/watchJob.ts'

export interface Run {
  state: 'idle' | 'running' | 'done' | 'failed' | 'cancelled'
  rows: number
  report: ImportReport | null
  problem: string | null
}

const IDLE: Run = { state: 'idle', rows: 0, report: null, problem: null }

/** Runs one import or check at a time: `start` overtakes what runs, `cancel` stops it. */
export function useImport() {
  const [run, setRun] = useState<Run>(IDLE)
  const [startJob] = api.endpoints.startImport.useMutation()
  const [cancelJob] = api.endpoints.cancelJob.useMutation()
  const dispatch = useAppDispatch()
  const current = useRef<{ job: string | null; leave: () => void }>({ job: null, leave: () => {} })

  const stop = () => {
    current.current.leave()
    if (current.current.job) void cancelJob(current.current.job)
    current.current = { job: null, leave: () => {} }
  }
  useEffect(() => stop, []) // oxlint-disable-line react/exhaustive-deps -- once, on leaving the view

  const start = async (request: ImportRequest): Promise<ImportReport | null> => {
    stop()
    const mine = { job: null as string | null, leave: () => {} }
    current.current = mine
    setRun({ ...IDLE, state: 'running' })
    const answer = await startJob(request)
    if (current.current !== mine) {
      if (answer.data) void cancelJob(answer.data.job)
      return null
    }
    if (answer.error) {
      setRun({ ...IDLE, state: 'failed', problem: errorText(answer.error) })
      return null
    }
    const { job } = answer.data
    mine.job = job
    return new Promise((resolve) => {
      mine.leave = watchJob<{ rows: number }>(job, ({ state, progress, detail }) => {
        if (state === 'running') return setRun((before) => ({ ...before, rows: progress?.rows ?? before.rows }))
        mine.job = null
        if (state !== 'done') {
          setRun({ ...IDLE, state, problem: detail ?? null })
          return resolve(null)
        }
        void dispatch(api.endpoints.importReport.initiate(job, { subscribe: false, forceRefetch: true })).then(
          ({ data, error }) => {
            if (current.current !== mine) return resolve(null)
            setRun(
              data
                ? { state: 'done', rows: data.result.rows, report: data.result, problem: null }
                : { ...IDLE, state: 'failed', problem: errorText(error) },
            )
            if (data?.result.written) dispatch(api.util.invalidateTags(['Catalogue', 'Wishes', 'Shelves', 'Outfit']))
            resolve(data?.result ?? null)
          },
        )
      })
    })
  }
  return {
    run,
    start,
    cancel: () => {
      stop()
      setRun({ ...IDLE, state: 'cancelled' })
    },
    reset: () => {
      stop()
      setRun(IDLE)
    },
  }
}
