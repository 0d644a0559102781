import { colourDifference } from '../../colour/index.ts'
import type { Colour, Part, Slot } from '../../catalogue/index.ts'
import { skinDiffers } from '../../brief/index.ts'
import { skinOf, SKIN_SLOTS } from '../bareSkin.ts'
import { bestOf, ofMould, wearing } from '../instead.ts'
import { pinned, wornIn, type FittingContext, type Rule } from '../pin.ts'

/** What is said of each place, alone and on both sides. */
const WORDS: Readonly<Record<string, readonly [one: string, both: string]>> = {
  hand: ['One hand is not the skin', 'Hands are not the skin'],
  arm: ['One bare arm is not the skin', 'Bare arms are not the skin'],
  torso: ['The neck is not the skin', 'The neck is not the skin'],
  leg: ['One bare leg is not the skin', 'Bare legs are not the skin'],
}
const placeOf = (slot: Slot) => slot.replace(/Right|Left/, '')

/**
 * Hands, bare arms, legs and necks have the skin of the head, unless they are covered: a mitt whose colour is no skin tone
 * is a glove, and a sleeve shows skin only where its print leaves it bare. The remedy is the same piece in the head's
 * skin, which the drawer has before the market does. Colour difference beyond COLOUR_LIMITS.near.
 */
export const skinAgrees: Rule = (placements, context) => {
  const [head] = wornIn(placements, 'head', context)
  const skin = head?.colour
  if (!skin || skin.family !== 'skin') return []
  const wrong = SKIN_SLOTS.flatMap((slot) => {
    const [worn] = wornIn(placements, slot, context)
    const shown = worn && skinOf(worn.part, context.catalogue)
    return shown && skinDiffers(skin, shown) ? [{ slot, part: worn.part, shown }] : []
  })
  return [...new Set(wrong.map(({ slot }) => placeOf(slot)))].map((place) => {
    const own = wrong.filter(({ slot }) => placeOf(slot) === place)
    const { slot, part, shown } = own[0]!
    return pinned(
      {
        rule: place === 'hand' ? 'skin-agrees' : `skin-agrees-${place}`,
        severity: 'problem',
        slots: own.map((one) => one.slot),
        title: WORDS[place]![own.length > 1 ? 1 : 0],
        detail: `${shown.name} on ${skin.name}, ΔE ${Math.round(colourDifference(shown.hex, skin.hex))}`,
      },
      () =>
        bestOf(ofMould(part.mould, context), context, likeBut(part, skin, context))
          .slice(0, 2)
          .map((right) =>
            wearing(placements, slot, right, context, { words: `Wear ${skin.name}`, both: own.length > 1 }),
          ),
    )
  })
}

/** How far a part is from one worn, in other colours and print than the skin; null where its skin is not the wanted one. */
function likeBut(worn: Part, skin: Colour, { catalogue }: FittingContext) {
  const own = catalogue.colours.get(worn.colours[0] ?? '')
  return (part: Part): number | null => {
    if (skinOf(part, catalogue)?.code !== skin.code || part.components.length > 0) return null
    const cloth = catalogue.colours.get(part.colours[0] ?? '')
    if (own?.family === 'skin') return part.print === worn.print ? 0 : null
    if (!own || !cloth) return null
    const gap = colourDifference(own.hex, cloth.hex)
    return gap <= 12 ? gap : null
  }
}
