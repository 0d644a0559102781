import type { Borrowed, Official, Unaltered } from './official.ts'
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

/** An outfit somebody gains by something, as it is named. */
export interface Gainer {
  outfit: string
  name: string
  roster: { id: string; name: string }
  /** Likeness now and then, in milli-points of a hundred. */
  before: number
  after: number
}

/** A part of a release, with what it would do. */
export interface MinedPart {
  part: string
  /** How many are in a box, and how many are owned now. */
  qty: number
  owned: number
  /** Lowest price of one by itself, home currency in minor units. */
  lowest: number | null
  /** How many outfits would be more like their briefs, and by how many milli-points together. */
  found: number
  gain: number
  /** Those who gain most, with what they wear now and then. */
  best: (Gainer & { way: string; worn: Placement[]; placements: Placement[] })[]
  /** Owned parts it suits as if they were made for each other; told of parts that are new. */
  goesWith: { part: string; reasons: string[] }[]
}

/** Outfits of one roster that one part would dress anew in the same place. */
export interface MinedCrowd {
  roster: { id: string; name: string }
  part: string
  /** What the part is worn as: its key and its name. */
  way: { key: string; label: string }
  /** The parts that come off all of them; none where the place is bare. */
  frees: string[]
  members: Gainer[]
  /** Boxes that bring one for each, and what so many cost singly; null where it is not sold. */
  boxes: number
  singly: number | null
}

/** What so many boxes do, dealt out to who gains most. */
export interface MinedBoxes {
  boxes: number
  gain: number
  dressed: (Gainer & { pieces: string[]; worn: Placement[]; placements: Placement[] })[]
  /** Pieces nobody wears. */
  left: { part: string; qty: number }[]
}

/** A release looked through for what it could do: its parts, the most useful first. */
export interface MinedRelease extends Drawables {
  release: { code: string; name: string; kind: string; year: number }
  /** Whether a box brings one of these figures by chance, so that a full case is looked at. */
  isCase: boolean
  /** Lowest price of a box, or of a case pack by pack, home currency in minor units. */
  price: number | null
  mined: MinedPart[]
  crowds: MinedCrowd[]
  /** One box, two, three, for as long as one more does something. */
  deals: MinedBoxes[]
  /** Whether one box more than the last told would do something too. */
  goesOn: boolean
  /** Outfits with wishes, which were asked. */
  asked: number
  /** Figures in it that may stand for somebody who was planned. */
  officials: OfficialTold[]
  /** Things that are new on a list and were not looked at, since there are so many; 0 for a release. */
  passed: number
  /** Parts in it that come as others were altered to look. */
  unaltered: (Unaltered & { name: string; roster: { id: string; name: string } })[]
}

/** A figure of a release beside an outfit that was planned before it came. */
export interface OfficialTold extends Official {
  name: string
  roster: { id: string; name: string }
  take: { label: string }
  version: number
  figureName: string
  /** Lowest price of the figure alone, home currency in minor units; null where nobody sells it. */
  price: number | null
  worn: Placement[]
  placements: Placement[]
  /** Parts of it that would do something for the outfit. */
  borrow: Borrowed[]
}

/** One outfit of a roster with a part put on it, for better or worse. */
export interface ExchangedFigure extends Gainer {
  /** Whether anything is wished for, so that likeness tells something. */
  isBriefed: boolean
  worn: Placement[]
  placements: Placement[]
  /** Codes of what comes off, and of what goes on. */
  frees: string[]
  takes: string[]
}

/** One part put on a whole roster: what each would look like, and what is to be had for it. */
export interface Exchange extends Drawables {
  roster: { id: string; name: string }
  part: string
  /** Ways it can be worn by somebody of the roster, and the one that is shown. */
  ways: { key: string; label: string }[]
  way: string | null
  figures: ExchangedFigure[]
  /** Outfits that wear it so already, and that may not wear it by their house rules, by name. */
  wearing: string[]
  barred: string[]
  /** Of each piece that goes on how many lie free, and the lowest price; null where nobody sells it. */
  pieces: { part: string; free: number; lowest: number | null }[]
}
