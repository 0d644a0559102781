import { ofKind, bestOf, colourGap, wearing, inItsColour } from '../instead.ts'
import { printStops } from '../../brief/index.ts'
import { pinned, wornIn, type Rule } from '../pin.ts'

/**
 * A print that goes on below the belt, such as a long coat, wants legs that carry it on. The remedy is the pair of legs
 * that does, the nearest to the torso in colour and of the same length.
 */
export const printRunsOn: Rule = (placements, context) => {
  const { catalogue } = context
  const [torso] = wornIn(placements, 'torso', context)
  const [leg] = wornIn(placements, 'legRight', context)
  const onward = torso?.print?.traits['runsOn'] ?? null
  if (!torso || !leg || torso.placement.turned || !printStops(onward, leg.print?.traits['runsOn'] ?? null)) return []
  const lengthOf = (code: string) =>
    catalogue.moulds.get(catalogue.parts.get(code)?.mould ?? '')?.traits['length'] ?? 'full'
  return [
    pinned(
      {
        rule: 'print-runs-on',
        severity: 'notice',
        // On the belt where there is one; a figure under way may have legs and no hips yet.
        slots: [wornIn(placements, 'hips', context).length > 0 ? 'hips' : 'legRight'],
        title: `The ${onward} stops at the belt`,
        detail: `${torso.part.name} runs on, ${leg.part.name.replace(/, right leg$/, '').toLowerCase()} does not`,
      },
      () =>
        bestOf(ofKind('leg-pair', context), context, (pair) => {
          const piece = pair.components.find(({ slot }) => slot === 'legRight')
          const print = catalogue.prints.get(catalogue.parts.get(piece?.part ?? '')?.print ?? '')
          if (!piece || print?.traits['runsOn'] !== onward || lengthOf(piece.part) !== lengthOf(leg.part.code))
            return null
          const gap = colourGap(torso.part, catalogue.parts.get(piece.part)!, context)
          return gap <= 12 ? gap : null
        })
          .slice(0, 1)
          .map((pair) => wearing(placements, 'hips', pair, context, { words: `Wear ${inItsColour(pair, context)}` })),
    ),
  ]
}
