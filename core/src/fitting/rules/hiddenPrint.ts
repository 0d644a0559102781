import { mouldOf, type Part } from '../../catalogue/index.ts'
import { homeMoney } from '../../market/index.ts'
import { FITTING_LIMITS } from '../limits.ts'
import { bestOf, ofMould, wearing } from '../instead.ts'
import { pinned, wornIn, type Rule } from '../pin.ts'

/**
 * A print that has to be paid for, though what is worn over it covers it from the front and from behind; a plain torso of
 * the same colour would do, or any whose print is cheaper, since nobody sees that either. Pinned only where the drawer does
 * not give the print.
 */
export const hiddenPrint: Rule = (placements, context) => {
  const { catalogue, free, lowest = {} } = context
  const [torso] = wornIn(placements, 'torso', context)
  if (!torso?.print || (free[torso.part.code] ?? 0) > 0) return []
  const over = wornIn(placements, 'neck', context).find(({ part }) => {
    const { covers } = mouldOf(catalogue, part)
    return covers.includes('chest') && covers.includes('back')
  })
  const price = lowest[torso.part.code]
  if (!over || !price) return []
  const costs = (part: Part) => ((free[part.code] ?? 0) > 0 ? 0 : lowest[part.code])
  const [other] = bestOf(ofMould(torso.part.mould, context), context, (part) => {
    const cost = costs(part)
    return part.colours[0] === torso.part.colours[0] &&
      cost !== null &&
      cost !== undefined &&
      price - cost >= FITTING_LIMITS.worthSaving
      ? cost
      : null
  })
  if (!other) return []
  const saved = homeMoney(price - costs(other)!)
  return [
    pinned(
      {
        rule: 'hidden-print',
        severity: 'hint',
        slots: ['torso'],
        title: 'Nobody sees this print',
        detail: `${over.part.name} covers it; ${other.print === null ? 'a plain one' : other.name.toLowerCase()} saves ${saved}`,
      },
      () => [
        wearing(placements, 'torso', other, context, {
          words: other.print === null ? 'Wear a plain one' : `Wear ${other.name.toLowerCase()} under it`,
        }),
      ],
    ),
  ]
}
