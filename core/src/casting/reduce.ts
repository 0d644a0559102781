import type { CastCandidate, CastProblem } from './problem.ts'

/**
 * Candidates of each slot, by index, that can be in one of the `count` best casts. One is left out when so many others of
 * its class are at least as good and as cheap and want nothing that others want too: exchanging it for any of them gives
 * `count` casts before it. O(candidates² a class).
 */
export function reduceCandidates(problem: CastProblem, count: number): number[][] {
  const { slots, priceWeight, limit } = problem
  const users = new Map<string, Set<number>>()
  for (const [i, { candidates }] of slots.entries())
    for (const { needs } of candidates)
      for (const { thing } of needs) users.set(thing, (users.get(thing) ?? new Set<number>()).add(i))
  const wantedElsewhere = ({ needs }: CastCandidate) => needs.some(({ thing }) => users.get(thing)!.size > 1)
  const worth = ({ value, price }: CastCandidate) => value - priceWeight * price
  return slots.map(({ candidates }) => {
    const order = [...candidates.keys()].sort((a, b) => {
      const [one, two] = [candidates[a]!, candidates[b]!]
      return worth(two) - worth(one) || one.price - two.price || a - b
    })
    const better = new Map<number, number[]>()
    const kept: number[] = []
    for (const index of order) {
      const candidate = candidates[index]!
      const prices = better.get(candidate.cls) ?? []
      better.set(candidate.cls, prices)
      const beaten = limit === null ? prices.length : prices.filter((price) => price <= candidate.price).length
      if (beaten >= count) continue
      kept.push(index)
      if (!wantedElsewhere(candidate)) prices.push(candidate.price)
    }
    return kept
  })
}
