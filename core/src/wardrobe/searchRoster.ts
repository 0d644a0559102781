import { Descent, EPS, settle } from '../sourcing/index.ts'
import { needsOf } from './rosterModel.ts'
import { sellerMoves, type SellerMove } from './sellerMoves.ts'
import type { WardrobeState, Wardrobe } from './wardrobe.ts'

/** Best choices of a place that are tried together with what stands in their way. */
const CHAINED = 6
/** How much dearer than the best plan a plan may be to go on from, at the start of a run, as a share of it. */
const WARMTH = 0.02
/** Plans kept, each of another set of sellers. */
const KEEP = 10
/** Rounds without anything better, for each seller, after which the search goes back to one of the best plans. */
const WANDERING = 3
const BEST = 3
/** Changes of sellers that are tried, the most promising first, and of how many one is made by force. */
const PROMISING = 8
const FORCED = 30
/** How often each kind of change by force is made: sellers, choices of an outfit; else the purchase alone. */
const SELLERS = 0.55
const RECAST = 0.3

/**
 * Search for plans of little value, changing choices and purchase together: places go over to better choices at what they
 * cost then, sellers are closed and opened with everybody choosing anew, figures and boxes come in with all who could wear
 * of them; then the plan is changed by force and improved again (iterated local search; Lourenço, Martin and Stützle,
 * Handbook of Metaheuristics, 2003). Moves are counted, not timed: the clock only ends it.
 */
export class RosterSearch {
  private readonly pool = new Map<string, WardrobeState>()
  private readonly descent: Descent
  /** Places that can wear something of a seller, with the choices that take it. */
  private readonly reach: readonly (readonly { place: number; choices: number[] }[])[]
  private readonly bundles: readonly number[]
  /** Places that have a choice with a face, by face. */
  private readonly ofFace: readonly (readonly { place: number }[])[]
  private least = Infinity
  private stalled = 0

  constructor(
    private readonly wardrobe: Wardrobe,
    private readonly outOfTime: () => boolean,
  ) {
    const { ledger, moves } = wardrobe
    this.descent = new Descent(ledger, moves, outOfTime)
    this.reach = wardrobe.supply.sellers.map((_, seller) => this.reachOf(ledger.offersOf[seller]!))
    const ofFace: { place: number }[][] = wardrobe.faces.map(() => [])
    wardrobe.places.forEach(({ choices }, place) => {
      for (const face of new Set(choices.map((one) => one.face))) if (face >= 0) ofFace[face]!.push({ place })
    })
    this.ofFace = ofFace
    this.bundles = wardrobe.supply.offers.flatMap((_, offer) => (moves.isBundle(offer) ? [offer] : []))
  }

  /** The best plan of each of the best sets of sellers, the best first. */
  best(): WardrobeState[] {
    return [...this.pool.values()].sort((a, b) => a.cost - b.cost)
  }

  /** Begin anew from given choices, bought of given sellers as far as these have them, and improve them. */
  begin(choices: ArrayLike<number>, sellers: readonly number[] = []): void {
    const { wardrobe } = this
    for (let place = 0; place < choices.length; place++) wardrobe.choose(place, -1)
    for (const seller of sellers) wardrobe.ledger.setFree(seller, true)
    for (let place = 0; place < choices.length; place++) wardrobe.choose(place, choices[place]!)
    for (const seller of sellers) wardrobe.ledger.setFree(seller, false)
    this.settle()
    this.lightenAll()
    this.remember()
    wardrobe.commit()
  }

  /** Improve until no move of a choice, a unit, a figure or a seller saves. */
  improve(): void {
    for (let before = Infinity; this.wardrobe.cost < before - EPS && !this.outOfTime();) {
      before = this.wardrobe.cost
      this.settle()
      this.lightenAll()
      this.changeSellers()
      this.changeBundles()
      this.chainAll()
    }
  }

  /** Search for as long as `left`, which falls from 1, is above 0. */
  run(left: () => number): void {
    const { wardrobe } = this
    const wandering = WANDERING * (wardrobe.supply.sellers.length + 1)
    for (let share = left(); share > 0 && !this.outOfTime(); share = left()) {
      const mark = wardrobe.mark()
      const [choices, lines] = [wardrobe.choice.slice(), wardrobe.ledger.lines.slice()]
      this.perturb()
      this.settleNear(choices, lines)
      if (wardrobe.cost < this.least + Math.abs(this.least) * WARMTH) {
        this.lightenAll()
        this.changeSellers()
      }
      if (wardrobe.cost < this.least - EPS) this.improve()
      this.stalled = this.remember() ? 0 : this.stalled + 1
      if (wardrobe.cost < this.least + Math.abs(this.least) * WARMTH * share) wardrobe.commit()
      else wardrobe.rollback(mark)
      if (this.stalled % wandering === wandering - 1) {
        const plans = this.best().slice(0, BEST)
        wardrobe.restore(plans[Math.floor(wardrobe.moves.random() * plans.length)]!)
      }
    }
  }

  /** Go on from choices and what is bought for them, found elsewhere. */
  adopt(choices: ArrayLike<number>, units: ReadonlyMap<string, number>): void {
    const { wardrobe } = this
    wardrobe.become(choices, settle({ ...wardrobe.supply, needs: needsOf(wardrobe, choices) }, units))
    this.improve()
    if (this.remember()) this.stalled = 0
    wardrobe.commit()
    this.resume()
  }

  /** Go on from the best plan. */
  resume(): void {
    const [best] = this.best()
    if (best) this.wardrobe.restore(best)
  }

  /** Choices and units where they cost least, sellers left as they are. */
  private settle(): void {
    const { wardrobe } = this
    for (let before = Infinity; wardrobe.cost < before - EPS && !this.outOfTime();) {
      before = wardrobe.cost
      this.exchangeFrom(wardrobe.moves.shuffled(wardrobe.places.length))
      this.descent.descend()
    }
  }

  /** The same of what changed since choices and parcels were as given, and of what that touches. */
  private settleNear(choices: Int32Array, lines: Int32Array): void {
    const { wardrobe } = this
    for (let before = Infinity; wardrobe.cost < before - EPS && !this.outOfTime();) {
      before = wardrobe.cost
      this.exchangeFrom(this.touchedSince(choices, lines))
      choices = wardrobe.choice.slice()
      lines = wardrobe.ledger.lines.slice()
      this.descent.descend()
    }
  }

  /** Places whose choice changed, those beside them, and those a seller that was opened since could serve. */
  private touchedSince(choices: Int32Array, lines: Int32Array): number[] {
    const { places, choice, ledger } = this.wardrobe
    const touched = new Set<number>()
    choices.forEach((before, place) => {
      if (before === choice[place]) return
      touched.add(place)
      for (const { place: other } of places[place]!.beside) touched.add(other)
    })
    this.reach.forEach((reached, seller) => {
      if (lines[seller] === 0 && ledger.lines[seller]! > 0) for (const { place } of reached) touched.add(place)
    })
    return [...touched]
  }

  /** Let places choose anew, and then those beside who changed, until none does. */
  private exchangeFrom(places: number[]): void {
    const { wardrobe } = this
    const { lines } = wardrobe.ledger
    const open = new Set(places)
    for (const place of open) {
      open.delete(place)
      if (wardrobe.moves.outOfTime()) return
      const before = lines.slice()
      const was = wardrobe.choice[place]!
      if (!wardrobe.exchange(place)) continue
      for (const other of this.touchedSince(wardrobe.choice.with(place, was), before))
        if (other !== place) open.add(other)
      // Who wore the face it gave up may want it.
      const { face } = wardrobe.places[place]!.choices[was]!
      if (face >= 0) for (const { place: other } of this.ofFace[face]!) if (other !== place) open.add(other)
    }
  }

  /** Make a move if that saves. */
  private attempt(move: () => void): boolean {
    const { wardrobe } = this
    const mark = wardrobe.mark()
    const before = wardrobe.cost
    move()
    if (wardrobe.cost < before - EPS) return true
    wardrobe.rollback(mark)
    return false
  }

  /** Open, close and swap sellers while the most promising of that saves. */
  private changeSellers(): void {
    const { wardrobe } = this
    for (let better = true; better && !this.outOfTime();) {
      better = false
      for (const move of sellerMoves(wardrobe).slice(0, PROMISING)) {
        if (this.outOfTime()) return
        if (!this.attempt(() => this.make(move))) continue
        better = true
        break
      }
    }
  }

  private make({ open, close }: SellerMove): void {
    if (open >= 0) this.open(open)
    if (close >= 0) this.close(close)
  }

  /** Buy nothing of a seller; who wore of it chooses anew. */
  private close(seller: number): void {
    const touched = this.servedBy(seller)
    this.wardrobe.moves.close(seller)
    for (const place of touched) this.wardrobe.exchange(place)
  }

  /** Places whose choice takes a part that something bought of a seller is used for. */
  private servedBy(seller: number): number[] {
    const { ledger, takers, choice: chosen } = this.wardrobe
    const served = new Set<number>()
    for (const offer of ledger.offersOf[seller]!) {
      if (ledger.steps[offer] === 0) continue
      for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++)
        if (ledger.taken[y]! > 0)
          for (const { need } of ledger.takers[y]!)
            for (const { place, choice } of takers[need]!) if (chosen[place] === choice) served.add(place)
    }
    return [...served]
  }

  private lightenAll(): void {
    const { ledger, moves } = this.wardrobe
    for (const seller of moves.active()) {
      if (this.outOfTime()) return
      while (
        ledger.lines[seller]! > 0 &&
        ledger.lighter(seller) >= 0 &&
        !moves.outOfTime() &&
        this.attempt(() => this.lighten(seller))
      );
    }
  }

  /** Bring a parcel into the band below: of those it serves, who loses least for what shipping goes by chooses elsewhere. */
  private lighten(seller: number): void {
    const { wardrobe } = this
    const { ledger } = wardrobe
    const most = ledger.lighter(seller)
    if (most < 0) return
    ledger.setFree(seller, true)
    wardrobe.banned = seller
    const leave = (place: number) => {
      const choice = wardrobe.choice[place]!
      wardrobe.choose(place, -1)
      // Whatever it costs: the seller charges nothing for now.
      if (!wardrobe.fill(place)) wardrobe.choose(place, choice)
    }
    const rates = this.servedBy(seller).map((place) => {
      const mark = wardrobe.mark()
      const [cost, amount] = [wardrobe.cost, ledger.amount[seller]!]
      leave(place)
      const freed = amount - ledger.amount[seller]!
      const rate = freed > 0 ? (wardrobe.cost - cost) / Math.min(freed, amount - most) : Infinity
      wardrobe.rollback(mark)
      return { place, rate }
    })
    rates.sort((a, b) => a.rate - b.rate)
    for (const { place, rate } of rates) {
      if (ledger.amount[seller]! <= most + 1e-6 || rate === Infinity) break
      leave(place)
    }
    wardrobe.banned = -1
    ledger.setFree(seller, false)
  }

  /** Let everybody choose as if a seller charged nothing beside its goods. */
  private open(seller: number): void {
    const { wardrobe } = this
    const { ledger, moves } = wardrobe
    ledger.setFree(seller, true)
    for (const { place, choices } of this.reach[seller]!) wardrobe.exchange(place, choices)
    moves.pull(seller)
    ledger.setFree(seller, false)
  }

  /** Places that can wear something of some offers, with the choices that take it. */
  private reachOf(offers: readonly number[]): { place: number; choices: number[] }[] {
    const { ledger, takers } = this.wardrobe
    const reached = new Map<number, Set<number>>()
    for (const offer of offers)
      for (let y = ledger.firstSource[offer]!; y < ledger.firstSource[offer + 1]!; y++)
        for (const { need } of ledger.takers[y]!)
          for (const { place, choice } of takers[need]!) {
            if (!reached.has(place)) reached.set(place, new Set())
            reached.get(place)!.add(choice)
          }
    return [...reached].map(([place, choices]) => ({ place, choices: [...choices] }))
  }

  private changeBundles(): void {
    const { ledger, moves } = this.wardrobe
    for (const offer of this.bundles) {
      if (moves.outOfTime()) return
      if (ledger.canBuyMore(offer)) this.attempt(() => this.bring(offer))
    }
  }

  /** Buy a figure or box more, with everybody choosing as if what it brings cost nothing. */
  private bring(offer: number): void {
    const { wardrobe } = this
    const { ledger } = wardrobe
    ledger.hold(offer, ledger.steps[offer]! + 1)
    for (const { place, choices } of this.reachOf([offer])) wardrobe.exchange(place, choices)
    ledger.hold(offer, 0)
  }

  private chainAll(): void {
    const { wardrobe } = this
    for (const place of wardrobe.moves.shuffled(wardrobe.places.length)) {
      if (this.outOfTime()) return
      this.chain(place)
    }
  }

  /** Try the best choices of a place that something else stands in the way of, with that choosing anew. */
  private chain(place: number): void {
    const { wardrobe } = this
    const { choices, beside } = wardrobe.places[place]!
    if (beside.length === 0 && choices.every(({ face }) => face < 0)) return
    const now = wardrobe.choice[place]!
    const order = [...wardrobe.allowed[place]!]
      .filter((choice) => choice !== now)
      .map((choice) => ({
        choice,
        rank: wardrobe.leastPrice[place]![choice]! - worthOf(wardrobe, choices[choice]!.score),
      }))
      .sort((a, b) => a.rank - b.rank)
      .slice(0, CHAINED)
    for (const { choice } of order)
      this.attempt(() => {
        const { face } = choices[choice]!
        const rivals = face < 0 ? [] : this.wearing(face, place)
        wardrobe.choose(place, choice)
        for (const rival of rivals) wardrobe.exchange(rival)
        for (const { place: other } of beside) wardrobe.exchange(other)
      })
  }

  /** Places other than one that wear a face. */
  private wearing(face: number, not: number): number[] {
    const { wardrobe } = this
    if (wardrobe.wearersOf(face) === 0) return []
    return [...wardrobe.places.keys()].filter((place) => {
      const choice = wardrobe.choice[place]!
      return place !== not && choice >= 0 && wardrobe.places[place]!.choices[choice]!.face === face
    })
  }

  private perturb(): void {
    const { wardrobe, descent } = this
    const { moves, ledger } = wardrobe
    const kind = moves.random()
    if (kind < SELLERS && ledger.sellerCount > 0) {
      // The more promising, the likelier.
      const promising = sellerMoves(wardrobe).slice(0, FORCED)
      for (let n = moves.random() < 0.5 ? 2 : 1; n > 0; n--)
        this.make(promising[Math.floor(moves.random() ** 2 * promising.length)]!)
    } else if (kind < SELLERS + RECAST) {
      const places = wardrobe.placesOf[Math.floor(moves.random() * wardrobe.placesOf.length)] ?? []
      for (const place of places)
        if (moves.random() < 0.5) wardrobe.choose(place, moves.oneOf(wardrobe.allowed[place]!)!)
    } else if (this.bundles.length > 0 && moves.random() < 0.5) {
      const offer = moves.oneOf(this.bundles)!
      if (ledger.canBuyMore(offer)) this.bring(offer)
    } else if (moves.random() < 0.4 && moves.active().length > 0) this.lighten(moves.oneOf(moves.active())!)
    else descent.perturb(3)
  }

  /** Keep the plan if it is the best of its sellers; whether it is the best of all. */
  private remember(): boolean {
    const { pool, wardrobe } = this
    const dearest = Math.max(...[...pool.values()].map((plan) => plan.cost))
    if (pool.size >= KEEP && wardrobe.cost >= dearest) return false
    const cost = wardrobe.cost + wardrobe.ledger.overfill()
    const key = wardrobe.moves.active().join(' ')
    if ((pool.get(key)?.cost ?? Infinity) <= cost + EPS) return false
    pool.set(key, { ...wardrobe.standing(), cost })
    if (pool.size > KEEP) pool.delete([...pool].reduce((a, b) => (b[1].cost > a[1].cost ? b : a))[0])
    if (this.least <= cost + EPS) return false
    this.least = cost
    return true
  }
}

const worthOf = ({ problem }: Wardrobe, score: number) => (problem.worth * score) / 1000
