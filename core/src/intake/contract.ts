import type { Colour, Mould } from '../catalogue/index.ts'
import type { Encoding } from './encodings.ts'
import type { ListKind } from './columns.ts'
import type { ListedPart } from './partFinder.ts'
import type { MadePrint } from './printMade.ts'
import type { ReadList } from './readList.ts'

/** What to do with parts that lie there already: more of them came, or the list says how many there are. */
export type IntakeMode = 'add' | 'set'

/** A list as it is understood, with all that is needed to show it. */
export interface LookedAt extends Omit<ReadList, 'rows'> {
  id: string
  name: string
  encoding: Encoding | null
  sheets: string[]
  sheet: number
  /** What would be written; `undated` are sets of no row that says a year. */
  sum: {
    rows: number
    parts: number
    kinds: number
    bins: number
    made: number
    sets: number
    figures: number
    undated: number
  }
  /** Some of the parts, to be drawn; with what will be printed on those that are to be made, null for nothing. */
  shown: (ListedPart & { print: MadePrint | null })[]
  /** Colours and moulds that are spoken of, those of the workspace and of the starter shelf. */
  colours: Colour[]
  moulds: Mould[]
  bins: { code: string; name: string }[]
  sellers: { code: string; name: string }[]
  /** Currencies of the prices that the rate table knows nothing of; what they are worth has to be said. */
  unrated: string[]
  /** The same list, or one of that name, brought in before; null for none. */
  before: { at: string; same: boolean; differ: number } | null
}

/** What came of a list. */
export interface IntakeResult {
  /** To take it back by. */
  id: string
  /** The act to take back; null where nothing was moved. */
  act: string | null
  rows: number
  parts: number
  /** Parts, bins and sellers that were new. */
  made: { parts: number; bins: number; sellers: number; colours: number }
  /** Of a set list: the releases and figures that were made, and the sets that were there before and stay as they are. */
  sets: { releases: string[]; figures: string[]; there: string[] }
  /** Of a list of sellers or colours: the names of those that were new, of those that changed, and how many stay as they were. */
  entries: { made: string[]; changed: string[]; same: number }
}

/** A list that was brought in. */
export interface TakenList {
  id: string
  at: string
  name: string
  kind: ListKind
  rows: number
  /** The day it was taken back; null while it stands. */
  takenBack: string | null
  /** Whether one press takes it back: prices stay on record. */
  canTakeBack: boolean
}
