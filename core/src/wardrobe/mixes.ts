import type { WardrobeState, Wardrobe } from './wardrobe.ts'

/** Plans that are mixed, and choices mixed in: of a place, and of all together, at the most. */
const MIXED = 8
const MOST_CHOICES = 9
const MIXED_CHOICES = 900

/** Choices of each place, and sellers, out of which the exact solver finds the best plan. */
export interface Mix {
  allowed: number[][]
  sellers: Set<string>
}

/** What the exact solver is given: the sellers of one good plan after the other, with the choices that raise the bound least. */
export class Mixes {
  /** Sets of sellers it was given. */
  private readonly given = new Set<string>()

  constructor(private readonly wardrobe: Wardrobe) {}

  /** The sellers of the best plan whose sellers were not given yet; null where all were. `rises` as of `RosterBound`. */
  next(plans: readonly WardrobeState[], rises: readonly Float64Array[]): Mix | null {
    for (const plan of plans.slice(0, MIXED)) {
      const key = activeIn(this.wardrobe, plan).join(' ')
      if (this.given.has(key)) continue
      this.given.add(key)
      return this.of([plan], rises)
    }
    return null
  }

  /** The choices and sellers of several good plans together. */
  together(plans: readonly WardrobeState[], rises: readonly Float64Array[]): Mix {
    return this.of(plans.slice(0, MIXED), rises)
  }

  private of(plans: readonly WardrobeState[], rises: readonly Float64Array[]): Mix {
    const { places, ledger, supply } = this.wardrobe
    const sellers = new Set(plans.flatMap((plan) => activeIn(this.wardrobe, plan)))
    const drawer = supply.sellers.length
    const had = ledger.ways.map((ways) => ways.some(({ seller }) => seller === drawer || sellers.has(seller)))
    const most = Math.max(2, Math.min(MOST_CHOICES, Math.round(MIXED_CHOICES / Math.max(1, places.length))))
    const allowed = places.map(({ choices }, place) => {
      const own = new Set(plans.map(({ choice }) => choice[place]!))
      const order = [...choices.keys()].sort((a, b) => rises[place]![a]! - rises[place]![b]!)
      for (const choice of order) {
        if (own.size >= most) break
        if (choices[choice]!.needs.every((need) => had[need])) own.add(choice)
      }
      return [...own]
    })
    return { allowed, sellers: new Set([...sellers].map((s) => supply.sellers[s]!.id)) }
  }
}

/** Sellers a plan buys from, by index. */
export function activeIn({ ledger }: Wardrobe, { fill }: WardrobeState): number[] {
  const found = new Set<number>()
  for (const ways of ledger.ways) for (const { at, seller } of ways) if (fill[at]! > 0) found.add(seller)
  found.delete(ledger.sellerCount)
  return [...found]
}
