import type { Brief, Place } from '../brief/index.ts'
import type { Drawables, Placement } from '../catalogue/index.ts'
import type { Drawer, Origin } from '../drawer/index.ts'
import type { Company } from './company.ts'
import type { HeadOfAge } from './heads.ts'
import type { Switches } from './houseRules.ts'
import type { State } from './states.ts'
import type { Uniform } from './uniform.ts'

/** An outfit on a shelf: its chosen take and how much of it the drawer gives. */
export interface ShelfOutfit {
  id: string
  name: string
  faction: string
  stature: string
  character: string
  characterId: string
  /** How old the brief says the character is. */
  years: number | null
  placements: Placement[]
  /** Where each of `placements` comes from. */
  from: Origin[]
  /** How far it is, told from facts. */
  state: State
  /** What it does otherwise than the house rules of its roster, and why. */
  switches: Switches
  switchesReason: string
  /** Id of the uniform it shares. */
  uniform: string | null
  /** Code of the released figure it began with. */
  base: string | null
  credits: string
  /** Why the take on the shelf was chosen, in the words of whoever chose it. */
  verdict: string
  owned: number
  /** Neither owned nor on the way. */
  toBuy: number
  arriving: number
  /** What is to buy at lowest single prices, without shipping, in the home currency, and how much of it nobody sells singly. */
  toCome: { money: number; unsold: number }
  /** Pins of the chosen take that are not accepted, problems first. */
  pins: PinSummary[]
}

/** A pin as a shelf tells of it. */
export interface PinSummary {
  severity: 'problem' | 'notice' | 'hint'
  title: string
  detail: string
}

/** A roster as a shelf of outfits. Money is in minor units of `currency`. */
export interface RosterShelf {
  id: string
  name: string
  note: string
  /** The school of its house rules, and what differs from it. */
  rules: string
  switches: Switches
  version: number
  budget: number | null
  currency: string
  dueOn: string | null
  /** Paid for parcels of this roster: goods, shipping and handling, in the home currency. */
  paid: number
  uniforms: Uniform[]
  /** Characters with more than one outfit may have a head for each age. */
  heads: Readonly<Record<string, HeadOfAge[]>>
  outfits: ShelfOutfit[]
}

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

/** A member of a team as its casting sees it. */
export interface TeamMember {
  outfit: string
  brief: Brief
  /** Parts it may not wear. */
  avoided: string[]
}

/** What was taken off or down and can be put back. */
export interface Removed {
  id: string
  at: string
  what: 'roster' | 'outfits' | 'uniform'
  name: string
  roster: string | null
}

/** A parcel that has not arrived, or not in full. */
export interface AwaitedParcel {
  id: string
  seller: string
  expectedOn: string
  /** Outfits that wait for something in it, and how many of its parts they wait for. */
  outfits: string[]
  parts: number
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

/** The take that goes by a label; without one, or with one there is not, the chosen take. */
export function takeNamed(takes: readonly Take[], label: string | null): Take | undefined {
  return takes.find((take) => take.label === label) ?? takes.find((take) => take.chosen) ?? takes[0]
}
export * from './compareTakes.ts'
export * from './houseRules.ts'
export * from './rulesInWords.ts'
export * from './company.ts'
export * from './states.ts'
export * from './arrange.ts'
export * from './uniform.ts'
export * from './heads.ts'
export * from './ranking.ts'
export * from './mergeFields.ts'
