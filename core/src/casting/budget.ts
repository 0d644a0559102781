import { likenessOf } from '../brief/index.ts'
import { NoCasting, type CastingAsk } from './ask.ts'
import { castBest } from './castBest.ts'
import { castingOf } from './castingProblem.ts'
import { cheapestPrice, outfitOf, type CastOutfit } from './cast.ts'
import type { Cast, CastEffort } from './problem.ts'

/** Limits tried between the cheapest outfit and the most alike. */
const STEPS = 24

/** The most alike outfits for less and less money, the dearest first; each is dearer and more alike than the next. */
export interface BudgetCurve {
  points: CastOutfit[]
  /** Whether every point is proven to be the most alike for its money. */
  complete: boolean
}

type Patience = Pick<CastEffort, 'seconds' | 'now'> & { onProgress?: (share: number) => void }

/** The curve of likeness against cost: the best outfit under each of STEPS limits and the one without. */
export function budgetCurve(ask: CastingAsk, { seconds, now, onProgress }: Patience): BudgetCurve {
  const casting = castingOf({ ...ask, limit: null, priceWeight: 0 })
  const best = (limit: number | null) =>
    castBest({ ...casting.problem, limit }, { count: 1, seconds: seconds / STEPS, now })
  const top = best(null)
  const first = top.casts[0]
  const least = cheapestPrice(casting.problem)
  if (!first || least === null) throw new NoCasting('No outfit can be put together from these parts.')
  const casts: Cast[] = [first]
  let complete = top.complete
  for (let step = 1; step <= STEPS; step++) {
    const limit = Math.floor(first.price - ((first.price - least) * step) / STEPS)
    const last = casts.at(-1)!
    if (limit < last.price) {
      const { casts: found, complete: proven } = best(limit)
      complete &&= proven
      if (found[0] && found[0].price < last.price) casts.push(found[0])
    }
    onProgress?.(step / STEPS)
  }
  return { points: casts.map((cast) => outfitOf(cast, first, casting, ask)), complete }
}

/**
 * The cheapest outfit that meets every must and is worth at least `floor` milli-points: the least limit under which the
 * most alike outfit still is, by bisection, since likeness never falls as the limit grows. Null when none is.
 */
export function cheapestKeeping(
  ask: CastingAsk,
  floor: number,
  { seconds, now, onProgress }: Patience,
): CastOutfit | null {
  const casting = castingOf({ ...ask, limit: null, priceWeight: 0 })
  const least = cheapestPrice(casting.problem)
  if (least === null) return null
  const best = (limit: number | null) =>
    castBest({ ...casting.problem, limit }, { count: 1, seconds: seconds / STEPS, now }).casts[0]
  let found = best(null)
  if (!found) return null
  // What places that are not cast earn is the same whatever is chosen.
  const given = likenessOf(casting.dress(found.choice), ask.brief, ask.catalogue).milli - found.worth
  if (found.worth + given < floor) return null
  let low = least - 1
  let tries = 0
  // Between `low`, under which nothing good enough is to be had, and the price of what was found.
  while (found.price - low > 1) {
    const limit: number = Math.floor((low + found.price) / 2)
    const cast = best(limit)
    if (cast && cast.worth + given >= floor) found = cast
    else low = limit
    onProgress?.(Math.min(1, (tries += 1) / STEPS))
  }
  return outfitOf(found, found, casting, ask)
}

/** What a take costs part by part, the dearest first. Shares are of the whole cost. */
export interface DearPart {
  part: string
  price: number
  share: number
}

/** Parts that have to be bought for an outfit at lowest single prices, the dearest first; unknown prices are left out. */
export function dearParts(ask: Pick<CastingAsk, 'worn' | 'free' | 'lowest'>): DearPart[] {
  const wanted = new Map<string, number>()
  for (const { part } of ask.worn) wanted.set(part, (wanted.get(part) ?? 0) + 1)
  const bought = [...wanted].flatMap(([part, qty]) => {
    const units = Math.max(0, qty - (ask.free[part] ?? 0))
    const each = ask.lowest[part]
    return units > 0 && each ? [{ part, price: units * each }] : []
  })
  const whole = bought.reduce((sum, { price }) => sum + price, 0)
  return bought
    .map(({ part, price }) => ({ part, price, share: price / whole }))
    .sort((a, b) => b.price - a.price || (a.part < b.part ? -1 : 1))
}
