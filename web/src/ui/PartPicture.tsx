import { memo, useMemo } from 'react'
import { wornAlone } from '@outfit/core/anatomy'
import type { Catalogue, Part, Slot } from '@outfit/core/catalogue'
import { printRecipeOf, type View } from '@outfit/core/mannequin'
import { Figure } from './Figure.tsx'

interface PartPictureProps {
  part: Part
  /** A catalogue that knows the part, its mould and print, and those of its components. */
  catalogue: Catalogue
  label: string
  view?: View
  /** Show only the surroundings of the slot it is worn in. */
  cropped?: boolean
  window?: { x: number; y: number; width: number; height: number }
  className?: string
}

/** Where a part came from on the screen: a recipe, its photo, or words it was guessed from. */
export function sourceOfPicture(part: Part, catalogue: Catalogue): 'drawn' | 'photo' | 'guessed' {
  const print = part.print === null ? undefined : catalogue.prints.get(part.print)
  if (!print || !printRecipeOf(part, print, print.kind, []).guessed) return 'drawn'
  return part.photo ? 'photo' : 'guessed'
}

/** The slot an assembly is looked at by. */
const MAIN_SLOTS: readonly Slot[] = ['torso', 'hips']

/** A part by itself: on a faint bare doll, or as its photo where nobody wrote a recipe for its print. */
export const PartPicture = memo(function PartPicture({
  part,
  catalogue,
  label,
  view = 'front',
  cropped = true,
  window,
  className = '',
}: PartPictureProps) {
  const worn = useMemo(() => wornAlone(part, catalogue), [part, catalogue])
  if (part.photo && sourceOfPicture(part, catalogue) === 'photo')
    return <img src={`/api/photos/${part.photo}`} alt={label} className={`object-contain ${className}`} />
  const slot = MAIN_SLOTS.find((main) => worn.some((p) => p.slot === main)) ?? worn[0]?.slot
  return (
    <Figure
      placements={worn}
      from={catalogue}
      view={view}
      label={label}
      plinth={!cropped}
      ghost
      {...(cropped && slot ? { crop: slot } : {})}
      {...(window ? { window } : {})}
      className={className}
    />
  )
})
