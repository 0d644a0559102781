import { countParts, groupsOf, piecesGiven, type Piece } from '../anatomy/index.ts'
import type { Level, Placement } from '../catalogue/index.ts'
import { isCopy, type Donor, type Drawer, type Source } from '../drawer/index.ts'

const ELSEWHERE: Source = { donor: null, elsewhere: true }

/** Pieces that come off one donor. */
interface Given {
  donor: string
  pieces: Piece[]
}

/**
 * What the drawer gives for some placements, one source each, and what it has afterwards. Of parts that do not lie loose
 * often enough the donor gives first that has most of them, and so on, taken apart no further than `level`, so that few are
 * disturbed; what comes along with a joined piece need not be taken from the loose ones. Ties go by code. Where that leaves
 * something wanting that the donors could give, other ways to take them apart are tried. O(placements × donors).
 */
export function takeFrom(
  drawer: Drawer,
  placements: readonly Pick<Placement, 'part' | 'altered'>[],
  level: Level,
): { sources: Source[]; left: Drawer } {
  const needed = countParts(placements.filter((placement) => !isCopy(placement)))
  const donors = byCode(drawer.donors)
  const first = fewDonors(drawer, donors, needed, level)
  const wanting = shortAfter(drawer, needed, first)
  const picked =
    wanting > unavoidable(drawer, needed) ? (otherDonors(drawer, donors, needed, level, wanting) ?? first) : first
  const given = new Map<string, string[]>()
  const gone = new Set<Piece>()
  for (const { donor, pieces } of picked)
    for (const piece of pieces) {
      needed.set(piece.part, needed.get(piece.part)! - 1)
      given.set(piece.part, [...(given.get(piece.part) ?? []), donor])
      gone.add(piece)
    }
  const loose = { ...drawer.loose }
  const sources = placements.map((placement): Source => {
    if (isCopy(placement)) return ELSEWHERE
    const { part } = placement
    const still = needed.get(part) ?? 0
    if (still > 0 && (loose[part] ?? 0) > 0) {
      loose[part]!--
      needed.set(part, still - 1)
      return { donor: null }
    }
    const donor = given.get(part)?.shift()
    return donor === undefined ? null : { donor }
  })
  const left =
    gone.size === 0 ? donors : donors.map((one) => ({ ...one, pieces: one.pieces.filter((p) => !gone.has(p)) }))
  return { sources, left: { loose, donors: left } }
}

/** Sorted by code, which a drawer out of another allocation is already. */
function byCode(donors: readonly Donor[]): readonly Donor[] {
  const sorted = donors.every(({ code }, at) => at === 0 || donors[at - 1]!.code <= code)
  return sorted ? donors : [...donors].sort((a, b) => (a.code < b.code ? -1 : 1))
}

/** One donor after the other, always the one that ends most shortages. */
function fewDonors(
  drawer: Drawer,
  sorted: readonly Donor[],
  wanted: ReadonlyMap<string, number>,
  level: Level,
): Given[] {
  const needed = new Map(wanted)
  const picked: Given[] = []
  let donors = sorted
  for (;;) {
    const short = new Map<string, number>()
    for (const [part, qty] of needed)
      if (qty > (drawer.loose[part] ?? 0)) short.set(part, qty - (drawer.loose[part] ?? 0))
    if (short.size === 0) return picked
    let best: { donor: Donor; pieces: Piece[]; gain: number } | null = null
    for (const donor of donors) {
      if (!donor.pieces.some(({ part }) => short.has(part))) continue
      const { pieces, gain } = givenBy(donor, level, needed, short)
      if (gain > (best?.gain ?? 0)) best = { donor, pieces, gain }
    }
    if (!best) return picked
    const { donor, pieces } = best
    picked.push({ donor: donor.code, pieces })
    for (const { part } of pieces) needed.set(part, needed.get(part)! - 1)
    donors = donors.map((one) =>
      one === donor ? { ...donor, pieces: donor.pieces.filter((piece) => !pieces.includes(piece)) } : one,
    )
  }
}

/** How many parts are still wanting when some pieces came off donors. */
function shortAfter({ loose }: Drawer, wanted: ReadonlyMap<string, number>, picked: readonly Given[]): number {
  const off = countParts(picked.flatMap(({ pieces }) => pieces))
  let short = 0
  for (const [part, qty] of wanted) short += Math.max(0, qty - (off.get(part) ?? 0) - (loose[part] ?? 0))
  return short
}

/** How many parts are wanting however donors are taken apart. */
function unavoidable({ loose, donors }: Drawer, wanted: ReadonlyMap<string, number>): number {
  const there = new Map<string, number>()
  for (const { pieces } of donors)
    for (const { part } of pieces) if (wanted.has(part)) there.set(part, (there.get(part) ?? 0) + 1)
  let short = 0
  for (const [part, qty] of wanted) short += Math.max(0, qty - (there.get(part) ?? 0) - (loose[part] ?? 0))
  return short
}

/** So many ways to take donors apart are tried, which is far more than a figure's parts usually allow. */
const MOST_TRIES = 5000

/** Groups of pieces that leave fewer parts wanting than `wanting`, found by trying; null where none were found. */
function otherDonors(
  drawer: Drawer,
  donors: readonly Donor[],
  wanted: ReadonlyMap<string, number>,
  level: Level,
  wanting: number,
): Given[] | null {
  const groups = donors.flatMap(({ code, pieces }) =>
    groupsOf(pieces, level)
      .filter((group) => group.every(({ part }) => wanted.has(part)))
      .map((group): Given => ({ donor: code, pieces: [...group] })),
  )
  const needed = new Map(wanted)
  const least = unavoidable(drawer, wanted)
  const picked: Given[] = []
  const used = new Set<Given>()
  const settled = new Set<string>()
  let best: Given[] | null = null
  let fewest = wanting
  let tries = 0
  const visit = () => {
    if (++tries > MOST_TRIES || fewest === least) return
    const short = shortAfter(drawer, wanted, picked)
    if (short < fewest) [fewest, best] = [short, [...picked]]
    const part = [...needed].find(([one, qty]) => !settled.has(one) && qty > (drawer.loose[one] ?? 0))?.[0]
    if (part === undefined) return
    for (const group of groups) {
      if (used.has(group) || !group.pieces.some((piece) => piece.part === part)) continue
      const counts = [...countParts(group.pieces)]
      if (counts.some(([one, qty]) => (needed.get(one) ?? 0) < qty)) continue
      used.add(group)
      picked.push(group)
      for (const [one, qty] of counts) needed.set(one, needed.get(one)! - qty)
      visit()
      for (const [one, qty] of counts) needed.set(one, needed.get(one)! + qty)
      picked.pop()
      used.delete(group)
    }
    // Or what is short of it stays short.
    settled.add(part)
    visit()
    settled.delete(part)
  }
  visit()
  return best
}

/** The pieces of a donor that come off for what is needed: whole groups that end a shortage. `gain` are the shortages. */
function givenBy(
  { pieces }: Donor,
  level: Level,
  needed: ReadonlyMap<string, number>,
  short: ReadonlyMap<string, number>,
): { pieces: Piece[]; gain: number } {
  const left = new Map(needed)
  const lacking = new Map(short)
  const taken: Piece[] = []
  let gain = 0
  for (const group of groupsOf(pieces, level)) {
    const counts = [...countParts(group)]
    const ends = counts.reduce((sum, [part, qty]) => sum + Math.min(qty, lacking.get(part) ?? 0), 0)
    if (ends === 0 || counts.some(([part, qty]) => (left.get(part) ?? 0) < qty)) continue
    gain += ends
    taken.push(...group)
    for (const [part, qty] of counts) {
      left.set(part, left.get(part)! - qty)
      lacking.set(part, Math.max(0, (lacking.get(part) ?? 0) - qty))
    }
  }
  return { pieces: taken, gain }
}

/** Placements the drawer does not give. */
export function missingFrom(placements: readonly Placement[], drawer: Drawer, level: Level): Placement[] {
  const { sources } = takeFrom(drawer, placements, level)
  return placements.filter((_, i) => sources[i] === null)
}

/** How many of each part the drawer could give when it is taken apart as far as `level`, whatever is worn with it. */
export function freeIn({ loose, donors }: Drawer, level: Level): Record<string, number> {
  const free: Record<string, number> = { ...loose }
  for (const { pieces } of donors)
    for (const { part } of piecesGiven(pieces, level, () => Infinity)) free[part] = (free[part] ?? 0) + 1
  return free
}
