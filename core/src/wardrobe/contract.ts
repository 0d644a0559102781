import type { Place } from '../brief/index.ts'
import type { Drawables, Placement } from '../catalogue/index.ts'
import type { RosterPlan } from './types.ts'
import type { Come } from './whoGetsWhat.ts'

/** How a roster is to be cast. Money is in minor units of the home currency; null: no limit. */
export interface CastOptions {
  /** What a point of likeness is worth. */
  worth: number
  budget: number | null
  /** The least likeness of everybody, in points. */
  floor: number
  parcels: number | null
  /** Latest arrival, in days from now. */
  arriveBy: number | null
  /** Whether no two may have one face. */
  facesDiffer: boolean
  /** Whether parts come from donors that are taken apart, and from the market, besides what lies loose. */
  donors: boolean
  market: boolean
}

/** Somebody who takes part. */
export interface CastWho {
  outfit: string
  /** Places that stay as they are. */
  keep: Place[]
  /** Places that stay as a cast had them, and what it put there. */
  held?: { place: Place; placements: Placement[] }[]
}

/** What an outfit comes to in a plan. */
export interface CastFigure {
  outfit: string
  placements: Placement[]
  /** Milli-points of likeness. */
  likeness: number
  /** Musts that are not met. */
  missed: number
  /** Places nothing is to be had for, which stay as they are. */
  without: Place[]
  /** Parts that stay and are neither owned nor for sale. */
  unmet: number
  /** Places in which it wears something else than now. */
  changed: Place[]
  /** What each place that was cast wears; nothing where it stays empty. */
  slots: { place: Place; placements: Placement[] }[]
  come: Come[]
  /** What it would rather wear, had nobody else needed it. */
  gaveUp: { place: Place; placements: Placement[]; points: number; holders: string[] }[]
}

export interface CastPlan extends Pick<
  RosterPlan,
  'status' | 'value' | 'bound' | 'spending' | 'seconds' | 'limit' | 'outfit' | 'would' | 'why'
> {
  worth: number
  figures: CastFigure[]
  /** Sellers bought from, with what their parcels cost. */
  parcels: { seller: string; name: string; cost: number; lines: number }[]
  /** What is paid for goods, and for shipping and handling; minor units. */
  goods: number
  sending: number
}

/** A way to dress the same outfits that plans are compared with. */
export interface CastCompared {
  spending: number
  /** Sum over the outfits, in milli-points. */
  likeness: number
  /** Parts nobody sells, which are not in the spending. */
  unmet: number
}

/** What came of casting a roster. */
export interface CastReport extends Drawables {
  roster: string
  /** Date of the newest quote sheet it was made from. */
  date: string
  options: CastOptions
  who: CastWho[]
  leftOut: { outfit: string; name: string; why: string }[]
  /** Likeness of everybody who is cast as they are now, in milli-points. */
  now: { outfit: string; name: string; placements: Placement[]; likeness: number }[]
  plans: CastPlan[]
  /** As they are now, with what is missing bought; null where nobody wears anything. */
  asTheyAre: CastCompared | null
  /** Cast one by one and bought afterwards; null where not all of that can be bought. */
  castFirst: CastCompared | null
}

/** What was given takes by a cast, so that it can be taken back. */
export interface CastTake {
  outfit: string
  version: number
  take: string
  label: string
  /** The take that was chosen before; null where there was none. */
  before: string | null
}
