import { SLOT_FACTS, wear } from '../../anatomy/index.ts'
import { slotsFilled, type Placement, type Slot } from '../../catalogue/index.ts'
import { twinOf, withSource } from '../instead.ts'
import { pinned, wornIn, type Rule } from '../pin.ts'

/** The other side of what comes in pairs. */
const OTHER: Partial<Record<Slot, Slot>> = {
  armRight: 'armLeft',
  armLeft: 'armRight',
  handRight: 'handLeft',
  handLeft: 'handRight',
  legRight: 'legLeft',
  legLeft: 'legRight',
}

/** Where what lacks is seen: the nearest that is worn. */
const NEAR: Partial<Record<Slot, readonly Slot[]>> = {
  head: ['torso'],
  torso: ['head', 'hips', 'lower'],
  armRight: ['torso'],
  armLeft: ['torso'],
  handRight: ['armRight', 'torso'],
  handLeft: ['armLeft', 'torso'],
  hips: ['legRight', 'legLeft', 'torso'],
  legRight: ['hips', 'torso'],
  legLeft: ['hips', 'torso'],
}

const inWords = (slots: readonly Slot[]): string => {
  const words = slots.map((slot) => `no ${SLOT_FACTS[slot].label.toLowerCase()}`)
  const last = words.pop()!
  const all = words.length > 0 ? `${words.join(', ')} and ${last}` : last
  return all[0]!.toUpperCase() + all.slice(1)
}

/**
 * Every figure has a head, a torso with two arms and hands, and legs or a skirt. While it is being dressed what lacks is a
 * hint; once it has head, torso and something below, a missing arm, hand or leg is a notice, since it is easily overlooked
 * and sometimes meant. The remedy puts on what the other sides wear, where that makes it whole.
 */
export const wholeFigure: Rule = (placements, context) => {
  if (placements.length === 0) return []
  const filled = slotsFilled(placements, context.catalogue)
  const has = (slot: Slot) => filled.has(slot)
  const below: readonly Slot[] = has('lower') ? [] : ['hips', 'legRight', 'legLeft']
  const limbs: readonly Slot[] = has('torso') ? ['armRight', 'armLeft', 'handRight', 'handLeft'] : []
  const lacking = (['head', 'torso', ...limbs, ...below] as const).filter((slot) => !has(slot))
  if (lacking.length === 0) return []
  const seenAt = (slot: Slot) => NEAR[slot]?.find(has) ?? placements[0]!.slot
  const begun = has('head') && has('torso') && (has('lower') || has('legRight') || has('legLeft') || has('hips'))
  return [
    pinned(
      {
        rule: 'whole-figure',
        severity: begun ? 'notice' : 'hint',
        slots: [...new Set(lacking.map(seenAt))],
        title: begun ? 'Something is missing' : 'Not whole yet',
        detail: inWords(lacking),
      },
      () => {
        const twins = lacking.map((slot) => {
          const [model] = OTHER[slot] ? wornIn(placements, OTHER[slot], context) : []
          return model && twinOf(model, slot, context)
        })
        const [first] = twins
        if (!first || twins.some((twin) => !twin)) return []
        const words =
          lacking.length === 1 ? `${SLOT_FACTS[lacking[0]!].label} like the other` : 'What lacks like the other side'
        return [
          {
            label: lacking.length === 1 ? withSource(words, first, context) : words,
            placements: lacking.reduce<Placement[]>(
              (all, slot, i) => wear(all, slot, twins[i]!, context.catalogue),
              [...placements],
            ),
          },
        ]
      },
    ),
  ]
}
