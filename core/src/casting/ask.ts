import { PLACE_FACTS, PLACES, type Brief, type Place } from '../brief/index.ts'
import type { Catalogue, Part, Placement, Slot } from '../catalogue/index.ts'
import type { HouseRules } from '../roster/index.ts'

/** Where parts may come from. */
export type CastingPool = 'owned' | 'market' | 'both'

/** Slots whose candidates a casting looks at. */
export const CASTING_SLOTS: readonly Slot[] = [
  ...new Set([...PLACES.flatMap((place) => PLACE_FACTS[place].slots[0]!), 'hips', 'lower', 'heldLeft'] as const),
]

/** Everything a casting looks at. Money is in minor units of the home currency. */
export interface CastingAsk {
  brief: Brief
  catalogue: Catalogue
  /** What is worn now: places that are not cast stay as they are. */
  worn: readonly Placement[]
  /** Candidates of each slot, assemblies among them. */
  candidates: Readonly<Partial<Record<Slot, readonly Part[]>>>
  /** Owned and free for this outfit, by part. */
  free: Readonly<Record<string, number>>
  /** Lowest single price by part; null or missing where nobody sells it. */
  lowest: Readonly<Record<string, number | null | undefined>>
  pool: CastingPool
  /** Parts that may not be worn, by code. */
  avoided: ReadonlySet<string>
  /** What the roster allows. */
  rules: HouseRules
  /** Places to leave as they are. */
  keep: readonly Place[]
  /** Whether what is worn now at a place is a candidate there, also where its pieces are no assembly and no pair. */
  offerWorn?: boolean
  /** Places that are cast also where nobody wished for anything and nothing is worn. */
  fill?: readonly Place[]
  /** Most that may be spent; null for no limit. */
  limit: number | null
  /** Points of likeness one currency unit (100 minor units) is worth. */
  priceWeight: number
}

/** Why nothing can be cast, in words a person can act on. */
export class NoCasting extends Error {
  /** Where nothing is to be had, if that is it, and whether a must asks for something there. */
  constructor(
    words: string,
    readonly nothing: { place: Place; must: boolean } | null = null,
  ) {
    super(words)
  }
}
