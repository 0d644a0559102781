import { reduceProblem, type SourcingProblem } from '../sourcing/index.ts'
import type { RosterProblem } from './types.ts'

/**
 * The buying of a roster problem as a sourcing problem: a need for each part of any candidate, of as many units as all
 * outfits could want at once. Without what no plan can use.
 */
export function supplyOf({
  outfits,
  currency,
  owned,
  sellers,
  offers,
  resale,
  limits,
}: RosterProblem): SourcingProblem {
  const most = new Map<string, number>()
  for (const { slots } of outfits)
    for (const { candidates } of slots) {
      const inSlot = new Map<string, number>()
      for (const { parts } of candidates)
        for (const [part, qty] of summedParts(parts)) inSlot.set(part, Math.max(inSlot.get(part) ?? 0, qty))
      for (const [part, qty] of inSlot) most.set(part, (most.get(part) ?? 0) + qty)
    }
  const { parcels, arriveBy, budget, seconds, gap } = limits
  return reduceProblem({
    format: 'outfit.sourcing-problem',
    version: 1,
    currency,
    needs: [...most].map(([part, qty]) => ({ id: part, qty, accept: [{ part, penalty: 0 }] })),
    owned: summedStock(owned),
    sellers,
    offers,
    resale,
    limits: { parcels, arriveBy, budget, seconds, gap },
  })
}

/** Parts of a candidate, those named twice together. */
export function summedParts(parts: readonly { part: string; qty: number }[]): Map<string, number> {
  const sums = new Map<string, number>()
  for (const { part, qty } of parts) sums.set(part, (sums.get(part) ?? 0) + qty)
  return sums
}

const summedStock = (owned: SourcingProblem['owned']) => [...summedParts(owned)].map(([part, qty]) => ({ part, qty }))
