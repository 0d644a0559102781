import { partWorn, type Placement } from '../../catalogue/index.ts'
import { bestOf, inItsColour, inPlace, ofMould, sourceOf, withSource } from '../instead.ts'
import { alterationsOf, pinned, placeKey, type FittingContext, type Pin, type Rule } from '../pin.ts'

/** The maker's own parts that look as an altered one is to look. What is trimmed or cut has no such twin. */
export function officialVersionsOf(placement: Placement, context: FittingContext) {
  const altered = alterationsOf(placement)
  const wanted = partWorn(placement, context.catalogue)
  if (!wanted || altered.length === 0 || altered.some(({ kind }) => kind === 'trimmed' || kind === 'cut')) return []
  return bestOf(ofMould(wanted.mould, context), context, (part) =>
    part.components.length === 0 && part.print === wanted.print && part.colours.join() === wanted.colours.join()
      ? 0
      : null,
  ).filter((part) => sourceOf(part, context) !== '' || part.code !== placement.part)
}

/**
 * Altering a part is a pity where the maker has one that looks so already, or comes to have it: the official one keeps its
 * value and needs no knife and no solvent.
 */
export const officialVersion: Rule = (placements, context) =>
  placements.flatMap((placement): Pin[] => {
    const [official] = officialVersionsOf(placement, context)
    if (!official) return []
    const { slot } = placement
    return [
      pinned(
        {
          rule: `official-version-${placeKey(placement)}`,
          severity: 'hint',
          slots: [slot],
          title: 'There is an official one',
          detail: withSource(`${inItsColour(official, context)} looks just so`, official, context),
        },
        () => [inPlace(placements, placement, official, context, 'Wear the official one')],
      ),
    ]
  })
