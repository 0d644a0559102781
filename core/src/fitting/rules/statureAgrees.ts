import { legsOfLength, statureWorn } from '../stature.ts'
import { bestOf, ofSlot, wearing } from '../instead.ts'
import { pinned, type Rule, type Severity } from '../pin.ts'
import { mouldOf } from '../../catalogue/index.ts'
import type { Weight } from '../../brief/index.ts'

const SEVERITY: Readonly<Record<Weight, Severity | null>> = {
  must: 'problem',
  matters: 'notice',
  nice: 'hint',
  none: null,
}

/**
 * The figure stands as tall as its brief says: leg length by age class, raised on a plate where asked. The remedy is the
 * same legs in the right length, nearest in colour where the print was not made so.
 */
export const statureAgrees: Rule = (placements, context) => {
  const { brief, catalogue } = context
  const severity = brief && SEVERITY[brief.statureWeight]
  const worn = statureWorn(placements, catalogue)
  if (!severity || !worn || worn.stature === brief.stature) return []
  const wanted = brief.stature === 'raised' ? 'full' : brief.stature
  return [
    pinned(
      {
        rule: 'stature-agrees',
        severity,
        slots: [worn.slot],
        title: 'Not the stature of the brief',
        detail: `Stands ${worn.stature}, ${brief.stature} is wanted`,
      },
      () => {
        if (worn.length !== wanted) return legsOfLength(placements, wanted, context)
        if (brief.stature !== 'raised')
          return [{ label: 'Take the plate away', placements: placements.filter(({ slot }) => slot !== 'feet') }]
        return bestOf(ofSlot('feet', context), context, (part) => mouldOf(catalogue, part).height || null)
          .slice(0, 1)
          .map((part) => wearing(placements, 'feet', part, context))
      },
    ),
  ]
}
