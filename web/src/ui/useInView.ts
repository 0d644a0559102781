import { useEffect, useLayoutEffect, useState, type RefCallback } from 'react'

/** Pixels around the window within which an element counts as near. */
const MARGIN = 300

/** Whether an element has come near the window yet; what was seen once stays, so that nothing flickers. On paper all is near. */
export function useInView<E extends Element>(): [RefCallback<E>, boolean] {
  const [element, setElement] = useState<E | null>(null)
  const [seen, see] = useState(typeof IntersectionObserver === 'undefined')
  // What is near from the start is there in the first picture of the page; the observer tells only after it.
  useLayoutEffect(() => {
    const box = element?.getBoundingClientRect()
    if (box && box.height > 0 && box.bottom > -MARGIN && box.top < innerHeight + MARGIN) see(true)
  }, [element])
  useEffect(() => {
    if (seen || !element) return
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && see(true), {
      rootMargin: `${MARGIN}px`,
    })
    observer.observe(element)
    const onPaper = () => see(true)
    addEventListener('beforeprint', onPaper)
    return () => {
      observer.disconnect()
      removeEventListener('beforeprint', onPaper)
    }
  }, [seen, element])
  return [setElement, seen]
}
