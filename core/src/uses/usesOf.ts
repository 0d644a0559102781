import { canPick, DRESSINGS, dress, isAllowed, SLOT_FACTS, type Dressing } from '../anatomy/index.ts'
import { judgesOf, likenessBy, PLACE_FACTS, WHOLE, type Brief } from '../brief/index.ts'
import {
  alsoFills,
  mouldOf,
  type Catalogue,
  type Level,
  type Part,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'

/** An outfit that may wear a part: what it wears now, what it shall show, and how far its house rules let things come apart. */
export interface Wearer {
  placements: readonly Placement[]
  brief: Brief
  level: Level
}

/** What wearing a part makes of an outfit. */
export interface Use {
  /** The way of dressing that does most for it. */
  way: Dressing
  /** What it wears then. */
  placements: Placement[]
  /** Likeness now and then, in milli-points of a hundred. */
  before: number
  after: number
  /** What comes off for it, and what goes on, part by part. */
  frees: Placement[]
  takes: Placement[]
}

const ALL_WAYS = Object.values(DRESSINGS).flat()

/** The ways in which a part can be worn while things come apart so far. */
export const waysToWear = (part: Part, catalogue: Catalogue, level: Level): Dressing[] => {
  const { kind } = mouldOf(catalogue, part)
  return ALL_WAYS.filter(
    (way) => SLOT_FACTS[way.slot].accepts.includes(kind) && canPick(way, part, catalogue) && isAllowed(way, level),
  )
}

/** What is in the first list and not in the second, place by place. */
function without(list: readonly Placement[], other: readonly Placement[]): Placement[] {
  const rest = other.map(({ slot, part }) => `${slot} ${part}`)
  return list.filter(({ slot, part }) => {
    const i = rest.indexOf(`${slot} ${part}`)
    if (i >= 0) rest.splice(i, 1)
    return i < 0
  })
}

/** What in the first list is worn otherwise in the second, or not at all: turned round or altered, a part looks another. */
function unlike(list: readonly Placement[], other: readonly Placement[]): Placement[] {
  const looks = ({ slot, part, turned, altered = [], made }: Placement) =>
    altered.length > 0 || made ? JSON.stringify([slot, part, turned, altered, made]) : `${slot} ${part} ${turned}`
  const known = new Set(other.map(looks))
  return list.filter((one) => !known.has(looks(one)))
}

/** What comes off and what goes on between two outfits, place by place. */
export const changesOf = (before: readonly Placement[], after: readonly Placement[]) => ({
  frees: without(before, after),
  takes: without(after, before),
})

/**
 * Whether an outfit would be more like its brief with a part, and how it wears it best; null where it would not, or where
 * nothing is wished for. Equal ways go to the first in the order of the spine. O(ways × (wishes + placements)).
 */
export const useOf = (part: Part, wearer: Wearer, catalogue: Catalogue): Use | null =>
  tryingOn(wearer, catalogue)(part, wearer.placements)

/** Slots that are looked at as a pair. */
const SIDES = [
  ['armRight', 'armLeft'],
  ['handRight', 'handLeft'],
  ['legRight', 'legLeft'],
] as const

/** Pairs of which one side shows something else than the other. */
function uneven(placements: readonly Placement[], catalogue: Catalogue): number {
  const looks = (side: Placement['slot']) => {
    const part = catalogue.parts.get(placements.find(({ slot }) => slot === side)?.part ?? '')
    // Prints of both sides have names of their own.
    return part ? `${part.colours.join(' ')} ${part.print !== null}` : ''
  }
  return SIDES.filter(([right, left]) => looks(right) !== looks(left)).length
}

/**
 * The same for whoever tries many parts on one outfit: its wishes are made ready once, whatever it wears. With `even` no part is put on
 * one side of a pair that would differ from the other then: half a pair of boots is half as like.
 */
export function tryingOn(
  { brief, level }: Pick<Wearer, 'brief' | 'level'>,
  catalogue: Catalogue,
  even = false,
): (part: Part, placements: readonly Placement[]) => Use | null {
  if (brief.wishes.length === 0) return () => null
  const judges = judgesOf(brief, catalogue)
  const known = new Map<readonly Placement[], Standing>()
  const standingIn = (placements: readonly Placement[]): Standing => {
    let standing = known.get(placements)
    if (standing) return standing
    const { milli, terms } = likenessBy(judges, placements, catalogue)
    standing = { milli, terms: terms.map((term) => term.milli) }
    known.set(placements, standing)
    return standing
  }
  return (part, placements) => {
    const { milli: before, terms } = standingIn(placements)
    let best: Use | null = null
    for (const way of waysToWear(part, catalogue, level)) {
      const worn = dress(placements, way, part, catalogue)
      const { frees, takes } = changesOf(placements, worn)
      const slots = new Set(
        [...unlike(placements, worn), ...unlike(worn, placements)].flatMap((one) => slotsOf(one, catalogue)),
      )
      const touched = judges.map(({ wish }) => PLACE_FACTS[wish.place].slots.some((slot) => slots.has(slot)))
      // What is not touched stays as it was; at best all that is comes right, and nothing is held against each other any more.
      const sum = (of: (i: number) => number, is: boolean) =>
        touched.reduce((total, own, i) => (own === is ? total + of(i) : total), 0)
      const stays = sum((i) => terms[i]!, false)
      const most = stays + sum((i) => judges[i]!.most, true)
      if (Math.min(WHOLE, most) <= (best?.after ?? before)) continue
      const own = likenessBy(
        judges.filter((_, i) => touched[i]),
        worn,
        catalogue,
      )
      const after = Math.max(0, Math.min(WHOLE, stays + sumOf(own.terms) - sumOf(own.deductions)))
      if (after <= (best?.after ?? before)) continue
      if (even && uneven(worn, catalogue) > uneven(placements, catalogue)) continue
      best = { way, placements: worn, before, after, frees, takes }
    }
    return best
  }
}

/** How like its brief something is, and wish by wish, in milli-points. */
interface Standing {
  milli: number
  terms: readonly number[]
}

const sumOf = (list: readonly { milli: number }[]) => list.reduce((sum, { milli }) => sum + milli, 0)

/** Places in which a worn part is seen: of a whole nobody has written the pieces of, those of its pieces too. */
function slotsOf({ slot, part: code }: Placement, catalogue: Catalogue): Slot[] {
  const part = catalogue.parts.get(code)
  return part ? [slot, ...alsoFills(part, catalogue)] : [slot]
}
