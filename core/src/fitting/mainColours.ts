import { mouldOf, type Placement, type Slot } from '../catalogue/index.ts'
import { showsMainColour } from './agree.ts'
import { FITTING_LIMITS } from './limits.ts'
import type { FittingContext, Rule } from './pin.ts'

/** Share of the surface each slot has on a dressed figure, seen from both sides, as our doll is drawn. */
const SURFACE: Partial<Record<Slot, number>> = {
  torso: 26,
  armRight: 6,
  armLeft: 6,
  hips: 6,
  legRight: 14,
  legLeft: 14,
  lower: 34,
  headgear: 12,
}
/** What a large piece over others has; what it covers loses half. */
const LARGE_OVER = 18

/** Share of the visible surface by main colour, without skin, hair and what is held. */
function sharesOf(placements: readonly Placement[], { catalogue }: FittingContext): Map<string, number> {
  const shares = new Map<string, number>()
  let chest = false
  let legs = false
  const add = (colour: string, share: number) => shares.set(colour, (shares.get(colour) ?? 0) + share)
  const over = placements.flatMap((placement) => {
    const part = catalogue.parts.get(placement.part)
    return part && (placement.slot === 'neck' || placement.slot === 'waist')
      ? [{ placement, covers: mouldOf(catalogue, part).covers }]
      : []
  })
  for (const { covers } of over) {
    chest ||= covers.includes('chest')
    legs ||= covers.includes('legs')
  }
  for (const { slot, part: code } of placements) {
    const part = catalogue.parts.get(code)
    const colour = catalogue.colours.get(part?.colours[0] ?? '')
    if (!part || !colour || colour.family === 'skin') continue
    if (!showsMainColour(slot, mouldOf(catalogue, part))) continue
    const share = SURFACE[slot] ?? LARGE_OVER
    const hidden = (slot === 'torso' && chest) || (['legRight', 'legLeft', 'lower'].includes(slot) && legs)
    add(colour.code, hidden ? share / 2 : share)
  }
  return shares
}

/**
 * No more main colours besides skin and hair than the house rules say, commonly three. A colour is a main one when it has
 * its share of the visible surface from front and back together.
 */
export const mainColours: Rule = (placements, context) => {
  const most = context.rules === undefined ? FITTING_LIMITS.mainColours : context.rules.mostMainColours
  if (most === null) return []
  const shares = sharesOf(placements, context)
  const whole = [...shares.values()].reduce((sum, share) => sum + share, 0)
  const mains = [...shares]
    .filter(([, share]) => share / whole >= FITTING_LIMITS.mainColourShare)
    .sort((a, b) => b[1] - a[1])
  if (mains.length <= most) return []
  const least = mains.at(-1)![0]
  const slots = placements
    .filter(
      ({ slot, part }) =>
        context.catalogue.parts.get(part)?.colours[0] === least && slot in { ...SURFACE, neck: 1, waist: 1 },
    )
    .map(({ slot }) => slot)
  const named = mains.map(
    ([code, share]) => `${context.catalogue.colours.get(code)!.name} ${Math.round((share / whole) * 100)} %`,
  )
  return [
    {
      rule: 'main-colours',
      severity: 'hint',
      slots: [...new Set(slots)],
      title: `${mains.length} main colours`,
      detail: `${named.join(', ')}; ${most} are enough`,
      remedies: [],
    },
  ]
}
