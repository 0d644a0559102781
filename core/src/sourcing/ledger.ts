import { fillUp } from './fillUp.ts'
import { BROKEN, CLOSE, ParcelTerms } from './parcelTerms.ts'
import type { Settlement } from './settle.ts'
import type { SourcingProblem } from './types.ts'

/** What an unmet unit is charged in the search: more than any plan costs, so that fewest unmet come first. */
export const UNMET = 1e7

/** One way to fill a unit of a need: out of one of the parts an offer yields, at the penalty of the need. */
export interface Way {
  /** Which yield, over all offers. */
  source: number
  offer: number
  seller: number
  penalty: number
  /** What a unit costs, unless it may come with a step bought already: then nothing. */
  price: number
  /** Where it stands in `fill`, and in the list of its need. */
  at: number
  index: number
}

/** Who could take a part: need and the place of the way in the list of its ways. */
export interface Taker {
  need: number
  way: number
}

/**
 * A plan that keeps its own account: which way each unit of each need is filled, the steps bought of every offer for that,
 * and the total, kept right with each change in O(yields of the offer + bands of the seller). Sellers below their minimum,
 * or just under a cheaper band, are charged what would fill them up. Changes are noted down and can be taken back to any
 * mark. The drawer is one more seller that charges nothing.
 *
 *     need ──┬─ way ──▶ yield of an offer ──▶ steps of the offer ──▶ parcel of its seller
 *            ├─ way ──▶ …       (part)           (multiples)           goods → bands, minimum
 *            └─ missing                               │                         │
 *                                                     └────── price ──▶ total ◀─┘ shipping, handling
 *
 * `fill` says how many units of a need each way has; everything to its right follows, and `notes` goes back over it.
 */
export class Ledger {
  /** Ways of each need, the cheapest first. */
  readonly ways: readonly (readonly Way[])[]
  /** Takers of each yield, and the yields of each offer as a range of them. */
  readonly takers: readonly (readonly Taker[])[]
  readonly firstSource: Int32Array
  readonly offersOf: readonly (readonly number[])[]
  readonly sellerCount: number
  readonly sellerOf: Int32Array
  private readonly partOf: readonly string[]
  /** Parts a step brings, by yield. */
  readonly perStep: Int32Array
  /** Units filled, by place of the way. */
  readonly fill: Int32Array
  readonly missing: Int32Array
  readonly steps: Int32Array
  /** Parts used, by yield. */
  readonly taken: Int32Array
  /** Offers bought from, by seller. */
  readonly lines: Int32Array
  private readonly most: Int32Array
  private readonly held: Int32Array
  private readonly stepPrice: Float64Array
  /** What a step adds to what shipping goes by. */
  readonly stepAmount: Float64Array
  /** Price of a step less what all it brings would fetch. */
  readonly netPrice: Float64Array
  /** Whether a step is one part. */
  private readonly simple: Uint8Array
  private readonly credit: Float64Array
  /** What is bought of each seller comes to, before shipping. */
  readonly goods: Float64Array
  /** What shipping goes by, by seller. */
  readonly amount: Float64Array
  private readonly sellerCost: Float64Array
  private readonly free: Uint8Array
  /** Whether a fuller parcel may be charged less, and the least it is ever charged, by seller. */
  private readonly falls: Uint8Array
  private readonly leastCharge: Float64Array
  private readonly terms: readonly ParcelTerms[]
  /** The most a parcel is charged; -1 where that is to be worked out anew. */
  private dearestCharge = 0
  private total: number
  /** Changes made and asked for so far: what a search is measured by, alike on every machine. */
  work = 0
  private spent = 0
  private parcels = 0
  /** Whether there is a limit to parcels or money, so that what one seller is asked for bears on the others. */
  readonly limited: boolean
  private readonly mostParcels: number
  private readonly budget: number
  /** Changes since the beginning: need and way, below 0 where units were asked for; or an offer held; and by how much. */
  private readonly notes: number[] = []

  constructor(readonly problem: SourcingProblem) {
    const { needs, offers, owned, sellers, limits } = problem
    const sellerAt = new Map(sellers.map(({ id }, i) => [id, i]))
    const drawer = sellers.length
    this.sellerCount = sellers.length
    this.mostParcels = limits.parcels ?? Infinity
    this.budget = limits.budget ?? Infinity
    this.limited = this.mostParcels < Infinity || this.budget < Infinity
    const all = [
      ...offers,
      ...owned.map(({ part, qty }) => ({
        seller: '',
        price: 0,
        qty,
        multiple: 1,
        weight: 0,
        yields: [{ part, qty: 1 }],
      })),
    ]
    const resale = new Map(problem.resale.map(({ part, price }) => [part, price]))
    this.sellerOf = Int32Array.from(all, ({ seller }) => sellerAt.get(seller) ?? drawer)
    this.most = Int32Array.from(all, ({ qty, multiple }) => Math.floor(qty / multiple))
    this.stepPrice = Float64Array.from(all, ({ price, multiple }) => price * multiple)
    this.stepAmount = Float64Array.from(all, ({ price, multiple, weight, seller }) => {
      const basis = sellers[sellerAt.get(seller) ?? -1]?.shipping.basis
      return multiple * (basis === 'weight' ? weight : basis === 'count' ? 1 : price)
    })
    this.firstSource = new Int32Array(all.length + 1)
    all.forEach(({ yields }, o) => (this.firstSource[o + 1] = this.firstSource[o]! + yields.length))
    const sources = all.flatMap(({ yields, multiple }, offer) =>
      yields.map(({ part, qty }) => ({ part, offer, perStep: qty * multiple })),
    )
    this.partOf = sources.map(({ part }) => part)
    this.perStep = Int32Array.from(sources, ({ perStep }) => perStep)
    // What is left of the drawer is not sold by a plan.
    this.credit = Float64Array.from(sources, ({ part, offer }) =>
      this.sellerOf[offer] === drawer ? 0 : (resale.get(part) ?? 0),
    )
    this.netPrice = Float64Array.from(all, (_, o) => {
      let price = this.stepPrice[o]!
      for (let y = this.firstSource[o]!; y < this.firstSource[o + 1]!; y++) price -= this.perStep[y]! * this.credit[y]!
      return price
    })
    this.simple = Uint8Array.from(all, (_, o) => {
      const y = this.firstSource[o]!
      return this.firstSource[o + 1]! - y === 1 && this.perStep[y] === 1 ? 1 : 0
    })
    const sourcesOf = new Map<string, number[]>()
    sources.forEach(({ part }, y) => {
      const list = sourcesOf.get(part)
      if (list) list.push(y)
      else sourcesOf.set(part, [y])
    })
    const takers: Taker[][] = sources.map(() => [])
    let at = 0
    this.ways = needs.map(({ accept }, need) => {
      const price = ({ source, offer, penalty }: Way) =>
        this.stepPrice[offer]! / (this.perStep[source]! * (this.firstSource[offer + 1]! - this.firstSource[offer]!)) +
        penalty
      const ways = accept
        .flatMap(({ part, penalty }) =>
          (sourcesOf.get(part) ?? []).map((source): Way => {
            const { offer } = sources[source]!
            const price = this.simple[offer] === 1 ? this.stepPrice[offer]! : 0
            return { source, offer, seller: this.sellerOf[offer]!, penalty, price, at: at++, index: 0 }
          }),
        )
        .filter(({ offer }) => this.most[offer]! > 0)
        .sort((a, b) => price(a) - price(b) || a.at - b.at)
      ways.forEach((way, index) => {
        way.index = index
        takers[way.source]!.push({ need, way: index })
      })
      return ways
    })
    this.takers = takers
    const offersOf: number[][] = Array.from({ length: drawer + 1 }, () => [])
    this.sellerOf.forEach((s, o) => offersOf[s]!.push(o))
    this.offersOf = offersOf
    this.fill = new Int32Array(at)
    this.missing = Int32Array.from(needs, ({ qty }) => qty)
    this.steps = new Int32Array(all.length)
    this.held = new Int32Array(all.length)
    this.taken = new Int32Array(sources.length)
    this.lines = new Int32Array(drawer + 1)
    this.goods = new Float64Array(drawer + 1)
    this.amount = new Float64Array(drawer + 1)
    this.sellerCost = new Float64Array(drawer + 1)
    this.free = new Uint8Array(drawer + 1)
    this.free[drawer] = 1
    this.terms = sellers.map(
      (seller, s) =>
        new ParcelTerms(
          seller,
          this.offersOf[s]!.map((offer) => ({
            offer,
            price: this.stepPrice[offer]!,
            net: this.netPrice[offer]!,
            amount: this.stepAmount[offer]!,
            most: this.most[offer]!,
          })),
          this.steps,
        ),
    )
    this.falls = Uint8Array.from([...this.terms.map(({ falls }) => (falls ? 1 : 0)), 0])
    this.leastCharge = Float64Array.from(this.terms, ({ least }) => least)
    this.total = this.missing.reduce((sum, qty) => sum + qty * UNMET, 0)
  }

  /** The total so far, with UNMET for each missing unit and more than all of them for a broken limit. */
  get cost(): number {
    return this.limited ? this.total + this.broken(this.parcels, this.spent) : this.total
  }

  /** What limits that are broken are charged. */
  private broken(parcels: number, spent: number): number {
    const over = Math.max(0, parcels - this.mostParcels)
    const dear = spent - this.budget
    // Prices are whole; parcels that cost nothing are charged next to nothing.
    return (over + (dear > 0.01 ? 1 + dear / 1e6 : 0)) * BROKEN
  }

  /** The least that further units of a way add to the total. */
  leastFor(way: Way, units: number): number {
    const goods = units * (way.price + way.penalty)
    if (this.lines[way.seller] === 0 && this.free[way.seller] === 0) return goods + this.leastCharge[way.seller]!
    return this.falls[way.seller] === 1
      ? goods - Math.max(0, this.sellerCost[way.seller]! - this.leastCharge[way.seller]!)
      : goods
  }

  /** The most that can be saved by buying nothing of a seller. */
  mostSaved(seller: number): number {
    return this.sellerCost[seller]! + this.goods[seller]!
  }

  /** What a seller's parcel is charged beside its goods. */
  chargeOf(seller: number): number {
    return this.sellerCost[seller]!
  }

  /** What a seller's parcel of such goods, and such an amount of what shipping goes by, is charged beside its goods. */
  quoteParcel(seller: number, goods: number, amount: number): number {
    return this.terms[seller]!.charge(goods, amount)
  }

  /** Whether a step of an offer is one part. */
  isSimple(offer: number): boolean {
    return this.simple[offer] === 1
  }

  /** What a seller charges for the smallest parcel, beside goods. */
  smallParcel(seller: number): number {
    return this.terms[seller]!.smallest
  }

  /** What the dearest parcel is charged beside its goods. */
  dearestParcel(): number {
    if (this.dearestCharge < 0)
      for (let s = 0; s < this.sellerCount; s++)
        this.dearestCharge = Math.max(this.dearestCharge, this.sellerCost[s]!, 0)
    return this.dearestCharge
  }

  /** What a parcel's shipping goes by may come to at most for the cheaper band below its own; -1 where none is. */
  lighter(seller: number): number {
    return this.terms[seller]!.lighter(this.amount[seller]!)
  }

  /** Parts of a yield that can still be taken. */
  room(way: Way): number {
    return this.most[way.offer]! * this.perStep[way.source]! - this.taken[way.source]!
  }

  canBuyMore(offer: number): boolean {
    return this.steps[offer]! < this.most[offer]!
  }

  /** How the cost would change if units were filled by a way, or with fewer than 0 taken back. */
  quote(way: Way, units: number): number {
    this.work += 1
    const { offer, source, seller } = way
    const before = this.steps[offer]!
    const steps =
      this.simple[offer] === 1 && this.held[offer] === 0 ? before + units : this.stepsFor(offer, source, units)
    const change = steps - before
    const fills = units * (way.penalty - UNMET + this.credit[source]!)
    if (change === 0) return fills
    const price = change * this.stepPrice[offer]!
    const lines = this.lines[seller]! + (before === 0 ? 1 : 0) - (steps === 0 ? 1 : 0)
    const charged = this.sellerCost[seller]!
    const charge =
      this.free[seller] === 1 || lines === 0
        ? 0
        : this.terms[seller]!.charge(
            this.goods[seller]! + price,
            this.amount[seller]! + change * this.stepAmount[offer]!,
            offer,
            change,
          )
    let broken = 0
    if (this.limited) {
      const parcels = this.parcels + (charge > 0 ? 1 : 0) - (charged > 0 ? 1 : 0)
      broken = this.broken(parcels, this.spent + price + charge - charged) - this.broken(this.parcels, this.spent)
    }
    return fills + change * this.netPrice[offer]! + charge - charged + broken
  }

  /** Fill units of a need by one of its ways, or with fewer than 0 take them back; not noted down. */
  nudge(need: number, way: Way, units: number): void {
    this.work += 1
    this.fill[way.at]! += units
    this.missing[need]! -= units
    this.total += units * (way.penalty - UNMET + this.credit[way.source]!)
    this.taken[way.source]! += units
    if (this.simple[way.offer] === 1 && this.held[way.offer] === 0) this.buy(way.offer, units)
    else this.restock(way.offer)
  }

  place(need: number, way: Way, units: number): void {
    this.notes.push(need, way.index, units)
    this.nudge(need, way, units)
  }

  /** Ask for more units of a need than before, or with fewer than 0 for fewer; they are missing until they are filled. */
  want(need: number, units: number): void {
    this.notes.push(need, -1, units)
    this.ask(need, units)
  }

  private ask(need: number, units: number): void {
    this.missing[need]! += units
    this.total += units * UNMET
  }

  /** Buy at least so many steps of an offer, used or not. */
  hold(offer: number, steps: number): void {
    this.notes.push(-1 - offer, 0, this.held[offer]!)
    this.held[offer] = steps
    this.restock(offer)
  }

  /** Whether a seller charges nothing for now, so that what it could bring shows; the drawer never charges anything. */
  setFree(seller: number, free: boolean): void {
    if (seller === this.sellerCount) return
    this.free[seller] = free ? 1 : 0
    this.charge(seller)
  }

  mark(): number {
    return this.notes.length
  }

  /** Take back all changes since a mark. */
  rollback(mark: number): void {
    while (this.notes.length > mark) {
      const units = this.notes.pop()!
      const way = this.notes.pop()!
      const need = this.notes.pop()!
      if (need >= 0 && way < 0) this.ask(need, -units)
      else if (need >= 0) this.nudge(need, this.ways[need]![way]!, -units)
      else {
        this.held[-1 - need] = units
        this.restock(-1 - need)
      }
    }
  }

  /** Forget what could be taken back. */
  commit(): void {
    this.notes.length = 0
  }

  /** Go over to other fills, as `fill.slice()` gave them. */
  restore(fill: Int32Array): void {
    this.ways.forEach((ways, need) => {
      for (const way of ways) {
        const units = fill[way.at]! - this.fill[way.at]!
        if (units < 0) this.nudge(need, way, units)
      }
    })
    this.ways.forEach((ways, need) => {
      for (const way of ways) {
        const units = fill[way.at]! - this.fill[way.at]!
        if (units > 0) this.nudge(need, way, units)
      }
    })
    this.commit()
  }

  /** Go over to the fills of a settled purchase; goods that only fill parcels up are worked out anew. */
  adopt({ fills }: Pick<Settlement, 'fills'>): void {
    const needAt = new Map(this.problem.needs.map(({ id }, i) => [id, i]))
    const offerIds = [...this.problem.offers.map(({ id }) => id), ...this.problem.owned.map(() => 'owned')]
    const target = new Int32Array(this.fill.length)
    const used = new Int32Array(this.taken.length)
    for (const { need, part, qty, from } of fills) {
      let open = qty
      for (const way of this.ways[needAt.get(need)!]!) {
        if (open === 0) break
        if (offerIds[way.offer] !== from || this.partOf[way.source] !== part) continue
        const room = this.most[way.offer]! * this.perStep[way.source]! - used[way.source]!
        const units = Math.min(open, room)
        target[way.at]! += units
        used[way.source]! += units
        open -= units
      }
    }
    this.restore(target)
  }

  /** Units by offer id, with the cheapest goods that fill parcels up to what they were charged for. */
  units(): Map<string, number> {
    const { offers } = this.problem
    const extra = new Map<number, number>()
    for (let s = 0; s < this.sellerCount; s++)
      if (this.lines[s]! > 0) for (const [offer, steps] of this.fillers(s)) extra.set(offer, steps)
    return new Map(
      offers.flatMap(({ id, multiple }, o): [string, number][] => {
        const steps = this.steps[o]! + (extra.get(o) ?? 0)
        return steps > 0 ? [[id, steps * multiple]] : []
      }),
    )
  }

  /**
   * What goods that fill parcels up cost beyond what is charged for them: they come in whole steps, and some sellers have
   * nothing cheap left.
   */
  overfill(): number {
    let sum = 0
    for (let s = 0; s < this.sellerCount; s++) {
      if (this.lines[s] === 0 || this.falls[s] === 0) continue
      let [goods, amount, price] = [this.goods[s]!, this.amount[s]!, 0]
      for (const [offer, steps] of this.fillers(s)) {
        goods += steps * this.stepPrice[offer]!
        amount += steps * this.stepAmount[offer]!
        price += steps * this.netPrice[offer]!
      }
      sum += price + this.terms[s]!.charge(goods, amount) - this.sellerCost[s]!
    }
    return sum
  }

  /** Steps of an offer that what is taken of it asks for, with units more of one of its yields. */
  private stepsFor(offer: number, source = -1, units = 0): number {
    let steps = this.held[offer]!
    for (let y = this.firstSource[offer]!; y < this.firstSource[offer + 1]!; y++) {
      const taken = y === source ? this.taken[y]! + units : this.taken[y]!
      const wanted = Math.ceil(taken / this.perStep[y]!)
      if (wanted > steps) steps = wanted
    }
    return steps
  }

  private restock(offer: number): void {
    const steps = this.stepsFor(offer)
    if (steps !== this.steps[offer]) this.buy(offer, steps - this.steps[offer]!)
  }

  private buy(offer: number, change: number): void {
    const seller = this.sellerOf[offer]!
    const price = this.stepPrice[offer]! * change
    if (this.steps[offer] === 0) this.lines[seller]! += 1
    this.steps[offer]! += change
    if (this.steps[offer] === 0) this.lines[seller]! -= 1
    this.goods[seller]! += price
    this.amount[seller]! += change * this.stepAmount[offer]!
    this.spent += price
    this.total += change * this.netPrice[offer]!
    this.charge(seller)
  }

  private charge(seller: number): void {
    const before = this.sellerCost[seller]!
    const after =
      this.free[seller] === 1 || this.lines[seller] === 0
        ? 0
        : this.terms[seller]!.charge(this.goods[seller]!, this.amount[seller]!)
    if (before === after) return
    if (before > 0) this.parcels -= 1
    if (after > 0) this.parcels += 1
    this.sellerCost[seller] = after
    if (this.dearestCharge >= 0 && after >= this.dearestCharge) this.dearestCharge = after
    else if (before === this.dearestCharge) this.dearestCharge = -1
    this.total += after - before
    this.spent += after - before
  }

  /**
   * Steps of further goods that bring a parcel to the amount and the goods it was charged for, at the least money net of
   * what they fetch: to the amount first, whose goods count towards the minimum.
   */
  private fillers(seller: number): Map<number, number> {
    const { minimum, basis } = this.terms[seller]!
    const goods = this.goods[seller]!
    const lack = this.terms[seller]!.reach(goods, this.amount[seller]!) - this.amount[seller]!
    const filled = new Map<number, number>()
    // A tenth of a gram is as fine as weights are told apart here.
    const fine = basis === 'weight' ? 10 : 1
    if (lack > 0 && basis !== 'value') this.fillWith(filled, seller, (o) => this.stepAmount[o]! * fine, lack * fine)
    const more = [...filled].reduce((sum, [o, steps]) => sum + steps * this.stepPrice[o]!, 0)
    const short = Math.max(minimum - goods, basis === 'value' ? lack : 0) - more
    if (short > 0) this.fillWith(filled, seller, (o) => this.stepPrice[o]!, short)
    return filled
  }

  /** Add the cheapest steps of a seller that are worth so much together, where there are. */
  private fillWith(filled: Map<number, number>, seller: number, worth: (offer: number) => number, lack: number): void {
    const left = (o: number) => this.most[o]! - this.steps[o]! - (filled.get(o) ?? 0)
    const offers = this.offersOf[seller]!.filter((o) => left(o) > 0)
    const steps = fillUp(
      offers.map((o) => ({ worth: Math.floor(worth(o) + CLOSE), price: this.netPrice[o]!, stock: left(o) })),
      Math.ceil(lack - CLOSE),
    )
    offers.forEach((o, i) => (steps?.[i] ?? 0) > 0 && filled.set(o, (filled.get(o) ?? 0) + steps![i]!))
  }
}
