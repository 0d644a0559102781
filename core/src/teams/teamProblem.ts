/** A head or headgear a member of a team may get. */
export interface TeamOption {
  /** Options of one class are alike to the other side's penalties. */
  cls: number
  /** What it earns each member, an integer; null where the member may not have it. */
  values: readonly (number | null)[]
  /** Resources it takes one unit of each from, by index. */
  uses: readonly number[]
}

export interface TeamHead extends TeamOption {
  /** Which face it shows; heads of one face are taken for each other. */
  face: number
}

/**
 * Give each member one head and one headgear so that the sum of their values less what head and headgear of a member hold
 * against each other is greatest, no face is shown more often than allowed, and no resource is taken more often than there
 * are units. All values are integers; heads and headgear draw on different resources.
 */
export interface TeamProblem {
  members: number
  heads: readonly TeamHead[]
  gears: readonly TeamOption[]
  /** What a class of heads and one of headgear hold against each other; an integer of at least 0. */
  penalty: (head: number, gear: number) => number
  /** Times each face may be shown. */
  faceCaps: readonly number[]
  /** Units of each resource. */
  caps: readonly number[]
}

/** Indices of the head and headgear of each member. */
export interface TeamCast {
  heads: number[]
  gears: number[]
  worth: number
}

export interface TeamEffort {
  seconds: number
  /** A clock in seconds. */
  now: () => number
  onProgress?: (progress: { worth: number | null; bound: number; looked: number }) => void
}

export interface TeamResult {
  /** null where no cast keeps to everything. */
  cast: TeamCast | null
  /** No cast is worth more. */
  bound: number
  /** Proven: `cast` is worth `bound`, or there is none. */
  complete: boolean
  /** Parts of the problem that were looked at. */
  looked: number
}

/** What a cast is worth; null when it breaks a limit or gives somebody what they may not have. O(members). */
export function priceTeam(problem: TeamProblem, heads: readonly number[], gears: readonly number[]): number | null {
  const { penalty } = problem
  const faces = new Map<number, number>()
  const used = new Map<number, number>()
  let worth = 0
  for (const [i, h] of heads.entries()) {
    const [head, gear] = [problem.heads[h]!, problem.gears[gears[i]!]!]
    const [a, b] = [head.values[i], gear.values[i]]
    if (a === null || a === undefined || b === null || b === undefined) return null
    worth += a + b - penalty(head.cls, gear.cls)
    faces.set(head.face, (faces.get(head.face) ?? 0) + 1)
    for (const r of [...head.uses, ...gear.uses]) used.set(r, (used.get(r) ?? 0) + 1)
  }
  for (const [face, times] of faces) if (times > problem.faceCaps[face]!) return null
  for (const [r, units] of used) if (units > problem.caps[r]!) return null
  return worth
}
