import { useMemo } from 'react'
import { wearMade, type Wearable } from '@outfit/core/anatomy'
import type { Catalogue, Placement } from '@outfit/core/catalogue'
import { Figure } from '../ui/Figure.tsx'
import { shownIn } from './words.ts'
import { windowAround } from './windowAround.ts'

interface MadePictureProps {
  item: Wearable
  catalogue: Catalogue
  label: string
  /** What is worn besides; a bare doll otherwise. */
  on?: readonly Placement[]
  className?: string
}

const BARE: readonly Placement[] = []

/** Something made of several parts, on a faint bare doll. */
export function MadePicture({ item, catalogue, label, on = BARE, className = '' }: MadePictureProps) {
  const worn = useMemo(() => wearMade(on, shownIn(item.as), item), [on, item])
  const window = useMemo(() => windowAround(worn, item.as, catalogue), [worn, item.as, catalogue])
  return (
    <Figure
      placements={worn}
      from={catalogue}
      window={window}
      plinth={false}
      ghost={on.length === 0}
      label={label}
      className={className}
    />
  )
}
