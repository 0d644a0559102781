import type { Drawables, Placement } from '../catalogue/index.ts'

/** An outfit that a part would make more like its brief. */
export interface PartUse {
  outfit: string
  name: string
  roster: { id: string; name: string }
  take: { id: string; label: string }
  /** Version of the outfit, for whoever writes it. */
  version: number
  /** What the part is worn as, such as "Headgear" or "Both" of the arms. */
  way: string
  /** Likeness now and then, in milli-points of a hundred. */
  before: number
  after: number
  worn: Placement[]
  placements: Placement[]
  /** How many of the part the drawer can give this outfit. */
  free: number
  /** Codes of the parts that come off. */
  frees: string[]
  /** Titles of the pins that go, and of those that come. */
  mends: string[]
  brings: string[]
}

/** Where a part would do something, best first. */
export interface PartUses extends Drawables {
  part: string
  uses: PartUse[]
  /** Outfits that were asked: those with wishes. */
  asked: number
  /** Of those how many would be more like their briefs; the best of them are told. */
  found: number
  /** Outfits that wear it now. */
  wornBy: number
}
