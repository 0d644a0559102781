import { lazy, Suspense, useState, type ReactNode } from 'react'

export interface NewsProps {
  /** What the button says. */
  label: string
  title: string
  items: readonly { id: string; to: string; name: string; about: ReactNode }[]
  /** It was looked at. */
  onSeen: () => void
}

export const NEWS_BUTTON =
  'shrink-0 rounded-full border border-good bg-card px-3 py-1 font-semibold whitespace-nowrap text-good'

const NewsPanel = lazy(async () => ({ default: (await import('./NewsPanel.tsx')).NewsPanel }))

/**
 * News in the head of every room: a button that opens into what there is, each with the way to it. What opens is loaded
 * when somebody asks for it, since the head is part of the first screen.
 */
export function News(props: NewsProps) {
  const [asked, ask] = useState(false)
  const closed = (
    <button
      type="button"
      aria-haspopup="dialog"
      aria-expanded={false}
      className={NEWS_BUTTON}
      onClick={() => ask(true)}
    >
      ✶ {props.label}
    </button>
  )
  if (!asked) return closed
  return (
    <Suspense fallback={closed}>
      <NewsPanel {...props} />
    </Suspense>
  )
}
