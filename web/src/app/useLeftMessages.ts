import { useEffect, useRef } from 'react'
import { toast } from 'sonner'

/** Messages that only pass by; those with a way back stay until it is gone or they run out. */
const passing = () => toast.getToasts().filter((one) => !('action' in one && one.action))

/**
 * Messages of the view that is left go with it. What a press has just said and then led elsewhere is no such message: only those
 * that were there before the last press or key are.
 */
export function useLeftMessages(pathname: string): void {
  const before = useRef<(string | number)[]>([])
  useEffect(() => {
    const note = () => {
      before.current = passing().map(({ id }) => id)
    }
    for (const event of ['pointerdown', 'keydown']) window.addEventListener(event, note, true)
    return () => {
      for (const event of ['pointerdown', 'keydown']) window.removeEventListener(event, note, true)
    }
  }, [])
  useEffect(() => {
    for (const id of before.current) toast.dismiss(id)
    before.current = []
  }, [pathname])
}
