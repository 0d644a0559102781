import { EPS, Ledger, Moves, UNMET, type Settlement, type SourcingProblem } from '../sourcing/index.ts'
import { summedParts } from './supply.ts'
import { missedWorth, type RosterProblem } from './types.ts'

/** What an outfit below its floor, and a face worn twice, are charged: more than any plan comes to. */
const BELOW_FLOOR = 1e9
const SAME_FACE = 1e9

/** A candidate by numbers: needs of the supply with the units it takes, what it scores, its face (-1 for none). */
export interface SlotChoice {
  needs: Int32Array
  counts: Int32Array
  score: number
  face: number
}

/** A slot of an outfit. */
export interface WardrobeSlot {
  outfit: number
  choices: readonly SlotChoice[]
  /** Other slots of the outfit, with what choices of both take off: `off[own × width + theirs]`. */
  beside: { place: number; width: number; off: Float64Array }[]
}

/** Choices of all places, and what is bought for them. */
export interface WardrobeState {
  choice: Int32Array
  fill: Int32Array
  asked: Int32Array
  cost: number
}

/**
 * Who wears what, with the purchase that brings it: one choice for each place, a ledger that fills exactly the parts these
 * choices take, and the value of both, kept right with every change. Changes can be taken back to any mark.
 *
 * A choice goes in and out in O(its parts × ways to have them + slots beside it).
 */
export class Wardrobe {
  readonly places: readonly WardrobeSlot[]
  /** Places of each outfit. */
  readonly placesOf: readonly (readonly number[])[]
  readonly faces: readonly string[]
  readonly ledger: Ledger
  readonly moves: Moves
  /** The choice of each place, -1 while it is empty. */
  readonly choice: Int32Array
  readonly likeness: Float64Array
  /** Places and choices that take a need, by need. */
  readonly takers: readonly (readonly { place: number; choice: number }[])[]
  /** The least a choice can cost before shipping. */
  readonly leastPrice: readonly Float64Array[]
  /** Choices of each place that are looked at. */
  allowed: readonly (readonly number[])[]
  /** A seller nothing more is taken from for now; -1 for none. */
  banned = -1
  private missed = 0
  private readonly floors: Float64Array
  private readonly distinct: boolean
  /** Places that wear a face, by face × outfits + outfit; and outfits that wear it. */
  private readonly worn: Int32Array
  private readonly wearers: Int32Array
  private readonly asked: Int32Array
  private readonly mayFall: boolean
  private readonly notes: number[] = []

  constructor(
    readonly problem: RosterProblem,
    readonly supply: SourcingProblem,
    late: () => boolean,
  ) {
    const { outfits } = problem
    const needAt = new Map(supply.needs.map(({ id }, i) => [id, i]))
    const faceAt = new Map<string, number>()
    const faceOf = (face: string | null) => {
      if (face === null) return -1
      if (!faceAt.has(face)) faceAt.set(face, faceAt.size)
      return faceAt.get(face)!
    }
    this.placesOf = outfits.map(() => [])
    this.places = outfits.flatMap(({ slots }, outfit) =>
      slots.map(({ candidates }): WardrobeSlot => ({
        outfit,
        choices: candidates.map(({ parts, score, face }) => {
          const taken = [...summedParts(parts)]
          return {
            needs: Int32Array.from(taken, ([part]) => needAt.get(part)!),
            counts: Int32Array.from(taken, ([, qty]) => qty),
            score,
            face: faceOf(face),
          }
        }),
        beside: [],
      })),
    )
    this.places.forEach(({ outfit }, place) => (this.placesOf[outfit] as number[]).push(place))
    outfits.forEach((outfit, i) => this.readPairs(outfit, this.placesOf[i]!))
    this.faces = [...faceAt.keys()]
    this.allowed = this.places.map(({ choices }) => [...choices.keys()])
    this.floors = Float64Array.from(outfits, ({ floor }) => floor)
    this.distinct = problem.limits.faces === 'distinct'
    this.worn = new Int32Array(this.faces.length * outfits.length)
    this.wearers = new Int32Array(this.faces.length)
    this.choice = new Int32Array(this.places.length).fill(-1)
    this.likeness = new Float64Array(outfits.length)
    this.asked = new Int32Array(supply.needs.length)
    this.ledger = new Ledger(supply)
    supply.needs.forEach(({ qty }, need) => this.ledger.want(need, -qty))
    this.ledger.commit()
    this.moves = new Moves(this.ledger, late)
    const takers: { place: number; choice: number }[][] = supply.needs.map(() => [])
    this.places.forEach(({ choices }, place) =>
      choices.forEach(({ needs }, choice) => needs.forEach((need) => takers[need]!.push({ place, choice }))),
    )
    this.takers = takers
    const cheapest = this.ledger.ways.map((ways) => ways.reduce((least, { price }) => Math.min(least, price), UNMET))
    this.leastPrice = this.places.map(({ choices }) =>
      Float64Array.from(choices, ({ needs, counts }) =>
        needs.reduce((sum, need, k) => sum + counts[k]! * cheapest[need]!, 0),
      ),
    )
    this.mayFall = supply.sellers.some(({ minimum, shipping: { bands } }) => {
      return minimum > 0 || bands.some(({ price }, b) => b > 0 && price < bands[b - 1]!.price)
    })
    outfits.forEach((_, i) => (this.missed += this.charge(i)))
  }

  /** The value of the plan, with what a missing part, a floor, a face or a limit that is not kept is charged. */
  get cost(): number {
    return this.ledger.cost + this.missed
  }

  /** What likeness is missed, in money, with what is charged for floors and faces. */
  get missedCost(): number {
    return this.missed
  }

  /** About what the plan comes to where limits, floors and faces are not looked at. */
  get roughly(): number {
    const { places, choice, leastPrice, likeness, problem, ledger } = this
    const parts = places.reduce((sum, _, place) => sum + (leastPrice[place]![choice[place]!] ?? 0), 0)
    const charges = this.moves.active().reduce((sum, seller) => sum + Math.min(ledger.chargeOf(seller), UNMET), 0)
    return likeness.reduce((sum, own) => sum + missedWorth(problem.worth, own), parts + charges)
  }

  mark(): { ledger: number; own: number } {
    return { ledger: this.ledger.mark(), own: this.notes.length }
  }

  rollback({ ledger, own }: { ledger: number; own: number }): void {
    while (this.notes.length > own) {
      const choice = this.notes.pop()!
      this.look(this.notes.pop()!, choice)
    }
    this.ledger.rollback(ledger)
  }

  /** Forget what could be taken back. */
  commit(): void {
    this.notes.length = 0
    this.ledger.commit()
  }

  /** Wear a choice in a place, -1 for none; parts come and go where that costs least. */
  choose(place: number, choice: number): void {
    const before = this.choice[place]!
    if (before === choice) return
    this.notes.push(place, before)
    const { choices } = this.places[place]!
    if (before >= 0) this.giveBack(choices[before]!)
    this.look(place, choice)
    if (choice >= 0) this.take(choices[choice]!)
  }

  /** The best choice of a place, and whether that saves; `among` limits which are looked at. */
  exchange(place: number, among = this.allowed[place]!): boolean {
    const { choices } = this.places[place]!
    const before = this.cost
    const mark = this.mark()
    this.choose(place, -1)
    const base = this.cost
    const slack = this.mayFall ? this.ledger.dearestParcel() : 0
    const least = this.leastPrice[place]!
    let best = -1
    let cost = before - EPS
    for (let i = 0; i < among.length; i++) {
      const choice = among[i]!
      const worn = base + this.missedWith(place, choice)
      if (worn + least[choice]! - slack >= cost) continue
      const its = worn + this.costOf(choices[choice]!)
      if (its < cost) [best, cost] = [choice, its]
    }
    if (best < 0) {
      this.rollback(mark)
      return false
    }
    this.choose(place, best)
    if (this.cost < before - EPS) return true
    this.rollback(mark)
    return false
  }

  /** Wear the best choice in an empty place, whatever it costs; whether there is one. */
  fill(place: number): boolean {
    let best = -1
    let least = Infinity
    for (const choice of this.allowed[place]!) {
      const worn = this.missedWith(place, choice)
      if (worn + this.leastPrice[place]![choice]! >= least) continue
      const its = worn + this.costOf(this.places[place]!.choices[choice]!)
      if (its < least) [best, least] = [choice, its]
    }
    if (best < 0) return false
    this.choose(place, best)
    return true
  }

  /** Where the plan stands, to come back to. */
  standing(): WardrobeState {
    return { choice: this.choice.slice(), fill: this.ledger.fill.slice(), asked: this.demand(), cost: this.cost }
  }

  restore({ choice, fill, asked }: WardrobeState): void {
    const now = this.demand()
    asked.forEach((units, need) => units !== now[need] && this.ledger.want(need, units - now[need]!))
    choice.forEach((one, place) => this.look(place, one))
    this.ledger.restore(fill)
    this.commit()
  }

  /** Go over to choices with what was bought for them, as it was settled. */
  become(choices: ArrayLike<number>, settled: Pick<Settlement, 'fills'>): void {
    for (let place = 0; place < choices.length; place++) this.choose(place, choices[place]!)
    this.commit()
    this.ledger.adopt(settled)
  }

  /** Units of each need that all choices take. */
  demand(): Int32Array {
    this.asked.fill(0)
    this.choice.forEach((choice, place) => {
      if (choice < 0) return
      const { needs, counts } = this.places[place]!.choices[choice]!
      needs.forEach((need, k) => (this.asked[need]! += counts[k]!))
    })
    return this.asked.slice()
  }

  /** Outfits that wear a face, by its number. */
  wearersOf(face: number): number {
    return this.wearers[face]!
  }

  private readPairs({ slots, pairs }: RosterProblem['outfits'][number], places: readonly number[]): void {
    const slotAt = new Map(slots.map(({ id }, i) => [id, i]))
    for (const { a, b, off } of pairs) {
      const [i, j] = [slotAt.get(a)!, slotAt.get(b)!]
      const [one, other] = [slots[i]!.candidates, slots[j]!.candidates]
      const oneAt = new Map(one.map(({ id }, n) => [id, n]))
      const otherAt = new Map(other.map(({ id }, n) => [id, n]))
      const forth = this.table(places[i]!, places[j]!, one.length, other.length)
      const back = this.table(places[j]!, places[i]!, other.length, one.length)
      for (const [x, y, points] of off) {
        const [m, n] = [oneAt.get(x)!, otherAt.get(y)!]
        forth[m * other.length + n]! += points
        back[n * one.length + m]! += points
      }
    }
  }

  /** The table of two places, made where there is none: pairs may be listed more than once. */
  private table(place: number, other: number, height: number, width: number): Float64Array {
    const { beside } = this.places[place]!
    const known = beside.find((one) => one.place === other)
    if (known) return known.off
    const off = new Float64Array(height * width)
    beside.push({ place: other, width, off })
    return off
  }

  /** What a choice and those beside it take off each other. */
  readonly offOf = (place: number, choice: number): number => {
    let sum = 0
    for (const { place: other, width, off } of this.places[place]!.beside) {
      const theirs = this.choice[other]!
      if (theirs >= 0) sum += off[choice * width + theirs]!
    }
    return sum
  }

  private charge(outfit: number): number {
    return this.chargeOf(outfit, this.likeness[outfit]!)
  }

  private chargeOf(outfit: number, likeness: number): number {
    const short = this.floors[outfit]! - likeness
    return missedWorth(this.problem.worth, likeness) + (short > 0 ? BELOW_FLOOR * (1 + short / 1e5) : 0)
  }

  /** By how much what is missed would change, were a choice worn in an empty place. */
  missedWith(place: number, choice: number): number {
    const { outfit, choices } = this.places[place]!
    const { score, face } = choices[choice]!
    const likeness = this.likeness[outfit]!
    const change = this.chargeOf(outfit, likeness + score - this.offOf(place, choice)) - this.chargeOf(outfit, likeness)
    if (!this.distinct || face < 0 || this.wearers[face] === 0) return change
    return this.worn[face * this.likeness.length + outfit]! > 0 ? change : change + SAME_FACE
  }

  /** Change the look alone, without its parts. */
  private look(place: number, choice: number): void {
    const { outfit, choices } = this.places[place]!
    const before = this.choice[place]!
    this.missed -= this.charge(outfit)
    if (before >= 0) {
      this.likeness[outfit]! -= choices[before]!.score - this.offOf(place, before)
      this.face(choices[before]!.face, outfit, -1)
    }
    this.choice[place] = choice
    if (choice >= 0) {
      this.likeness[outfit]! += choices[choice]!.score - this.offOf(place, choice)
      this.face(choices[choice]!.face, outfit, 1)
    }
    this.missed += this.charge(outfit)
  }

  private face(face: number, outfit: number, change: 1 | -1): void {
    if (!this.distinct || face < 0) return
    const at = face * this.likeness.length + outfit
    const before = this.worn[at]!
    this.worn[at] = before + change
    if (before > 0 && before + change > 0) return
    const wearers = this.wearers[face]! + change
    // Every wearer beyond the first is one too many.
    if (change > 0 && wearers > 1) this.missed += SAME_FACE
    if (change < 0 && wearers > 0) this.missed -= SAME_FACE
    this.wearers[face] = wearers
  }

  private costOf({ needs, counts }: SlotChoice): number {
    if (needs.length === 0) return 0
    if (needs.length === 1 && counts[0] === 1) return this.unitCost(needs[0]!)
    const mark = this.ledger.mark()
    const before = this.ledger.cost
    this.take({ needs, counts })
    const cost = this.ledger.cost - before
    this.ledger.rollback(mark)
    return cost
  }

  /** What one more unit of a need costs; UNMET where nobody has it. */
  private unitCost(need: number): number {
    const { ledger } = this
    let least = UNMET
    for (const way of ledger.ways[need]!) {
      if (way.seller === this.banned || ledger.leastFor(way, 1) >= least || ledger.room(way) <= 0) continue
      const cost = ledger.quote(way, 1) + UNMET
      if (cost < least) least = cost
    }
    return least
  }

  private take({ needs, counts }: Pick<SlotChoice, 'needs' | 'counts'>): void {
    needs.forEach((need, k) => {
      for (let units = counts[k]!; units > 0; units--) {
        this.ledger.want(need, 1)
        this.moves.fillBest(need, -1, this.banned, true)
      }
    })
  }

  /** Give units back where that saves most; those that are missing first. */
  private giveBack({ needs, counts }: SlotChoice): void {
    const { ledger } = this
    needs.forEach((need, k) => {
      for (let units = counts[k]!; units > 0; units--) {
        if (ledger.missing[need] === 0) {
          let best = -1
          let cost = Infinity
          const ways = ledger.ways[need]!
          for (let w = 0; w < ways.length; w++) {
            if (ledger.fill[ways[w]!.at] === 0) continue
            const its = ledger.quote(ways[w]!, -1)
            if (its < cost) [best, cost] = [w, its]
          }
          ledger.place(need, ways[best]!, -1)
        }
        ledger.want(need, -1)
      }
    })
  }
}
