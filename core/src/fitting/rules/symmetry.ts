import { SLOT_FACTS, wear } from '../../anatomy/index.ts'
import { mouldOf, type Slot } from '../../catalogue/index.ts'
import { skinOf } from '../bareSkin.ts'
import { twinOf, withSource } from '../instead.ts'
import { pinned, wornIn, type Pin, type Rule, type WornPart } from '../pin.ts'

/** Pairs that are commonly alike; sleeves have a rule of their own. */
const PAIRS: readonly (readonly [right: Slot, left: Slot, words: string])[] = [
  ['handRight', 'handLeft', 'hands'],
  ['legRight', 'legLeft', 'legs'],
  ['wristRight', 'wristLeft', 'wrists'],
]

/**
 * Left matches right unless it is meant: two hands or two legs of one shape in different colours or prints. A hook beside a
 * mitt is meant, and so is one empty wrist. Bare hands in two skins are left to the rule of the skin.
 */
export const symmetry: Rule = (placements, context) => {
  const { catalogue } = context
  const shapeOf = ({ part }: WornPart) => mouldOf(catalogue, part).silhouette
  return PAIRS.flatMap(([rightSlot, leftSlot, words]): Pin[] => {
    const [right] = wornIn(placements, rightSlot, context)
    const [left] = wornIn(placements, leftSlot, context)
    if (!right || !left || shapeOf(right) !== shapeOf(left)) return []
    if (right.part.colours[0] === left.part.colours[0] && right.part.print === left.part.print) return []
    if (words === 'hands' && skinOf(right.part, catalogue) && skinOf(left.part, catalogue)) return []
    const name = ({ part, colour }: WornPart) =>
      `${part.name.replace(/, (left|right) leg$/, '')} in ${colour?.name ?? 'no colour'}`
    return [
      pinned(
        {
          rule: `symmetry-${words}`,
          severity: 'hint',
          slots: [leftSlot, rightSlot],
          title: `The ${words} are not alike`,
          detail: `${name(right)} on the right, ${name(left).toLowerCase()} on the left`,
        },
        () =>
          (
            [
              [right, leftSlot],
              [left, rightSlot],
            ] as const
          ).flatMap(([model, slot]) => {
            const twin = twinOf(model, slot, context)
            return twin
              ? [
                  {
                    label: withSource(`${SLOT_FACTS[slot].label} like the other`, twin, context),
                    placements: wear(placements, slot, twin, catalogue),
                  },
                ]
              : []
          }),
      ),
    ]
  })
}
