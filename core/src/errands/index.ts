/** One thing to fetch at a stop. */
export interface Errand {
  /** The same for the same thing at the same stop, whatever else is on the list. */
  id: string
  /** The part, or the figure or release a plan buys whole. */
  part: string
  name: string
  colour: string
  qty: number
  /** Names of the outfits it is for. */
  forWhom: string[]
  /** What one costs there; home currency, minor units; null where that is not known, or nothing is paid. */
  price: number | null
}

/** A bin to open, a figure to take something off, or whose stall to go to. */
export interface ErrandStop {
  kind: 'bin' | 'donor' | 'seller' | 'anywhere'
  code: string
  name: string
  errands: Errand[]
}

/** How much of an errand is done: so many were fetched, as was said then (ISO). */
export interface ErrandTick {
  id: string
  got: number
  at: string
}

/** A tick with what its device knew before: it may have been away for long. */
export interface TickChange extends ErrandTick {
  was: number
}

/** Two devices said different things of one errand; what was said last stays. */
export interface TickCollision {
  id: string
  mine: number
  theirs: number
  stays: number
}

/** What is to be fetched for a roster, or bought by a plan. */
export interface ErrandList {
  of: { kind: 'roster' | 'plan'; id: string; name: string }
  stops: ErrandStop[]
  ticks: ErrandTick[]
  /** Drawings of parts as SVG, by code. */
  pictures: Record<string, string>
}

/** What a device is answered that says what was ticked on it. */
export interface TicksKept {
  ticks: ErrandTick[]
  collisions: TickCollision[]
}

export const errandId = (stop: Pick<ErrandStop, 'kind' | 'code'>, part: string): string =>
  `${stop.kind} ${stop.code} ${part}`

/**
 * Put together what is known and what a device says. Where somebody else said another thing since the device knew it, what
 * was said last stays, and that is told; of the same moment the larger count. The order in which devices come does not matter.
 */
export function mergeTicks(kept: readonly ErrandTick[], changes: readonly TickChange[]): TicksKept {
  const ticks = new Map(kept.map((tick) => [tick.id, tick]))
  const collisions: TickCollision[] = []
  for (const { id, got, at, was } of changes) {
    const there = ticks.get(id) ?? { id, got: 0, at: '' }
    const later = at > there.at || (at === there.at && got >= there.got)
    if (there.got !== was && there.got !== got)
      collisions.push({ id, mine: got, theirs: there.got, stays: later ? got : there.got })
    if (later) ticks.set(id, { id, got, at })
  }
  return { ticks: [...ticks.values()], collisions }
}

/** How many of a list are done: errands all of whose pieces were fetched. */
export function doneOf(stops: readonly ErrandStop[], got: (id: string) => number): { done: number; all: number } {
  const errands = stops.flatMap((stop) => stop.errands)
  return { done: errands.filter(({ id, qty }) => got(id) >= qty).length, all: errands.length }
}
