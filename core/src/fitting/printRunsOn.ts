import { printStops } from './agree.ts'
import { wornIn, type Rule } from './pin.ts'

/** A print that goes on below the belt, such as a long coat, wants legs that carry it on. */
export const printRunsOn: Rule = (placements, context) => {
  const [torso] = wornIn(placements, 'torso', context)
  const [leg] = wornIn(placements, 'legRight', context)
  const onward = torso?.print?.traits['runsOn'] ?? null
  if (!torso || !leg || torso.placement.turned || !printStops(onward, leg.print?.traits['runsOn'] ?? null)) return []
  return [
    {
      rule: 'print-runs-on',
      severity: 'notice',
      // On the belt where there is one; a figure under way may have legs and no hips yet.
      slots: [wornIn(placements, 'hips', context).length > 0 ? 'hips' : 'legRight'],
      title: `The ${onward} stops at the belt`,
      detail: `${torso.part.name} runs on, ${leg.part.name.replace(/, right leg$/, '').toLowerCase()} does not`,
      remedies: [],
    },
  ]
}
