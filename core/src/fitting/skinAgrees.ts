import { colourDifference } from '../colour/index.ts'
import { skinDiffers } from './agree.ts'
import { wornIn, type Rule } from './pin.ts'

/**
 * Hands have the skin of the head, unless they are gloved: a mitt whose colour is no skin tone is a glove. The remedy is
 * the same mitt in the head's colour, which the drawer has before the market does.
 */
export const skinAgrees: Rule = (placements, context) => {
  const [head] = wornIn(placements, 'head', context)
  const skin = head?.colour
  if (!skin) return []
  const wrong = (['handRight', 'handLeft'] as const).flatMap((slot) => {
    const [hand] = wornIn(placements, slot, context)
    if (!hand?.colour || !skinDiffers(skin, hand.colour)) return []
    return [{ slot, hand, colour: hand.colour, difference: colourDifference(hand.colour.hex, skin.hex) }]
  })
  const [first] = wrong
  if (!first) return []
  const right = [...context.catalogue.parts.values()].find(
    (part) => part.mould === first.hand.part.mould && part.colours[0] === skin.code && !part.print,
  )
  const slots = wrong.map(({ slot }) => slot)
  return [
    {
      rule: 'skin-agrees',
      severity: 'problem',
      slots,
      title: slots.length === 1 ? 'One hand is not the skin' : 'Hands are not the skin',
      detail: `${first.colour.name} on ${skin.name}, ΔE ${Math.round(first.difference)}`,
      remedies: right
        ? [
            {
              label: `Wear ${skin.name}${context.free[right.code] ? `: ${context.free[right.code]} owned` : ''}`,
              placements: placements.map((p) =>
                slots.includes(p.slot as 'handRight') ? { ...p, part: right.code } : p,
              ),
            },
          ]
        : [],
    },
  ]
}
