import type { BonusBuild } from './choices.ts'
import type { Packed } from './counts.ts'
import type { PackPlan } from './collate.ts'

export interface PieceCount {
  part: string
  qty: number
}

/** Pieces as a list of single ones, those alike together. */
const singly = (pieces: readonly PieceCount[]): string[] =>
  pieces.flatMap(({ part, qty }) => Array.from({ length: qty }, () => part))

function counted(parts: readonly string[]): PieceCount[] {
  const counts = new Map<string, number>()
  for (const part of parts) counts.set(part, (counts.get(part) ?? 0) + 1)
  return [...counts].map(([part, qty]) => ({ part, qty }))
}

/** The i-th of n shares of a list, as alike in length as can be. */
const share = <T>(list: readonly T[], i: number, n: number): T[] =>
  list.slice(Math.floor((i * list.length) / n), Math.floor(((i + 1) * list.length) / n))

/** Which pieces of a bonus build each figure brings, where they come with the figures. */
export const piecesByFigure = (
  { pieces }: Pick<BonusBuild, 'pieces'>,
  figures: readonly Packed[],
): Map<string, PieceCount[]> =>
  new Map(figures.map(({ id }, i) => [id, counted(share(singly(pieces), i, figures.length))]))

/** The pieces in each pack, whose figures are given in their order. */
export function dealPieces(build: BonusBuild, figures: readonly Packed[], packs: readonly string[]): PieceCount[][] {
  if (build.spread === 'figures') {
    const byFigure = piecesByFigure(build, figures)
    return packs.map((figure) => byFigure.get(figure) ?? [])
  }
  const all = Array.from({ length: build.builds }, () => singly(build.pieces)).flat()
  return packs.map((_, i) => counted(share(all, i, packs.length)))
}

/** What all packs hold of a bonus build. */
export interface BonusCheck {
  /** Whole builds all packs together make. */
  builds: number
  /** Pieces beyond those. */
  over: PieceCount[]
  /** Pieces one more build would need. */
  lacking: PieceCount[]
  exact: boolean
}

/** Whether all packs together hold exactly the pieces of whole builds. Counted from the packs themselves. O(pieces). */
export function checkBonus(plan: Pick<PackPlan, 'packs'>, { pieces }: Pick<BonusBuild, 'pieces'>): BonusCheck {
  const held = new Map<string, number>()
  for (const pack of plan.packs) for (const { part, qty } of pack.pieces) held.set(part, (held.get(part) ?? 0) + qty)
  const needed = new Map<string, number>()
  for (const { part, qty } of pieces) if (qty > 0) needed.set(part, (needed.get(part) ?? 0) + qty)
  const builds =
    needed.size === 0 ? 0 : Math.min(...[...needed].map(([part, qty]) => Math.floor((held.get(part) ?? 0) / qty)))
  const over = [...held]
    .map(([part, qty]) => ({ part, qty: qty - builds * (needed.get(part) ?? 0) }))
    .filter(({ qty }) => qty > 0)
  const lacking = [...needed]
    .map(([part, qty]) => ({ part, qty: qty * (builds + 1) - (held.get(part) ?? 0) }))
    .filter(({ qty }) => qty > 0)
  return { builds, over, lacking, exact: over.length === 0 && builds > 0 }
}
