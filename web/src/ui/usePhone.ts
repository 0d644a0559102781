import { useSyncExternalStore } from 'react'

/** The width below which views are those of a phone; `phone:` in `styles.css` is the same. */
const QUERY = '(width < 760px)'

const follow = (told: () => void) => {
  const media = window.matchMedia(QUERY)
  media.addEventListener('change', told)
  return () => media.removeEventListener('change', told)
}

/** Whether there is room for a phone's views alone. */
export const usePhone = (): boolean => useSyncExternalStore(follow, () => window.matchMedia(QUERY).matches)
