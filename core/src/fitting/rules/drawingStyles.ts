import { faceOf, headsLike, styleOf } from '../faces.ts'
import { wearing } from '../instead.ts'
import { pinned, rulesOf, type Rule } from '../pin.ts'

/**
 * Faces drawn in the old style beside new ones look like two toys. Whoever is in the smaller part of the roster is pinned;
 * where there are as many of each, nobody is the odd one out. The remedy is the likest face in the style of the others.
 */
export const drawingStyles: Rule = (placements, context) => {
  const { company, catalogue } = context
  const own = faceOf(placements, context)
  if (!company || !own || rulesOf(context).mixedStyles) return []
  const style = styleOf(own.head, context)
  let [same, unlike] = [0, 0]
  for (const { placements: worn } of company.others) {
    const face = faceOf(worn, context)
    if (!face) continue
    if (styleOf(face.head, context) === style) same++
    else unlike++
  }
  if (unlike <= same + 1) return []
  return [
    pinned(
      {
        rule: 'drawing-styles',
        severity: 'hint',
        slots: ['head'],
        title: `A face in the ${style} style`,
        detail: `${unlike} of ${same + unlike + 1} in this roster are drawn in the ${style === 'old' ? 'new' : 'old'} one`,
      },
      () =>
        headsLike(own.head, placements, context, (part) => styleOf(part, context) !== style)
          .slice(0, 2)
          .map((part) =>
            wearing(placements, 'head', part, context, {
              words: `Wear the face ${catalogue.prints.get(part.print!)?.name ?? part.name}`,
            }),
          ),
    ),
  ]
}
