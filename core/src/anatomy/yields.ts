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
 * The pieces a thing may give for what is wanted when it is taken apart no further than `level`. Pieces that stay joined
 * are given together, and only where every one of them is wanted; as sold (0) that goes for the whole thing. `wanted` is
 * how many of each part are wanted. O(pieces).
 */
export function piecesGiven<P extends Piece>(
  pieces: readonly P[],
  level: Level,
  wanted: (part: string) => number,
): P[] {
  const joined = (piece: P) =>
    level === 0 ? 0 : JOINED.findIndex((slots) => slots.includes(piece.slot) && levelOf(piece) > level)
  const whole = (group: readonly P[]) => {
    const needed = new Map<string, number>()
    for (const { part } of group) needed.set(part, (needed.get(part) ?? 0) + 1)
    return [...needed].every(([part, qty]) => wanted(part) >= qty)
  }
  const groups = new Map<number, P[]>()
  for (const piece of pieces) groups.set(joined(piece), [...(groups.get(joined(piece)) ?? []), piece])
  const left = new Set([...groups].filter(([group, own]) => group < 0 || whole(own)).map(([group]) => group))
  return pieces.filter((piece) => left.has(joined(piece)))
}
