import { dress, type Dressing } from '../anatomy/index.ts'
import { likenessOf } from '../brief/index.ts'
import type { Catalogue, Part, Placement } from '../catalogue/index.ts'
import { changesOf, waysToWear, type Wearer } from './usesOf.ts'

/** What putting one part on an outfit makes of it, for better or worse. */
export interface Exchanged {
  placements: Placement[]
  before: number
  after: number
  frees: Placement[]
  takes: Placement[]
}

/**
 * Put a part on in one way whatever comes of it; null where that changes nothing, or where the house rules keep it from being worn so.
 * Likeness is 0 before and after where nothing is wished for.
 */
export function exchangeOn(
  part: Part,
  way: Dressing['key'],
  { placements, brief, level }: Wearer,
  catalogue: Catalogue,
): Exchanged | null {
  const own = waysToWear(part, catalogue, level).find(({ key }) => key === way)
  if (!own) return null
  const worn = dress(placements, own, part, catalogue)
  const { frees, takes } = changesOf(placements, worn)
  if (frees.length + takes.length === 0) return null
  const likeness = (all: readonly Placement[]) =>
    brief.wishes.length === 0 ? 0 : likenessOf(all, brief, catalogue).milli
  return { placements: worn, before: likeness(placements), after: likeness(worn), frees, takes }
}
