import { useEffect, useRef } from 'react'

/** How long what was asked for may take to be there, in milliseconds. */
const PATIENCE = 4000

/**
 * Keys pressed after something was asked for and before it is there: they are its own, and no shortcuts of what is still
 * shown. `ask` begins to keep them, `typed` gives the letters and ends it.
 */
export function useEarlyKeys(): { ask: () => void; typed: () => string } {
  const early = useRef<string | null>(null)
  const patience = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => {
    const take = (event: KeyboardEvent) => {
      if (early.current === null) return
      event.preventDefault()
      event.stopPropagation()
      if (event.key === 'Backspace') early.current = early.current.slice(0, -1)
      else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) early.current += event.key
    }
    window.addEventListener('keydown', take, true)
    return () => window.removeEventListener('keydown', take, true)
  }, [])
  return {
    ask: () => {
      early.current = ''
      // What does not come leaves the keys to everybody again.
      clearTimeout(patience.current)
      patience.current = setTimeout(() => (early.current = null), PATIENCE)
    },
    typed: () => {
      const letters = early.current ?? ''
      early.current = null
      return letters
    },
  }
}
