import { mmPerUnit } from '../mannequin/index.ts'
import { poseOf, roomOf, type Mark } from '../show/index.ts'
import type { SeriesMember } from './series.ts'

/** A room in millimetres. */
interface Room {
  x: number
  y: number
  width: number
  height: number
}

/**
 * Figures as a group at the foot of a room, as large as they go, all to one scale; in rows one behind the other where that
 * shows them larger, so far apart that no face is hidden, as in a line-up.
 */
export function groupOf(members: readonly SeriesMember[], { x, y, width, height }: Room): Mark[] {
  if (members.length === 0 || width <= 0 || height <= 0) return []
  const ways = [1, 2, 3]
    .filter((tiers) => tiers <= members.length)
    .map((tiers) => {
      const { clearStep: step } = poseOf(members, [], { tiers })
      const pose = poseOf(members, [], { tiers, step })
      // A line-up has air at both ends that a box does not need.
      const wide = pose.width - 12
      return { pose, wide, scale: Math.min(width / wide, height / pose.height) }
    })
  const { pose, wide, scale } = ways.reduce((best, way) => (way.scale > best.scale * 1.02 ? way : best))
  const drawings = new Map(members.map(({ id, drawing }) => [id, drawing]))
  const left = x + (width - wide * scale) / 2
  return [...pose.placed]
    .sort((a, b) => b.tier - a.tier)
    .map(({ id, x: at, ground }) => ({
      kind: 'figure',
      drawing: drawings.get(id)!,
      x: left + (at - 6) * scale,
      y: y + height - ground * scale,
      scale: scale * mmPerUnit(),
    }))
}

/** A figure standing in the middle of a room's foot, `scale` to a millimetre of its own. */
export const standing = (
  { drawing }: Pick<SeriesMember, 'drawing'>,
  { x, y, width, height }: Room,
  scale: number,
): Mark => {
  const { left, right } = roomOf(drawing)
  return {
    kind: 'figure',
    drawing,
    x: x + width / 2 + ((left - right) / 2) * scale,
    y: y + height,
    scale: scale * mmPerUnit(),
  }
}

/** The largest scale at which each of some figures goes into a room. */
export function commonScale(
  members: readonly Pick<SeriesMember, 'drawing'>[],
  { width, height }: Pick<Room, 'width' | 'height'>,
): number {
  return members.reduce((least, { drawing }) => {
    const { left, right, top } = roomOf(drawing)
    return Math.min(least, width / (left + right), height / top)
  }, Infinity)
}
