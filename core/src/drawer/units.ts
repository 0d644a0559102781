import type { Part } from '../catalogue/index.ts'

/** How often each piece is in an assembly; empty for a part that is one piece. */
export function piecesIn({ components }: Pick<Part, 'components'>): Map<string, number> {
  const pieces = new Map<string, number>()
  for (const { part } of components) pieces.set(part, (pieces.get(part) ?? 0) + 1)
  return pieces
}

/** How many of a part there are, given the count of each atomic part: an assembly counts as often as its components allow. */
export function unitsOf(part: Pick<Part, 'code' | 'components'>, countOf: (code: string) => number): number {
  if (part.components.length === 0) return countOf(part.code)
  return Math.min(...[...piecesIn(part)].map(([code, qty]) => Math.floor(countOf(code) / qty)))
}
