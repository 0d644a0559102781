import { own } from '../base/index.ts'
import type { Layer } from '../catalogue/index.ts'
import { ITEM_POINTS } from './items.ts'
import { contextFor, type LayerDrawing } from './layer.ts'
import { ellipse, rect, translation } from './path.ts'
import { darker, INK, type Paint, type Pen } from './pen.ts'

/** Pictures of a badge, within ten units around its middle. */
const MARKS: Record<string, (pen: Pen, hex: string) => void> = {
  star: (pen, hex) => pen.area('M0 -9L2.6 -3L9 -2.6L4 1.4L5.6 8L0 4.4L-5.6 8L-4 1.4L-9 -2.6L-2.6 -3Z', hex),
  anchor(pen, hex) {
    pen.line(ellipse(0, -7, 2.4), hex, 1.7)
    pen.line('M0 -4.6L0 8M-5 -2L5 -2M-7 3Q-6 8 0 8Q6 8 7 3', hex, 2)
  },
  wave: (pen, hex) => {
    for (const y of [-3, 3]) pen.line(`M-9 ${y}Q-5 ${y - 5} 0 ${y}Q5 ${y + 5} 9 ${y}`, hex, 2)
  },
  lantern(pen, hex) {
    pen.line('M-3 -7Q0 -10 3 -7', hex, 1.5)
    pen.area(rect(-6, -6, 12, 13, 3), hex)
    pen.line('M-6 -2L6 -2M-6 3L6 3', darker(hex, 0.5), 1)
  },
  leaf(pen, hex) {
    pen.area('M0 9C-9 4 -8 -6 0 -9C8 -6 9 4 0 9Z', hex)
    pen.line('M0 8L0 -5', darker(hex, 0.45), 1.1)
  },
  heron(pen, hex) {
    pen.area('M-8 3C-5 -3 4 -3 8 5C4 8 -4 8 -8 3Z', hex)
    pen.line('M6 3C9 -2 2 -5 6 -9L12 -8', hex, 1.8)
  },
  fish: (pen, hex) => pen.area('M-9 0Q-2 -7 5 0L9 -4L9 4L5 0Q-2 7 -9 0Z', hex),
  oars: (pen, hex) => pen.line('M-8 8L7 -7M8 8L-7 -7M5 -9L9 -5M-5 -9L-9 -5', hex, 2),
}

/** Layers of a print on headgear, a neck piece, an item or a companion: badges of some twenty units around a point. */
export const EMBLEM_LAYERS: Record<string, LayerDrawing> = {
  disc: ({ pen, colour }) => {
    pen.area(ellipse(0, 0, 11), colour('colour', '#F3EBD8'))
    pen.line(ellipse(0, 0, 11), INK, 1.1)
  },
  shield: ({ pen, colour }) => {
    const d = 'M-10 -11L10 -11Q12 6 0 13Q-12 6 -10 -11Z'
    pen.area(d, colour('colour', '#F3EBD8'))
    pen.line(d, INK, 1.1)
  },
  mark: ({ pen, colour, word }) =>
    (own(MARKS, word('shape', 'star')) ?? MARKS['star']!)(pen, colour('colour', '#C9A24A')),
}

export const MARK_SHAPES = Object.keys(MARKS)

/** Where a badge sits, in the units of each kind of drawing; of headgear and neck pieces where a silhouette differs. */
const ON_HEADGEAR: Record<string, readonly [number, number]> = {
  'rain-hood': [0, -43],
  'divers-dome': [0, -38],
  'oilskin-hat': [0, -36],
  'straw-hat': [0, -27],
  'bobble-cap': [0, -33],
}
const ON_NECK: Record<string, { front: readonly [number, number]; back: readonly [number, number] }> = {
  cape: { front: [0, 8], back: [0, 84] },
  'life-vest': { front: [28, 12], back: [0, 58] },
  'oilskin-cape': { front: [38, 44], back: [0, 40] },
  shawl: { front: [-30, 26], back: [0, 34] },
  satchel: { front: [-41, 68], back: [-30, 62] },
  accordion: { front: [-36, 20], back: [0, 40] },
  towel: { front: [-21, 14], back: [0, 14] },
}

/** Where a badge is put on a silhouette of a kind, or null where none shows. */
export function emblemPoint(
  kind: 'headgear' | 'neck' | 'held' | 'beside' | 'waist',
  silhouette: string,
  back: boolean,
): readonly [number, number] | null {
  if (kind === 'headgear') return back ? null : (own(ON_HEADGEAR, silhouette) ?? [0, -33])
  if (kind === 'neck') return (own(ON_NECK, silhouette) ?? { front: [0, 40], back: [0, 40] })[back ? 'back' : 'front']
  if (kind === 'held') return own(ITEM_POINTS, silhouette) ?? [0, 0]
  return kind === 'beside' ? [0, -24] : [0, 18]
}

/** Put badge layers on a drawing at a point of its own units. */
export function drawEmblem(
  pen: Pen,
  [x, y]: readonly [number, number],
  layers: readonly Layer[],
  base: Paint,
  hexOf: (code: string) => string | undefined,
): void {
  const at = pen.under(translation(x, y))
  for (const layer of layers) own(EMBLEM_LAYERS, layer.kind)?.(contextFor(layer, at, base.hex, '', hexOf))
}
