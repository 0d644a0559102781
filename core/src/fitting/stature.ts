import { memoizedFor } from '../base/index.ts'
import type { Stature } from '../brief/index.ts'
import { mouldOf, partWorn, type Catalogue, type Placement, type Slot } from '../catalogue/index.ts'
import { MEASURES, mmPerUnit } from '../mannequin/index.ts'
import { bestOf, colourGap, inItsColour, ofKind, wearing } from './instead.ts'
import type { FittingContext, Remedy } from './pin.ts'

type Length = Exclude<Stature, 'raised'>

/** How tall a figure stands by what is below its hips. */
export interface StatureWorn {
  stature: Stature
  length: Length
  /** Where it shows. */
  slot: Slot
  /** From the ground to the hips, plates included, in millimetres. */
  millimetres: number
}

/** How tall some placements stand; null without legs or skirt. */
export const statureWorn = memoizedFor((placements: readonly Placement[], catalogue: Catalogue): StatureWorn | null => {
  const below = placements.find(({ slot }) => slot === 'legRight' || slot === 'legLeft' || slot === 'lower')
  const part = below && partWorn(below, catalogue)
  if (!part) return null
  const length = (mouldOf(catalogue, part).traits['length'] ?? 'full') as Length
  const feet = placements.find(({ slot }) => slot === 'feet')
  const plate = feet && partWorn(feet, catalogue)
  const rise = plate ? mouldOf(catalogue, plate).height : 0
  return {
    stature: rise > 0 && length === 'full' ? 'raised' : length,
    length,
    slot: below.slot,
    millimetres: MEASURES.leg[length] * mmPerUnit() + rise,
  }
})

/** Remedies that put on legs of a length: with the same print first, then the nearest in colour. */
export function legsOfLength(placements: readonly Placement[], length: Length, context: FittingContext): Remedy[] {
  const { catalogue } = context
  const below = placements.find(({ slot }) => slot === 'legRight' || slot === 'lower')
  const worn = below && catalogue.parts.get(below.part)
  if (!worn) return []
  return bestOf(ofKind('leg-pair', context), context, (pair) => {
    const piece = catalogue.parts.get(pair.components.find(({ slot }) => slot === 'legRight')?.part ?? '')
    if (!piece || mouldOf(catalogue, piece).traits['length'] !== length) return null
    const gap = colourGap(worn, piece, context)
    return gap <= 25 ? gap + (piece.print === worn.print ? 0 : 5) : null
  })
    .slice(0, 2)
    .map((pair) =>
      wearing(placements, 'hips', pair, context, { words: `Use ${length} legs: ${inItsColour(pair, context)}` }),
    )
}
