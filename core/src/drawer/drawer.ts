import type { Piece } from '../anatomy/index.ts'
import type { Placement } from '../catalogue/index.ts'

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

/** Whether a placement wears a copy that others made rather than the maker's part. */
export const isCopy = ({ altered = [] }: Pick<Placement, 'altered'>): boolean =>
  altered.some(({ kind }) => kind === 'by-others')

/** Codes of what is worn that can be bought: a copy made by others is not. */
export const partsBought = (placements: readonly Placement[]): string[] =>
  placements.filter((placement) => !isCopy(placement)).map(({ part }) => part)

/** Where a worn part comes from: loose in the drawer, off a donor (its name), on the way, a copy by others, or to buy. */
export type Origin = 'drawer' | 'arriving' | 'elsewhere' | 'buy' | { donor: string }
