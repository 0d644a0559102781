import { useCallback, useEffect, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { errorText } from '../data/api.ts'

/** Changes within this time are one step back, so that a typed sentence is not taken back letter by letter. */
const ONE_STEP_MS = 800
const SAVE_AFTER_MS = 400

interface Steps<T> {
  past: T[]
  now: T
  future: T[]
}

/** What is chosen for a picture: shown at once, kept by itself a moment later, and taken back step by step. */
export interface Choices<T> {
  value: T
  change(next: Partial<T>): void
  undo: (() => void) | null
  redo: (() => void) | null
  /** Why it could not be kept; empty while all is well. */
  fault: string
  /** Try again to keep it. */
  retry(): void
  kept: boolean
}

/** `save` keeps choices and answers what went wrong, if anything. */
export function useChoices<T extends object>(initial: T, save: (value: T) => Promise<{ error?: unknown }>): Choices<T> {
  const [{ past, now, future }, step] = useState<Steps<T>>({ past: [], now: initial, future: [] })
  const [kept, keep] = useState(initial)
  const [fault, tell] = useState('')
  const [tries, again] = useState(0)
  const changedAt = useRef(0)
  const saving = useRef(save)
  useEffect(() => {
    saving.current = save
  })
  useEffect(() => {
    if (now === kept) return
    let old = false
    const write = async () => {
      const { error } = await saving.current(now)
      if (old) return
      if (error) return tell(errorText(error))
      tell('')
      keep(now)
    }
    const timer = setTimeout(() => void write(), SAVE_AFTER_MS)
    return () => {
      old = true
      clearTimeout(timer)
    }
  }, [now, kept, tries])
  // Leaving before it was kept keeps it all the same.
  const last = useRef({ now, kept })
  useEffect(() => {
    last.current = { now, kept }
  })
  useEffect(
    () => () => {
      if (last.current.now !== last.current.kept) void saving.current(last.current.now)
    },
    [],
  )
  const change = useCallback((next: Partial<T>) => {
    const at = Date.now()
    const joined = at - changedAt.current < ONE_STEP_MS
    changedAt.current = at
    step(({ past: before, now: old }) => ({
      past: joined && before.length > 0 ? before : [...before, old],
      now: { ...old, ...next },
      future: [],
    }))
  }, [])
  const undo = useCallback(() => {
    changedAt.current = 0
    step((steps) =>
      steps.past.length === 0
        ? steps
        : { past: steps.past.slice(0, -1), now: steps.past.at(-1)!, future: [steps.now, ...steps.future] },
    )
  }, [])
  const redo = useCallback(() => {
    changedAt.current = 0
    step((steps) =>
      steps.future.length === 0
        ? steps
        : { past: [...steps.past, steps.now], now: steps.future[0]!, future: steps.future.slice(1) },
    )
  }, [])
  useHotkeys('mod+z', undo, { preventDefault: true, enableOnFormTags: true })
  useHotkeys('mod+shift+z', redo, { preventDefault: true, enableOnFormTags: true })
  return {
    value: now,
    change,
    undo: past.length > 0 ? undo : null,
    redo: future.length > 0 ? redo : null,
    fault,
    retry: () => again((count) => count + 1),
    kept: now === kept,
  }
}
