import { Subgradient, type SubgradientOptions } from '../solver/index.ts'
import { UNMET } from '../sourcing/index.ts'
import { LookTree } from './lookTree.ts'
import { emptyTops, findTops, Stall, takesOf, type Takes } from './stall.ts'
import { WHOLE } from '../brief/index.ts'
import type { Wardrobe } from './wardrobe.ts'

/** What prices on parts prove, and what everybody would wear at them. */
export interface RosterBound {
  /** A proven lower bound on the value of every plan. */
  bound: number
  /** Bounds on every plan that buys of a seller or has a choice worn, by index; places as in the wardrobe. */
  withSeller: Float64Array
  withChoice: Float64Array[]
  /** Choices at the best prices. */
  choices: Int32Array
  /** By how much each choice raises the bound at the best prices. */
  rises: Float64Array[]
  /** What limits make dearer at the best prices: all that is spent by so much of itself, each parcel by so much. */
  markup: number
  toll: number
}

export interface RosterBoundOptions {
  /** Value of a plan that is known. */
  upper: number
  rounds: number
  late: () => boolean
  /** Told of what everybody would wear at the prices of a round, and of all that is known so far. */
  onRound?: (round: number, choices: Int32Array, soFar: RosterBound) => void
}

const STEPS: SubgradientOptions = { stepScale: 1.5, stallRounds: 12, leastStepScale: 0.004 }
/** How boldly prices are changed when limits join. */
const LATE_SCALE = 0.5
/** Where a limit is priced, a share of it counts as a unit. */
const UNIT = 0.02
/** What rounding of missed likeness may take off each outfit. */
const ROUNDING = 0.499

/**
 * A bound by prices put on parts, faces, floors and limits (Lagrangian relaxation; Geoffrion, Mathematical Programming Study
 * 2, 1974). At given prices each outfit alone wears what costs it least (`LookTree`) and each seller alone sells to each place
 * what it would wear, or nothing (`Stall`); the prices are improved by subgradient steps. A part has a price of its own for
 * each choice that takes it: were it one price for all, a seller would be paid for every choice of a place, and few of its
 * parts would seem to carry its shipping. What raises the bound above a known value is in no better plan.
 * O(rounds × (choices² of pairs + choices × sellers)).
 */
export function rosterBound(wardrobe: Wardrobe, { upper, rounds, late, onRound }: RosterBoundOptions): RosterBound {
  const { problem, supply, places, placesOf } = wardrobe
  const { worth, outfits, limits } = problem
  const takes = takesOf(wardrobe)
  const parts = takes.need.length
  const own = new Int32Array(supply.needs.length)
  const needAt = new Map(supply.needs.map(({ id }, need) => [id, need]))
  for (const { part, qty } of supply.owned) if (needAt.has(part)) own[needAt.get(part)!]! += qty
  // No more of a part is of use than everybody could wear at once.
  supply.needs.forEach(({ qty }, need) => (own[need] = Math.min(own[need]!, qty)))
  const stalls = supply.sellers.map((seller) => new Stall(supply, seller, wardrobe, takes))
  const tops = emptyTops(supply.needs.length)
  const trees = outfits.map((_, i) => new LookTree(wardrobe, i))
  const faceSlots = limits.faces === 'distinct' ? firstFaces(wardrobe) : new Set<number>()
  const faces = wardrobe.faces.length
  // Prices: what choices take, then faces, floors in points, the budget, parcels.
  const [atFace, atFloor] = [parts, parts + faces]
  const atBudget = atFloor + outfits.length
  const atParcels = atBudget + 1
  const prices = new Float64Array(atParcels + 1)
  prices.set(startingPrices(wardrobe, takes, own))
  const budgetUnit = limits.budget === null ? 1 : Math.max(1, limits.budget * UNIT)
  const lacking = new Float64Array(prices.length)
  const sold = new Float64Array(parts)
  const chosen = new Int32Array(places.length)
  const result: RosterBound = {
    bound: -Infinity,
    withSeller: new Float64Array(supply.sellers.length).fill(-Infinity),
    withChoice: places.map(({ choices }) => new Float64Array(choices.length).fill(-Infinity)),
    choices: chosen.slice(),
    rises: places.map(({ choices }) => new Float64Array(choices.length)),
    markup: 0,
    toll: 0,
  }
  const steps = new Subgradient(prices, new Float64Array(prices.length), STEPS)
  // Limits get their prices once parts have theirs: before, what is spent says little.
  let priceLimits = false
  const limited = limits.budget !== null || limits.parcels !== null
  for (let round = 0; round < rounds && !late(); round++) {
    if (steps.spent || (limited && !priceLimits && round * 2 >= rounds)) {
      if (!limited || priceLimits) break
      priceLimits = true
      steps.restart(LATE_SCALE)
    }
    lacking.fill(0)
    let value = 0
    findTops(takes, prices, tops)
    for (let need = 0; need < own.length; need++)
      for (let copy = 0; copy < own[need]!; copy++) {
        const at = need * tops.depth + Math.min(copy, tops.depth - 1)
        if (tops.price[at]! <= 0) break
        value -= tops.price[at]!
        lacking[tops.entry[at]!]! -= 1
      }
    for (let f = 0; f < faces; f++) {
      value -= prices[atFace + f]!
      lacking[atFace + f]! -= 1
    }
    /** What a thousandth of likeness is worth to each outfit. */
    const rates = outfits.map((_, i) => (worth + prices[atFloor + i]!) / 1000)
    outfits.forEach((outfit, i) => {
      const tree = trees[i]!
      const rate = rates[i]!
      for (const place of placesOf[i]!) {
        const costs = tree.costOf(place)
        const priced = faceSlots.has(place)
        const starts = takes.first[place]!
        places[place]!.choices.forEach(({ score, face }, c) => {
          let cost = -rate * score
          for (let e = starts[c]!; e < starts[c + 1]!; e++) cost += takes.count[e]! * prices[e]!
          if (priced && face >= 0) cost += prices[atFace + face]!
          costs[c] = cost
        })
      }
      value += tree.solve(rate, chosen) + (worth * WHOLE + prices[atFloor + i]! * outfit.floor) / 1000 - ROUNDING
      let likeness = 0
      for (const place of placesOf[i]!) {
        const { choices, beside } = places[place]!
        const { score, face } = choices[chosen[place]!]!
        likeness += score
        for (const { place: other, width, off } of beside)
          if (other > place) likeness -= off[chosen[place]! * width + chosen[other]!]!
        const starts = takes.first[place]!
        for (let e = starts[chosen[place]!]!; e < starts[chosen[place]! + 1]!; e++) lacking[e]! += takes.count[e]!
        if (faceSlots.has(place) && face >= 0) lacking[atFace + face]! += 1
      }
      lacking[atFloor + i] = outfit.floor > -Infinity ? (outfit.floor - likeness) / 1000 : 0
    })
    const markup = priceLimits && limits.budget !== null ? prices[atBudget]! / budgetUnit : 0
    const toll = priceLimits && limits.parcels !== null ? prices[atParcels]! : 0
    if (priceLimits && limits.budget !== null) {
      value -= markup * limits.budget
      lacking[atBudget] = -limits.budget / budgetUnit
    }
    if (priceLimits && limits.parcels !== null) {
      value -= toll * limits.parcels
      lacking[atParcels] = -limits.parcels
    }
    const sums = stalls.map((stall) => {
      sold.fill(0)
      const its = stall.sell(prices, tops, markup, toll, sold)
      if (its < 0) {
        value += its
        if (priceLimits && limits.budget !== null) lacking[atBudget]! += stall.paid / budgetUnit
        if (priceLimits && limits.parcels !== null) lacking[atParcels]! += 1
        for (let e = 0; e < parts; e++) lacking[e]! += sold[e]!
      }
      return its
    })
    const gained = steps.gains(value)
    if (gained) {
      result.bound = value
      result.choices.set(chosen)
      result.markup = markup
      result.toll = toll
    }
    if (gained || value > upper - 1.2 * (upper - result.bound)) {
      sums.forEach((sum, s) => {
        result.withSeller[s] = Math.max(result.withSeller[s]!, value - Math.min(0, sum) + sum)
      })
      trees.forEach((tree, i) => {
        for (const [place, rises] of tree.rises(rates[i]!)) {
          const known = result.withChoice[place]!
          for (let c = 0; c < rises.length; c++) known[c] = Math.max(known[c]!, value + rises[c]!)
          if (gained) result.rises[place]!.set(rises)
        }
      })
    }
    onRound?.(round, chosen, result)
    if (!steps.step(value, lacking, upper)) break
  }
  return result
}

/** The cheapest each part can be had for: a place to begin from. */
function startingPrices({ ledger }: Wardrobe, { need }: Takes, own: Int32Array): Float64Array {
  const cheapest = ledger.ways.map((ways, n) =>
    own[n]! > 0 ? 0 : ways.reduce((least, { price }) => Math.min(least, price), UNMET),
  )
  return Float64Array.from(need, (n) => cheapest[n]!)
}

/** Of each outfit the first place whose choices have faces: of those alone it is asked that they differ. */
function firstFaces({ places, placesOf }: Wardrobe): Set<number> {
  return new Set(
    placesOf.flatMap((own) => own.filter((place) => places[place]!.choices.some(({ face }) => face >= 0)).slice(0, 1)),
  )
}
