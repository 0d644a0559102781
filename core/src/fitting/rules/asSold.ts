import type { Level, Slot } from '../../catalogue/index.ts'
import { bestOf, inItsColour, withSource } from '../instead.ts'
import { pinned, rulesOf, type Pin, type Rule } from '../pin.ts'
import { assembliesWith } from '../assemblies.ts'

/**
 * Slots that stay together until a thing is taken apart far enough, by the slot of their main piece. Hands are left out:
 * one torso is released with hands in many skins, and only figures tell which.
 */
const TOGETHER: readonly { main: Slot; rest: readonly Slot[]; from: Level; words: string }[] = [
  { main: 'torso', rest: ['armRight', 'armLeft'], from: 3, words: 'torso and arms' },
  { main: 'legLeft', rest: ['hips', 'legRight'], from: 4, words: 'hips and legs' },
]

/** Where things are not taken apart as far, assemblies are worn as they were sold. */
export const asSold: Rule = (placements, context) => {
  const { catalogue } = context
  return TOGETHER.flatMap(({ main, rest, from, words }): Pin[] => {
    if (rulesOf(context).takingApart >= from) return []
    const worn = placements.filter(({ slot }) => slot === main || rest.includes(slot))
    const piece = worn.find(({ slot }) => slot === main)
    if (!piece) return []
    const sold = assembliesWith(piece.part, main, catalogue)
    const fits = sold.some((assembly) =>
      worn.every(({ slot, part }) => assembly.components.some((c) => c.slot === slot && c.part === part)),
    )
    if (fits || sold.length === 0) return []
    return [
      pinned(
        {
          rule: `as-sold-${main}`,
          severity: 'problem',
          slots: [main],
          title: 'Not as it was sold',
          detail: `The house rules keep ${words} together as released`,
        },
        () =>
          bestOf(sold, context)
            .slice(0, 2)
            .map((assembly) => ({
              label: withSource(`Wear it whole: ${inItsColour(assembly, context)}`, assembly, context),
              placements: [
                ...placements.filter(({ slot }) => slot !== main && !rest.includes(slot)),
                ...assembly.components
                  .filter(({ slot }) => slot === main || rest.includes(slot))
                  .map(({ slot, part }) => ({ slot, part, order: 0, turned: false })),
              ],
            })),
      ),
    ]
  })
}
