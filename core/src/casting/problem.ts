/** One way to fill a slot of a casting. */
export interface CastCandidate {
  id: string
  /** What it earns by itself; an integer. */
  value: number
  /** What it costs by itself; an integer of at least 0. */
  price: number
  /** Candidates of one class are alike to every pair term and bring the same marks. */
  cls: number
  /** Things it takes up, of which there may be too few when several candidates want them. */
  needs: readonly { thing: string; qty: number }[]
}

/** A slot of a casting: exactly one of its candidates is taken. */
export interface CastSlot {
  key: string
  candidates: readonly CastCandidate[]
}

/**
 * Choose one candidate a slot so that value − penalties − priceWeight × price is greatest, the cheaper first among equals,
 * then the one whose candidates come first. All values are integers, so that equals are equal.
 */
export interface CastProblem {
  slots: readonly CastSlot[]
  /** What classes of two slots hold against each other: an integer of at least 0, the same either way round. */
  penalty: (i: number, a: number, j: number, b: number) => number
  /** Marks (main colours) a class brings; those beyond `mostMarks`, all in all, cost `markPenalty` each. */
  marks: (i: number, cls: number) => readonly string[]
  /** Marks that are there whatever is chosen. */
  givenMarks: readonly string[]
  mostMarks: number
  markPenalty: number
  /**
   * How many of each thing are at hand for nothing, which the `price` of a candidate counts on, and what a further one
   * costs; null when there is none to be had.
   */
  things: ReadonlyMap<string, { free: number; unitPrice: number | null }>
  /** Value a unit of price takes away; an integer of at least 0. */
  priceWeight: number
  /** Most that may be spent; null for no limit. */
  limit: number | null
}

/** A choice of one candidate for each slot, as indices. */
export interface Cast {
  choice: number[]
  /** Value less penalties and the weighed price. */
  worth: number
  price: number
}

/** Limits of the work itself. */
export interface CastEffort {
  /** How many of the best are wanted. */
  count: number
  /** Seconds after which the best found so far is given with an honest bound. */
  seconds: number
  /** A clock in seconds. */
  now: () => number
  onProgress?: (progress: { explored: number; found: number }) => void
}

export interface CastResult {
  /** The best first. */
  casts: Cast[]
  /** No choice is worth more than this, and none that is not in `casts` beats the last of them when `complete`. */
  bound: number
  /** Whether everything was tried or proven not to matter; else the time ran out. */
  complete: boolean
  explored: number
}

/** What a choice is worth and costs; null when it breaks the limit or wants what cannot be had. O(slots²). */
export function priceCast(problem: CastProblem, choice: readonly number[]): Cast | null {
  const { slots, penalty, marks, givenMarks, mostMarks, markPenalty, priceWeight, limit } = problem
  const taken = choice.map((c, i) => slots[i]!.candidates[c]!)
  let worth = 0
  let price = 0
  const seen = new Set(givenMarks)
  const wanted = new Map<string, number>()
  for (const [i, candidate] of taken.entries()) {
    worth += candidate.value
    price += candidate.price
    for (const mark of marks(i, candidate.cls)) seen.add(mark)
    for (let j = i + 1; j < taken.length; j++) worth -= penalty(i, candidate.cls, j, taken[j]!.cls)
    for (const { thing, qty } of candidate.needs) {
      const extra = extraPrice(problem, thing, wanted.get(thing) ?? 0, qty)
      if (extra === Infinity) return null
      price += extra
      wanted.set(thing, (wanted.get(thing) ?? 0) + qty)
    }
  }
  if (limit !== null && price > limit) return null
  worth -= markPenalty * Math.max(0, seen.size - mostMarks) + priceWeight * price
  return { choice: [...choice], worth, price }
}

/** What units a candidate must buy beyond its own price cost, because others took what was free; Infinity: not to be had. */
export function extraPrice({ things }: CastProblem, thing: string, used: number, qty: number): number {
  const { free, unitPrice } = things.get(thing) ?? { free: 0, unitPrice: null }
  const missing = (want: number) => Math.max(0, want - free)
  const units = missing(used + qty) - missing(used) - missing(qty)
  return units === 0 ? 0 : units * (unitPrice ?? Infinity)
}

/** Whether one cast comes before another: worth more, else cheaper, else with earlier candidates. */
export function castBefore(a: Cast, b: Cast): number {
  if (a.worth !== b.worth) return b.worth - a.worth
  if (a.price !== b.price) return a.price - b.price
  for (const [i, c] of a.choice.entries()) if (c !== b.choice[i]) return c - b.choice[i]!
  return 0
}
