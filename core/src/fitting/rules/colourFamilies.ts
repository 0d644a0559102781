import type { Slot } from '../../catalogue/index.ts'
import { COLOUR_LIMITS, colourDifference } from '../../colour/index.ts'
import { nearlyOneColour } from '../agree.ts'
import { bestOf, colourGap, inPlace, ofKind, ofMould, wearing } from '../instead.ts'
import { pinned, wornIn, type Rule } from '../pin.ts'

/** What is seen beside the torso. */
const BESIDE: readonly Slot[] = ['legRight', 'lower', 'neck']

/**
 * Parts of one colour family agree: a torso and what is worn beside it that are nearly, but not quite, in one colour look
 * like a failed match. The remedy is the other piece in the torso's very colour. Likeness takes points off for the same.
 */
export const colourFamilies: Rule = (placements, context) => {
  const { catalogue } = context
  const [torso] = wornIn(placements, 'torso', context)
  if (!torso?.colour) return []
  const { colour } = torso
  const wrong = BESIDE.flatMap((slot) => wornIn(placements, slot, context)).find(
    (worn) => worn.colour && nearlyOneColour(colour, worn.colour),
  )
  if (!wrong?.colour) return []
  const { slot } = wrong.placement
  return [
    pinned(
      {
        rule: 'colour-families',
        severity: 'hint',
        slots: [slot],
        title: 'Nearly one colour',
        detail: `${wrong.colour.name} beside ${colour.name}, ΔE ${Math.round(colourDifference(wrong.colour.hex, colour.hex))}`,
      },
      () => {
        const agrees = (gap: number) => (gap <= COLOUR_LIMITS.same ? gap : null)
        if (slot !== 'legRight')
          return bestOf(ofMould(wrong.part.mould, context), context, (part) =>
            agrees(colourGap(part, torso.part, context)),
          )
            .slice(0, 1)
            .map((part) => inPlace(placements, wrong.placement, part, context))
        const lengthOf = (mould: string) => catalogue.moulds.get(mould)?.traits['length'] ?? 'full'
        return bestOf(ofKind('leg-pair', context), context, (pair) => {
          const leg = catalogue.parts.get(pair.components.find((piece) => piece.slot === 'legRight')?.part ?? '')
          if (!leg || lengthOf(leg.mould) !== lengthOf(wrong.part.mould)) return null
          return agrees(colourGap(leg, torso.part, context))
        })
          .slice(0, 1)
          .map((pair) => wearing(placements, 'hips', pair, context))
      },
    ),
  ]
}
