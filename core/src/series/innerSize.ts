import { mouldOf, partWorn, type Catalogue, type Slot } from '../catalogue/index.ts'
import { mmPerUnit, type Drawing } from '../mannequin/index.ts'
import type { Inner } from '../net/index.ts'
import { extentOf, footing, roomOf } from '../show/index.ts'
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

/** The box round what a slot shows, in millimetres; nothing where it shows nothing. */
function silhouette({ shapes }: Drawing, slot: Slot): { width: number; height: number } {
  const own = shapes.filter((shape) => shape.slot === slot)
  if (own.length === 0) return { width: 0, height: 0 }
  const { width, height } = extentOf({ shapes: own })
  return { width: width * mmPerUnit(), height: height * mmPerUnit() }
}

/**
 * The room a figure takes with all it wears, holds and has beside it. Width and height are those of its drawing. A mould may
 * say its depth (trait `depth`, millimetres); otherwise it is told by the silhouette: what goes round the head is as deep as
 * wide, the body as a foot is long, pieces on the neck add their thickness, and whatever else is as deep as its smaller side.
 */
function roomTaken({ drawing, placements }: Pick<SeriesMember, 'drawing' | 'placements'>, catalogue: Catalogue): Inner {
  const { left, right, top } = roomOf(drawing)
  const body = footing().depth
  /** As deep as the deepest thing, or as the body with all that lies over it. */
  let depth: number = body
  let over = 0
  for (const placement of placements) {
    const part = partWorn(placement, catalogue)
    if (!part) continue
    const mould = mouldOf(catalogue, part)
    const { slot } = placement
    const { width, height } = silhouette(drawing, slot)
    const said = Number(mould.traits['depth'] ?? 0)
    if (LAYERED.includes(slot))
      over += said || mould.neckThickness + (mould.traits['pack'] === 'yes' ? Math.min(width, height) / 2 : 0)
    else if (said > 0) depth = Math.max(depth, said)
    else if (ROUND.includes(slot)) depth = Math.max(depth, width)
    else if (!BODY.includes(slot)) depth = Math.max(depth, Math.min(width, height))
  }
  return { width: left + right, height: top, depth: Math.max(depth, body + over) }
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
