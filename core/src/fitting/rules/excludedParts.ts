import { partLabel } from '../../catalogue/index.ts'
import { bestOf, colourGap, inPlace, ofMould } from '../instead.ts'
import { pinned, type Rule } from '../pin.ts'

/**
 * Parts of figures and releases that the house rules leave out, such as everything from an official version. What others
 * bring too, like a common mitt, does not give it away and is not meant.
 */
export const excludedParts: Rule = (placements, context) => {
  const { catalogue, excluded } = context
  if (!excluded?.size) return []
  const worn = placements.flatMap((placement) => {
    const part = excluded.has(placement.part) ? catalogue.parts.get(placement.part) : undefined
    return part ? [{ placement, part }] : []
  })
  const [first] = worn
  if (!first) return []
  return [
    pinned(
      {
        rule: 'excluded',
        severity: 'problem',
        slots: [...new Set(worn.map(({ placement }) => placement.slot))],
        title:
          worn.length === 1 ? 'Left out by the house rules' : `${worn.length} parts are left out by the house rules`,
        detail: `${partLabel(catalogue, first.part)} comes only from what they exclude`,
      },
      () =>
        worn
          .flatMap(({ placement, part }) =>
            bestOf(ofMould(part.mould, context), context, (one) =>
              one.components.length === 0 && one.code !== part.code ? colourGap(one, part, context) : null,
            )
              .slice(0, worn.length === 1 ? 2 : 1)
              .map((one) => inPlace(placements, placement, one, context)),
          )
          .slice(0, 2),
    ),
  ]
}
