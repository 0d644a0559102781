import { useCallback, useEffect, useRef, useState } from 'react'
import type { Brief } from '@outfit/core/brief'
import type { OutfitDetail } from '@outfit/core/roster'
import { api } from '../data/api.ts'

export type BriefSave = 'saved' | 'saving' | 'offline' | 'refused' | 'conflict'

interface Draft {
  version: number
  brief: Brief
}

const PAUSE = 350
const RETRY = 3000
const MOST_STEPS = 100
const keyOf = (outfit: string) => `outfit.brief.${outfit}`

function findDraft(outfit: string): Draft | null {
  try {
    return JSON.parse(localStorage.getItem(keyOf(outfit)) ?? 'null') as Draft | null
  } catch {
    return null
  }
}

/** The brief as it is being written: every change can be undone, is kept in the browser and saved a moment later. */
export function useBrief(outfit: OutfitDetail) {
  const { id } = outfit
  const [first] = useState(() => findDraft(id))
  const [state, setState] = useState({
    present: first?.brief ?? outfit.brief,
    past: [] as Brief[],
    future: [] as Brief[],
  })
  const [save, setSave] = useState<BriefSave>(first ? 'saving' : 'saved')
  const [problem, setProblem] = useState('')
  const version = useRef(first?.version ?? outfit.briefVersion)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const latest = useRef(state.present)
  const [send] = api.endpoints.saveBrief.useMutation()
  const [reload] = api.endpoints.outfit.useLazyQuery()

  const write = useCallback(async () => {
    clearTimeout(timer.current)
    timer.current = undefined
    const brief = latest.current
    const answer = await send({ outfit: id, version: version.current, brief })
    if (answer.data) {
      version.current = answer.data.briefVersion
      if (latest.current !== brief) return void write()
      localStorage.removeItem(keyOf(id))
      return setSave('saved')
    }
    const { status, data } = answer.error as { status: number | string; data?: { detail?: string } }
    if (status === 409) return setSave('conflict')
    if (typeof status === 'number' && status < 500 && status !== 429) {
      setProblem(data?.detail ?? '')
      return setSave('refused')
    }
    setSave('offline')
    timer.current = setTimeout(() => void write(), RETRY)
  }, [id, send])

  const keep = useCallback(
    (brief: Brief) => {
      latest.current = brief
      localStorage.setItem(keyOf(id), JSON.stringify({ version: version.current, brief }))
      setSave((now) => (now === 'conflict' ? now : 'saving'))
      clearTimeout(timer.current)
      timer.current = setTimeout(() => void write(), PAUSE)
    },
    [id, write],
  )

  useEffect(() => {
    if (first) void write()
    // Leaving the view does not wait for the pause.
    return () => {
      if (timer.current !== undefined) void write()
    }
    // Once when the view opens and once when it closes.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [])

  const change = (brief: Brief) => {
    setState(({ present, past }) => ({ present: brief, past: [...past, present].slice(-MOST_STEPS), future: [] }))
    keep(brief)
  }
  const undo = () => {
    const before = state.past.at(-1)
    if (!before) return
    setState({ present: before, past: state.past.slice(0, -1), future: [...state.future, state.present] })
    keep(before)
  }
  const redo = () => {
    const after = state.future.at(-1)
    if (!after) return
    setState({ present: after, past: [...state.past, state.present], future: state.future.slice(0, -1) })
    keep(after)
  }
  /** After a conflict: go on from what the server has, with its brief or with ours. */
  const settle = async (mine: boolean) => {
    const fresh = await reload(id).unwrap()
    version.current = fresh.briefVersion
    setSave('saving')
    if (mine) return write()
    localStorage.removeItem(keyOf(id))
    latest.current = fresh.brief
    setState((now) => ({ present: fresh.brief, past: [...now.past, now.present], future: [] }))
    setSave('saved')
  }
  return {
    brief: state.present,
    change,
    undo,
    redo,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    save,
    problem,
    settle,
  }
}
