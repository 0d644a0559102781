import { forestOf, type Branch } from './forest.ts'
import {
  castBefore,
  extraPrice,
  priceCast,
  type Cast,
  type CastEffort,
  type CastProblem,
  type CastResult,
} from './problem.ts'
import { reduceCandidates } from './reduce.ts'

/** Worth is counted in steps so large that no sum of prices reaches one: the cheaper of equals comes first by itself. */
const STEP = 2 ** 24

/** Nodes between looks at the clock. */
const BREATH = 4096

/**
 * The best casts of a problem, exact unless the time runs out: branch and bound over a forest of the pair terms, whose
 * remainder is known exactly from the leaves up (max-sum dynamic programming), with a Lagrange multiplier on the spending
 * limit. Deterministic. Worst case exponential in the slots; with few classes a slot it visits little more than it returns.
 * Throws when a slot has no candidate.
 */
export function castBest(problem: CastProblem, effort: CastEffort): CastResult {
  for (const { key, candidates } of problem.slots)
    if (candidates.length === 0) throw new Error(`Nothing can be cast as ${key}. Give it a candidate or leave it out.`)
  const kept = reduceCandidates(problem, effort.count)
  const search = new Search(problem, kept, effort)
  return search.run()
}

/** Candidates of a slot in one class with the score each adds, sorted by it. */
interface ClassList {
  cls: number
  members: { index: number; score: number }[]
}

class Search {
  private readonly order: Branch[]
  private readonly lists: ClassList[][]
  /** For each branch and class of its parent (one class -1 for roots): its candidates by what they lead to. */
  private sorted: Map<number, { index: number; reach: number }[]>[] = []
  private lambda = 0
  private best: Cast[] = []
  private explored = 0
  private open = -Infinity
  private stopped = false
  private readonly deadline: number

  constructor(
    private readonly problem: CastProblem,
    kept: readonly number[][],
    private readonly effort: CastEffort,
  ) {
    const classes = kept.map((indices, i) => [...new Set(indices.map((c) => problem.slots[i]!.candidates[c]!.cls))])
    this.order = forestOf(problem, classes)
    this.lists = kept.map((indices, i) =>
      classes[i]!.map((cls) => ({
        cls,
        members: indices
          .filter((c) => problem.slots[i]!.candidates[c]!.cls === cls)
          .map((index) => ({ index, score: 0 })),
      })),
    )
    this.deadline = effort.now() + effort.seconds
  }

  run(): CastResult {
    const { limit } = this.problem
    this.lambda = limit === null ? 0 : this.bestLambda(limit)
    const whole = this.prepare(this.lambda)
    const bound = whole + this.lambda * (limit ?? 0)
    this.descend(0, bound, { choice: [], marks: new Map(), used: new Map(), price: 0 })
    const top = this.best[0]
    const inWorth = (scaled: number) => Math.floor((scaled + STEP / 2 - 1) / STEP)
    return {
      casts: this.best,
      bound: this.stopped
        ? inWorth(Math.max(this.open, top ? this.scaled(top) : -Infinity))
        : (top?.worth ?? -Infinity),
      complete: !this.stopped,
      explored: this.explored,
    }
  }

  private scaled({ worth, price }: Cast): number {
    return worth * STEP - price
  }

  /** The multiplier with the least bound; the bound is convex in it (golden section). */
  private bestLambda(limit: number): number {
    const at = (lambda: number) => this.prepare(lambda) + lambda * limit
    let [low, high] = [0, 200 * STEP]
    if (at(0) <= at(STEP / 1000)) return 0
    const ratio = (Math.sqrt(5) - 1) / 2
    let [a, b] = [high - ratio * (high - low), low + ratio * (high - low)]
    let [fa, fb] = [at(a), at(b)]
    for (let round = 0; round < 36; round++) {
      if (fa <= fb) {
        ;[high, b, fb] = [b, a, fa]
        a = high - ratio * (high - low)
        fa = at(a)
      } else {
        ;[low, a, fa] = [a, b, fb]
        b = low + ratio * (high - low)
        fb = at(b)
      }
    }
    return (low + high) / 2
  }

  /** Work out what each candidate can lead to at best, from the leaves up; the bound of the whole is returned. */
  private prepare(lambda: number): number {
    const { slots, priceWeight, penalty } = this.problem
    const reach: Map<number, number>[] = this.order.map(() => new Map())
    let whole = 0
    this.sorted = this.order.map(() => new Map())
    for (let at = this.order.length - 1; at >= 0; at--) {
      const { slot, parent, children } = this.order[at]!
      for (const { cls, members } of this.lists[slot]!) {
        const below = children.reduce((sum, child) => sum + reach[child]!.get(cls)!, 0)
        for (const member of members) {
          const { value, price } = slots[slot]!.candidates[member.index]!
          member.score = (value - priceWeight * price) * STEP - price - lambda * price + below
        }
      }
      const tops = this.lists[slot]!.map(({ cls, members }) => ({
        cls,
        top: members.reduce((most, { score }) => Math.max(most, score), -Infinity),
      }))
      if (parent < 0) whole += tops.reduce((most, { top }) => Math.max(most, top), -Infinity)
      else {
        const above = this.order[parent]!.slot
        for (const { cls: over } of this.lists[above]!)
          reach[at]!.set(
            over,
            tops.reduce(
              (most, { cls, top }) => Math.max(most, top - penalty(above, over, slot, cls) * STEP),
              -Infinity,
            ),
          )
      }
    }
    return whole
  }

  /** Candidates of a branch under a class of its parent, those that lead furthest first. */
  private candidates(at: number, over: number): { index: number; reach: number }[] {
    const known = this.sorted[at]!.get(over)
    if (known) return known
    const { slot, parent } = this.order[at]!
    const list = this.lists[slot]!.flatMap(({ cls, members }) => {
      const penalty = parent < 0 ? 0 : this.problem.penalty(this.order[parent]!.slot, over, slot, cls) * STEP
      return members.map(({ index, score }) => ({ index, reach: score - penalty }))
    }).sort((a, b) => b.reach - a.reach || a.index - b.index)
    this.sorted[at]!.set(over, list)
    return list
  }

  /** The least scaled worth that still gets into the list. */
  private threshold(): number {
    const last = this.best[this.effort.count - 1]
    return last ? this.scaled(last) : -Infinity
  }

  private descend(
    at: number,
    bound: number,
    state: { choice: number[]; marks: Map<string, number>; used: Map<string, number>; price: number },
  ): void {
    if (at === this.order.length) return this.take(state.choice)
    const { slot, parent, charged } = this.order[at]!
    const { slots, penalty, marks, givenMarks, mostMarks, markPenalty, priceWeight, limit } = this.problem
    const classAt = (i: number) => slots[this.order[i]!.slot]!.candidates[state.choice[i]!]!.cls
    const list = this.candidates(at, parent < 0 ? -1 : classAt(parent))
    const first = list[0]!.reach
    for (const { index, reach } of list) {
      const best = bound - first + reach
      // Half a unit of room, since the multiplier is no whole number.
      if (best < this.threshold() - 0.5) return
      if (this.stopped) {
        this.open = Math.max(this.open, best)
        return
      }
      this.explored += 1
      if (this.explored % BREATH === 0) this.breathe()
      const candidate = slots[slot]!.candidates[index]!
      let loss = 0
      let extra = 0
      for (const other of charged) loss += penalty(this.order[other]!.slot, classAt(other), slot, candidate.cls)
      for (const { thing, qty } of candidate.needs)
        extra += extraPrice(this.problem, thing, state.used.get(thing) ?? 0, qty)
      const price = state.price + candidate.price + extra
      if (extra === Infinity || (limit !== null && price > limit)) continue
      const own = marks(slot, candidate.cls)
      const before = state.marks.size
      for (const mark of own) if (!givenMarks.includes(mark)) state.marks.set(mark, (state.marks.get(mark) ?? 0) + 1)
      const beyond = (size: number) => Math.max(0, size + givenMarks.length - mostMarks)
      loss += markPenalty * (beyond(state.marks.size) - beyond(before)) + priceWeight * extra
      for (const { thing, qty } of candidate.needs) state.used.set(thing, (state.used.get(thing) ?? 0) + qty)
      const next = best - loss * STEP - extra * (1 + this.lambda)
      if (next >= this.threshold() - 0.5) {
        state.choice.push(index)
        const held = state.price
        state.price = price
        this.descend(at + 1, next, state)
        state.price = held
        state.choice.pop()
      }
      for (const { thing, qty } of candidate.needs) state.used.set(thing, state.used.get(thing)! - qty)
      for (const mark of own) {
        const count = state.marks.get(mark)
        if (count === 1) state.marks.delete(mark)
        else if (count !== undefined) state.marks.set(mark, count - 1)
      }
    }
  }

  private take(inOrder: readonly number[]): void {
    const choice = new Array<number>(inOrder.length)
    inOrder.forEach((index, at) => (choice[this.order[at]!.slot] = index))
    const cast = priceCast(this.problem, choice)
    if (!cast) return
    const at = this.best.findIndex((other) => castBefore(cast, other) < 0)
    if (at < 0 && this.best.length >= this.effort.count) return
    this.best.splice(at < 0 ? this.best.length : at, 0, cast)
    if (this.best.length > this.effort.count) this.best.pop()
  }

  private breathe(): void {
    if (this.effort.now() > this.deadline) this.stopped = true
    this.effort.onProgress?.({ explored: this.explored, found: this.best.length })
  }
}
