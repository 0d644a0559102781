import { MM_PER_UNIT } from '@outfit/core/mannequin'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { Figure } from '../ui/Figure.tsx'
import { TOP_MM } from './ShelfRule.tsx'

const WINDOW = { x: -72, y: -TOP_MM / MM_PER_UNIT, width: 144, height: TOP_MM / MM_PER_UNIT }

/** An outfit as it stands on a shelf, at true relative height. */
export function StandingFigure({ outfit, height }: { outfit: ShelfOutfit; height: number }) {
  return (
    <span className="relative block" style={{ height }}>
      <Figure
        placements={outfit.placements}
        label={outfit.name}
        window={WINDOW}
        plinth={false}
        stature={outfit.stature}
        className="absolute bottom-0 left-0 h-full w-full overflow-visible transition-transform group-hover:-translate-y-1 motion-reduce:transition-none"
      />
    </span>
  )
}
