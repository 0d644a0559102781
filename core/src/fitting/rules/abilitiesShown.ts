import { abilityNamed, showsAbility } from '../../brief/index.ts'
import { bestOf, ofSlot, wearing } from '../instead.ts'
import { pinned, type Pin, type Rule } from '../pin.ts'

/**
 * An ability or a role with no visible sign gets an item or a piece that shows it: nobody sees that somebody plays music
 * who holds no instrument. Which pieces tell of what stands in ABILITIES. The remedy puts one in a free hand, or where it
 * is worn.
 */
export const abilitiesShown: Rule = (placements, context) => {
  const { brief, catalogue } = context
  if (!brief || placements.length === 0) return []
  return brief.abilities.flatMap((key): Pin[] => {
    const ability = abilityNamed(key)
    if (!ability || placements.some((p) => showsAbility(ability, p, catalogue))) return []
    const free = (['heldRight', 'heldLeft'] as const).find((slot) => !placements.some((p) => p.slot === slot))
    const hand = placements.find(({ slot }) => slot === 'handRight' || slot === 'torso') ?? placements[0]!
    return [
      pinned(
        {
          rule: `ability-${key}`,
          severity: 'hint',
          slots: [hand.slot],
          title: 'Nothing shows what they do',
          detail: `${ability.label}: no ${ability.signs} is worn or held`,
        },
        () =>
          [...(free ? [free] : []), ...(['neck', 'beside'] as const)].flatMap((slot) =>
            bestOf(ofSlot(slot, context), context, (part) =>
              showsAbility(ability, { slot, part: part.code, order: 0, turned: false }, catalogue) ? 0 : null,
            )
              .slice(0, slot === free ? 2 : 1)
              .map((part) => wearing(placements, slot, part, context)),
          ),
      ),
    ]
  })
}
