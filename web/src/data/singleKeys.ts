import { useSyncExternalStore } from 'react'

const KEY = 'outfit.single-keys'
const listeners = new Set<() => void>()
const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Whether single-letter keys are on; remembered in the browser (WCAG 2.1.4 asks for the switch). */
export function useSingleKeys(): [boolean, (on: boolean) => void] {
  const on = useSyncExternalStore(subscribe, () => localStorage.getItem(KEY) !== 'off')
  return [
    on,
    (next) => {
      localStorage.setItem(KEY, next ? 'on' : 'off')
      listeners.forEach((listener) => listener())
    },
  ]
}
