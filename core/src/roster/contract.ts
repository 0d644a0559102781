import type { PictureOutline } from '../picture/index.ts'
import type { Brief, Place } from '../brief/index.ts'
import type { Drawables, Placement } from '../catalogue/index.ts'
import type { Drawer } from '../drawer/index.ts'
import type { Company } from './company.ts'
import type { Switches } from './houseRules.ts'

/** What an outfit wears, or part of it. */
export interface Worn {
  outfit: string
  placements: Placement[]
}

/** An outfit in a uniform, or in none; with placements it wears exactly those. */
export interface Uniformed {
  outfit: string
  uniform: string | null
  placements?: Placement[]
}

/** What was taken off or down and can be put back. */
export interface Removed {
  id: string
  at: string
  what: 'roster' | 'outfits' | 'uniform'
  name: string
  roster: string | null
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
  /** Where in it the character is; null where nobody said so. */
  outline: PictureOutline | null
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
  roster: { id: string; name: string; currency: string; rules: string; switches: Switches; version: number }
  /** What differs from the house rules of the roster for this outfit, and why. */
  switches: Switches
  switchesReason: string
  /** Parts the house rules leave out because of the figures and releases they come from. */
  excluded: string[]
  /** This outfit among the others of its roster. */
  company: Company
  takes: Take[]
  brief: Brief
  /** Of the brief, apart from that of the outfit: a brief is written while somebody dresses. */
  briefVersion: number
  references: Reference[]
  /** Parts the brief avoids because named figures or releases bring them. */
  avoided: string[]
  /** What the drawer has for this outfit: what outfits before it in the order leave. */
  drawer: Drawer
  /** Parts on the way to this outfit in parcels, by code. */
  arriving: Record<string, number>
  /** What the drawer has as counts by part, as far as the house rules let donors be taken apart. */
  free: Record<string, number>
  /** The bin most of a free part lies in, by name. */
  places: Record<string, string>
  /** Names of other outfits that have an owned part some take of this one wants too. */
  taken: Record<string, string[]>
  /** Lowest single price of each of `parts` in the home currency; null when nobody sells it singly. */
  lowest: Record<string, number | null>
}
