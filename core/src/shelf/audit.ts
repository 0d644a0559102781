import { judgesOf, likenessBy, type Brief } from '../brief/index.ts'
import type { Catalogue, Level, Placement } from '../catalogue/index.ts'
import type { Origin } from '../drawer/index.ts'
import { costToFinish, wholesWanted } from '../prices/index.ts'
import { compareTakes } from '../roster/index.ts'

/** One row of the spine in which a figure is no longer as it was released. */
export interface AuditChange {
  key: string
  label: string
  /** Code of what was worn there and what is now; null for nothing, the same code where it was altered or turned. */
  was: string | null
  is: string | null
  /** Pieces of it that are to be bought, what they cost, in a whole where that is less, and how many nobody sells. */
  toBuy: number
  cost: number
  unsold: number
}

/** A released figure beside what it became. Likeness is to the outfit's brief, in milli-points; money in minor units. */
export interface Audit {
  changes: AuditChange[]
  cost: number
  before: number
  after: number
  verdict: 'kept' | 'better' | 'worse' | 'even'
}

/** What changed since a figure was released, what it costs, and whether it is more like its brief. O(placements + wishes). */
export function auditOf(
  released: readonly Placement[],
  now: readonly Placement[],
  {
    from,
    brief,
    catalogue,
    lowest,
    level,
  }: {
    from: readonly Origin[]
    brief: Brief
    catalogue: Catalogue
    lowest: Readonly<Record<string, number | null | undefined>>
    /** How far what is bought comes apart. */
    level: Level
  },
): Audit {
  const judges = judgesOf(brief, catalogue)
  const [before, after] = [released, now].map((worn) => likenessBy(judges, worn, catalogue).milli) as [number, number]
  const priceOf = (code: string) => lowest[code]
  const costOf = (parts: readonly string[]) =>
    costToFinish(parts, priceOf, wholesWanted(parts, catalogue, priceOf, level))
  const bought: string[] = []
  const changes = compareTakes([released, now])
    .filter(({ alike }) => !alike)
    .map(({ key, label, slots, worn: [then = [], next = []] }): AuditChange => {
      const own = now.filter(({ slot }, i) => slots.includes(slot) && from[i] === 'buy').map(({ part }) => part)
      bought.push(...own)
      const { money, unsold } = costOf(own)
      return {
        key,
        label,
        was: speaking(then, next),
        is: speaking(next, then),
        toBuy: own.length,
        cost: money,
        unsold,
      }
    })
  return {
    changes,
    // A torso with its sleeves is one thing to buy and two rows.
    cost: costOf(bought).money,
    before,
    after,
    verdict: changes.length === 0 ? 'kept' : after > before ? 'better' : after < before ? 'worse' : 'even',
  }
}

/** The piece that speaks for a row: the first that is another than in the other list; hips come with their legs. */
function speaking(list: readonly Placement[], other: readonly Placement[]): string | null {
  const changed = list.filter((p) => !other.some((q) => q.slot === p.slot && q.part === p.part))
  return (changed.find(({ slot }) => slot !== 'hips') ?? changed[0] ?? list[0])?.part ?? null
}
