import type { Net, Panel, Point } from './net.ts'

/** A rigid movement in space, row by row: where a point (x, y, z) goes is (m · (x, y, z, 1)). */
export type Movement = readonly [
  ...[number, number, number, number],
  ...[number, number, number, number],
  ...[number, number, number, number],
]

const STILL: Movement = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0]

/** `outer` after `inner`. */
function after(outer: Movement, inner: Movement): Movement {
  const out: number[] = []
  for (let row = 0; row < 3; row++)
    for (let column = 0; column < 4; column++) {
      let sum = column === 3 ? outer[row * 4 + 3]! : 0
      for (let k = 0; k < 3; k++) sum += outer[row * 4 + k]! * inner[k * 4 + column]!
      out.push(sum)
    }
  return out as unknown as Movement
}

/** Where a movement takes a point of the flat net. */
export const moved = (m: Movement, { x, y, z = 0 }: Point & { z?: number }): { x: number; y: number; z: number } => ({
  x: m[0] * x + m[1] * y + m[2] * z + m[3],
  y: m[4] * x + m[5] * y + m[6] * z + m[7],
  z: m[8] * x + m[9] * y + m[10] * z + m[11],
})

/** Where it takes a direction. */
export const turnedBy = (
  m: Movement,
  { x, y, z = 0 }: Point & { z?: number },
): { x: number; y: number; z: number } => ({
  x: m[0] * x + m[1] * y + m[2] * z,
  y: m[4] * x + m[5] * y + m[6] * z,
  z: m[8] * x + m[9] * y + m[10] * z,
})

/** A turn about the line through two points, which takes `side` away from who looks at the printed side (z falls). */
function turnAbout(from: Point, to: Point, side: Point, degrees: number): Movement {
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const [kx, ky] = [(to.x - from.x) / length, (to.y - from.y) / length]
  const cross = kx * (side.y - from.y) - ky * (side.x - from.x)
  const angle = ((cross > 0 ? -degrees : degrees) * Math.PI) / 180
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const turn: Movement = [
    ...([c + kx * kx * (1 - c), kx * ky * (1 - c), ky * s, 0] as const),
    ...([kx * ky * (1 - c), c + ky * ky * (1 - c), -kx * s, 0] as const),
    ...([-ky * s, kx * s, c, 0] as const),
  ]
  const back: Movement = [1, 0, 0, -from.x, 0, 1, 0, -from.y, 0, 0, 1, 0]
  const there: Movement = [1, 0, 0, from.x, 0, 1, 0, from.y, 0, 0, 1, 0]
  return after(there, after(turn, back))
}

const middle = (outline: readonly Point[]): Point => ({
  x: outline.reduce((sum, { x }) => sum + x, 0) / outline.length,
  y: outline.reduce((sum, { y }) => sum + y, 0) / outline.length,
})

/**
 * Where every panel is while a net is folded: `closed` from 0 (flat) to 1 (shut), one stage of hinges after the other. The
 * printed side looks towards rising z. Throws for a panel that hangs on none there is. O(panels).
 */
export function foldNet({ panels }: Pick<Net, 'panels'>, closed: number): Map<string, Movement> {
  const stages = 1 + Math.max(0, ...panels.map(({ hinge }) => hinge?.stage ?? 0))
  const share = (stage: number) => Math.min(1, Math.max(0, closed * stages - stage))
  const byId = new Map(panels.map((panel) => [panel.id, panel]))
  const movements = new Map<string, Movement>()
  const movementOf = ({ id, hinge, outline }: Panel): Movement => {
    const known = movements.get(id)
    if (known) return known
    let movement = STILL
    if (hinge) {
      const parent = byId.get(hinge.parent)
      if (!parent) throw new Error(`${id} hangs on ${hinge.parent}, which is not there`)
      const turn = turnAbout(hinge.from, hinge.to, middle(outline), hinge.angle * share(hinge.stage))
      movement = after(movementOf(parent), turn)
    }
    movements.set(id, movement)
    return movement
  }
  for (const panel of panels) movementOf(panel)
  return movements
}
