import type { Wardrobe } from './wardrobe.ts'

/**
 * Cast first, buy after: every place takes the choice of the best score less the lowest single price of its parts, as whoever
 * casts outfit by outfit does. It is where plans begin, and what they are compared with.
 */
export function castFirst({ places, leastPrice, problem }: Wardrobe): number[] {
  return places.map(({ choices }, place) => {
    let best = 0
    let most = -Infinity
    choices.forEach(({ score }, choice) => {
      const its = (score * problem.worth) / 1000 - leastPrice[place]![choice]!
      if (its > most) [best, most] = [choice, its]
    })
    return best
  })
}
