import { countParts, groupsOf, type Piece } from '../anatomy/index.ts'
import { groupBy } from '../base/index.ts'
import { type Level } from '../catalogue/index.ts'
import { MilpBuilder, type SolveMilp } from '../solver/index.ts'
import { isCopy, type Donor, type Drawer, type Source } from '../drawer/index.ts'
import type { Portion, Wanting } from './shareOut.ts'

/** An outfit that asks the drawer for what it wears, in the order outfits come first. */
export interface Asking extends Wanting {
  /** How many of a part were promised to it, whoever comes first. */
  promised?: Readonly<Record<string, number>>
}

/** What an allotment is judged by, in this order; all as little as possible. */
export interface AllotmentTerms {
  /** Parts to buy. */
  toBuy: number
  /** Of those, parts nobody sells singly. */
  unoffered: number
  /** What the others cost at their lowest single prices, home currency, minor units. */
  price: number
  /** Donors taken apart. */
  donors: number
}

export interface Allotment<W> {
  shares: (W & Portion)[]
  terms: AllotmentTerms
  /** false where the solver ran out of time before it knew that nothing is better. */
  proven: boolean
}

interface AllotOptions {
  /** Lowest single price, home currency; null or undefined where nobody sells it. */
  priceOf: (part: string) => number | null | undefined
  solve: SolveMilp
  /** Wall-clock limit of one step of the solver, of which there are at most six. */
  seconds?: number
}

/** What some outfits still need after what stands on them, and what they were given. */
interface Claim {
  need: Map<string, number>
  promised: Map<string, number>
  level: Level
  given: Map<string, Exclude<Source, null>[]>
  /** Which pieces came off donors for it, by code and place in their list: a donor can have a part twice. */
  off: Map<string, Set<number>>
}

/**
 * Give the drawer to outfits so that fewest parts are to be bought, then for least money, with fewest donors taken apart;
 * among equals, whom a part was promised has it, then who comes first in the list. Promises go before everything.
 *
 * Exact: parts that no useful donor could give are dealt out in order, which nothing betters; the others are a
 * mixed-integer program, solved criterion after criterion. Its size is outfits × parts in contested donors.
 */
export function allot<W extends Asking>(
  drawer: Drawer,
  asking: readonly W[],
  { priceOf, solve, seconds = 2 }: AllotOptions,
): Allotment<W> {
  const claims = asking.map(claimOf)
  const contested = contestedParts(drawer, claims)
  const proven = contested.size === 0 || settleContested({ drawer, claims, contested, priceOf, solve, seconds })
  dealOut(drawer.loose, claims, contested)
  const shares = sharesOf(drawer, asking, claims)
  const bought = shares.flatMap(({ placements, sources }) => placements.filter((_, i) => sources[i] === null))
  const used = new Set(shares.flatMap(({ sources }) => sources.flatMap((source) => source?.donor ?? [])))
  return {
    shares,
    proven,
    terms: {
      toBuy: bought.length,
      unoffered: bought.filter(({ part }) => (priceOf(part) ?? null) === null).length,
      price: bought.reduce((sum, { part }) => sum + (priceOf(part) ?? 0), 0),
      donors: used.size,
    },
  }
}

function claimOf({ placements, standing, level, promised }: Asking): Claim {
  const need = countParts(placements.filter((placement) => !isCopy(placement)))
  for (const [part, qty] of Object.entries(standing ?? {}))
    if (need.has(part)) need.set(part, Math.max(0, need.get(part)! - qty))
  for (const [part, qty] of need) if (qty === 0) need.delete(part)
  const held = Object.entries(promised ?? {}).map(([part, qty]): [string, number] => [
    part,
    Math.min(qty, need.get(part) ?? 0),
  ])
  return { need, promised: new Map(held), level, given: new Map(), off: new Map() }
}

/** A group of joined pieces, with how many of each part are in it. */
interface Group {
  pieces: Piece[]
  counts: [part: string, qty: number][]
}

/** The groups of some pieces by level; worked out once for all outfits whose rules go as far. */
function groupsByLevel(pieces: readonly Piece[]): (level: Level) => Group[] {
  const known = new Map<Level, Group[]>()
  return (level) => {
    const found =
      known.get(level) ?? groupsOf(pieces, level).map((group) => ({ pieces: group, counts: [...countParts(group)] }))
    known.set(level, found)
    return found
  }
}

/** Whether a group is needed as a whole. */
const fits = ({ counts }: Group, { need }: Claim): boolean =>
  counts.every(([part, qty]) => (need.get(part) ?? 0) >= qty)

/** Parts of which it matters who has them: those that come along where a donor could end a shortage. */
function contestedParts({ loose, donors }: Drawer, claims: readonly Claim[]): Set<string> {
  const demand = new Map<string, number>()
  for (const { need } of claims) for (const [part, qty] of need) demand.set(part, (demand.get(part) ?? 0) + qty)
  const short = new Set([...demand].flatMap(([part, qty]) => (qty > (loose[part] ?? 0) ? part : [])))
  const isShort = ({ part }: Piece) => short.has(part)
  const contested = new Set<string>()
  for (const { pieces } of donors) {
    if (!pieces.some(isShort)) continue
    const groupsAt = groupsByLevel(pieces)
    for (const claim of claims)
      for (const group of groupsAt(claim.level))
        if (group.pieces.some(isShort) && fits(group, claim)) for (const { part } of group.pieces) contested.add(part)
  }
  return contested
}

const give = (claim: Claim, part: string, source: Exclude<Source, null>): void => {
  claim.given.set(part, [...(claim.given.get(part) ?? []), source])
}

/** Loose parts to whom they were promised, then to who comes first; contested ones are dealt out already. */
function dealOut(loose: Drawer['loose'], claims: readonly Claim[], contested: ReadonlySet<string>): void {
  const left = new Map(Object.entries(loose))
  const deal = (claim: Claim, part: string, most: number) => {
    for (let n = Math.min(most, left.get(part) ?? 0); n > 0; n--) {
      left.set(part, left.get(part)! - 1)
      give(claim, part, { donor: null })
    }
  }
  for (const claim of claims) for (const [part, qty] of claim.promised) if (!contested.has(part)) deal(claim, part, qty)
  for (const claim of claims)
    for (const [part, qty] of claim.need)
      if (!contested.has(part)) deal(claim, part, qty - (claim.given.get(part)?.length ?? 0))
}

interface Contest extends Required<AllotOptions> {
  drawer: Drawer
  claims: readonly Claim[]
  contested: ReadonlySet<string>
}

/** Solve who has the contested parts; whether the answer is proven. */
function settleContested({ drawer, claims, contested, priceOf, solve, seconds }: Contest): boolean {
  const milp = new MilpBuilder()
  const loose: { claim: Claim; part: string; column: number }[] = []
  const bought: { part: string; rank: number; column: number }[] = []
  const broken: number[] = []
  const groups: { claim: Claim; kind: readonly Donor[]; pieces: readonly Piece[]; column: number }[] = []
  const touched: number[] = []

  for (const claim of claims)
    for (const [part, qty] of claim.need)
      if (contested.has(part))
        loose.push({ claim, part, column: milp.column(0, Math.min(qty, drawer.loose[part] ?? 0)) })
  // Donors with the same pieces are one kind with several copies. What comes off them at different levels lies within each
  // other or apart, so that a kind can give whatever loads no piece more often than it has copies (see `dealCopies`).
  for (const kind of groupBy(drawer.donors, ({ pieces }) => JSON.stringify(pieces)).values()) {
    const [{ pieces: all }] = kind as [Donor, ...Donor[]]
    if (!all.some(({ part }) => contested.has(part))) continue
    const groupsAt = groupsByLevel(all)
    const offered = claims.flatMap((claim) =>
      groupsAt(claim.level)
        .filter((group) => group.pieces.some(({ part }) => contested.has(part)) && fits(group, claim))
        .map((group) => ({
          claim,
          kind,
          pieces: group.pieces,
          column: milp.column(0, mostOf(group, claim, kind.length)),
        })),
    )
    if (offered.length === 0) continue
    groups.push(...offered)
    const opened = milp.column(0, kind.length)
    touched.push(opened)
    for (const piece of all) {
      const having = offered.filter(({ pieces }) => pieces.includes(piece))
      // A piece goes to one outfit only, and only off a donor that is taken apart.
      if (having.length > 0)
        milp.row(-Infinity, 0, [...having.map(({ column }): [number, number] => [column, 1]), [opened, -1]])
    }
  }
  const looseOf = groupBy(loose, ({ claim }) => claim)
  const groupsFor = groupBy(groups, ({ claim }) => claim)
  claims.forEach((claim, at) => {
    for (const { part, column } of looseOf.get(claim) ?? []) {
      const qty = claim.need.get(part)!
      const buy = milp.column(0, qty)
      bought.push({ part, rank: claims.length - at, column: buy })
      const had: [number, number][] = [[column, 1]]
      for (const { pieces, column: group } of groupsFor.get(claim) ?? []) {
        const count = pieces.filter((piece) => piece.part === part).length
        if (count > 0) had.push([group, count])
      }
      milp.row(qty, qty, [...had, [buy, 1]])
      const promised = claim.promised.get(part) ?? 0
      if (promised > 0) {
        const short = milp.column(0, promised)
        broken.push(short)
        milp.row(promised, Infinity, [...had, [short, 1]])
      }
    }
  })
  for (const part of contested)
    milp.row(
      -Infinity,
      drawer.loose[part] ?? 0,
      loose.filter((one) => one.part === part).map(({ column }) => [column, 1]),
    )

  const unpriced = (part: string) => (priceOf(part) ?? null) === null
  const criteria: [column: number, weight: number][][] = [
    broken.map((column) => [column, 1]),
    bought.map(({ column }) => [column, 1]),
    bought.filter(({ part }) => unpriced(part)).map(({ column }) => [column, 1]),
    bought.filter(({ part }) => !unpriced(part)).map(({ part, column }) => [column, priceOf(part)!]),
    touched.map((column) => [column, 1]),
    bought.map(({ rank, column }) => [column, rank]),
  ]
  let values: readonly number[] | null = null
  let proven = true
  for (const criterion of criteria) {
    if (criterion.length === 0) continue
    const reachedBy = (point: readonly number[]) =>
      criterion.reduce((sum, [column, weight]) => sum + point[column]! * weight, 0)
    // No criterion falls below zero: one that is there already needs no proof.
    if (values && reachedBy(values) === 0) {
      milp.row(-Infinity, 0, criterion)
      continue
    }
    for (const column of milp.model.columns) column.cost = 0
    for (const [column, weight] of criterion) milp.model.columns[column]!.cost = weight
    const outcome = solve(milp.model, { seconds, gap: 0, ...(values ? { start: values } : {}) })
    proven &&= outcome.status === 'optimal'
    // The point of the criterion before stays feasible; without a better one it is kept.
    values = outcome.values?.map(Math.round) ?? values
    if (!values) break
    milp.row(-Infinity, reachedBy(values), criterion)
  }
  for (const { claim, part, column } of loose)
    for (let n = values?.[column] ?? 0; n > 0; n--) give(claim, part, { donor: null })
  for (const [kind, given] of groupBy(groups, (group) => group.kind))
    dealCopies(
      kind,
      given.flatMap(({ claim, pieces, column }) =>
        Array.from({ length: values?.[column] ?? 0 }, () => ({ claim, pieces })),
      ),
    )
  return proven && values !== null
}

/** How often a claim could use a group. */
const mostOf = ({ counts }: Group, { need }: Claim, copies: number): number =>
  Math.min(copies, ...counts.map(([part, qty]) => Math.floor((need.get(part) ?? 0) / qty)))

/**
 * Say which copy of a kind gives what. The largest groups come first: what is placed already and meets a group then holds
 * all of it, so that a copy is left as long as no piece is given more often than there are copies.
 */
function dealCopies(kind: readonly Donor[], given: { claim: Claim; pieces: readonly Piece[] }[]): void {
  const gone = kind.map(() => new Set<Piece>())
  for (const { claim, pieces } of given.sort((a, b) => b.pieces.length - a.pieces.length)) {
    const at = gone.findIndex((taken) => !pieces.some((piece) => taken.has(piece)))
    const { code } = kind[at]!
    const off = claim.off.get(code) ?? new Set<number>()
    claim.off.set(code, off)
    for (const piece of pieces) {
      gone[at]!.add(piece)
      off.add(kind[0]!.pieces.indexOf(piece))
      give(claim, piece.part, { donor: code })
    }
  }
}

/**
 * The portion of each outfit: where its placements come from, and the drawer as it finds it, without what those before it
 * have, what the others take off donors, and what it lacks but others have.
 */
function sharesOf<W extends Asking>(drawer: Drawer, asking: readonly W[], claims: readonly Claim[]): (W & Portion)[] {
  // Few donors give anything; of those, who has which piece.
  const off = new Map<string, { claim: number; pieces: ReadonlySet<number> }[]>()
  claims.forEach((claim, at) => {
    for (const [donor, pieces] of claim.off) off.set(donor, [...(off.get(donor) ?? []), { claim: at, pieces }])
  })
  return asking.map((want, at) => {
    const loose = { ...drawer.loose }
    for (const [part, qty] of Object.entries(want.standing ?? {})) loose[part] = (loose[part] ?? 0) + qty
    const own = claims[at]!
    claims.forEach((claim, other) => {
      if (other === at) return
      for (const [part, sources] of claim.given)
        for (const { donor } of sources)
          if (donor === null && (other < at || (own.need.get(part) ?? 0) > (own.given.get(part)?.length ?? 0)))
            loose[part] = loose[part]! - 1
    })
    const left = new Map([...own.given].map(([part, sources]) => [part, [...sources]]))
    const standing = { ...want.standing }
    const sources = want.placements.map((placement): Source => {
      if (isCopy(placement)) return { donor: null, elsewhere: true }
      if ((standing[placement.part] ?? 0) > 0) {
        standing[placement.part]!--
        return { donor: null }
      }
      return left.get(placement.part)?.shift() ?? null
    })
    const donors = drawer.donors.map((donor) => {
      const others = off.get(donor.code)?.filter(({ claim }) => claim !== at) ?? []
      if (others.length === 0) return donor
      const pieces = donor.pieces.filter((_, piece) => !others.some((other) => other.pieces.has(piece)))
      return pieces.length === donor.pieces.length ? donor : { ...donor, pieces }
    })
    return { ...want, drawer: { loose, donors }, sources }
  })
}
