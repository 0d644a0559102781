import { useCallback, useEffect, useRef, useState } from 'react'
import { forms, type Forms } from '@outfit/core/base'
import { homeCurrency } from '@outfit/core/market'
import { errorText } from './api.ts'

/** A question as a worker gets it: with the home currency and how numbers are written, which is said once in every thread. */
export type Asked<Q> = Q & { home: string; forms: Forms }

/** What every worker tells besides its own answers; `running` goes on, anything else is the end. */
export type WorkerState<A> = A | { state: 'idle' } | { state: 'failed'; why: string }

/**
 * One question at a time to a worker, with its answers as they come; a new one, or leaving, ends the one before. `ask` shows
 * `first` while `gather` fetches what the question needs.
 */
export function useWorker<Q extends object, A extends { state: string }>(start: () => Worker) {
  const [state, setState] = useState<WorkerState<A>>({ state: 'idle' })
  const worker = useRef<Worker>(undefined)
  const asked = useRef(0)
  const stop = useCallback(() => {
    asked.current += 1
    worker.current?.terminate()
    worker.current = undefined
  }, [])
  useEffect(() => stop, [stop])
  const ask = async (first: A, gather: () => Promise<Q>) => {
    stop()
    const mine = asked.current
    setState(first)
    try {
      const question = await gather()
      if (asked.current !== mine) return
      const own = start()
      worker.current = own
      own.onmessage = ({ data }: MessageEvent<A>) => {
        setState(data)
        if (data.state !== 'running') own.terminate()
      }
      own.onerror = ({ message }) => setState({ state: 'failed', why: message })
      own.postMessage({ ...question, home: homeCurrency(), forms: forms() } satisfies Asked<Q>)
    } catch (error) {
      if (asked.current === mine) setState({ state: 'failed', why: errorText(error) })
    }
  }
  const cancel = () => {
    stop()
    setState({ state: 'idle' })
  }
  return { state, ask, cancel }
}
