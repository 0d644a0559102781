import { ALTERATION_WORDS, type OwnAlteration } from '../../roster/index.ts'
import { inPlace } from '../instead.ts'
import { alterationsOf, pinned, placeKey, rulesOf, type Pin, type Rule } from '../pin.ts'

/** What is done to a part for good must be allowed by the house rules. A copy by others is looked at on its own. */
export const alterationsAllowed: Rule = (placements, context) => {
  const { alterations } = rulesOf(context)
  return placements.flatMap((placement): Pin[] => {
    const wrong = alterationsOf(placement).filter(
      ({ kind }) => kind !== 'by-others' && !alterations.includes(kind as OwnAlteration),
    )
    if (wrong.length === 0) return []
    const { slot, part } = placement
    const done = wrong.map(({ kind }) => ALTERATION_WORDS[kind].done).join(', ')
    return [
      pinned(
        {
          rule: `altered-${placeKey(placement)}`,
          severity: 'problem',
          slots: [slot],
          title: 'The house rules alter nothing like this',
          detail: `${context.catalogue.parts.get(part)?.name ?? part}: ${done}`,
        },
        () => {
          const own = context.catalogue.parts.get(part)
          // What has been done cannot be left; another part of the same can be worn.
          if (wrong.some(({ final }) => final))
            return own ? [inPlace(placements, placement, own, context, 'Wear one as it was made')] : []
          return [
            {
              label: 'Leave it as it was made',
              placements: placements.map((p) =>
                p === placement ? { ...p, altered: p.altered!.filter((one) => !wrong.includes(one)) } : p,
              ),
            },
          ]
        },
      ),
    ]
  })
}
