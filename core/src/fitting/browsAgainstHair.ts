import { overHairOf } from '../anatomy/index.ts'
import { mouldOf } from '../catalogue/index.ts'
import { colourDifference } from '../colour/index.ts'
import { browsDiffer } from './agree.ts'
import { wornIn, type Rule } from './pin.ts'

/** Brows that are plainly another colour than the hair above them; hats hide the question. Some leave it on purpose. */
export const browsAgainstHair: Rule = (placements, context) => {
  const [head] = wornIn(placements, 'head', context)
  const [headgear, over] = wornIn(placements, 'headgear', context)
  if (over && overHairOf(mouldOf(context.catalogue, over.part)) === 'hides') return []
  const mould = headgear && context.catalogue.moulds.get(headgear.part.mould)
  const brows = context.catalogue.colours.get(head?.print?.traits['brows'] ?? '')
  const hair = headgear?.colour
  if (!brows || !hair || mould?.traits['hair'] !== 'yes' || mould.traits['hat'] === 'yes') return []
  if (!browsDiffer(brows, hair)) return []
  return [
    {
      rule: 'brows-against-hair',
      severity: 'notice',
      slots: ['head'],
      title: 'Brows against hair',
      detail: `${brows.name} on ${hair.name}, ΔE ${Math.round(colourDifference(brows.hex, hair.hex))}`,
      remedies: [],
    },
  ]
}
