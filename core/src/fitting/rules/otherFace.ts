import { drawFigure, pathContains } from '../../mannequin/index.ts'
import { wear } from '../../anatomy/index.ts'
import { mouldOf, type Catalogue, type Placement, type Slot } from '../../catalogue/index.ts'
import { FITTING_LIMITS } from '../limits.ts'
import { colourDifference } from '../../colour/index.ts'
import { bestOf, ofKind, wearing } from '../instead.ts'
import { pinned, wornIn, type Rule } from '../pin.ts'

/** Points of a face by which it is known from behind: eyes and mouth, in figure units from the middle of the head. */
const FACE_POINTS = [
  [-14, -2],
  [14, -2],
  [0, 14],
] as const

/** Slots that can lie over the back of a head. */
const OVER: readonly (Slot | 'plinth')[] = ['headgear', 'neck']

/** Slots that decide it, and what was found for them, since the tray asks for figures that differ elsewhere. */
const DECIDING: readonly Slot[] = ['head', 'headgear', 'neck']
const FOUND = new WeakMap<Catalogue, Map<string, boolean>>()

function showsBehind(placements: readonly Placement[], catalogue: Catalogue): boolean {
  const deciding = placements.filter(({ slot }) => DECIDING.includes(slot))
  const key = deciding.map(({ slot, part, order, turned }) => `${slot} ${part} ${order} ${turned}`).join('|')
  const known = FOUND.get(catalogue) ?? new Map<string, boolean>()
  FOUND.set(catalogue, known)
  const before = known.get(key)
  if (before !== undefined) return before
  const { shapes, anchors } = drawFigure(deciding, catalogue, { view: 'back', plinth: false, flat: true })
  const over = shapes.filter(({ slot, fill }) => OVER.includes(slot) && fill !== 'none')
  // The anchor of a head sits beside its middle, mirrored from behind.
  const [x, y] = [anchors.head!.x + 12, anchors.head!.y - 8]
  const seen = FACE_POINTS.filter(
    ([dx, dy]) =>
      !over.some(({ d, clip }) => pathContains(d, x + dx, y + dy) && (!clip || pathContains(clip, x + dx, y + dy))),
  )
  known.set(key, seen.length > 1)
  return seen.length > 1
}

/** Heads that are no person's have no other face, whatever is printed behind. */
const NO_PERSON = ['otter', 'lantern']

/**
 * A head with two faces shows the second from behind where nothing lies over it: no hair, hair that leaves it free, a
 * ring or a visor. Looked for in the drawing, at the eyes and the mouth.
 */
export const otherFace: Rule = (placements, context) => {
  const { catalogue } = context
  const [head] = wornIn(placements, 'head', context)
  if (!head || !(head.print?.back.length ?? 0)) return []
  if (NO_PERSON.includes(mouldOf(catalogue, head.part).traits['headShape'] ?? '')) return []
  if (!showsBehind(placements, catalogue)) return []
  const [headgear] = wornIn(placements, 'headgear', context)
  const brows = catalogue.colours.get(head.print?.traits['brows'] ?? '')
  return [
    pinned(
      {
        rule: 'other-face',
        severity: 'hint',
        slots: ['head'],
        title: 'The other face shows from behind',
        detail: headgear ? `${headgear.part.name} leaves it free` : 'Nothing lies over the back of the head',
      },
      () =>
        bestOf(ofKind('headgear', context), context, (part) => {
          const hair = catalogue.colours.get(part.colours[0] ?? '')
          const { traits } = mouldOf(catalogue, part)
          if (traits['hair'] !== 'yes' || traits['hat'] === 'yes' || !brows || !hair) return null
          const gap = colourDifference(brows.hex, hair.hex)
          if (gap > FITTING_LIMITS.browsAgainstHair) return null
          return showsBehind(wear(placements, 'headgear', part, catalogue), catalogue) ? null : gap
        })
          .slice(0, 1)
          .map((part) => wearing(placements, 'headgear', part, context)),
    ),
  ]
}
