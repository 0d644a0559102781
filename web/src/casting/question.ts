import type { BudgetCurve, CastingAsk, CastingResult, CastOutfit } from '@outfit/core/casting'

/** What the worker is asked: the best outfits, the curve of likeness against cost, or the cheapest that keeps a likeness. */
export type Question = { ask: CastingAsk; seconds: number } & (
  | { kind: 'best'; count: number }
  | { kind: 'curve' }
  | { kind: 'cheapest'; floor: number }
)

export type Answer =
  | { state: 'running'; words: string }
  | { state: 'best'; result: CastingResult }
  | { state: 'curve'; curve: BudgetCurve }
  | { state: 'cheapest'; outfit: CastOutfit | null }
  | { state: 'none'; why: string }
  | { state: 'failed'; why: string }
