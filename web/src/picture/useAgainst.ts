import { useEffect, useMemo, useState } from 'react'
import type { Catalogue, Placement } from '@outfit/core/catalogue'
import { drawFigure } from '@outfit/core/mannequin'
import { againstPicture, type PictureLikeness, type PictureReading } from '@outfit/core/picture'
import type { Reference } from '@outfit/core/roster'
import { askPicture } from './askPicture.ts'
import { usePixels, useReading } from './usePixels.ts'

/** The picture outfits are held against: the first that says where in it the character is. */
const picturedIn = (references: readonly Reference[]) => references.find(({ outline }) => outline !== null)

/** What the picture of an outfit shows, zone by zone; null where none says where in it the character is. */
export function usePictureZones(references: readonly Reference[]): PictureReading['zones'] | null {
  const picture = picturedIn(references)
  const { pixels } = usePixels(picture?.photo ?? null)
  return useReading(pixels, picture?.outline ?? null)?.zones ?? null
}

/** How like the picture what is worn is; null until it is known, or where there is no such picture. */
export function useAgainst(
  picture: PictureReading['zones'] | null,
  placements: readonly Placement[],
  catalogue: Catalogue,
): PictureLikeness | null {
  const [seen, setSeen] = useState<PictureReading['zones'] | null>(null)
  // The bare doll is like nobody.
  const isAsked = picture !== null && placements.length > 0
  useEffect(() => {
    if (!isAsked) return
    let left = false
    const { shapes, levels, height } = drawFigure(placements, catalogue, { plinth: false, flat: true })
    askPicture('zones', { shapes, levels, height }).then(
      (zones) => left || setSeen(zones),
      () => left || setSeen(null),
    )
    return () => {
      left = true
    }
  }, [isAsked, placements, catalogue])
  // What was seen of the one before stands until the next is there.
  return useMemo(() => (picture && isAsked && seen ? againstPicture(picture, seen) : null), [picture, isAsked, seen])
}
