import { useMemo } from 'react'
import { pageSvg, type Page } from '@outfit/core/show'

/** Faces as the interface has them loaded. */
export const SCREEN_FACES = { heading: 'Bricolage Grotesque Variable', text: 'Atkinson Hyperlegible Next Variable' }

/** A page as it will be printed, drawn here and now, lying on the table. */
export function PagePicture({ page, label, className = '' }: { page: Page; label: string; className?: string }) {
  const svg = useMemo(() => pageSvg(page, undefined, SCREEN_FACES), [page])
  return (
    <div
      role="img"
      aria-label={label}
      className={`[&>svg]:mx-auto [&>svg]:h-auto [&>svg]:max-h-full [&>svg]:w-full [&>svg]:shadow ${className}`}
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  )
}
