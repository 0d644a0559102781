import { useEffect, useState } from 'react'
import type { FieldValues, UseFormReturn } from 'react-hook-form'

const keyOf = (name: string) => `outfit.entry.${name}`

/** What was typed into a form and not saved yet, with the entry as it was read then. */
export interface Draft<V> {
  values: V
  was: object | undefined
}

/** Drafts of one entry by the window they are typed in, since two windows may change the same. */
type Kept<V> = Record<string, Draft<V> & { at: number }>

/** This window, across its reloads. */
function windowName(): string {
  const name = sessionStorage.getItem('outfit.window') ?? crypto.randomUUID()
  sessionStorage.setItem('outfit.window', name)
  return name
}

/** Windows whose drafts this one went on with, as after the browser was closed, by the name of the draft. */
const adopted = new Map<string, string>()

function keptUnder<V>(name: string): Kept<V> {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(name)) ?? '{}') as Kept<V>
    return Object.fromEntries(Object.entries(kept).filter(([, draft]) => typeof draft?.at === 'number'))
  } catch {
    return {}
  }
}

/** The draft kept under a name: of this window, or else the newest of another; null for none. */
export function readDraft<V>(name: string): Draft<V> | null {
  const kept = keptUnder<V>(name)
  const own = kept[windowName()]
  if (own) return own
  const [newest] = Object.entries(kept).sort(([, a], [, b]) => b.at - a.at)
  if (!newest) return null
  adopted.set(name, newest[0])
  return newest[1]
}

/** Let go of what was typed here; what another window types stays. */
export function forgetDraft(name: string): void {
  const kept = keptUnder(name)
  delete kept[windowName()]
  delete kept[adopted.get(name) ?? '']
  adopted.delete(name)
  if (Object.keys(kept).length > 0) localStorage.setItem(keyOf(name), JSON.stringify(kept))
  else localStorage.removeItem(keyOf(name))
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
      localStorage.setItem(keyOf(name), JSON.stringify({ ...keptUnder(name), [windowName()]: draft }))
      setKept(true)
    })
    return unsubscribe
  }, [name, form, was])
  return kept
}
