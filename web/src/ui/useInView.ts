import { useEffect, useRef, useState, type RefObject } from 'react'

/** Whether an element has come near the window yet; what was seen once stays, so that nothing flickers. */
export function useInView<E extends Element>(): [RefObject<E | null>, boolean] {
  const ref = useRef<E>(null)
  const [seen, see] = useState(false)
  useEffect(() => {
    if (seen || !ref.current) return
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && see(true), { rootMargin: '300px' })
    observer.observe(ref.current)
    return () => observer.disconnect()
  }, [seen])
  return [ref, seen]
}
