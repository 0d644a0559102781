import { judgesOf, likenessBy, PLACE_FACTS, type Brief, type Judge } from '../brief/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import type { Pin, Rule } from './pin.ts'

/** Judges of the brief that was asked for last: the bench asks for the same brief at every change. */
let known: { brief: Brief; catalogue: Catalogue; judges: Judge[] } | null = null

function judgesFor(brief: Brief, catalogue: Catalogue): Judge[] {
  if (known?.brief !== brief || known.catalogue !== catalogue)
    known = { brief, catalogue, judges: judgesOf(brief, catalogue) }
  return known.judges
}

/** Musts of the brief that are not met: hair tied back, gloves, the stature. */
export const requirements: Rule = (placements, { brief, catalogue }) => {
  if (!brief || placements.length === 0) return []
  const musts = judgesFor(brief, catalogue).filter(({ wish }) => wish.weight === 'must')
  if (musts.length === 0) return []
  const { missed } = likenessBy(musts, placements, catalogue)
  return missed.flatMap(({ wish, words }): Pin[] => {
    const { slots, label } = PLACE_FACTS[wish.place]
    // A pin needs something to stick in: what the place wears, else the body beside it.
    const worn = slots.filter((slot) => placements.some((p) => p.slot === slot))
    const slot = worn[0] ?? placements[0]!.slot
    return [
      {
        rule: `must-${wish.place}-${wish.trait}`,
        severity: 'problem',
        slots: worn.length > 0 ? worn : [slot],
        title: 'A must of the brief is missed',
        detail: `${label}: ${words}`,
        remedies: [],
      },
    ]
  })
}
