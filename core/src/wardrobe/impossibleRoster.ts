import type { Milp, MilpOutcome } from '../solver/index.ts'
import { UNMET, type SourcingProblem } from '../sourcing/index.ts'
import { mostLikeness, rosterModel } from './rosterModel.ts'
import type { RosterPlan, RosterProblem } from './types.ts'
import type { Wardrobe } from './wardrobe.ts'

/** Why there is no plan. */
export type Impossible = Pick<RosterPlan, 'why' | 'limit' | 'outfit' | 'would'>

/**
 * What can be told at once to stand in the way of every plan: an outfit with a slot of which nothing can be had, or whose
 * floor no choice reaches; and fewer faces than outfits that must wear one. Null where nothing of that is so.
 */
export function impossibleIn(wardrobe: Wardrobe): Impossible | null {
  const { problem, placesOf, leastPrice } = wardrobe
  const { arriveBy } = problem.limits
  let low: (Impossible & { would: number }) | null = null
  for (const [i, { id, floor, slots }] of problem.outfits.entries()) {
    const bare = placesOf[i]!.findIndex((place) => leastPrice[place]!.every((price) => price >= UNMET))
    if (bare >= 0) {
      const needed = arriveBy === null ? null : daysNeeded(problem)
      const late = needed !== null && needed > arriveBy!
      return {
        outfit: id,
        ...(late ? { limit: 'arriveBy', would: needed } : {}),
        why: `outfit ${id}: nothing for slot ${slots[bare]!.id} is owned or for sale${late ? ` in time; ${needed} days would do` : ''}`,
      }
    }
    const most = Math.floor(mostLikeness(wardrobe, i))
    // Of several floors that cannot be reached the lowest that would do for all of them is told.
    if (most < floor && (low === null || most < low.would))
      low = {
        outfit: id,
        would: most,
        why: `outfit ${id}: nothing that can be had comes to its floor of ${floor}; the most is ${most}`,
      }
  }
  return low ?? (problem.limits.faces === 'distinct' ? fewFaces(wardrobe) : null)
}

/** Days after which something for every slot can be there; null where that is never. O(parts of candidates). */
function daysNeeded({ outfits, owned, offers, sellers }: RosterProblem): number | null {
  const days = new Map<string, number>()
  const daysOf = new Map(sellers.map(({ id, arrivesInDays }) => [id, arrivesInDays]))
  for (const { seller, yields } of offers)
    for (const { part } of yields) days.set(part, Math.min(days.get(part) ?? Infinity, daysOf.get(seller) ?? Infinity))
  for (const { part } of owned) days.set(part, 0)
  const soonest = outfits.flatMap(({ slots }) =>
    slots.map(({ candidates }) =>
      Math.min(...candidates.map(({ parts }) => Math.max(0, ...parts.map(({ part }) => days.get(part) ?? Infinity)))),
    ),
  )
  const needed = Math.max(0, ...soonest)
  return Number.isFinite(needed) ? needed : null
}

/** Outfits that must wear a face, matched with faces; the first that finds none (augmenting paths; Kuhn 1955). */
function fewFaces({ problem, places, placesOf, leastPrice }: Wardrobe): Impossible | null {
  const facesOf = problem.outfits.map((_, i) => {
    const had = (place: number) => places[place]!.choices.filter((_, c) => leastPrice[place]![c]! < UNMET)
    const must = placesOf[i]!.find((place) => had(place).every(({ face }) => face >= 0))
    return must === undefined ? null : [...new Set(had(must).map(({ face }) => face))]
  })
  const wearer = new Map<number, number>()
  const place = (outfit: number, seen: Set<number>): boolean =>
    facesOf[outfit]!.some((face) => {
      if (seen.has(face)) return false
      seen.add(face)
      const other = wearer.get(face)
      if (other !== undefined && !place(other, seen)) return false
      wearer.set(face, outfit)
      return true
    })
  for (const [i, { id }] of problem.outfits.entries()) {
    const seen = new Set<number>()
    if (!facesOf[i] || place(i, seen)) continue
    return {
      limit: 'faces',
      outfit: id,
      why: `outfit ${id} finds no face of its own: ${seen.size + 1} outfits choose among ${seen.size} faces`,
    }
  }
  return null
}

/**
 * Whether a limit on money or parcels stands in the way of every plan, found out by minimising what it limits; with the
 * smallest one that would do. What is found within the limits is handed to `take`; `leastSpent` is the least some plan
 * without the budget spends, infinite where none is known.
 */
export function tightIn(
  wardrobe: Wardrobe,
  supply: SourcingProblem,
  solve: (model: Milp, seconds: number) => MilpOutcome,
  left: () => number,
  take: (choices: number[], units: Map<string, number>) => void,
  leastSpent: number,
): Impossible | null {
  const all = wardrobe.places.map(({ choices }) => [...choices.keys()])
  for (const [limit, objective, words] of [
    ['budget', 'spending', 'a budget'],
    ['parcels', 'parcels', 'a number of parcels'],
  ] as const) {
    const most = supply.limits[limit]
    if (most === null) continue
    const without = { ...supply, limits: { ...supply.limits, [limit]: null } }
    const model = rosterModel(wardrobe, without, all, objective)
    const { values, bound, status } = solve(model.milp, left() / 2)
    if (values) take(model.choicesOf(values), model.unitsInModel(values))
    if (status === 'infeasible') continue
    const least = Math.ceil(bound - 1e-4)
    // What was found would do, if perhaps not the least that would.
    const found = values && Math.round(model.milp.columns.reduce((sum, { cost }, i) => sum + cost * values[i]!, 0))
    const known = Math.min(found ?? Infinity, limit === 'budget' ? leastSpent : Infinity)
    const would = status === 'optimal' ? least : Number.isFinite(known) ? known : null
    if (least > most)
      return {
        limit,
        ...(would === null ? {} : { would }),
        why: `${words} of ${most} cannot be kept; it would have to be ${least}${status === 'optimal' ? '' : ' at least'}`,
      }
  }
  return null
}
