import { wear } from '../../anatomy/index.ts'
import type { Placement, Slot } from '../../catalogue/index.ts'
import { takeFrom } from '../../allotment/index.ts'
import { homeMoney } from '../../market/index.ts'
import { assembliesWith } from '../assemblies.ts'
import { CAUTIONS } from '../cautions.ts'
import { FITTING_LIMITS } from '../limits.ts'
import { pinned, rulesOf, wornIn, type FittingContext, type Rule } from '../pin.ts'

const ARMS = ['armRight', 'armLeft'] as const satisfies Slot[]

/** The torsos whose arms have to be pulled for an outfit: the one it wears, or those of donors. */
function pulled(placements: readonly Placement[], context: FittingContext): { torso: string; slot: Slot }[] {
  const { catalogue, drawer } = context
  const found: { torso: string; slot: Slot }[] = []
  const sources = drawer ? takeFrom(drawer, placements, rulesOf(context).takingApart).sources : []
  const sourceAt = (slot: Slot) => sources[placements.findIndex((p) => p.slot === slot)]
  const [torso] = wornIn(placements, 'torso', context)
  // A torso that lies loose in the drawer has lost its arms already.
  if (torso && sourceAt('torso') === null) {
    const sold = assembliesWith(torso.part.code, 'torso', catalogue)
    const other = ARMS.find((slot) => {
      const [arm] = wornIn(placements, slot, context)
      return (
        arm &&
        sold.length > 0 &&
        !sold.some(({ components }) => components.some((c) => c.slot === slot && c.part === arm.part.code))
      )
    })
    if (other) found.push({ torso: torso.part.code, slot: other })
  }
  for (const { code, pieces } of drawer?.donors ?? []) {
    const joined = pieces.filter(({ slot }) => slot === 'torso' || slot === 'armRight' || slot === 'armLeft')
    const given = placements.filter(
      ({ slot }, i) => sources[i]?.donor === code && (slot === 'torso' || slot === 'armRight' || slot === 'armLeft'),
    )
    const own = joined.find(({ slot }) => slot === 'torso')
    if (own && given.length > 0 && given.length < joined.length) found.push({ torso: own.part, slot: given[0]!.slot })
  }
  return found
}

/**
 * Pulling an arm strains the torso, and some torsos are dear (from FITTING_LIMITS.dearTorso): what is at risk is what such
 * a torso costs today. The remedy is to leave the torso its own sleeves.
 */
export const valueAtRisk: Rule = (placements, context) => {
  const { catalogue, lowest = {} } = context
  const dear = pulled(placements, context)
    .map((one) => ({
      ...one,
      worth: Math.max(
        lowest[one.torso] ?? 0,
        ...assembliesWith(one.torso, 'torso', catalogue).map(({ code }) => lowest[code] ?? 0),
      ),
    }))
    .sort((a, b) => b.worth - a.worth)[0]
  if (!dear || dear.worth < FITTING_LIMITS.dearTorso) return []
  return [
    pinned(
      {
        rule: 'value-at-risk',
        severity: 'notice',
        slots: [dear.slot],
        title: 'An arm is pulled from a dear torso',
        detail: `${catalogue.parts.get(dear.torso)?.name ?? dear.torso}: ${homeMoney(dear.worth)} at risk`,
        caution: CAUTIONS.arms,
      },
      () => {
        const own = assembliesWith(dear.torso, 'torso', catalogue)[0]
        if (!own || !placements.some(({ part }) => part === dear.torso)) return []
        const sleeved = ARMS.reduce(
          (list, slot) => {
            const part = catalogue.parts.get(own.components.find((c) => c.slot === slot)?.part ?? '')
            return part ? wear(list, slot, part, catalogue) : list
          },
          [...placements],
        )
        return [{ label: 'Leave it its own sleeves', placements: sleeved }]
      },
    ),
  ]
}
