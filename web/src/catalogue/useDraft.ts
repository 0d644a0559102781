import { useEffect, useState } from 'react'
import type { FieldValues, UseFormReturn } from 'react-hook-form'
import { windowName } from '../data/windowName.ts'

/** What was typed into a form and not saved yet, with the entry as it was read then. */
export interface Draft<V> {
  values: V
  was: object | undefined
}

/**
 * Every window has an entry of its own under each name: two may change the same, and what one has just written another may
 * not see yet, so a record written back by both would lose what one of them typed.
 */
const before = (name: string) => `outfit.entry.${name}@`
const keyOf = (name: string) => before(name) + windowName

/** Entries of windows whose drafts this one went on with, as after the browser was closed, by the name of the draft. */
const adopted = new Map<string, string>()

function readKept<V>(key: string): (Draft<V> & { at: number }) | null {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? 'null') as Draft<V> & { at: number }
    return typeof kept?.at === 'number' ? kept : null
  } catch {
    return null
  }
}

/** The draft kept under a name: of this window, or else the newest of another; null for none. */
export function readDraft<V>(name: string): Draft<V> | null {
  const own = readKept<V>(keyOf(name))
  if (own) return own
  let newest: (Draft<V> & { at: number }) | null = null
  for (const key of Object.keys(localStorage).filter((key) => key.startsWith(before(name)))) {
    const kept = readKept<V>(key)
    if (!kept || (newest && newest.at >= kept.at)) continue
    newest = kept
    adopted.set(name, key)
  }
  return newest
}

/** Let go of what was typed here; what another window types stays. */
export function forgetDraft(name: string): void {
  localStorage.removeItem(keyOf(name))
  localStorage.removeItem(adopted.get(name) ?? '')
  adopted.delete(name)
}

/**
 * Keep what is typed under a name until it is saved or forgotten; tells whether there is any. `was` is the entry as it was
 * read before it was changed: a draft of last week must not undo what another did since.
 */
export function useDraft<V extends FieldValues>(
  name: string,
  form: UseFormReturn<V>,
  was: () => object | undefined,
): boolean {
  const [kept, setKept] = useState(() => readDraft(name) !== null)
  useEffect(() => {
    const { unsubscribe } = form.watch((values, { type, name: field }) => {
      // Filling in what the server knows is nobody's typing.
      if (type === undefined && field === undefined) return
      const draft = { values, was: was(), at: Date.now() }
      localStorage.setItem(keyOf(name), JSON.stringify(draft))
      setKept(true)
    })
    return unsubscribe
  }, [name, form, was])
  return kept
}
