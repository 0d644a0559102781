import { partLabel, type Placement } from '../../catalogue/index.ts'
import { COLOUR_LIMITS } from '../../colour/index.ts'
import { missingFrom } from '../../allotment/index.ts'
import { bestOf, colourGap, freeOf, inPlace, ofMould, sourceOf } from '../instead.ts'
import { pinned, rulesOf, type Pin, type Rule } from '../pin.ts'

/**
 * A part can be on one figure only. Pinned where the drawer has one and another outfit counts on it too; of a part there
 * are several of, the sums on the spine tell enough. It is a notice where nobody sells a second one. The remedy is an owned
 * part of the same mould whose colour is hardly told apart.
 */
export const onePartOneFigure: Rule = (placements, context) => {
  const { drawer, taken, catalogue } = context
  if (!drawer || !taken) return []
  const wanted = missingFrom(placements, drawer, rulesOf(context).takingApart).filter(
    ({ part }) => taken[part]?.length === 1,
  )
  if (wanted.length === 0) return []
  const parts = wanted.map((placement) => ({ placement, part: catalogue.parts.get(placement.part)! }))
  const unsold = parts.filter(({ part }) => sourceOf(part, context) === '')
  const { placement, part } = unsold[0] ?? parts[0]!
  const source = sourceOf(part, context)
  const pin: Omit<Pin, 'remedies'> = {
    rule: 'one-part-one-figure',
    severity: unsold.length > 0 ? 'notice' : 'hint',
    slots: [...new Set([placement, ...wanted].map(({ slot }) => slot))],
    title: wanted.length === 1 ? 'On another figure already' : `${wanted.length} parts are on other figures`,
    detail: `${partLabel(catalogue, part)} is on ${taken[part.code]![0]}; ${source ? `another ${source}` : 'nobody sells another'}`,
  }
  const near = ({ placement: worn, part: own }: { placement: Placement; part: typeof part }) =>
    bestOf(ofMould(own.mould, context), context, (one) => {
      if (one.code === own.code || one.print !== own.print || freeOf(one, context) === 0) return null
      const gap = colourGap(one, own, context)
      return gap <= COLOUR_LIMITS.different ? gap : null
    })
      .slice(0, 1)
      .map((one) => inPlace(placements, worn, one, context))
  return [pinned(pin, () => parts.flatMap(near).slice(0, 2))]
}
