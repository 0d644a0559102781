import { turn } from '../../anatomy/index.ts'
import { faceOf, headsLike, type Face } from '../faces.ts'
import { bestOf, inPlace, ofMould, wearing } from '../instead.ts'
import { browsDiffer } from '../../brief/index.ts'
import { pinned, rulesOf, wornIn, type Rule } from '../pin.ts'

/**
 * Different people have different faces, or at least another expression, hair or hair colour. Two figures of a roster that
 * agree in all of these read as twins. Where the house rules want every face its own, the same printed side is enough.
 * Remedies: the other face of the head, the hair in another colour, another head of that skin.
 */
export const facesApart: Rule = (placements, context) => {
  const { company, catalogue } = context
  const { faces } = rulesOf(context)
  const own = faceOf(placements, context)
  if (!company || faces === 'any' || !own) return []
  const strict = faces === 'all-different'
  const alike = (other: Face) =>
    other.shown === own.shown &&
    other.head.mould === own.head.mould &&
    (strict || (other.hair === own.hair && other.head.colours[0] === own.head.colours[0]))
  const taken = new Set<string>()
  const twins: string[] = []
  for (const { name, character, placements: worn } of company.others) {
    const face = character === company.self.character ? null : faceOf(worn, context)
    if (!face) continue
    taken.add(face.shown)
    if (alike(face)) twins.push(name)
  }
  if (twins.length === 0) return []
  const print = catalogue.prints.get(own.head.print ?? '')!
  return [
    pinned(
      {
        rule: 'faces-apart',
        severity: strict ? 'notice' : 'problem',
        slots: ['head'],
        title: strict ? 'A face somebody else has' : 'Taken for somebody else',
        detail: `${print.name}${strict ? '' : ', hair and skin too'}: as ${twins.slice(0, 3).join(', ')}${twins.length > 3 ? ` and ${twins.length - 3} more` : ''}`,
      },
      () => {
        const otherSide = `${print.code}${own.turned ? '' : ' turned'}`
        const [hair] = wornIn(placements, 'headgear', context)
        const brows = catalogue.colours.get(print.traits['brows'] ?? '')
        const dyed = strict
          ? []
          : bestOf(hair ? ofMould(hair.part.mould, context) : [], context, (part) => {
              const colour = catalogue.colours.get(part.colours[0] ?? '')
              if (part.code === hair!.part.code || !colour || (brows && browsDiffer(brows, colour))) return null
              return 0
            }).slice(0, 1)
        return [
          ...(print.back.length > 0 && !taken.has(otherSide)
            ? [{ label: 'Turn the head', placements: turn(placements, 'head') }]
            : []),
          ...dyed.map((part) => inPlace(placements, hair!.placement, part, context)),
          ...headsLike(own.head, placements, context, (part) => !taken.has(part.print!))
            .slice(0, 1)
            .map((part) =>
              wearing(placements, 'head', part, context, {
                words: `Wear the face ${catalogue.prints.get(part.print!)?.name ?? part.name}`,
              }),
            ),
        ]
      },
    ),
  ]
}
