import { TAKING_APART, type Level, type Slot } from '../catalogue/index.ts'

/** A piece of something that could be taken apart: a figure, an assembly, a box. */
export interface Piece {
  slot: Slot
  part: string
  /** How far the thing must be taken apart to get it; by its slot unless told. */
  level?: Level
}

/** Slots whose pieces hold together until somebody pulls: those round the torso, and those round the hips. */
const JOINED: readonly (readonly Slot[])[] = [
  ['torso', 'armRight', 'armLeft', 'handRight', 'handLeft'],
  ['hips', 'legRight', 'legLeft'],
]

/** How far a thing must be taken apart for a piece. Whatever is not joined comes off when a figure is taken apart at all. */
export const levelOf = ({ slot, level }: Piece): Level => level ?? TAKING_APART[slot] ?? 1

/**
 * The pieces of a thing as they come off when it is taken apart no further than `level`: those that stay joined as one
 * group, every other on its own; as sold (0) all of them are one group. O(pieces).
 */
export function groupsOf<P extends Piece>(pieces: readonly P[], level: Level): P[][] {
  const singles: P[][] = []
  const joined = new Map<number, P[]>()
  for (const piece of pieces) {
    const group = level === 0 ? 0 : JOINED.findIndex((slots) => slots.includes(piece.slot) && levelOf(piece) > level)
    if (group < 0) singles.push([piece])
    else joined.set(group, [...(joined.get(group) ?? []), piece])
  }
  return [...joined.values(), ...singles]
}

/** How many of each part there are in some pieces. */
export function countParts(pieces: Iterable<{ part: string }>): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { part } of pieces) counts.set(part, (counts.get(part) ?? 0) + 1)
  return counts
}

/**
 * The pieces a thing may give for what is wanted when it is taken apart no further than `level`. Pieces that stay joined
 * are given together, and only where every one of them is wanted; as sold (0) that goes for the whole thing. `wanted` is
 * how many of each part are wanted; single pieces are given however many are. O(pieces).
 */
export function piecesGiven<P extends Piece>(
  pieces: readonly P[],
  level: Level,
  wanted: (part: string) => number,
): P[] {
  const joined = (piece: P) =>
    level === 0 || JOINED.some((slots) => slots.includes(piece.slot) && levelOf(piece) > level)
  const given = new Set(
    groupsOf(pieces, level)
      .filter((group) => !joined(group[0]!) || [...countParts(group)].every(([part, qty]) => wanted(part) >= qty))
      .flat(),
  )
  return pieces.filter((piece) => given.has(piece))
}
