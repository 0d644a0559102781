import type { Drawables, Level } from '../catalogue/index.ts'
import type { NaivePlan } from './cheapestOfEach.ts'
import type { Fall, Relaxation, Sensitivity, Variant } from './strategies.ts'
import type { SourcingPlan, SourcingProblem } from './types.ts'

/** What a plan keeps to. Money is in minor units of the home currency; null or left out: no limit. */
export interface BuyingOptions {
  parcels?: number | null
  /** Latest arrival, in days from now. */
  arriveBy?: number | null
  budget?: number | null
  condition?: 'any' | 'new'
  takingApart?: Level
  /** Sellers not asked; with `only`, no others are asked than these. */
  leftOut?: string[]
  only?: string[]
  /** What leftovers fetch, in per cent of the lowest price; 0 for nothing. */
  resale?: number
  /** Whether parts that look nearly the same would do. */
  secondChoices?: boolean
  seconds?: number
}

/** A plan for one take, several outfits or a whole roster, with all that is needed to show and explain it. */
export interface SourcingReport {
  /** What it is bought for, in words. */
  name: string
  outfits: { id: string; name: string }[]
  /** The take asked for, where it is one of a single outfit. */
  take: string | null
  label: string | null
  /** The roster all outfits are of; null where they are of several. */
  roster: string | null
  options: BuyingOptions
  /** Date of the newest quote sheet it was made from. */
  date: string
  problem: SourcingProblem
  plan: SourcingPlan
  naive: NaivePlan
  /** Outfits that lack each part, and how many. */
  wantedBy: Record<string, { name: string; qty: number }[]>
  /** Offers that bring something of what is wanted, and how many of them were looked at: in a large market the cheapest alike. */
  looked: { at: number; of: number }
  /** The day a list of each seller was last read. */
  heard: Record<string, string>
  /** Where a limit is too tight: what would do. */
  relaxed: { alone: Relaxation[]; together: Relaxation[] } | null
  /** What each offer of the problem is. */
  things: Record<string, { kind: 'part' | 'figure' | 'release'; code: string; condition: 'new' | 'used'; name: string }>
}

/** A report with the parts its offers yield, so that they can be drawn. */
export type ReportWithParts = SourcingReport & Drawables

/** Another way to buy the same, or which prices matter; with the parts its plan brings. */
export interface VariantReport extends Drawables {
  variant: Variant | { way: 'sensitivity' }
  plan: SourcingPlan | null
  sensitivity: { rises: Sensitivity[]; falls: Fall[] } | null
  /** Whether it was better than the plan it is a variant of, which is this one since. */
  improved: boolean
}
