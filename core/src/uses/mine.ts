import type { Catalogue, Part, Placement } from '../catalogue/index.ts'
import { tryingOn, type Use, type Wearer } from './usesOf.ts'

/** An outfit that parts of a box are tried on. */
export interface Miner extends Wearer {
  id: string
  /** Codes of parts it may not wear. */
  excluded: ReadonlySet<string>
}

/** What some boxes do, dealt out. */
export interface Deal {
  boxes: number
  /** Milli-points gained by all outfits together. */
  gain: number
  /** Who wears something of it then, with the pieces. */
  dressed: { id: string; pieces: string[]; placements: readonly Placement[]; before: number; after: number }[]
  /** Pieces nobody wears. */
  left: Map<string, number>
}

/** What one box, two, three … do. */
export interface Deals {
  deals: Deal[]
  /** Whether one box more than the last would do something too. */
  goesOn: boolean
}

/** Outfits of which one part takes the same place of the same parts. */
export interface Crowd {
  part: string
  way: Use['way']
  /** The parts that come off all of them; none where the place is bare. */
  frees: string[]
  members: { id: string; use: Use }[]
}

const gainOf = ({ before, after }: Pick<Use, 'before' | 'after'>) => after - before

/**
 * Who gains what by each part of a box: uses by part and outfit, each worked out once. Only what a box has all pieces of is a use: a
 * sleeve whose twin is not in it is worn by nobody on both sides.
 */
export class Mine {
  private readonly trying = new Map<Miner, ReturnType<typeof tryingOn>>()
  private readonly known = new Map<Miner, Map<readonly Placement[], (Use | null)[]>>()
  private readonly sorted = new Map<readonly (Use | null)[], Use[]>()

  constructor(
    readonly parts: readonly Part[],
    /** How many of each piece a box has. */
    private readonly stock: ReadonlyMap<string, number>,
    readonly miners: readonly Miner[],
    private readonly catalogue: Catalogue,
  ) {}

  /** What each part would do for an outfit in what it wears, in the order of the parts. O(parts × ways × wishes). */
  usesFor(miner: Miner, placements = miner.placements): readonly (Use | null)[] {
    let own = this.known.get(miner)
    if (!own) this.known.set(miner, (own = new Map()))
    let known = own.get(placements)
    if (known) return known
    let trial = this.trying.get(miner)
    if (!trial) this.trying.set(miner, (trial = tryingOn(miner, this.catalogue, true)))
    known = this.parts.map((part) => {
      const use = miner.excluded.has(part.code) ? null : trial(part, placements)
      return use?.takes.every((taken) => this.stock.has(taken.part)) ? use : null
    })
    own.set(placements, known)
    return known
  }

  /** The same, those alone that are of use, the greatest gain first. */
  private gainsFor(miner: Miner, placements: readonly Placement[]): readonly Use[] {
    const uses = this.usesFor(miner, placements)
    let sorted = this.sorted.get(uses)
    if (!sorted)
      this.sorted.set(uses, (sorted = uses.flatMap((use) => use ?? []).sort((a, b) => gainOf(b) - gainOf(a))))
    return sorted
  }

  /** Uses of one part, who gains most first; equals in the order of the outfits. */
  usesOf(part: number): { miner: Miner; use: Use }[] {
    return this.miners
      .flatMap((miner) => {
        const use = this.usesFor(miner)[part]
        return use ? [{ miner, use }] : []
      })
      .sort((a, b) => gainOf(b.use) - gainOf(a.use))
  }

  /**
   * Deal the pieces of some boxes out: again and again the part goes on that raises a likeness most, until none does or the
   * pieces are gone. What comes off and was of these boxes is dealt again. Greedy: a later choice is not weighed against an
   * earlier one. O(worn parts × outfits).
   */
  deal(boxes: number): Deal {
    const left = new Map([...this.stock].map(([piece, qty]) => [piece, qty * boxes]))
    const has = (takes: readonly Placement[]) => {
      const needed = new Map<string, number>()
      for (const { part } of takes) needed.set(part, (needed.get(part) ?? 0) + 1)
      return [...needed].every(([piece, qty]) => (left.get(piece) ?? 0) >= qty)
    }
    const dressed = this.miners.map((miner) => ({
      ...{ miner, placements: miner.placements, pieces: [] as string[] },
      ...{ before: 0, after: 0 },
    }))
    for (;;) {
      let best: { own: (typeof dressed)[number]; use: Use } | null = null
      for (const own of dressed)
        for (const use of this.gainsFor(own.miner, own.placements)) {
          if (best && gainOf(use) <= gainOf(best.use)) break
          if (has(use.takes)) best = { own, use }
        }
      if (!best) break
      const { own, use } = best
      for (const { part } of use.takes) left.set(part, left.get(part)! - 1)
      for (const { part } of use.frees) {
        const dealt = own.pieces.indexOf(part)
        if (dealt < 0) continue
        own.pieces.splice(dealt, 1)
        left.set(part, left.get(part)! + 1)
      }
      if (own.placements === own.miner.placements) own.before = use.before
      own.placements = use.placements
      own.after = use.after
      own.pieces.push(...use.takes.map(({ part }) => part))
    }
    const told = dressed.flatMap(({ miner: { id }, pieces, placements, before, after }) =>
      pieces.length > 0 ? [{ id, pieces, placements, before, after }] : [],
    )
    return { boxes, gain: told.reduce((sum, one) => sum + gainOf(one), 0), dressed: told, left }
  }

  /** What one box, two, three … do, for as long as one more does something; `most` at the most. */
  deals(most: number): Deals {
    const deals: Deal[] = []
    for (let boxes = 1; boxes <= most + 1; boxes++) {
      const deal = this.deal(boxes)
      if (deal.gain <= (deals.at(-1)?.gain ?? 0)) return { deals, goesOn: false }
      if (boxes <= most) deals.push(deal)
    }
    return { deals, goesOn: true }
  }

  /** Crowds of at least so many outfits that each part would dress anew in the same place, who gain most together first. */
  crowds(least: number): Crowd[] {
    const crowds: Crowd[] = []
    this.parts.forEach((part, n) => {
      const groups = new Map<string, Crowd>()
      for (const { miner, use } of this.usesOf(n)) {
        const frees = use.frees.map((one) => one.part).sort()
        const key = [use.way.key, ...frees].join(' ')
        if (!groups.has(key)) groups.set(key, { part: part.code, way: use.way, frees, members: [] })
        groups.get(key)!.members.push({ id: miner.id, use })
      }
      crowds.push(...[...groups.values()].filter(({ members }) => members.length >= least))
    })
    const gain = ({ members }: Crowd) => members.reduce((sum, { use }) => sum + gainOf(use), 0)
    return crowds.sort((a, b) => gain(b) - gain(a))
  }
}
