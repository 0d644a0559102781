import type { MadeBand, Fixed } from '../catalogue/index.ts'

/** A piece on the board. */
export interface BoardPiece extends Fixed {
  part: string
}

/** How near to the grip's axis a piece jumps onto it, in figure units; and what turning jumps to, in degrees. */
const NEAR = 4
const TURN = 15
/** How far from the grip a piece may lie, in figure units. */
export const BOARD_REACH = 200

const within = (value: number) => Math.max(-BOARD_REACH, Math.min(BOARD_REACH, Math.round(value)))

/** Degrees clockwise from 0 up to 360. */
export const asTurn = (degrees: number): number => ((Math.round(degrees) % 360) + 360) % 360

/** Where a piece comes to lie that is let go at a point: on whole units, and on the grip's axis or height where it is near. */
export function snapped(x: number, y: number): { x: number; y: number } {
  return { x: Math.abs(x) <= NEAR ? 0 : within(x), y: Math.abs(y) <= NEAR ? 0 : within(y) }
}

/** What keys do to the piece that is picked. */
export type BoardKey =
  | 'left'
  | 'right'
  | 'up'
  | 'down'
  | 'clockwise'
  | 'anticlockwise'
  | 'mirror'
  | 'front'
  | 'later'
  | 'earlier'
  | 'copy'
  | 'remove'

/** Pieces after a key, and the one picked then. `far` moves by ten units instead of one, and turns by one degree instead of 15. */
export function pressed<P extends BoardPiece>(
  pieces: readonly P[],
  picked: number,
  key: BoardKey,
  far = false,
): { pieces: P[]; picked: number } {
  const piece = pieces[picked]
  if (!piece) return { pieces: [...pieces], picked }
  const step = far ? 10 : 1
  const turn = far ? 1 : TURN
  const changed = (change: Partial<BoardPiece>) => ({
    pieces: pieces.map((one, i) => (i === picked ? { ...one, ...change } : one)),
    picked,
  })
  const swapped = (to: number) => {
    if (to < 0 || to >= pieces.length) return { pieces: [...pieces], picked }
    const moved = [...pieces]
    moved.splice(to, 0, ...moved.splice(picked, 1))
    return { pieces: moved, picked: to }
  }
  switch (key) {
    case 'left':
      return changed({ x: within(piece.x - step) })
    case 'right':
      return changed({ x: within(piece.x + step) })
    case 'up':
      return changed({ y: within(piece.y - step) })
    case 'down':
      return changed({ y: within(piece.y + step) })
    case 'clockwise':
      return changed({ turn: asTurn(piece.turn + turn) })
    case 'anticlockwise':
      return changed({ turn: asTurn(piece.turn - turn) })
    case 'mirror':
      return changed({ mirrored: !piece.mirrored })
    case 'front':
      return changed({ front: !piece.front })
    case 'later':
      return swapped(picked + 1)
    case 'earlier':
      return swapped(picked - 1)
    case 'copy': {
      const copy = { ...piece, ...snapped(piece.x + 12, piece.y + 12) }
      return { pieces: [...pieces.slice(0, picked + 1), copy, ...pieces.slice(picked + 1)], picked: picked + 1 }
    }
    case 'remove': {
      const left = pieces.filter((_, i) => i !== picked)
      return { pieces: left, picked: Math.min(picked, left.length - 1) }
    }
  }
}

/** Everything moved so that a point of the board becomes the grip. */
export function gripAt<P extends BoardPiece>(
  pieces: readonly P[],
  bands: readonly MadeBand[],
  { x, y }: { x: number; y: number },
): { pieces: P[]; bands: MadeBand[] } {
  return {
    pieces: pieces.map((piece) => ({ ...piece, x: within(piece.x - x), y: within(piece.y - y) })),
    bands: bands.map((band) => ({
      ...band,
      x: within(band.x - x),
      y: within(band.y - y),
      toX: within(band.toX - x),
      toY: within(band.toY - y),
    })),
  }
}

/** How many of each part it takes, in the order of the pieces. */
export function countPieces(pieces: readonly { part: string }[]): { part: string; qty: number }[] {
  const counts = new Map<string, number>()
  for (const { part } of pieces) counts.set(part, (counts.get(part) ?? 0) + 1)
  return [...counts].map(([part, qty]) => ({ part, qty }))
}
