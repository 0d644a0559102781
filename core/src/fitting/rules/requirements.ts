import {
  type Brief,
  type Judge,
  judgesByPlace,
  judgesOf,
  likenessBy,
  likenessOfPart,
  lookAt,
  MET,
  PLACE_FACTS,
} from '../../brief/index.ts'
import type { Catalogue } from '../../catalogue/index.ts'
import { bestOf, ofSlot, wearing } from '../instead.ts'
import { pinned, type Pin, type Rule } from '../pin.ts'

/** Judges of the brief that was asked for last: the bench asks for the same brief at every change. */
let known: { brief: Brief; catalogue: Catalogue; judges: Judge[] } | null = null

function judgesFor(brief: Brief, catalogue: Catalogue): Judge[] {
  if (known?.brief !== brief || known.catalogue !== catalogue)
    known = { brief, catalogue, judges: judgesOf(brief, catalogue) }
  return known.judges
}

/** What the stature asks has a rule of its own. */
const STATURE: readonly string[] = ['length', 'riser']

/**
 * Musts of the brief that are not met: hair tied back, gloves, the item without which nobody knows him. The remedy is the
 * part that meets the must and shows most of what else is wished for there.
 */
export const requirements: Rule = (placements, context) => {
  const { brief, catalogue } = context
  if (!brief || placements.length === 0) return []
  const judges = judgesFor(brief, catalogue)
  const musts = judges.filter(({ wish }) => wish.weight === 'must' && !STATURE.includes(wish.trait))
  if (musts.length === 0) return []
  const { missed } = likenessBy(musts, placements, catalogue)
  return missed.map(({ wish, words }): Pin => {
    const { slots, label } = PLACE_FACTS[wish.place]
    // A pin needs something to stick in: what the place wears, else the body beside it.
    const worn = slots.filter((slot) => placements.some((p) => p.slot === slot))
    const slot = worn[0] ?? placements[0]!.slot
    return pinned(
      {
        rule: `must-${wish.place}-${wish.trait}`,
        severity: 'problem',
        slots: worn.length > 0 ? worn : [slot],
        title: 'A must of the brief is missed',
        detail: `${label}: ${words}`,
      },
      () => {
        const at = slots.find((one) => !worn.includes(one)) ?? slots[0]!
        const judge = musts.find((one) => one.wish === wish)!
        const byPlace = judgesByPlace(judges.filter((one) => one.wish.place === wish.place))
        return bestOf(ofSlot(at, context), context, (part) => {
          if (part.components.length > 0 || judge.score(lookAt(part, false, catalogue)) < MET) return null
          // One must is not bought with another.
          const others = musts.filter((one) => one !== judge && one.wish.place === wish.place)
          if (others.some((one) => one.score(lookAt(part, false, catalogue)) < MET)) return null
          return 1 - (likenessOfPart(part, wish.place, byPlace, catalogue).share ?? 0)
        })
          .slice(0, 2)
          .map((part) => wearing(placements, at, part, context, { both: slots.length > 1 && wish.place !== 'held' }))
      },
    )
  })
}
