import type { Brief, Place } from '../brief/index.ts'
import type { Catalogue, Part, Placement, Slot } from '../catalogue/index.ts'
import type { HouseRules } from '../roster/index.ts'

/** Where parts may come from. */
export type CastingPool = 'owned' | 'market' | 'both'

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
  /** Most that may be spent; null for no limit. */
  limit: number | null
  /** Points of likeness one currency unit (100 minor units) is worth. */
  priceWeight: number
}

/** Why nothing can be cast, in words a person can act on. */
export class NoCasting extends Error {}
