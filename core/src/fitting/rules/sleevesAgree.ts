import { wear } from '../../anatomy/index.ts'
import type { Part, Slot } from '../../catalogue/index.ts'
import { assembliesWith } from '../assemblies.ts'
import { wornIn, type Rule } from '../pin.ts'

const ARMS = ['armRight', 'armLeft'] as const

const pieceOf = (assembly: Part, slot: Slot) => assembly.components.find((component) => component.slot === slot)?.part

/**
 * Sleeves go with the torso: they are those it is sold with, or at least of the main colour of one of them. Some figures
 * wear two different arms on purpose, which is a hint only.
 */
export const sleevesAgree: Rule = (placements, context) => {
  const { catalogue } = context
  const [torso] = wornIn(placements, 'torso', context)
  if (!torso) return []
  const assemblies = assembliesWith(torso.part.code, 'torso', catalogue)
  if (assemblies.length === 0) return []
  const colourOf = (code: string | undefined) => catalogue.parts.get(code ?? '')?.colours[0]
  const wrong = ARMS.flatMap((slot) => {
    const [arm] = wornIn(placements, slot, context)
    if (!arm) return []
    const fits = assemblies.some(
      (assembly) =>
        pieceOf(assembly, slot) === arm.part.code || colourOf(pieceOf(assembly, slot)) === arm.part.colours[0],
    )
    return fits ? [] : [{ slot, arm }]
  })
  const [first] = wrong
  if (!first) return []
  const right = ARMS.reduce(
    (list, slot) => {
      const part = catalogue.parts.get(pieceOf(assemblies[0]!, slot) ?? '')
      return part && list.some((p) => p.slot === slot) ? wear(list, slot, part, catalogue) : list
    },
    [...placements],
  )
  const one = wrong.length === 1
  return [
    {
      rule: 'sleeves-agree',
      severity: one ? 'hint' : 'notice',
      slots: wrong.map(({ slot }) => slot),
      title: one ? 'One sleeve is not of this torso' : 'The sleeves are not of this torso',
      detail: `${first.arm.colour?.name ?? 'no colour'} on ${torso.part.name}`,
      remedies: [{ label: 'Wear its own sleeves', placements: right }],
    },
  ]
}
