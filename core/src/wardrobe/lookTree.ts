import type { Wardrobe } from './wardrobe.ts'

/** An edge of the tree of an outfit: a place, the place above it, and what choices of both take off. */
interface Edge {
  above: number
  width: number
  off: Float64Array
}

/**
 * The places of one outfit with the heaviest of its pairs, as a forest: the best choices at given costs come from the leaves
 * up, what each choice costs at least from the root down (min-sum dynamic programming on a tree). Pairs outside the forest
 * count as what they take off at least, so that what is worked out is never above the truth; `exact` says whether there are
 * none. O(places × choices²) at worst, O(places × choices) where few pairs take anything off.
 */
export class LookTree {
  /** Places from the roots down. */
  readonly order: readonly number[]
  readonly exact: boolean
  private readonly edges = new Map<number, Edge>()
  /** What pairs outside the forest take off at least. */
  private readonly rest: number
  private readonly costs: Map<number, Float64Array>
  private readonly below = new Map<number, Float64Array>()
  private readonly marginals = new Map<number, Float64Array>()

  constructor(wardrobe: Wardrobe, outfit: number) {
    const places = wardrobe.placesOf[outfit]!
    const pairs = places.flatMap((a) =>
      wardrobe.places[a]!.beside.filter(({ place }) => place > a).map(({ place: b, off }) => ({
        a,
        b,
        weight: heaviest(off),
      })),
    )
    pairs.sort((x, y) => y.weight - x.weight)
    const root = new Map(places.map((place) => [place, place]))
    const rootOf = (place: number): number => {
      const up = root.get(place)!
      return up === place ? place : rootOf(up)
    }
    const linked = new Map<number, number[]>(places.map((place) => [place, []]))
    let rest = 0
    let left = 0
    for (const { a, b, weight } of pairs) {
      const off = wardrobe.places[a]!.beside.find(({ place }) => place === b)!.off
      if (rootOf(a) === rootOf(b)) {
        rest += off.reduce((least, points) => Math.min(least, points), Infinity)
        if (weight > 0) left += 1
        continue
      }
      root.set(rootOf(a), rootOf(b))
      linked.get(a)!.push(b)
      linked.get(b)!.push(a)
    }
    this.rest = rest
    this.exact = left === 0
    const order: number[] = []
    for (const start of places) {
      if (order.includes(start)) continue
      const open = [start]
      for (let place = open.pop(); place !== undefined; place = open.pop()) {
        order.push(place)
        for (const next of linked.get(place)!) {
          if (this.edges.get(place)?.above === next) continue
          const { off, width } = wardrobe.places[next]!.beside.find((one) => one.place === place)!
          this.edges.set(next, { above: place, width, off })
          open.push(next)
        }
      }
    }
    this.order = order
    this.costs = new Map(places.map((place) => [place, new Float64Array(wardrobe.places[place]!.choices.length)]))
    for (const place of places) {
      this.below.set(place, new Float64Array(this.costs.get(place)!.length))
      this.marginals.set(place, new Float64Array(this.costs.get(place)!.length))
    }
  }

  /** What each choice of a place costs, to be filled in before `solve`. */
  costOf(place: number): Float64Array {
    return this.costs.get(place)!
  }

  /**
   * The least all places cost together, where what pairs take off costs `rate` each; the choices go into `chosen`, by place.
   */
  solve(rate: number, chosen: Int32Array): number {
    const { order, edges, below, costs } = this
    for (const place of order) below.get(place)!.set(costs.get(place)!)
    let sum = rate * this.rest
    const least = new Map<number, number>()
    for (let i = order.length - 1; i >= 0; i--) {
      const place = order[i]!
      const own = below.get(place)!
      const best = argmin(own)
      least.set(place, best)
      const edge = edges.get(place)
      if (!edge) sum += own[best]!
      else {
        const above = below.get(edge.above)!
        for (let c = 0; c < above.length; c++) above[c]! += fromBelow(own, best, edge, c, rate).cost
      }
    }
    for (const place of order) {
      const edge = edges.get(place)
      chosen[place] = edge
        ? fromBelow(below.get(place)!, least.get(place)!, edge, chosen[edge.above]!, rate).choice
        : least.get(place)!
    }
    return sum
  }

  /** After `solve`: by how much the least would rise at least, were each choice of a place worn. */
  rises(rate: number): ReadonlyMap<number, Float64Array> {
    const { order, edges, below, marginals } = this
    for (const place of order) {
      const own = below.get(place)!
      const all = marginals.get(place)!
      const edge = edges.get(place)
      if (!edge) {
        const best = own[argmin(own)]!
        for (let c = 0; c < own.length; c++) all[c] = own[c]! - best
        continue
      }
      // All of the tree at each choice above, without what came from this place.
      const above = marginals.get(edge.above)!
      const best = argmin(own)
      const without = above.map((rise, a) => rise - fromBelow(own, best, edge, a, rate).cost)
      for (let c = 0; c < own.length; c++) {
        let least = Infinity
        for (let a = 0; a < without.length; a++)
          least = Math.min(least, without[a]! + rate * edge.off[c * edge.width + a]!)
        all[c] = own[c]! + least
      }
    }
    return marginals
  }
}

/** The cheapest choice of a place at a choice of the one above. */
function fromBelow(own: Float64Array, best: number, { width, off }: Edge, above: number, rate: number) {
  // What takes nothing off is the cheapest of all where the cheapest takes nothing off.
  let choice = best
  let cost = own[best]! + rate * off[best * width + above]!
  if (off[best * width + above] === 0 && rate >= 0 && !hasBonus(off)) return { choice, cost }
  for (let c = 0; c < own.length; c++) {
    const its = own[c]! + rate * off[c * width + above]!
    if (its < cost) [choice, cost] = [c, its]
  }
  return { choice, cost }
}

const bonuses = new WeakMap<Float64Array, boolean>()
/** Whether some pair adds likeness. */
function hasBonus(off: Float64Array): boolean {
  let known = bonuses.get(off)
  if (known === undefined) bonuses.set(off, (known = off.some((points) => points < 0)))
  return known
}

function argmin(values: Float64Array): number {
  let best = 0
  for (let i = 1; i < values.length; i++) if (values[i]! < values[best]!) best = i
  return best
}

const heaviest = (off: Float64Array) => off.reduce((most, points) => Math.max(most, Math.abs(points)), 0)
