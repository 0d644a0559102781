import { useEffect, useState } from 'react'
import type { FieldValues, UseFormReturn } from 'react-hook-form'

const keyOf = (name: string) => `outfit.entry.${name}`

/** What was typed into a form and not saved yet, kept in the browser; null for nothing. */
export function readDraft<V>(name: string): V | null {
  try {
    return JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null') as V | null
  } catch {
    return null
  }
}

export const forgetDraft = (name: string) => localStorage.removeItem(keyOf(name))

/** Keep what is typed under a name until it is saved or forgotten; tells whether there is any. */
export function useDraft<V extends FieldValues>(name: string, form: UseFormReturn<V>): boolean {
  const [kept, setKept] = useState(() => readDraft(name) !== null)
  useEffect(() => {
    const { unsubscribe } = form.watch((values, { type, name: field }) => {
      // Filling in what the server knows is nobody's typing.
      if (type === undefined && field === undefined) return
      localStorage.setItem(keyOf(name), JSON.stringify(values))
      setKept(true)
    })
    return unsubscribe
  }, [name, form])
  return kept
}
