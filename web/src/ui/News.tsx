import { lazy, Suspense, useState } from 'react'
import { NEWS_BUTTON, type NewsProps } from './newsButton.ts'

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
