import { UNMET } from '../sourcing/index.ts'
import { mostLikeness } from './rosterModel.ts'
import type { RosterPlan } from './types.ts'
import type { Wardrobe } from './wardrobe.ts'

/** Why there is no plan. */
export type Impossible = Pick<RosterPlan, 'why' | 'limit' | 'outfit'>

/**
 * What can be told at once to stand in the way of every plan: an outfit with a place of which nothing can be had, or whose
 * floor no choice reaches; and fewer faces than outfits that must wear one. Null where nothing of that is so.
 */
export function impossibleIn(wardrobe: Wardrobe): Impossible | null {
  const { problem, places, placesOf, leastPrice, ledger } = wardrobe
  for (const [i, { id, floor, slots }] of problem.outfits.entries()) {
    const bare = placesOf[i]!.findIndex((place) => leastPrice[place]!.every((price) => price >= UNMET))
    if (bare >= 0)
      return {
        outfit: id,
        why: `outfit ${id}: nothing for slot ${slots[bare]!.id} is owned or for sale within the limits`,
      }
    const most = mostLikeness(wardrobe, i)
    if (most < floor)
      return {
        outfit: id,
        why: `outfit ${id}: no choice of candidates comes to its floor of ${floor}; the most is ${Math.floor(most)}`,
      }
  }
  void ledger
  void places
  return null
}
