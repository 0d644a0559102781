import type { Level, Placement, Slot } from '../catalogue/index.ts'
import { isCopy, type Drawer, type Source } from '../drawer/index.ts'
import { freeIn, takeFrom } from './allocate.ts'

/** What an outfit wears, and how far its house rules let things be taken apart. */
export interface Wanting {
  placements: readonly Placement[]
  level: Level
  /** What stands on it already, by part: its own, whoever else comes first. */
  standing?: Readonly<Record<string, number>>
}

/** What the drawer has when it is an outfit's turn, and where each of its placements comes from. */
export interface Portion {
  drawer: Drawer
  sources: Source[]
}

/** Give the drawer to outfits in the order of the list, since a part can be on one figure only. */
export function shareOut<W extends Wanting>(drawer: Drawer, wanting: readonly W[]): (W & Portion)[] {
  let left = drawer
  return wanting.map((want) => {
    const before = withStanding(left, want.standing)
    const taken = takeFrom(before, want.placements, want.level)
    // Of what stands on it the outfit used first; what it leaves of that stays on it and is nobody else's.
    left = want.standing ? { ...taken.left, loose: least(left.loose, taken.left.loose) } : taken.left
    return { ...want, drawer: before, sources: taken.sources }
  })
}

function withStanding(drawer: Drawer, standing: Wanting['standing']): Drawer {
  if (!standing) return drawer
  const loose = { ...drawer.loose }
  for (const [part, qty] of Object.entries(standing)) loose[part] = (loose[part] ?? 0) + qty
  return { ...drawer, loose }
}

const least = (one: Drawer['loose'], other: Drawer['loose']): Record<string, number> =>
  Object.fromEntries(Object.entries(one).map(([part, qty]) => [part, Math.min(qty, other[part] ?? 0)]))

/**
 * Owned parts that are spare, by part, when outfits give back what they wear in some slots and everybody else keeps what
 * they have, also what stands built. `gives` says which slots an outfit gives back; donors are taken apart as far as `level`.
 */
export function spareWhen<W extends Wanting>(
  drawer: Drawer,
  wanting: readonly W[],
  gives: (want: W) => readonly Slot[],
  level: Level,
): Record<string, number> {
  const given: Record<string, number> = {}
  let left = drawer
  for (const want of wanting) {
    const slots = gives(want)
    const before = withStanding(left, want.standing)
    const kept = want.placements.filter(({ slot }) => !slots.includes(slot))
    const after = takeFrom(before, kept, want.level).left
    left = want.standing ? { ...after, loose: least(left.loose, after.loose) } : after
    // What it gives back lies on its figure, where it stands built.
    if (!want.standing) continue
    const standing = { ...want.standing }
    for (const { part } of kept) standing[part] = (standing[part] ?? 0) - 1
    for (const { slot, part } of want.placements)
      if (slots.includes(slot) && (standing[part] ?? 0) > 0) {
        standing[part]!--
        given[part] = (given[part] ?? 0) + 1
      }
  }
  const free = freeIn(left, level)
  for (const [part, qty] of Object.entries(given)) free[part] = (free[part] ?? 0) + qty
  return free
}

/** How many loose ones of each part outfits have out of the drawer, what stands on them aside. O(placements). */
export function looseUsed(portions: readonly (Wanting & Pick<Portion, 'sources'>)[]): Record<string, number> {
  const used: Record<string, number> = {}
  for (const { placements, sources, standing } of portions) {
    const own = { ...standing }
    placements.forEach(({ part }, i) => {
      const source = sources[i]
      if (!source || source.elsewhere || source.donor !== null) return
      if ((own[part] ?? 0) > 0) own[part]!--
      else used[part] = (used[part] ?? 0) + 1
    })
  }
  return used
}

/** Loose parts nobody counts on, by part. */
export function spareLoose({ loose }: Drawer, portions: Parameters<typeof looseUsed>[0]): Record<string, number> {
  const used = looseUsed(portions)
  return Object.fromEntries(
    Object.entries(loose)
      .map(([part, qty]) => [part, qty - (used[part] ?? 0)] as const)
      .filter(([, qty]) => qty > 0),
  )
}

/** Whether every part an outfit wears, copies by others aside, stands on it. */
export function standsBuilt({ placements, standing }: Wanting): boolean {
  if (!standing || placements.length === 0) return false
  const left = { ...standing }
  return placements.every((placement) => {
    if (isCopy(placement)) return true
    left[placement.part] = (left[placement.part] ?? 0) - 1
    return left[placement.part]! >= 0
  })
}

/**
 * Names of others the drawer gives some parts to, by part; a name once for each unit. Made ready once for everybody who
 * asks. O(placements), and O(units told) each time.
 */
export function takenBy<S extends Portion & { placements: readonly Placement[]; name: string }>(
  all: readonly S[],
): (own: S, parts: Iterable<string>) => Record<string, string[]> {
  const having = new Map<string, S[]>()
  for (const one of all)
    one.placements.forEach(({ part }, i) => {
      const source = one.sources[i]
      if (!source || source.elsewhere) return
      const list = having.get(part)
      if (list) list.push(one)
      else having.set(part, [one])
    })
  return (own, parts) => {
    const taken: Record<string, string[]> = {}
    for (const part of new Set(parts)) {
      const names = (having.get(part) ?? []).flatMap((other) => (other === own ? [] : other.name))
      if (names.length > 0) taken[part] = names
    }
    return taken
  }
}
