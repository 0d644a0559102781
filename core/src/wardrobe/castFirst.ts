import { UNMET } from '../sourcing/index.ts'
import type { Wardrobe } from './wardrobe.ts'

/**
 * Cast first, buy after: every place takes the choice of the best score less the lowest single price of its parts, as whoever
 * casts outfit by outfit does; a face somebody wears is left to them, where there is another, if faces are to differ. It is
 * where plans begin, and what they are compared with.
 */
export function castFirst({ places, leastPrice, problem }: Wardrobe): number[] {
  const taken = new Map<number, number>()
  return places.map(({ outfit, choices }, place) => {
    let best = 0
    let most = -Infinity
    choices.forEach(({ score, face }, choice) => {
      const worn = problem.limits.faces === 'distinct' && face >= 0 && (taken.get(face) ?? outfit) !== outfit
      const its = (score * problem.worth) / 1000 - leastPrice[place]![choice]! - (worn ? UNMET : 0)
      if (its > most) [best, most] = [choice, its]
    })
    const { face } = choices[best]!
    if (face >= 0) taken.set(face, outfit)
    return best
  })
}
