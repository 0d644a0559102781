import { CLASSIC_SKIN } from '../../colour/index.ts'
import { bestOf, ofMould, wearing } from '../instead.ts'
import { pinned, rulesOf, wornIn, type Rule } from '../pin.ts'

/** One classic skin tone for everybody, or natural tones: where the house rules say which, heads keep to it. */
export const skinTones: Rule = (placements, context) => {
  const { skins } = rulesOf(context)
  const [head] = wornIn(placements, 'head', context)
  const skin = head?.colour
  if (skins === 'any' || !skin || skin.family !== 'skin') return []
  const fits = (code: string | undefined) => (code === CLASSIC_SKIN) === (skins === 'classic')
  if (fits(skin.code)) return []
  return [
    pinned(
      {
        rule: 'skin-tones',
        severity: 'problem',
        slots: ['head'],
        title: skins === 'classic' ? 'Not the classic skin' : 'Not a natural skin',
        detail: `The head is ${skin.name}; the house rules want ${skins === 'classic' ? 'the one classic tone' : 'natural tones'}`,
      },
      () =>
        bestOf(ofMould(head.part.mould, context), context, (part) =>
          context.catalogue.colours.get(part.colours[0] ?? '')?.family === 'skin' && fits(part.colours[0])
            ? Number(part.print !== head.part.print)
            : null,
        )
          .slice(0, 2)
          .map((part) => wearing(placements, 'head', part, context)),
    ),
  ]
}
