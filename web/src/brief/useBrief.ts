import { useEffect, useState } from 'react'
import { toast } from 'sonner'
import type { Brief } from '@outfit/core/brief'
import type { OutfitDetail } from '@outfit/core/roster'
import { api } from '../data/api.ts'
import { findDraft, sameJson, Saver, type SaveState } from '../data/saver.ts'

const WAITS = { pause: 350, retry: 3000 }
const MOST_STEPS = 100
const keyOf = (outfit: string) => `outfit.brief.${outfit}`

/** The brief as it is being written: every change can be undone, is kept in the browser and saved a moment later. */
export function useBrief(outfit: OutfitDetail) {
  const { id } = outfit
  const [first] = useState(() => findDraft<Brief>(keyOf(id)))
  const [state, setState] = useState({
    present: first?.value ?? outfit.brief,
    past: [] as Brief[],
    future: [] as Brief[],
  })
  const [{ save, problem }, setSave] = useState<{ save: SaveState; problem: string }>({ save: 'saved', problem: '' })
  const [send] = api.endpoints.saveBrief.useMutation()
  const [reload] = api.endpoints.outfit.useLazyQuery()
  const [saver] = useState(
    () =>
      new Saver<Brief>(
        {
          key: keyOf(id),
          send: async (brief, version) => {
            const { data, error } = await send({ outfit: id, version, brief })
            if (data) return { version: data.briefVersion }
            const { status, data: told } = error as { status: number | string; data?: { detail?: string } }
            return { status, detail: told?.detail ?? '' }
          },
          load: async () => {
            const { data } = await reload(id)
            return data ? { version: data.briefVersion, value: data.brief } : null
          },
          isSame: sameJson,
        },
        outfit.briefVersion,
        outfit.brief,
        WAITS,
        (now, detail) => setSave({ save: now, problem: detail }),
      ),
  )
  const keep = (brief: Brief) => saver.keep(brief)

  useEffect(() => {
    if (first) saver.keep(first.value)
    // Leaving the view does not wait for the pause.
    return () => saver.leave()
  }, [first, saver])

  const { brief: theirs, briefVersion } = outfit
  useEffect(() => {
    // What is written here and not saved yet stays; saving it asks whose is to stay.
    if (!saver.follows(briefVersion, theirs)) return
    setState((now) =>
      sameJson(theirs, now.present)
        ? now
        : { present: theirs, past: [...now.past, now.present].slice(-MOST_STEPS), future: [] },
    )
  }, [saver, theirs, briefVersion])

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
    const brief = await saver.settle(mine)
    if (!brief) return void toast.error('The server does not answer. Is it still running?')
    if (!mine) setState((now) => ({ present: brief, past: [...now.past, now.present], future: [] }))
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
