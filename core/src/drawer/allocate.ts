import { piecesGiven, type Piece } from '../anatomy/index.ts'
import type { Level, Placement } from '../catalogue/index.ts'

/** An owned figure that stands together and could give up parts. */
export interface Donor {
  code: string
  name: string
  /** What is still on it. */
  pieces: Piece[]
}

/** Owned parts: loose ones by code, and those on figures. */
export interface Drawer {
  loose: Readonly<Record<string, number>>
  donors: readonly Donor[]
}

export const EMPTY_DRAWER: Drawer = { loose: {}, donors: [] }

/**
 * Where a placement's part comes from: loose (no donor), off a donor, or null for what must be bought. A copy by others is
 * neither taken from the drawer nor bought; it comes from elsewhere.
 */
export type Source = { donor: string | null; elsewhere?: true } | null

const ELSEWHERE: Source = { donor: null, elsewhere: true }

/** Whether a placement wears a copy that others made rather than the maker's part. */
export const isCopy = ({ altered = [] }: Pick<Placement, 'altered'>): boolean =>
  altered.some(({ kind }) => kind === 'by-others')

/**
 * What the drawer gives for some placements, one source each, and what it has afterwards. Loose parts come first; then the
 * donor that gives most, and so on, taken apart no further than `level`, so that few are disturbed. Ties go by code.
 * O(placements × donors).
 */
export function takeFrom(
  drawer: Drawer,
  placements: readonly Pick<Placement, 'part' | 'altered'>[],
  level: Level,
): { sources: Source[]; left: Drawer } {
  const loose = { ...drawer.loose }
  const sources = placements.map((placement): Source => {
    if (isCopy(placement)) return ELSEWHERE
    const { part } = placement
    if ((loose[part] ?? 0) === 0) return null
    loose[part]!--
    return { donor: null }
  })
  let donors = [...drawer.donors].sort((a, b) => (a.code < b.code ? -1 : 1))
  for (;;) {
    const missing = new Map<string, number[]>()
    placements.forEach(({ part }, i) => {
      if (!sources[i]) missing.set(part, [...(missing.get(part) ?? []), i])
    })
    if (missing.size === 0) break
    let best: { donor: Donor; given: Piece[] } | null = null
    for (const donor of donors) {
      const given = givenBy(donor, level, (part) => missing.get(part)?.length ?? 0)
      if (given.length > (best?.given.length ?? 0)) best = { donor, given }
    }
    if (!best) break
    const { donor, given } = best
    for (const { part } of given) sources[missing.get(part)!.shift()!] = { donor: donor.code }
    donors = donors.map((one) =>
      one === donor ? { ...donor, pieces: donor.pieces.filter((piece) => !given.includes(piece)) } : one,
    )
  }
  return { sources, left: { loose, donors } }
}

/** The pieces of a donor that are wanted and may be had, no part more often than it is wanted. */
function givenBy({ pieces }: Donor, level: Level, wanted: (part: string) => number): Piece[] {
  const left = new Map<string, number>()
  return piecesGiven(pieces, level, wanted).filter(({ part }) => {
    const more = left.get(part) ?? wanted(part)
    left.set(part, more - 1)
    return more > 0
  })
}

/** Placements the drawer does not give. */
export function missingFrom(placements: readonly Placement[], drawer: Drawer, level: Level): Placement[] {
  const { sources } = takeFrom(drawer, placements, level)
  return placements.filter((_, i) => sources[i] === null)
}

/** How many of each part the drawer could give when it is taken apart as far as `level`, whatever is worn with it. */
export function freeIn({ loose, donors }: Drawer, level: Level): Record<string, number> {
  const free: Record<string, number> = { ...loose }
  for (const { pieces } of donors)
    for (const { part } of piecesGiven(pieces, level, () => Infinity)) free[part] = (free[part] ?? 0) + 1
  return free
}
