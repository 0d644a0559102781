import type { Part, Placement, Slot } from '../../catalogue/index.ts'
import { COLOUR_LIMITS, colourDifference } from '../../colour/index.ts'
import { nearlyOneColour } from '../../brief/index.ts'
import { bestOf, colourGap, inItsColour, inPlace, ofKind, ofMould, wearing } from '../instead.ts'
import {
  pinned,
  placeKey,
  wornIn,
  type FittingContext,
  type Pin,
  type Remedy,
  type Rule,
  type WornPart,
} from '../pin.ts'

/** What is seen beside the torso. */
const BESIDE: readonly Slot[] = ['legRight', 'lower', 'neck']

/**
 * Parts of one colour family agree: a torso and what is worn beside it that are nearly, but not quite, in one colour look
 * like a failed match. The remedy is the other piece in the torso's very colour; each piece has a pin of its own, since each
 * is changed by itself. Likeness takes points off for the same.
 */
export const colourFamilies: Rule = (placements, context) => {
  const [torso] = wornIn(placements, 'torso', context)
  if (!torso?.colour) return []
  const { colour } = torso
  return BESIDE.flatMap((slot) => wornIn(placements, slot, context)).flatMap((worn): Pin[] => {
    if (!worn.colour || !nearlyOneColour(colour, worn.colour)) return []
    return [
      pinned(
        {
          rule: `colour-families-${placeKey(worn.placement)}`,
          severity: 'hint',
          slots: [worn.placement.slot],
          title: 'Nearly one colour',
          detail: `${inItsColour(worn.part, context)} beside ${colour.name}, ΔE ${Math.round(colourDifference(worn.colour.hex, colour.hex))}`,
        },
        () => inColourOf(torso, worn, placements, context),
      ),
    ]
  })
}

/** Put what is worn beside the torso on in the colour of the torso: legs as a pair of their length, others in their mould. */
function inColourOf(
  torso: WornPart,
  worn: WornPart,
  placements: readonly Placement[],
  context: FittingContext,
): Remedy[] {
  const { moulds, parts } = context.catalogue
  const agreeing = (part: Part) => {
    const gap = colourGap(part, torso.part, context)
    return gap <= COLOUR_LIMITS.same ? gap : null
  }
  if (worn.placement.slot !== 'legRight')
    return bestOf(ofMould(worn.part.mould, context), context, agreeing)
      .slice(0, 1)
      .map((part) => inPlace(placements, worn.placement, part, context))
  const lengthOf = (mould: string) => moulds.get(mould)?.traits['length'] ?? 'full'
  return bestOf(ofKind('leg-pair', context), context, (pair) => {
    const leg = parts.get(pair.components.find((piece) => piece.slot === 'legRight')?.part ?? '')
    if (!leg || lengthOf(leg.mould) !== lengthOf(worn.part.mould)) return null
    return agreeing(leg)
  })
    .slice(0, 1)
    .map((pair) => wearing(placements, 'hips', pair, context))
}
