import { WHOLE } from '../brief/index.ts'
import type { SourcingPlan, SourcingProblem } from '../sourcing/index.ts'

/**
 * The roster problem and plan of docs/formats.md: what everybody wears and where it is bought, decided together. Likeness is
 * in thousandths of a point, a whole outfit has WHOLE; money is an integer in the minor unit of `currency`.
 */
export interface RosterProblem extends Pick<SourcingProblem, 'currency' | 'owned' | 'sellers' | 'offers' | 'resale'> {
  format: 'outfit.roster-problem'
  version: 1
  /** What a point of likeness (1,000) is worth, in minor units. */
  worth: number
  outfits: RosterOutfit[]
  limits: SourcingProblem['limits'] & { faces: 'distinct' | null }
}

export interface RosterOutfit {
  id: string
  /** The least likeness. */
  floor: number
  slots: RosterSlot[]
  pairs: RosterPair[]
}

export interface RosterSlot {
  id: string
  candidates: RosterCandidate[]
}

export interface RosterCandidate {
  id: string
  parts: { part: string; qty: number }[]
  score: number
  face: string | null
}

/** What choices of two slots take off each other's likeness. */
export interface RosterPair {
  a: string
  b: string
  off: [choiceOfA: string, choiceOfB: string, off: number][]
}

export interface RosterPlan {
  format: 'outfit.roster-plan'
  version: 1
  status: SourcingPlan['status']
  value: number
  bound: number
  gap: number
  seconds: number
  /** Goods, shipping and handling less what leftovers fetch. */
  spending: number
  outfits: { id: string; choices: Record<string, string>; likeness: number }[]
  baskets: SourcingPlan['baskets']
  surplus: SourcingPlan['surplus']
  /** What cannot be kept, in words; only with status `impossible`. */
  why?: string
  /** The limit or outfit that cannot be kept, where it is one. */
  limit?: 'parcels' | 'arriveBy' | 'budget' | 'faces'
  outfit?: string
  /** What the limit would have to be, or the most the outfit can reach, where that is known. */
  would?: number
}

/** What likeness an outfit misses is worth, rounded half up. */
export const missedWorth = (worth: number, likeness: number): number =>
  Math.floor((worth * (WHOLE - likeness) + 500) / 1000)
