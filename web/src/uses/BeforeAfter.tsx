import type { Catalogue, Placement } from '@outfit/core/catalogue'
import { Figure } from '../ui/Figure.tsx'

/** Both figures stand in the same window, so that one sees what changes and nothing else. */
const WINDOW = { x: -94, y: -300, width: 188, height: 312 }
const SIZES = { whole: 'h-[160px] w-[96px]', small: 'h-[104px] w-[62px]' } as const

/** What somebody wears now, and then; the words stand beside it. */
export function BeforeAfter({
  worn,
  placements,
  catalogue,
  size = 'whole',
}: {
  worn: readonly Placement[]
  placements: readonly Placement[]
  catalogue: Catalogue
  size?: keyof typeof SIZES
}) {
  return (
    <span className="flex shrink-0 items-center" aria-hidden>
      <Figure placements={worn} label="" from={catalogue} window={WINDOW} className={SIZES[size]} />
      <span className="text-soft">→</span>
      <Figure placements={placements} label="" from={catalogue} window={WINDOW} className={SIZES[size]} />
    </span>
  )
}
