import type { Part } from '../catalogue/index.ts'

/** A candidate for a place. */
export interface RankEntry {
  part: Pick<Part, 'code'>
  /** Units that are free for the outfit. */
  free: number
  /** Lowest price, minor units; null when nobody sells it singly. */
  lowest: number | null
  /** How like the brief it is at its place, in [0, 1]; null where nothing is wished for there. */
  share: number | null
}

/** What a candidate costs: nothing when it is owned, null when it is not to be had singly. */
export const costOf = ({ free, lowest }: Pick<RankEntry, 'free' | 'lowest'>) => (free > 0 ? 0 : lowest)

/** What a candidate is worth in a mix of likeness and price: `mix` 0 asks for likeness alone, 1 for price alone. */
export function mixedScore(share: number, price: number | null, dearest: number, mix: number): number {
  // What nobody sells is as dear as anything gets.
  const cheap = dearest > 0 ? 1 - Math.min(1, (price ?? dearest) / dearest) : 1
  return (1 - mix) * share + mix * cheap
}

/**
 * Candidates for a place, the best first, by likeness mixed with price; what is owned costs nothing. Equals are ordered by
 * price, then code. O(n log n).
 */
export function rankCandidates<E extends RankEntry>(entries: readonly E[], mix = 0): E[] {
  const costs = entries.map(costOf)
  const dearest = costs.reduce<number>((most, cost) => Math.max(most, cost ?? 0), 0)
  const worths = Float64Array.from(entries, ({ share }, at) => mixedScore(share ?? 0, costs[at]!, dearest, mix))
  const prices = Float64Array.from(costs, (cost) => cost ?? Infinity)
  // Rows are put in order by their numbers, which is quicker than moving objects about.
  const rows = Uint32Array.from(entries.keys()).sort(
    (a, b) =>
      worths[b]! - worths[a]! ||
      (prices[a] === prices[b] ? 0 : prices[a]! - prices[b]!) ||
      (entries[a]!.part.code < entries[b]!.part.code ? -1 : 1),
  )
  return Array.from(rows, (row) => entries[row]!)
}
