import { mmPerUnit } from '@outfit/core/mannequin'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { Figure } from '../ui/Figure.tsx'
import { topMm } from './ShelfRule.tsx'

const windowOf = (units: number) => ({ x: -72, y: -units, width: 144, height: units })

/** An outfit as it stands on a shelf, at true relative height. */
export function StandingFigure({ outfit, height }: { outfit: ShelfOutfit; height: number }) {
  return (
    <span className="relative block" style={{ height }}>
      <Figure
        placements={outfit.placements}
        label={outfit.name}
        window={windowOf(topMm() / mmPerUnit())}
        plinth={false}
        stature={outfit.stature}
        className="absolute bottom-0 left-0 h-full w-full overflow-visible transition-transform group-hover:-translate-y-1 motion-reduce:transition-none"
      />
    </span>
  )
}
