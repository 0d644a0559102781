import { fillUp } from './fillUp.ts'
import { gainsByFillers } from './reduce.ts'
import type { Settlement } from './settle.ts'
import type { SourcingProblem } from './types.ts'

/** What an unmet unit is charged in the search: more than any plan costs, so that fewest unmet come first. */
export const UNMET = 1e7
/** What a broken limit, or a parcel that cannot be sent, is charged: more than all units unmet. */
export const BROKEN = 1e11
/** Amounts may be fractions of a gram. */
const CLOSE = 1e-6

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

interface Band {
  from: number
  upTo: number
  price: number
}

interface Terms {
  minimum: number
  handling: number
  basis: 'value' | 'count' | 'weight'
  bands: Band[]
  /** What all the seller has to sell comes to. */
  stockWorth: number
  /** Least money for one more unit of what shipping goes by, where goods nobody needs fill a parcel up. */
  fillRate: number
}

/**
 * A plan that keeps its own account: which way each unit of each need is filled, the steps bought of every offer for that,
 * and the total, kept right with each change in O(yields of the offer + bands of the seller). Sellers below their minimum,
 * or just under a cheaper band, are charged what would fill them up. Changes are noted down and can be taken back to any
 * mark. The drawer is one more seller that charges nothing.
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
  private readonly stepAmount: Float64Array
  /** Price of a step less what all it brings would fetch. */
  readonly netPrice: Float64Array
  /** Whether a step is one part. */
  private readonly simple: Uint8Array
  private readonly credit: Float64Array
  private readonly goods: Float64Array
  private readonly amount: Float64Array
  private readonly sellerCost: Float64Array
  private readonly free: Uint8Array
  /** Whether a fuller parcel may be charged less, and the least it is ever charged, by seller. */
  private readonly falls: Uint8Array
  private readonly leastCharge: Float64Array
  private readonly terms: readonly Terms[]
  private total: number
  private spent = 0
  private parcels = 0
  private readonly mostParcels: number
  private readonly budget: number
  /** Changes since the beginning: place of a way or, below 0, of an offer held; and by how much. */
  private readonly notes: number[] = []

  constructor(readonly problem: SourcingProblem) {
    const { needs, offers, owned, sellers, limits } = problem
    const sellerAt = new Map(sellers.map(({ id }, i) => [id, i]))
    const drawer = sellers.length
    this.sellerCount = sellers.length
    this.mostParcels = limits.parcels ?? Infinity
    this.budget = limits.budget ?? Infinity
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
    this.offersOf = [...sellers.map((_, s) => s), drawer].map((s) =>
      [...this.sellerOf.keys()].filter((o) => this.sellerOf[o] === s),
    )
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
    this.terms = sellers.map(({ minimum, handling, shipping: { basis, bands } }, s) => {
      const own = this.offersOf[s]!.filter((o) => this.most[o]! > 0)
      const above = basis === 'weight' ? 1e-4 : 1
      return {
        minimum,
        handling,
        basis,
        bands: bands.map(({ upTo, price }, b) => ({
          from: b === 0 ? 0 : bands[b - 1]!.upTo! + above,
          upTo: upTo ?? Infinity,
          price,
        })),
        stockWorth: own.reduce((sum, o) => sum + this.stepPrice[o]! * this.most[o]!, 0),
        fillRate: Math.min(
          ...own.map((o) => (this.stepAmount[o]! > 0 ? this.stepPrice[o]! / this.stepAmount[o]! : Infinity)),
        ),
      }
    })
    this.falls = Uint8Array.from([...sellers.map((seller) => (gainsByFillers(seller) ? 1 : 0)), 0])
    this.leastCharge = Float64Array.from(sellers, ({ handling, shipping }) =>
      Math.max(CLOSE, handling + Math.min(...shipping.bands.map(({ price }) => price))),
    )
    this.total = this.missing.reduce((sum, qty) => sum + qty * UNMET, 0)
  }

  /** The total so far, with UNMET for each missing unit and more than all of them for a broken limit. */
  get cost(): number {
    const over = Math.max(0, this.parcels - this.mostParcels)
    const dear = this.spent - this.budget
    return this.total + (over + (dear > CLOSE ? 1 + dear / 1e6 : 0)) * BROKEN
  }

  /** The least that further units of a way add to the total. */
  leastFor(way: Way, units: number): number {
    const goods = units * (way.price + way.penalty)
    return this.falls[way.seller] === 1
      ? goods - Math.max(0, this.sellerCost[way.seller]! - this.leastCharge[way.seller]!)
      : goods
  }

  /** The most that can be saved by buying nothing of a seller. */
  mostSaved(seller: number): number {
    return this.sellerCost[seller]! + this.goods[seller]!
  }

  /** What the dearest parcel is charged beside its goods. */
  dearestParcel(): number {
    let most = 0
    for (let s = 0; s < this.sellerCount; s++) if (this.sellerCost[s]! > most) most = this.sellerCost[s]!
    return most
  }

  /** Parts of a yield that can still be taken. */
  room(way: Way): number {
    return this.most[way.offer]! * this.perStep[way.source]! - this.taken[way.source]!
  }

  canBuyMore(offer: number): boolean {
    return this.steps[offer]! < this.most[offer]!
  }

  /** Fill units of a need by one of its ways, or with fewer than 0 take them back; not noted down. */
  nudge(need: number, way: Way, units: number): void {
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

  /** Buy at least so many steps of an offer, used or not. */
  hold(offer: number, steps: number): void {
    this.notes.push(-1 - offer, 0, this.held[offer]!)
    this.held[offer] = steps
    this.restock(offer)
  }

  /** Whether a seller charges nothing for now, so that what it could bring shows. */
  setFree(seller: number, free: boolean): void {
    this.free[seller] = free ? 1 : 0
    this.charge(seller)
  }

  mark(): number {
    return this.notes.length
  }

  /** Take back all changes since a mark. */
  back(mark: number): void {
    while (this.notes.length > mark) {
      const units = this.notes.pop()!
      const way = this.notes.pop()!
      const need = this.notes.pop()!
      if (need >= 0) this.nudge(need, this.ways[need]![way]!, -units)
      else {
        this.held[-1 - need] = units
        this.restock(-1 - need)
      }
    }
  }

  /** Forget what could be taken back. */
  settleDown(): void {
    this.notes.length = 0
  }

  /** Go over to other fills, as `fill.slice()` gave them. */
  become(fill: Int32Array): void {
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
    this.settleDown()
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
    this.become(target)
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

  private restock(offer: number): void {
    let steps = this.held[offer]!
    for (let y = this.firstSource[offer]!; y < this.firstSource[offer + 1]!; y++) {
      const wanted = Math.ceil(this.taken[y]! / this.perStep[y]!)
      if (wanted > steps) steps = wanted
    }
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
    const after = this.free[seller] === 1 || this.lines[seller] === 0 ? 0 : this.chargeOf(seller)
    if (before === after) return
    if (before > 0) this.parcels -= 1
    if (after > 0) this.parcels += 1
    this.sellerCost[seller] = after
    this.total += after - before
    this.spent += after - before
  }

  /** Amount at which the band last charged for begins, where the parcel has to be filled up to it; else 0. */
  private reach = 0

  /** Shipping, handling and goods to fill up with. */
  private chargeOf(seller: number): number {
    const { minimum, handling, basis, bands, stockWorth, fillRate } = this.terms[seller]!
    this.reach = 0
    const goods = this.goods[seller]!
    const amount = this.amount[seller]!
    if (this.falls[seller] === 0) {
      for (let b = 0; b < bands.length; b++)
        if (amount <= bands[b]!.upTo + CLOSE) return Math.max(handling + bands[b]!.price, CLOSE)
      return BROKEN
    }
    const short = minimum > goods ? minimum - goods : 0
    let cost = BROKEN
    for (let b = 0; b < bands.length; b++) {
      const { from, upTo, price } = bands[b]!
      if (amount > upTo + CLOSE) continue
      const lack = from > amount ? (from - amount) * (basis === 'value' ? 1 : fillRate) : 0
      // Later bands are only dearer to reach.
      if (lack > cost) break
      const extra = lack > short ? lack : short
      if (extra > stockWorth - goods || (basis === 'value' && amount + extra > upTo)) continue
      if (price + extra < cost) {
        cost = price + extra
        this.reach = lack > 0 ? from : 0
      }
    }
    // A parcel that costs nothing is a parcel all the same.
    return Math.max(cost + handling, CLOSE)
  }

  /**
   * Steps of further goods that bring a parcel to the amount and the goods it was charged for, at the least money net of
   * what they fetch.
   */
  private fillers(seller: number): Map<number, number> {
    this.chargeOf(seller)
    const short = this.terms[seller]!.minimum - this.goods[seller]!
    // By value the one fills up the other; a minimum comes first where shipping goes by something else.
    const byValue = this.terms[seller]!.basis === 'value'
    const byGoods = short > 0 && !(byValue && this.reach - this.goods[seller]! > short)
    const lack = byGoods ? short : this.reach - this.amount[seller]!
    if (lack <= 0) return new Map()
    // A tenth of a gram is as fine as weights are told apart here.
    const fine = this.terms[seller]!.basis === 'weight' && !byGoods ? 10 : 1
    const offers = this.offersOf[seller]!.filter((o) => this.canBuyMore(o))
    const steps = fillUp(
      offers.map((o) => ({
        worth: Math.floor((byGoods ? this.stepPrice[o]! : this.stepAmount[o]!) * fine + CLOSE),
        price: this.netPrice[o]!,
        stock: this.most[o]! - this.steps[o]!,
      })),
      Math.ceil(lack * fine - CLOSE),
    )
    return new Map(offers.flatMap((o, i): [number, number][] => ((steps?.[i] ?? 0) > 0 ? [[o, steps![i]!]] : [])))
  }
}
