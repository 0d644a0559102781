import { atFullSize, formatLength } from '../../base/index.ts'
import { mouldOf } from '../../catalogue/index.ts'
import { takeOff } from '../../anatomy/index.ts'
import { FITTING_LIMITS } from '../limits.ts'
import { wornIn, type Rule } from '../pin.ts'

/** Everything round the neck lifts the head; above the room there is, headgear no longer sits down on it. */
export const neckStack: Rule = (placements, context) => {
  const pieces = wornIn(placements, 'neck', context)
  if (pieces.length < 2) return []
  const thickness = pieces.reduce((sum, { part }) => sum + mouldOf(context.catalogue, part).neckThickness, 0)
  const room = atFullSize(FITTING_LIMITS.neckStack)
  if (thickness <= room) return []
  const outer = pieces[pieces.length - 1]!
  return [
    {
      rule: 'neck-stack',
      severity: 'problem',
      slots: ['neck'],
      title: 'Too much round the neck',
      detail: `${pieces.length} pieces lift the head ${formatLength(thickness, 1)}; ${formatLength(room, Number.isInteger(room) ? 0 : 1)} fit`,
      remedies: [
        {
          label: `Take off ${outer.part.name.toLowerCase()}`,
          placements: takeOff(placements, 'neck', outer.placement.order),
        },
      ],
    },
  ]
}
