import type { Drawables, Placement } from '../catalogue/index.ts'

/** An outfit on a shelf: its chosen take and how much of it the drawer gives. */
export interface ShelfOutfit {
  id: string
  name: string
  faction: string
  character: string
  placements: Placement[]
  owned: number
  toBuy: number
}

/** A roster as a shelf of outfits. Money is in minor units of `currency`. */
export interface RosterShelf {
  id: string
  name: string
  note: string
  rules: string
  budget: number | null
  currency: string
  dueOn: string | null
  outfits: ShelfOutfit[]
}

export interface Take {
  id: string
  label: string
  chosen: boolean
  placements: Placement[]
}

/** An outfit as the bench opens it, with every part any take wears. */
export interface OutfitDetail extends Drawables {
  id: string
  name: string
  stature: string
  version: number
  character: string
  roster: { id: string; name: string; currency: string; rules: string }
  takes: Take[]
  /** Owned parts that are free for this outfit, by code. */
  free: Record<string, number>
  /** Lowest single price of each of `parts` in the home currency; null when nobody sells it singly. */
  lowest: Record<string, number | null>
}

/** The take that goes by a label; without one, or with one there is not, the chosen take. */
export function takeNamed(takes: readonly Take[], label: string | null): Take | undefined {
  return takes.find((take) => take.label === label) ?? takes.find((take) => take.chosen) ?? takes[0]
}
