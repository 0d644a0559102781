import { mouldOf, partWorn, type Catalogue, type Slot } from '../catalogue/index.ts'
import { boundsOf, mmPerUnit, type Drawing } from '../mannequin/index.ts'
import type { Inner } from '../net/index.ts'
import { footing, roomOf } from '../show/index.ts'
import type { SeriesMember } from './series.ts'

/** Slots that are as deep as they are wide: what goes round the head. */
const ROUND: readonly Slot[] = ['headgear', 'head', 'face']
/** Slots whose pieces lie one over the other on the body. */
const LAYERED: readonly Slot[] = ['neck']
/** Slots of the body itself, as deep as a foot is long. */
const BODY: readonly Slot[] = [
  'torso',
  'hips',
  'legRight',
  'legLeft',
  'lower',
  'feet',
  'armRight',
  'armLeft',
  'handRight',
  'handLeft',
  'waist',
]

/** What a figure takes up, in millimetres, and which piece makes it so deep. */
export interface RoomTaken extends Inner {
  deepest: string
}

/** The box round what a slot shows, in millimetres. */
function silhouette({ shapes }: Drawing, slot: Slot): { width: number; height: number } {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const shape of shapes) {
    if (shape.slot !== slot) continue
    const bounds = boundsOf(shape.d)
    left = Math.min(left, bounds.left)
    right = Math.max(right, bounds.right)
    top = Math.min(top, bounds.top)
    bottom = Math.max(bottom, bounds.bottom)
  }
  return right < left
    ? { width: 0, height: 0 }
    : { width: (right - left) * mmPerUnit(), height: (bottom - top) * mmPerUnit() }
}

/**
 * The room a figure takes with all it wears, holds and has beside it. Width and height are those of its drawing. A mould may
 * say its depth (trait `depth`, millimetres); otherwise it is told by the silhouette: what goes round the head is as deep as
 * wide, the body as a foot is long, pieces on the neck add their thickness, and whatever else is as deep as its smaller side.
 */
export function roomTaken(
  { drawing, placements }: Pick<SeriesMember, 'drawing' | 'placements'>,
  catalogue: Catalogue,
): RoomTaken {
  const { left, right, top } = roomOf(drawing)
  const body = footing().depth
  let depth: number = body
  let deepest = 'the feet'
  let layers = 0
  const deep = (value: number, by: string) => {
    if (value > depth) [depth, deepest] = [value, by]
  }
  for (const placement of placements) {
    const part = partWorn(placement, catalogue)
    if (!part) continue
    const mould = mouldOf(catalogue, part)
    const said = Number(mould.traits['depth'])
    const { slot } = placement
    if (said > 0) {
      if (LAYERED.includes(slot)) layers += said
      else deep(said, part.name)
      continue
    }
    const { width, height } = silhouette(drawing, slot)
    if (ROUND.includes(slot)) deep(width, part.name)
    else if (LAYERED.includes(slot)) {
      layers += mould.neckThickness + (mould.traits['pack'] === 'yes' ? Math.min(width, height) / 2 : 0)
      deep(body + layers, part.name)
    } else if (!BODY.includes(slot)) deep(Math.min(width, height), part.name)
  }
  deep(body + layers, deepest)
  return { width: left + right, height: top, depth, deepest }
}

/** What goes into one carton of a series, and which figure makes it so wide, deep and high. */
export interface InnerSize {
  inner: Inner
  by: { width: string; depth: string; height: string }
}

const upTo = (value: number) => Math.ceil(value * 10 - 1e-6) / 10

/** Inner size for the largest of a series in every dimension, with some air; null without figures. Millimetres, to a tenth. */
export function innerSizeOf(
  members: readonly SeriesMember[],
  catalogue: Catalogue,
  clearance: number,
): InnerSize | null {
  const taken = members.map((member) => ({ name: member.name, room: roomTaken(member, catalogue) }))
  const largest = (side: keyof Inner) =>
    taken.reduce<(typeof taken)[number] | null>(
      (most, one) => (most && most.room[side] >= one.room[side] ? most : one),
      null,
    )
  const [width, depth, height] = [largest('width'), largest('depth'), largest('height')]
  if (!width || !depth || !height) return null
  return {
    inner: {
      width: upTo(width.room.width + clearance),
      depth: upTo(depth.room.depth + clearance),
      height: upTo(height.room.height + clearance),
    },
    by: { width: width.name, depth: depth.name, height: height.name },
  }
}
