/** What the server tells of the catalogue and the screen shows, where core computes nothing of it. */

/** Tables whose entries can be made and changed by hand. */
export type Editable = 'colours' | 'moulds' | 'prints' | 'parts' | 'figures' | 'releases'

/** A figure that wears a part. */
export interface CarryingFigure {
  code: string
  name: string
  year: number
  /** How often the figure wears the part. */
  qty: number
}

/** A release that brings a part. */
export interface CarryingRelease {
  code: string
  name: string
  kind: string
  year: number
  qty: number
  /** Only in it loose, on no figure. */
  loose: boolean
  /** Packs in a case, where a pack brings one figure by chance and `qty` counts what a full case brings. */
  packs: number | null
}

/** Where a part can be found: the newest of those that carry it, and how many there are. */
export interface Carriers {
  figures: CarryingFigure[]
  figureCount: number
  releases: CarryingRelease[]
  releaseCount: number
}

/** A wish for a mould and print in a colour it was never made in. */
export interface Wish {
  id: string
  mould: string
  print: string | null
  colour: string
  /** What is wished for, in words. */
  name: string
  at: string
  fulfilledBy: string | null
  fulfilledAt: string | null
  /** Whether the news that it is fulfilled was seen. */
  seen: boolean
}

/** A wish that came true: its id and the part that brought it. */
export interface Fulfilled {
  wish: string
  part: string
}

/** An entry that was written by hand. */
export interface SavedEntry {
  code: string
  /** Whether it was made by this. */
  made: boolean
  fulfilled: Fulfilled[]
}
