import { at, rectangle, type Inner, type Net } from './net.ts'
import { facesOf } from './tuckCarton.ts'

/** How much wider than half its way round its contents a flat bag is, for its seams. */
const SEAMS = 8
/** A pin or hook goes through here. */
const HOLE = { radius: 3, down: 8 }

/** How wide a bag lies flat into which something of this size goes, in millimetres. */
export const bagWidth = ({ width, depth }: Pick<Inner, 'width' | 'depth'>): number => width + depth + SEAMS

/** A card folded over the top of a bag: as wide as the bag, `high` on each side, with a hole to hang it by. Millimetres. */
export function headerCard(inner: Inner, high: number): Net {
  const wide = bagWidth(inner)
  const panels: Net['panels'] = [
    { id: 'front', kind: 'face', outline: rectangle(0, high, wide, high), hinge: null, turn: 0 },
    {
      id: 'back',
      kind: 'face',
      outline: rectangle(0, 0, wide, high),
      hinge: { parent: 'front', from: at(0, high), to: at(wide, high), angle: 180, stage: 0 },
      turn: 180,
    },
  ]
  const holes = [-1, 1].map((side) => ({ x: wide / 2, y: high + side * HOLE.down, radius: HOLE.radius }))
  // Nothing stands where the hole is.
  const faces = facesOf(panels).map((face) => {
    const taken = HOLE.down + HOLE.radius
    const { safe } = face
    return {
      ...face,
      safe: {
        ...safe,
        y: face.name === 'front' ? safe.y + taken : safe.y,
        height: Math.max(0, safe.height - taken),
      },
    }
  })
  return { panels, faces, holes }
}
