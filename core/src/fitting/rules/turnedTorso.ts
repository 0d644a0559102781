import { turn } from '../../anatomy/index.ts'
import { mouldOf } from '../../catalogue/index.ts'
import { wornIn, type Rule } from '../pin.ts'

/**
 * A torso worn back to front works where its real front is then hidden by what hangs down the back, or has no print to
 * give it away. House rules may not have it at all.
 */
export const turnedTorso: Rule = (placements, context) => {
  const [torso] = wornIn(placements, 'torso', context)
  if (!torso?.placement.turned) return []
  const back = { label: 'Turn it round', placements: turn(placements, 'torso') }
  if (context.rules && !context.rules.turnedTorsos)
    return [
      {
        rule: 'turned-torso',
        severity: 'problem',
        slots: ['torso'],
        title: 'The house rules allow no turned torso',
        detail: `${torso.part.name} is worn back to front`,
        remedies: [back],
      },
    ]
  const hidden = wornIn(placements, 'neck', context).some(({ part }) =>
    mouldOf(context.catalogue, part).covers.includes('back'),
  )
  if (hidden || (torso.print?.front.length ?? 0) === 0) return []
  return [
    {
      rule: 'turned-torso',
      severity: 'notice',
      slots: ['torso'],
      title: 'The real front shows from behind',
      detail: `${torso.part.name} is worn back to front, and nothing covers its back`,
      remedies: [back],
    },
  ]
}
