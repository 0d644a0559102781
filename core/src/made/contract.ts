import type { MadeBand, Drawables } from '../catalogue/index.ts'
import type { Wearable } from '../anatomy/index.ts'

/** Something made of several parts, as it is kept. */
export interface MadeItem extends Wearable {
  /** What it is, as briefs wish for it; empty where nobody said. */
  what: string
  /** Whose idea it was; empty where nobody said. */
  credit: string
  note: string
  /** How high the torso sits on it where it is a body of one's own, in figure units; 0 for all else. */
  height: number
  bands: MadeBand[]
  /** Goes up with every change; a write with an older one is refused. */
  version: number
  /** Outfits that wear it in some take. */
  wornBy: { id: string; name: string }[]
}

/** All of them, with what drawing them takes. */
export interface MadeItems extends Drawables {
  items: MadeItem[]
}

/** What came of a change: how many outfits wear it as it is now. */
export interface MadeSaved {
  id: string
  version: number
  followed: number
}
