/** What the server tells of the drawer and the screen shows. */
import type { Slot } from '../catalogue/index.ts'
import type { ActKind, Moved } from './acts.ts'
import type { Bin, BinKind } from './contents.ts'
import type { Counted } from './stocktake.ts'

/** A bin as one sees it from above. */
export interface BoxBin extends Bin {
  /** Parts in it, and different ones. */
  units: number
  kinds: number
  /** The parts it has most of, to be drawn on its lid. */
  lid: string[]
}

/** Where owned parts are, in numbers: by what their bins are, and what is not there yet or any more. */
export type DrawerCounts = Record<BinKind | 'onTheWay' | 'sold', number>

export interface PartsBox {
  bins: BoxBin[]
  counts: DrawerCounts
}

/** Something worth memoized of a part or an outfit. */
export interface Remark {
  id: string
  at: string
  part: string | null
  kind: 'misprint' | 'fault' | 'photo' | 'note'
  text: string
  photo: string | null
}

export interface BinContents {
  bin: Bin
  lying: Counted[]
  /** The same as one finds it there: how many assemblies lie together. */
  wholes: Counted[]
  trays: { code: string; name: string }[]
  /** For a figure: every piece it was released with, and whether it is still there. */
  donor: { name: string; pieces: { slot: Slot; part: string; there: boolean }[] } | null
  /** The outfit that stands in it. */
  outfit: { id: string; name: string } | null
  remarks: Remark[]
}

/** An act as a history tells it. */
export interface ToldAct {
  id: string
  at: string
  kind: ActKind
  text: string
  photo: string | null
  /** The act it takes back, and the one that took it back. */
  reverses: string | null
  reversedBy: string | null
  moves: Moved[]
}
