import { useEffect, useRef } from 'react'

/**
 * Takes files that are pasted anywhere on the page: whoever pastes has seldom pressed anything there before. What is pasted into a field
 * stays there.
 */
export function usePastedFiles(take: (files: readonly File[]) => void): void {
  const taking = useRef(take)
  useEffect(() => void (taking.current = take))
  useEffect(() => {
    const onPaste = ({ clipboardData, target }: ClipboardEvent) => {
      const files = [...(clipboardData?.files ?? [])]
      const typing = target instanceof Element && target.closest('input, textarea')
      if (files.length > 0 && !typing) taking.current(files)
    }
    window.addEventListener('paste', onPaste)
    return () => window.removeEventListener('paste', onPaste)
  }, [])
}
