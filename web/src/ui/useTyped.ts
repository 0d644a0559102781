import { useEffect, useState } from 'react'

const keyOf = (name: string) => `outfit.typed.${name}`

function keptAs<T>(name: string, fits: (values: T) => boolean): T | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null') as T | null
    return kept !== null && fits(kept) ? kept : null
  } catch {
    // Written by an older version, or by somebody else: nothing to go on with.
    return null
  }
}

interface Typed<T> {
  values: T
  set: (change: (values: T) => T) => void
  /** Whether it goes on with what was typed before. */
  isBack: boolean
  /** Let go of what was typed, when it is saved or begun anew. */
  forget: () => void
  beginAnew: () => void
}

/**
 * What is typed into a form, there again after the form was left or the page was loaded anew, until it is saved or begun anew. Of two
 * windows the one that was typed in last counts. `fits` says whether something kept is of this form still.
 */
export function useTyped<T extends object>(name: string, begin: () => T, fits: (values: T) => boolean): Typed<T> {
  const [{ values, isBack, isTyped }, setState] = useState(() => {
    const kept = keptAs(name, fits)
    return { values: kept ?? begin(), isBack: kept !== null, isTyped: false }
  })
  const forget = () => localStorage.removeItem(keyOf(name))
  useEffect(() => {
    if (!isTyped) return
    try {
      localStorage.setItem(keyOf(name), JSON.stringify(values))
    } catch {
      // The browser has no room left: it is still in the form.
    }
  }, [name, values, isTyped])
  return {
    values,
    isBack,
    set: (change) => setState((before) => ({ ...before, values: change(before.values), isTyped: true })),
    forget,
    beginAnew: () => {
      forget()
      setState({ values: begin(), isBack: false, isTyped: false })
    },
  }
}
