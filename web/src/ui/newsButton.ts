import type { ReactNode } from 'react'

export interface NewsProps {
  /** What the button says. */
  label: string
  title: string
  items: readonly { id: string; to: string; name: string; about: ReactNode }[]
  /** It was looked at. */
  onSeen: () => void
}

/** How the button looks, closed and open. */
export const NEWS_BUTTON =
  'shrink-0 rounded-full border border-good bg-card px-3 py-1 font-semibold whitespace-nowrap text-good'
