import type { Drawables } from '../catalogue/index.ts'
import type { NaivePlan } from './cheapestOfEach.ts'
import type { SourcingPlan, SourcingProblem } from './types.ts'

/** A plan for a take of an outfit with all that is needed to show and explain it. */
export interface SourcingReport {
  outfit: string
  take: string
  name: string
  label: string
  roster: { id: string; name: string; currency: string; rules: string }
  /** Date of the quote sheets it was made from. */
  date: string
  problem: SourcingProblem
  plan: SourcingPlan
  naive: NaivePlan
  /** What each offer of the problem is. */
  things: Record<string, { kind: 'part' | 'figure' | 'release'; code: string; condition: 'new' | 'used'; name: string }>
}

/** A report with the parts its offers yield, so that they can be drawn. */
export type ReportWithParts = SourcingReport & Drawables
