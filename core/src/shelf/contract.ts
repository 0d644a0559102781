import type { Placement } from '../catalogue/index.ts'
import type { Origin } from '../drawer/index.ts'
import type { HeadOfAge, Switches, Uniform } from '../roster/index.ts'
import type { State } from './states.ts'

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

/** A parcel that has not arrived, or not in full. */
export interface AwaitedParcel {
  id: string
  seller: string
  expectedOn: string
  /** Outfits that wait for something in it, and how many of its parts they wait for. */
  outfits: string[]
  parts: number
}
