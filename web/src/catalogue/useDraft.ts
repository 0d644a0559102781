import { useEffect, useState } from 'react'
import type { FieldValues, UseFormReturn } from 'react-hook-form'

const keyOf = (name: string) => `outfit.entry.${name}`

/** What was typed into a form and not saved yet, with the entry as it was read then. */
export interface Draft<V> {
  values: V
  was: object | undefined
}

/** The draft kept in the browser under a name; null for none. */
export function readDraft<V>(name: string): Draft<V> | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null') as Partial<Draft<V>> | null
    return kept?.values ? { values: kept.values, was: kept.was } : null
  } catch {
    return null
  }
}

export const forgetDraft = (name: string) => localStorage.removeItem(keyOf(name))

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
      localStorage.setItem(keyOf(name), JSON.stringify({ values, was: was() }))
      setKept(true)
    })
    return unsubscribe
  }, [name, form, was])
  return kept
}
