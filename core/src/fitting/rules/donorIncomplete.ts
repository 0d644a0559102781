import { SPINE } from '../../anatomy/index.ts'
import { takeFrom } from '../../allotment/index.ts'
import { COLOUR_LIMITS } from '../../colour/index.ts'
import { bestOf, colourGap, inPlace, ofMould } from '../instead.ts'
import { pinned, rulesOf, type Pin, type Rule } from '../pin.ts'

/**
 * Taking a head leaves a headless donor. For each owned figure that would give up some, but not all, of its parts: which,
 * and what it stands without. The remedy is a loose part that is hardly told apart.
 */
export const donorIncomplete: Rule = (placements, context) => {
  const { drawer, catalogue } = context
  if (!drawer?.donors.length) return []
  const { sources } = takeFrom(drawer, placements, rulesOf(context).takingApart)
  return drawer.donors.flatMap(({ code, name, pieces }): Pin[] => {
    const given = placements.filter((_, i) => sources[i]?.donor === code)
    if (given.length === 0 || given.length >= pieces.length) return []
    const lacks = SPINE.filter(({ slots }) => given.some(({ slot }) => slots.includes(slot))).map(({ key, label }) =>
      key.startsWith('held') ? 'what it holds' : label.toLowerCase(),
    )
    return [
      pinned(
        {
          rule: `donor-incomplete-${code}`,
          severity: 'hint',
          slots: given.map(({ slot }) => slot),
          title: `${name} gives up ${given.length === 1 ? 'a part' : `${given.length} parts`}`,
          detail: `It stands without ${lacks.join(', ')}; ${pieces.length - given.length} of ${pieces.length} parts stay on it`,
        },
        () =>
          given
            .flatMap((placement) => {
              const wanted = placement.part
              const own = catalogue.parts.get(wanted)!
              return bestOf(ofMould(own.mould, context), context, (one) => {
                if (one.code === wanted || one.print !== own.print || (drawer.loose[one.code] ?? 0) === 0) return null
                const gap = colourGap(one, own, context)
                return gap <= COLOUR_LIMITS.different ? gap : null
              })
                .slice(0, 1)
                .map((one) => inPlace(placements, placement, one, context))
            })
            .slice(0, 2),
      ),
    ]
  })
}
