import type { Brief, Place } from '../brief/index.ts'
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

/** A pin that is wanted as it is; it comes back when its cause is another. */
export interface AcceptedPin {
  /** Rule and slots of the pin. */
  pin: string
  /** What it said when it was accepted. */
  cause: string
  reason: string
}

export interface Take {
  id: string
  label: string
  chosen: boolean
  /** Why it was chosen; empty where nobody said. */
  reason: string
  /** Who is for it. */
  voters: string[]
  /** Pins that are wanted as they are. */
  accepted: AcceptedPin[]
  placements: Placement[]
}

/** A reference picture of a character. */
export interface Reference {
  id: string
  /** Content hash of the kept picture. */
  photo: string
  caption: string
  /** Of this outfit alone, or of every outfit of the character. */
  ownOutfit: boolean
}

/** Something put off until there is time, or until a part or an offer comes. Money is in the home currency's minor units. */
export interface Later {
  id: string
  outfit: string | null
  outfitName: string | null
  place: Place | null
  note: string
  /** What it waits for, in words; null for a plain note. */
  waitsFor: string | null
  part: string | null
  /** A part in the shape that is waited for in `colour`. */
  like: string | null
  colour: string | null
  atMost: number | null
  at: string
  /** The part that answers it, once one does. */
  answer: string | null
  answerName: string | null
  answeredAt: string | null
  done: boolean
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
  brief: Brief
  /** Of the brief, apart from that of the outfit: a brief is written while somebody dresses. */
  briefVersion: number
  references: Reference[]
  /** Parts the brief avoids because named figures or releases bring them. */
  avoided: string[]
  /** Owned parts that are free for this outfit, by code. */
  free: Record<string, number>
  /** Lowest single price of each of `parts` in the home currency; null when nobody sells it singly. */
  lowest: Record<string, number | null>
}

/** The take that goes by a label; without one, or with one there is not, the chosen take. */
export function takeNamed(takes: readonly Take[], label: string | null): Take | undefined {
  return takes.find((take) => take.label === label) ?? takes.find((take) => take.chosen) ?? takes[0]
}
export * from './compareTakes.ts'
export * from './houseRules.ts'
