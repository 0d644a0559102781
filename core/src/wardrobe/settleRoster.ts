import { keepsLimits, settle } from '../sourcing/index.ts'
import { buyingOf } from './buying.ts'
import { missedWorth, type RosterOutfit, type RosterPlan, type RosterProblem } from './types.ts'

/** Everything that follows from who wears what and from what is bought. */
export interface SettledRoster extends Pick<RosterPlan, 'value' | 'spending' | 'outfits' | 'baskets' | 'surplus'> {
  /** What is not as it must be, in words; nothing where the plan keeps everything. */
  faults: string[]
}

/** Likeness of an outfit in given choices: their scores less what pairs of them take off. */
function likenessIn({ slots, pairs }: RosterOutfit, choices: Readonly<Record<string, string>>): number {
  const scores = slots.reduce(
    (sum, { id, candidates }) => sum + candidates.find((one) => one.id === choices[id])!.score,
    0,
  )
  return pairs.reduce(
    (sum, { a, b, off }) =>
      off.reduce(
        (rest, [one, other, points]) => (choices[a] === one && choices[b] === other ? rest - points : rest),
        sum,
      ),
    scores,
  )
}

/**
 * Settle a plan: work out the likeness of every outfit, hand out owned and bought parts, credit what is left over, and add
 * up. `choices` are candidates by slot, for each outfit; `units` bought units by offer id. This is the account plans are
 * published by; it knows nothing of how they were found.
 */
export function settleRoster(
  problem: RosterProblem,
  choices: readonly Readonly<Record<string, string>>[],
  units: ReadonlyMap<string, number>,
): SettledRoster {
  const { outfits, worth, limits } = problem
  const parts = outfits.flatMap(({ slots }, i) =>
    slots.flatMap(({ id, candidates }) => candidates.find((one) => one.id === choices[i]![id])!.parts),
  )
  const supply = buyingOf(problem, parts)
  const { baskets, surplus, unmet } = settle(supply, units)
  const worn = outfits.map((outfit, i) => ({
    id: outfit.id,
    choices: { ...choices[i]! },
    likeness: likenessIn(outfit, choices[i]!),
  }))
  const spent = baskets.reduce((sum, { goods, shipping, handling }) => sum + goods + shipping + handling, 0)
  const spending = spent - surplus.reduce((sum, { credit }) => sum + credit, 0)
  const value = worn.reduce((sum, { likeness }) => sum + missedWorth(worth, likeness), spending)
  const late = new Set(
    problem.sellers
      .filter((one) => limits.arriveBy !== null && one.arrivesInDays > limits.arriveBy)
      .map(({ id }) => id),
  )
  return {
    value,
    spending,
    outfits: worn,
    baskets,
    surplus,
    faults: [
      ...unmet.map(({ need }) => `part ${need} is neither owned nor bought`),
      ...outfits.flatMap(({ id, floor }, i) => (worn[i]!.likeness < floor ? [`outfit ${id} is below its floor`] : [])),
      ...facesTwice(problem, choices).map((face) => `face ${face} is worn twice`),
      ...(keepsLimits(supply, { baskets }) ? [] : ['a limit or a minimum is not kept']),
      ...baskets.flatMap(({ seller }) => (late.has(seller) ? [`seller ${seller} is too slow`] : [])),
    ],
  }
}

/** Faces that several outfits wear, where the limits ask for distinct ones. */
function facesTwice(
  { outfits, limits }: RosterProblem,
  choices: readonly Readonly<Record<string, string>>[],
): string[] {
  if (limits.faces !== 'distinct') return []
  const wearers = new Map<string, Set<number>>()
  outfits.forEach(({ slots }, i) => {
    for (const { id, candidates } of slots) {
      const face = candidates.find((one) => one.id === choices[i]![id])!.face
      if (face === null) continue
      if (!wearers.has(face)) wearers.set(face, new Set())
      wearers.get(face)!.add(i)
    }
  })
  return [...wearers].flatMap(([face, who]) => (who.size > 1 ? [face] : []))
}
