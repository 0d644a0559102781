import type { ShelfOutfit } from '@outfit/core/shelf'
import { rosterApi, type OutfitChange, type OutfitFacts } from '../data/rosterApi.ts'
import { tell, tellError, warn } from '../ui/tell.ts'
import { collisionsInWords } from './collisions.ts'

/**
 * Change outfits of a roster, many at once, with a way back. `was` says what each had; where another window changed that
 * meanwhile, its change stays and is told.
 */
export function useChangeOutfits(roster: string) {
  const [save, state] = rosterApi.endpoints.changeOutfits.useMutation()
  const change = async (
    outfits: readonly ShelfOutfit[],
    set: (outfit: ShelfOutfit) => OutfitFacts,
    was: (outfit: ShelfOutfit) => OutfitFacts,
  ) => {
    const changes: OutfitChange[] = outfits.map((outfit) => ({ id: outfit.id, set: set(outfit), was: was(outfit) }))
    const answer = await save({ roster, outfits: changes })
    if (answer.error) return tellError(answer.error)
    const { collided } = answer.data
    if (collided.length > 0) warn(collisionsInWords(collided))
    const done = changes.filter(({ id }) => !collided.some((one) => one.id === id))
    if (done.length === 0) return
    const named = outfits.find(({ id }) => id === done[0]!.id)!.name
    tell(done.length === 1 ? `${named} changed.` : `${done.length} outfits changed.`, () =>
      save({ roster, outfits: done.map(({ id, set: now, was: before }) => ({ id, set: before, was: now })) }),
    )
  }
  return [change, state] as const
}
