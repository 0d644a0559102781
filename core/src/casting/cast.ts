import { likenessOf, type Likeness } from '../brief/index.ts'
import { partLabel, type Placement } from '../catalogue/index.ts'
import { homeMoney } from '../market/index.ts'
import { NoCasting, type CastingAsk } from './ask.ts'
import { castBest } from './castBest.ts'
import { castingOf, type Casting } from './castingProblem.ts'
import type { Cast, CastEffort, CastProblem } from './problem.ts'

/** An outfit that was cast. */
export interface CastOutfit {
  placements: Placement[]
  likeness: Likeness
  /** What has to be bought, at lowest single prices without shipping; home currency, minor units. */
  price: number
  /** Parts in which it differs from the first of the row, in words. */
  apart: string[]
}

export interface CastingResult {
  outfits: CastOutfit[]
  /** Whether these are proven to be the best; else the time ran out, and none is worth more than `bound` milli-points. */
  complete: boolean
  bound: number
  explored: number
}

/** The best outfits for a brief. Throws NoCasting when there is none. */
export function castOutfits(ask: CastingAsk, effort: CastEffort): CastingResult {
  const casting = castingOf(ask)
  const { casts, complete, bound, explored } = castBest(casting.problem, effort)
  if (casts.length === 0) throw new NoCasting(tooTight(casting, ask))
  const first = casts[0]!
  return {
    outfits: casts.map((cast) => outfitOf(cast, first, casting, ask)),
    complete,
    bound,
    explored,
  }
}

export function outfitOf(cast: Cast, first: Cast, casting: Casting, ask: CastingAsk): CastOutfit {
  const placements = casting.dress(cast.choice)
  return {
    placements,
    likeness: likenessOf(placements, ask.brief, ask.catalogue),
    price: cast.price,
    apart: differences(casting.partsOf(cast.choice), casting.partsOf(first.choice), cast, first, ask),
  }
}

function differences(
  parts: Record<string, string | null>,
  others: Record<string, string | null>,
  cast: Cast,
  first: Cast,
  ask: CastingAsk,
): string[] {
  return Object.entries(parts).flatMap(([key, code], i) => {
    if (cast.choice[i] === first.choice[i]) return []
    const part = ask.catalogue.parts.get(code ?? '')
    if (!part) return [`nothing as ${key}`]
    return [code === others[key] ? `${part.name}, the other face` : partLabel(ask.catalogue, part)]
  })
}

/** A limit that nothing keeps: what the cheapest outfit with every must comes to. */
function tooTight({ problem }: Casting, { limit }: CastingAsk): string {
  const cheapest = cheapestPrice(problem)
  return limit === null || cheapest === null
    ? 'No outfit can be put together from these parts: one that is needed twice is there only once.'
    : `Nothing that meets every must can be had for ${homeMoney(limit)}; the cheapest comes to ${homeMoney(cheapest)}.`
}

/** Price of the cheapest cast at all; null where there is none. */
export function cheapestPrice(problem: CastProblem): number | null {
  const { casts } = castBest(
    {
      ...problem,
      slots: problem.slots.map(({ key, candidates }) => ({
        key,
        candidates: candidates.map((candidate) => ({ ...candidate, value: 0 })),
      })),
      penalty: () => 0,
      markPenalty: 0,
      priceWeight: 1,
      limit: null,
    },
    { count: 1, seconds: 2, now: () => 0 },
  )
  return casts[0]?.price ?? null
}
