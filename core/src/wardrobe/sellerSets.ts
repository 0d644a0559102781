import { LookTree } from './lookTree.ts'
import type { RosterBound } from './rosterBound.ts'
import { WHOLE } from '../brief/index.ts'
import { missedWorth } from './types.ts'
import type { Wardrobe } from './wardrobe.ts'

/** A set of sellers with what everybody would choose of it. */
export interface SellerSet {
  sellers: number[]
  choices: Int32Array
  value: number
}

/** Nothing costs more than this; it stands for what a set does not sell. */
const MOST = 1e7
/** Gains smaller than this are none. */
const EPS = 1e-6

/**
 * Search for sets of sellers: of a set, what everybody would choose is known at once, outfit by outfit (`LookTree`), at the
 * lowest prices of the set and with its shipping; sets are changed by a seller more, fewer or exchanged as long as that saves
 * (the local search of facility location). Figures and boxes, stocks, distinct faces and floors are left out, which whoever
 * goes on from a set brings in.
 */
export class SellerSets {
  private readonly trees: readonly LookTree[]
  /** Price and amount of a unit, by seller × needs. */
  private readonly price: Float64Array
  private readonly amount: Float64Array
  private readonly own: Int32Array
  private readonly known = new Map<string, SellerSet>()
  private readonly cheapest: Float64Array
  private readonly from: Int32Array
  private readonly used: Int32Array
  private readonly goods: Float64Array
  private readonly shipped: Float64Array

  constructor(
    private readonly wardrobe: Wardrobe,
    private readonly outOfTime: () => boolean,
    private readonly dearer: Pick<RosterBound, 'markup' | 'toll'>,
  ) {
    const { ledger, supply, problem } = wardrobe
    const needs = supply.needs.length
    this.trees = problem.outfits.map((_, i) => new LookTree(wardrobe, i))
    this.price = new Float64Array(ledger.sellerCount * needs).fill(MOST)
    this.amount = new Float64Array(ledger.sellerCount * needs)
    this.own = new Int32Array(needs)
    ledger.ways.forEach((ways, need) => {
      for (const { seller, price, offer } of ways) {
        if (seller === ledger.sellerCount) this.own[need]! += supply.owned[offer - supply.offers.length]!.qty
        else if (ledger.isSimple(offer) && price < this.price[seller * needs + need]!) {
          this.price[seller * needs + need] = price
          this.amount[seller * needs + need] = ledger.stepAmount[offer]!
        }
      }
    })
    this.cheapest = new Float64Array(needs)
    this.from = new Int32Array(needs)
    this.used = new Int32Array(needs)
    this.goods = new Float64Array(ledger.sellerCount)
    this.shipped = new Float64Array(ledger.sellerCount)
  }

  /** How many sets were looked at. */
  get count(): number {
    return this.known.size
  }

  /** The best sets found, the best first. */
  best(): SellerSet[] {
    return [...this.known.values()].sort((a, b) => a.value - b.value)
  }

  /** Improve a set of sellers until no seller more, fewer or exchanged saves. */
  improve(sellers: Iterable<number>): SellerSet {
    const { random } = this.wardrobe.moves
    const count = this.wardrobe.ledger.sellerCount
    let at = this.look(sellers)
    for (let better = true; better && !this.outOfTime();) {
      better = false
      const has = new Set(at.sellers)
      const outside = Array.from({ length: count }, (_, s) => s).filter((s) => !has.has(s))
      const tries: number[][] = [
        ...at.sellers.map((gone) => at.sellers.filter((s) => s !== gone)),
        ...outside.map((more) => [...at.sellers, more]),
        ...outside.flatMap((more) => at.sellers.map((gone) => [...at.sellers.filter((s) => s !== gone), more])),
      ]
      // First what is better is taken, in random order; sets looked at before are known.
      for (let left = tries.length; left > 0 && !this.outOfTime(); left--) {
        const pick = Math.floor(random() * left)
        const next = this.look(tries[pick]!)
        tries[pick] = tries[left - 1]!
        if (next.value >= at.value - EPS) continue
        at = next
        better = true
        break
      }
    }
    return at
  }

  /** What everybody would choose of a set; sellers nobody buys from are left out of it. */
  private look(sellers: Iterable<number>): SellerSet {
    const asked = [...sellers].sort((a, b) => a - b)
    const key = asked.join(' ')
    const before = this.known.get(key)
    if (before) return before
    const found = this.work(asked)
    this.known.set(key, found)
    return found
  }

  private work(sellers: readonly number[]): SellerSet {
    const { wardrobe, cheapest, from, used, goods, shipped, own } = this
    const { places, placesOf, problem, allowed, ledger } = wardrobe
    const { worth, outfits } = problem
    const needs = cheapest.length
    cheapest.fill(MOST)
    from.fill(-1)
    for (const s of sellers)
      for (let need = 0; need < needs; need++) {
        const its = this.price[s * needs + need]!
        if (its < cheapest[need]!) [cheapest[need], from[need]] = [its, s]
      }
    const choices = new Int32Array(places.length)
    const rate = worth / 1000
    let [value, spent] = [0, 0]
    outfits.forEach((_, i) => {
      const tree = this.trees[i]!
      for (const place of placesOf[i]!) {
        const costs = tree.costOf(place).fill(Infinity)
        for (const choice of allowed[place]!) {
          const { needs: taken, counts, score } = places[place]!.choices[choice]!
          let cost = -rate * score
          for (let k = 0; k < taken.length; k++)
            if (counts[k]! > own[taken[k]!]!) cost += counts[k]! * cheapest[taken[k]!]! * (1 + this.dearer.markup)
          costs[choice] = cost
        }
      }
      tree.solve(rate, choices)
      let likeness = 0
      for (const place of placesOf[i]!) {
        const { choices: all, beside } = places[place]!
        likeness += all[choices[place]!]!.score
        for (const { place: other, width, off } of beside)
          if (other > place) likeness -= off[choices[place]! * width + choices[other]!]!
      }
      value += missedWorth(worth, Math.min(likeness, WHOLE * 1e3))
    })
    used.fill(0)
    places.forEach(({ choices: all }, place) => {
      const { needs: taken, counts } = all[choices[place]!]!
      for (let k = 0; k < taken.length; k++) used[taken[k]!]! += counts[k]!
    })
    goods.fill(0)
    shipped.fill(0)
    for (let need = 0; need < needs; need++) {
      const units = used[need]! - own[need]!
      if (units <= 0) continue
      const seller = from[need]!
      spent += units * cheapest[need]!
      if (seller < 0) continue
      goods[seller]! += units * cheapest[need]!
      shipped[seller]! += units * this.amount[seller * needs + need]!
    }
    const bought = sellers.filter((s) => goods[s]! > 0)
    for (const s of bought) spent += ledger.quoteParcel(s, goods[s]!, shipped[s]!)
    value += spent * (1 + this.dearer.markup) + bought.length * this.dearer.toll
    return { sellers: bought, choices, value }
  }
}
