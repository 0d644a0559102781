import { assign } from '../solver/index.ts'
import {
  priceTeam,
  type TeamCast,
  type TeamEffort,
  type TeamOption,
  type TeamProblem,
  type TeamResult,
} from './teamProblem.ts'

/** What is decided about a member in a part of the search: resources it must or may not use. */
interface Node {
  must: ReadonlySet<number>[]
  not: ReadonlySet<number>[]
  prices: Float64Array
  bound: number
}

/** Rounds of price changes at the start, and in each part of the search. */
const ROUNDS = { first: 240, later: 50 } as const

/**
 * The best cast of a team, exactly: resources are priced (Lagrangian relaxation, Held and Karp 1971), which leaves an
 * assignment of members to faces that is solved exactly and bounds every cast from above; casts found on the way are mended
 * and improved member by member and pair by pair; what gap is left is closed by branching on who uses a scarce resource.
 * Where the time runs out the best cast found comes with the bound that is proven. Deterministic but for the clock.
 */
export function castTeam(problem: TeamProblem, { seconds, now, onProgress }: TeamEffort): TeamResult {
  const start = now()
  const relaxed = relaxationOf(problem)
  let best: TeamCast | null = null
  let looked = 0
  const offer = (cast: TeamCast | null) => {
    if (cast && (!best || cast.worth > best.worth)) best = cast
  }
  const late = () => now() - start > seconds
  const none = Array.from({ length: problem.members }, () => new Set<number>())
  const open: Node[] = [{ must: none, not: none, prices: new Float64Array(problem.caps.length), bound: Infinity }]
  /** Highest bound of what was left undone. */
  let undone = -Infinity
  const floor = floorOf(problem)
  const worthOfBest = () => (best as TeamCast | null)?.worth ?? -Infinity
  while (open.length > 0) {
    const node = open.pop()!
    if (node.bound <= worthOfBest()) continue
    if (late()) {
      undone = Math.max(undone, node.bound)
      continue
    }
    looked += 1
    const outcome = work(node, looked === 1 ? ROUNDS.first : ROUNDS.later)
    if (!outcome) continue
    const { bound, picks, prices } = outcome
    if (looked % 5 === 1)
      onProgress?.({
        worth: (best as TeamCast | null)?.worth ?? null,
        bound: Math.max(bound, ...open.map((n) => n.bound)),
        looked,
      })
    if (bound <= worthOfBest()) continue
    const branch = branchOf(picks, prices, node)
    if (!branch) {
      undone = Math.max(undone, bound)
      continue
    }
    const { member, resource } = branch
    const grown = (sets: ReadonlySet<number>[]) =>
      sets.map((set, i) => (i === member ? new Set([...set, resource]) : set))
    open.push(
      { must: node.must, not: grown(node.not), prices, bound },
      { must: grown(node.must), not: node.not, prices, bound },
    )
  }
  const bound = Math.max(undone, worthOfBest())
  return { cast: best, bound, complete: undone <= worthOfBest(), looked }

  /** Price the resources of a node until its bound is as low as it gets; null where it has no cast. */
  function work(node: Node, rounds: number): { bound: number; picks: Picks; prices: Float64Array } | null {
    const count = (sets: readonly ReadonlySet<number>[], r: number) => sets.filter((set) => set.has(r)).length
    if (problem.caps.some((cap, r) => count(node.must, r) > cap)) return null
    // What no more members may use than there is needs no price.
    const scarce = problem.caps.map((cap, r) => problem.members - count(node.not, r) > cap)
    let prices = node.prices.map((price, r) => (scarce[r] ? price : 0))
    let bound = node.bound
    let kept: { picks: Picks; prices: Float64Array } | null = null
    let step = 1.5
    let still = 0
    for (let round = 0; round < rounds; round++) {
      const picks = relaxed(prices, node.must, node.not)
      if (!picks) return null
      const value = Math.floor(picks.value + prices.reduce((sum, price, r) => sum + price * problem.caps[r]!, 0) + 1e-6)
      if (value < bound || !kept) {
        bound = Math.min(bound, value)
        kept = { picks, prices }
        still = 0
      } else if (++still >= 12) {
        step /= 2
        still = 0
      }
      if (round % 10 === 0 || round === rounds - 1) offer(improved(problem, picks))
      // Below what any cast at all would be worth there is none: its prices rise for ever.
      if (bound < floor) return null
      if (bound <= worthOfBest() || late()) break
      const used = usesOf(problem, picks)
      const slope = problem.caps.map((cap, r) => {
        const left = cap - used[r]!
        return !scarce[r] || (left > 0 && prices[r] === 0) ? 0 : left
      })
      const norm = slope.reduce((sum, s) => sum + s * s, 0)
      if (norm === 0) {
        offer(castOf(problem, picks))
        break
      }
      const gap = Math.max(1, value - (Number.isFinite(worthOfBest()) ? worthOfBest() : floor))
      const next = new Float64Array(prices.length)
      for (let r = 0; r < next.length; r++) next[r] = Math.max(0, prices[r]! - (step * gap * slope[r]!) / norm)
      prices = next
    }
    if (kept) offer(castOf(problem, kept.picks))
    return kept && { bound, ...kept }
  }

  /** Who is to be asked next whether they use what; null when everything is settled. */
  function branchOf(
    picks: Picks,
    prices: Float64Array,
    { must, not }: Node,
  ): { member: number; resource: number } | null {
    const used = usesOf(problem, picks)
    let best: { member: number; resource: number; weight: number } | null = null
    for (let r = 0; r < problem.caps.length; r++) {
      const over = used[r]! - problem.caps[r]!
      const weight = over > 0 ? 1e6 * over + prices[r]! : prices[r]! * -over
      if (weight <= 1e-9 || (best && weight <= best.weight)) continue
      const users = picks.heads.map((h, i) =>
        [...problem.heads[h]!.uses, ...problem.gears[picks.gears[i]!]!.uses].includes(r),
      )
      const asked = users.findIndex((uses, i) => uses === over > 0 && !must[i]!.has(r) && !not[i]!.has(r))
      if (asked >= 0) best = { member: asked, resource: r, weight }
    }
    return best
  }
}

/** No cast is worth less. */
function floorOf({ members, heads, gears, penalty }: TeamProblem): number {
  const least = (options: readonly TeamOption[], i: number) =>
    options.reduce((low, { values }) => Math.min(low, values[i] ?? Infinity), Infinity)
  const [a, b] = [heads, gears].map((options) => [...new Set(options.map(({ cls }) => cls))]) as [number[], number[]]
  const most = a.reduce((high, one) => b.reduce((top, other) => Math.max(top, penalty(one, other)), high), 0)
  return Array.from({ length: members }, (_, i) => least(heads, i) + least(gears, i) - most).reduce(
    (sum, v) => sum + v,
    0,
  )
}

interface Picks {
  heads: number[]
  gears: number[]
  value: number
}

const usesOf = ({ heads, gears, caps }: TeamProblem, picks: Pick<Picks, 'heads' | 'gears'>): number[] => {
  const used = caps.map(() => 0)
  for (const [i, h] of picks.heads.entries())
    for (const r of [...heads[h]!.uses, ...gears[picks.gears[i]!]!.uses]) used[r]!++
  return used
}

const castOf = (problem: TeamProblem, { heads, gears }: Picks): TeamCast | null => {
  const worth = priceTeam(problem, heads, gears)
  return worth === null ? null : { heads: [...heads], gears: [...gears], worth }
}

/** Classes of options as small numbers, and what they hold against each other as a table. */
function tables({ heads, gears, penalty }: TeamProblem) {
  const number = (options: readonly TeamOption[]) => {
    const list = [...new Set(options.map(({ cls }) => cls))]
    return { list, of: new Int32Array(options.map(({ cls }) => list.indexOf(cls))) }
  }
  const [a, b] = [number(heads), number(gears)]
  const held = a.list.map((one) => new Float64Array(b.list.map((other) => penalty(one, other))))
  return { headCls: a.of, gearCls: b.of, held }
}

/** The problem without limits on resources, each of which has a price instead. */
function relaxationOf(problem: TeamProblem) {
  const { members, heads, gears, faceCaps } = problem
  const { headCls, gearCls, held } = tables(problem)
  const gearClasses = held[0]?.length ?? 0
  const allowed = (
    option: TeamOption,
    must: ReadonlySet<number>,
    not: ReadonlySet<number>,
    own: ReadonlySet<number>,
  ) => {
    for (const r of option.uses) if (not.has(r)) return false
    for (const r of must) if (own.has(r) && !option.uses.includes(r)) return false
    return true
  }
  const usedBy = (options: readonly TeamOption[]) => new Set(options.flatMap(({ uses }) => uses))
  const [ofHeads, ofGears] = [usedBy(heads), usedBy(gears)]
  return (
    prices: Float64Array,
    must: readonly ReadonlySet<number>[],
    not: readonly ReadonlySet<number>[],
  ): Picks | null => {
    const worth: Float64Array[] = []
    const pickedHead: Int32Array[] = []
    const pickedGear: Int32Array[] = []
    for (let i = 0; i < members; i++) {
      const free = must[i]!.size === 0 && not[i]!.size === 0
      const bestGear = new Float64Array(gearClasses).fill(-Infinity)
      const gearOf = new Int32Array(gearClasses).fill(-1)
      for (let g = 0; g < gears.length; g++) {
        const gear = gears[g]!
        const value = gear.values[i]
        if (value === null || value === undefined || !(free || allowed(gear, must[i]!, not[i]!, ofGears))) continue
        let net = value
        for (const r of gear.uses) net -= prices[r]!
        const cls = gearCls[g]!
        if (net > bestGear[cls]!) {
          bestGear[cls] = net
          gearOf[cls] = g
        }
      }
      // For each class of heads, the class of headgear that suits it best.
      const suits = held.map((row) => {
        let at = -1
        let most = -Infinity
        for (let b = 0; b < gearClasses; b++) {
          const net = bestGear[b]! - row[b]!
          if (net > most) [most, at] = [net, b]
        }
        return { at, most }
      })
      const own = new Float64Array(faceCaps.length).fill(-Infinity)
      const headAt = new Int32Array(faceCaps.length).fill(-1)
      const gearAt = new Int32Array(faceCaps.length).fill(-1)
      for (let h = 0; h < heads.length; h++) {
        const head = heads[h]!
        const value = head.values[i]
        const suit = suits[headCls[h]!]!
        if (value === null || value === undefined || suit.at < 0) continue
        if (!free && !allowed(head, must[i]!, not[i]!, ofHeads)) continue
        let net = value + suit.most
        for (const r of head.uses) net -= prices[r]!
        if (net > own[head.face]!) {
          own[head.face] = net
          headAt[head.face] = h
          gearAt[head.face] = gearOf[suit.at]!
        }
      }
      worth.push(own)
      pickedHead.push(headAt)
      pickedGear.push(gearAt)
    }
    const found = assign(worth, faceCaps)
    return (
      found && {
        heads: found.columns.map((face, i) => pickedHead[i]![face]!),
        gears: found.columns.map((face, i) => pickedGear[i]![face]!),
        value: found.sum,
      }
    )
  }
}

/** A cast that keeps to all limits, made of picks that may not, and improved while one member or two can do better. */
function improved(problem: TeamProblem, picks: Picks): TeamCast | null {
  const { members, heads, gears, penalty, faceCaps, caps } = problem
  const faces = faceCaps.map(() => 0)
  const used = caps.map(() => 0)
  const chosen: ({ h: number; g: number } | null)[] = Array.from({ length: members }, () => null)
  const worthOf = (i: number, h: number, g: number) =>
    heads[h]!.values[i]! + gears[g]!.values[i]! - penalty(heads[h]!.cls, gears[g]!.cls)
  const book = (i: number, by: 1 | -1) => {
    const { h, g } = chosen[i]!
    faces[heads[h]!.face]! += by
    for (const r of [...heads[h]!.uses, ...gears[g]!.uses]) used[r]! += by
  }
  const free = ({ uses }: TeamOption) => uses.every((r) => used[r]! < caps[r]!)
  const fits = (h: number, g: number) => {
    if (faces[heads[h]!.face]! >= faceCaps[heads[h]!.face]!) return false
    const uses = [...heads[h]!.uses, ...gears[g]!.uses]
    return uses.every((r) => used[r]! + uses.filter((other) => other === r).length <= caps[r]!)
  }
  /** The best that is left for a member. */
  const bestFor = (i: number): { h: number; g: number; worth: number } | null => {
    const byClass = new Map<number, { g: number; value: number }>()
    for (const [g, gear] of gears.entries()) {
      const value = gear.values[i]
      if (value === null || value === undefined || !free(gear)) continue
      const known = byClass.get(gear.cls)
      if (!known || value > known.value) byClass.set(gear.cls, { g, value })
    }
    const suits = new Map<number, { g: number; value: number } | null>()
    let best: { h: number; g: number; worth: number } | null = null
    for (const [h, head] of heads.entries()) {
      const value = head.values[i]
      if (value === null || value === undefined || faces[head.face]! >= faceCaps[head.face]! || !free(head)) continue
      let suit = suits.get(head.cls)
      if (suit === undefined) {
        suit = null
        for (const [cls, { g, value: own }] of byClass) {
          const net = own - penalty(head.cls, cls)
          if (!suit || net > suit.value) suit = { g, value: net }
        }
        suits.set(head.cls, suit)
      }
      if (suit && (!best || value + suit.value > best.worth) && fits(h, suit.g))
        best = { h, g: suit.g, worth: value + suit.value }
    }
    return best
  }
  const put = (i: number, to: { h: number; g: number } | null) => {
    if (chosen[i]) book(i, -1)
    chosen[i] = to
    if (to) book(i, 1)
  }
  // Picks that can be kept together are; the others take what is left.
  const waiting: number[] = []
  for (let i = 0; i < members; i++) {
    const pick = { h: picks.heads[i]!, g: picks.gears[i]! }
    if (fits(pick.h, pick.g)) put(i, pick)
    else waiting.push(i)
  }
  for (const i of waiting) {
    const best = bestFor(i)
    if (!best) return null
    put(i, best)
  }
  const now = (i: number) => worthOf(i, chosen[i]!.h, chosen[i]!.g)
  for (let better = true; better;) {
    better = false
    for (let i = 0; i < members; i++) {
      const [before, worth] = [chosen[i]!, now(i)]
      put(i, null)
      const best = bestFor(i)
      if (best && best.worth > worth) better = true
      put(i, best && best.worth > worth ? best : before)
    }
    for (let i = 0; i < members && !better; i++)
      for (let j = i + 1; j < members && !better; j++) {
        const kept = [chosen[i]!, chosen[j]!] as const
        const worth = now(i) + now(j)
        for (const [first, second] of [
          [i, j],
          [j, i],
        ] as const) {
          put(i, null)
          put(j, null)
          const one = bestFor(first)
          if (one) put(first, one)
          const other = one && bestFor(second)
          if (one && other && one.worth + other.worth > worth) {
            put(second, other)
            better = true
            break
          }
          if (one) put(first, null)
          put(i, kept[0])
          put(j, kept[1])
        }
      }
  }
  return castOf(problem, { heads: chosen.map((c) => c!.h), gears: chosen.map((c) => c!.g), value: 0 })
}
