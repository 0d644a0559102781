import { canPick, DRESSINGS, dress, isAllowed, SLOT_FACTS, type Dressing } from '../anatomy/index.ts'
import { judgesOf, likenessBy, type Brief } from '../brief/index.ts'
import { mouldOf, type Catalogue, type Level, type Part, type Placement } from '../catalogue/index.ts'

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
  /** What comes off for it, part by part. */
  frees: Placement[]
}

/** The ways in which a part can be worn while things come apart so far. */
export const waysToWear = (part: Part, catalogue: Catalogue, level: Level): Dressing[] => {
  const { kind } = mouldOf(catalogue, part)
  return Object.values(DRESSINGS)
    .flat()
    .filter(
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

/**
 * Whether an outfit would be more like its brief with a part, and how it wears it best; null where it would not, or where
 * nothing is wished for. Equal ways go to the first in the order of the spine. O(ways × (wishes + placements)).
 */
export function useOf(part: Part, { placements, brief, level }: Wearer, catalogue: Catalogue): Use | null {
  if (brief.wishes.length === 0) return null
  const judges = judgesOf(brief, catalogue)
  const likeness = (worn: readonly Placement[]) => likenessBy(judges, worn, catalogue).milli
  const before = likeness(placements)
  let best: Use | null = null
  for (const way of waysToWear(part, catalogue, level)) {
    const worn = dress(placements, way, part, catalogue)
    const after = likeness(worn)
    if (after <= (best?.after ?? before)) continue
    best = { way, placements: worn, before, after, frees: without(placements, worn) }
  }
  return best
}
