import { takeOff } from '../anatomy/index.ts'
import { mouldOf, type Slot } from '../catalogue/index.ts'
import type { Pin, Rule } from './pin.ts'

/**
 * Slots that stay together where whole assemblies are the rule, by the slot of their main piece. Hands are left out: one
 * torso is released with hands in many skins, and only figures tell which.
 */
const TOGETHER: readonly { main: Slot; rest: readonly Slot[]; words: string }[] = [
  { main: 'torso', rest: ['armRight', 'armLeft'], words: 'torso and arms' },
  { main: 'legLeft', rest: ['hips', 'legRight'], words: 'hips and legs' },
]

/** What the school of the roster does not allow: parts by others, and, as released, assemblies that were never sold so. */
export const keepsHouseRules: Rule = (placements, { catalogue, rules }) => {
  if (!rules) return []
  const pins: Pin[] = []
  if (!rules.byOthers)
    for (const { slot, part: code, order } of placements) {
      const part = catalogue.parts.get(code)
      if (!part || mouldOf(catalogue, part).traits['maker'] !== 'other') continue
      pins.push({
        rule: `by-others-${slot}`,
        severity: 'problem',
        slots: [slot],
        title: 'Made by others',
        detail: `${part.name}: the house rules take parts of the maker alone`,
        remedies: [{ label: 'Take it off', placements: takeOff(placements, slot, order) }],
      })
    }
  if (rules.school !== 'as-released') return pins
  for (const { main, rest, words } of TOGETHER) {
    const worn = placements.filter(({ slot }) => slot === main || rest.includes(slot))
    const piece = worn.find(({ slot }) => slot === main)
    if (!piece) continue
    const sold = [...catalogue.parts.values()].filter((part) =>
      part.components.some((component) => component.slot === main && component.part === piece.part),
    )
    const fits = sold.some((assembly) =>
      worn.every(({ slot, part }) => assembly.components.some((c) => c.slot === slot && c.part === part)),
    )
    if (fits || sold.length === 0) continue
    pins.push({
      rule: `as-sold-${main}`,
      severity: 'problem',
      slots: [main],
      title: 'Not as it was sold',
      detail: `The house rules keep ${words} together as released`,
      remedies: sold.slice(0, 2).map((assembly) => ({
        label: `Wear it whole: ${assembly.name}`,
        placements: [
          ...placements.filter(({ slot }) => slot !== main && !rest.includes(slot)),
          ...assembly.components
            .filter(({ slot }) => slot === main || rest.includes(slot))
            .map(({ slot, part }) => ({ slot, part, order: 0, turned: false })),
        ],
      })),
    })
  }
  return pins
}
