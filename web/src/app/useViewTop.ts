import { useLayoutEffect, useRef, type RefObject } from 'react'
import { useLocation, useNavigationType } from 'react-router'

/**
 * Another view begins at its top, and who goes back finds it as far down as it was left. The browser keeps that for the
 * page alone, and what scrolls here is an element of it. Returns what to do whenever that was scrolled.
 */
export function useViewTop(main: RefObject<HTMLElement | null>): () => void {
  const { pathname, key } = useLocation()
  const how = useNavigationType()
  const left = useRef(new Map<string, number>())
  const shown = useRef(pathname)
  useLayoutEffect(() => {
    // The same view with other choices in its address stays where it is.
    if (shown.current === pathname) left.current.set(key, main.current?.scrollTop ?? 0)
    else main.current?.scrollTo(0, how === 'POP' ? (left.current.get(key) ?? 0) : 0)
    shown.current = pathname
  }, [pathname, key, how, main])
  return () => left.current.set(key, main.current?.scrollTop ?? 0)
}
