import { UNMET } from '../sourcing/index.ts'
import type { Wardrobe } from './wardrobe.ts'

/** Rounds in which an outfit's slots are chosen anew, given its others; few are needed. */
const ROUNDS = 20

/**
 * Cast first, buy after: one outfit after the other takes the choices of the best score less the lowest single price of what
 * is no longer owned, as whoever casts outfit by outfit does; a face somebody wears is left to them, where there is another,
 * if faces are to differ. It is where plans begin, and what they are compared with. Choices of one outfit are the best ones
 * given each other, not always the best together.
 */
export function castFirst({ places, placesOf, problem, supply, ledger }: Wardrobe): number[] {
  const owned = new Map(supply.owned.map(({ part, qty }) => [part, qty]))
  const left = Float64Array.from(supply.needs, ({ id }) => owned.get(id) ?? 0)
  const lowest = ledger.ways.map((ways) =>
    ways.reduce((least, { price, seller }) => (seller === ledger.sellerCount ? least : Math.min(least, price)), UNMET),
  )
  const wearer = new Map<number, number>()
  const choice = new Array<number>(places.length).fill(-1)
  /** Put a choice on, or with -1 take it off. */
  const use = (place: number, sign: 1 | -1) => {
    const { needs, counts } = places[place]!.choices[choice[place]!]!
    needs.forEach((need, k) => (left[need]! -= sign * counts[k]!))
  }
  const valueOf = (place: number, one: number, outfit: number): number => {
    const { choices, beside } = places[place]!
    const { needs, counts, score, face } = choices[one]!
    let points = score
    for (const { place: other, width, off } of beside)
      if (choice[other]! >= 0) points -= off[one * width + choice[other]!]!
    let price = 0
    needs.forEach((need, k) => {
      const short = counts[k]! - Math.max(0, left[need]!)
      if (short > 0) price += short * lowest[need]!
    })
    const worn = problem.limits.faces === 'distinct' && face >= 0 && (wearer.get(face) ?? outfit) !== outfit
    return (points * problem.worth) / 1000 - price - (worn ? UNMET : 0)
  }
  placesOf.forEach((own, outfit) => {
    for (let round = 0, changed = true; changed && round < ROUNDS; round++) {
      changed = false
      for (const place of own) {
        const before = choice[place]!
        if (before >= 0) use(place, -1)
        let [best, most] = [Math.max(0, before), valueOf(place, Math.max(0, before), outfit)]
        places[place]!.choices.forEach((_, one) => {
          const its = valueOf(place, one, outfit)
          if (its > most) [best, most] = [one, its]
        })
        choice[place] = best
        use(place, 1)
        if (best !== before) changed = true
      }
    }
    for (const place of own) {
      const { face } = places[place]!.choices[choice[place]!]!
      if (face >= 0) wearer.set(face, outfit)
    }
  })
  return choice
}
