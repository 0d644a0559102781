import { STATES, STATE_WORDS, type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'

/** "3 built, 2 with parts to buy, 1 being dressed": how far outfits are, the furthest first. */
export function stateCounts(outfits: readonly ShelfOutfit[]): string {
  const counted = [...STATES].reverse().flatMap((state) => {
    const count = outfits.filter((outfit) => outfit.state === state).length
    return count > 0 ? [`${count} ${STATE_WORDS[state].counted}`] : []
  })
  return counted.join(', ') || 'nobody yet'
}

/** What a roster cost and will, against its budget; home currency, minor units. `over` is below 0 for what is left. */
export function costsOf({ outfits, paid, budget }: Pick<RosterShelf, 'outfits' | 'paid' | 'budget'>): {
  paid: number
  toCome: number
  unsold: number
  budget: number | null
  over: number
} {
  const toCome = outfits.reduce((sum, outfit) => sum + outfit.toCome.money, 0)
  const unsold = outfits.reduce((sum, outfit) => sum + outfit.toCome.unsold, 0)
  return { paid, toCome, unsold, budget, over: budget === null ? 0 : paid + toCome - budget }
}
