import type { Catalogue, Part } from '../catalogue/index.ts'
import { likenessOfPart, type judgesByPlace } from './likeness.ts'
import type { Place } from './places.ts'

export interface RankEntry {
  part: Part
  /** Units that are free for the outfit. */
  free: number
  /** Lowest price, minor units; null when nobody sells it singly. */
  lowest: number | null
}

/** What a candidate is worth in a mix of likeness and price: `mix` 0 asks for likeness alone, 1 for price alone. */
export function mixedScore(share: number, price: number | null, dearest: number, mix: number): number {
  // What nobody sells is as dear as anything gets.
  const cheap = dearest > 0 ? 1 - Math.min(1, (price ?? dearest) / dearest) : 1
  return (1 - mix) * share + mix * cheap
}

/**
 * Candidates for a place, the best first, by likeness mixed with price; what is owned costs nothing. Equals are ordered by
 * price, then code. O(n log n + n × wishes there).
 */
export function rankCandidates<E extends RankEntry>(
  entries: readonly E[],
  place: Place,
  judges: ReturnType<typeof judgesByPlace>,
  catalogue: Catalogue,
  mix = 0,
): { entry: E; share: number | null }[] {
  const price = (entry: E) => (entry.free > 0 ? 0 : entry.lowest)
  const dearest = Math.max(0, ...entries.map((entry) => price(entry) ?? 0))
  const order = (entry: E) => price(entry) ?? Number.MAX_SAFE_INTEGER
  return entries
    .map((entry) => {
      const { share } = likenessOfPart(entry.part, place, judges, catalogue)
      return { entry, share, worth: mixedScore(share ?? 0, price(entry), dearest, mix) }
    })
    .sort(
      (a, b) =>
        b.worth - a.worth || order(a.entry) - order(b.entry) || (a.entry.part.code < b.entry.part.code ? -1 : 1),
    )
    .map(({ entry, share }) => ({ entry, share }))
}
