import { Subgradient, type SubgradientOptions } from '../solver/index.ts'
import { readShops, sell, startingPrices, type Shop } from './shops.ts'
import type { SourcingProblem } from './types.ts'

export interface LagrangianBound {
  /** A proven lower bound on the total of every plan that leaves no more units unmet. */
  bound: number
  /** A bound on every plan with a parcel of the seller, and on every plan that buys of the offer; aligned with the problem. */
  withSeller: Float64Array
  withOffer: Float64Array
  /** How much of each seller a plan of fractions opens, 0 to 1: the share of the rounds in which its parcel paid, the later the more. */
  open: Float64Array
}

export interface LagrangianOptions {
  /** Units that may stay unmet. */
  fewest: number
  /** Total of a plan that is known. */
  upper: number
  rounds: number
  late?: () => boolean
}

/** What the latest round counts for in the shares of sellers. */
const LATEST = 0.02
const STEPS: SubgradientOptions = { stepScale: 1.5, stallRounds: 10, leastStepScale: 0.01 }

/**
 * A bound by prices put on parts (Lagrangian relaxation of the part balances; Geoffrion, Mathematical Programming Study 2,
 * 1974). At given prices each need takes the part that is cheapest for it and each seller, alone, sells or does not: every
 * shipping band is tried, with a fractional knapsack for what it allows, which bounds the seller's best parcel from below.
 * The prices are improved by `Subgradient` steps. O(rounds × offers × log offers of a seller).
 *
 * A seller or offer with a bound above the known total is in no better plan.
 */
export function lagrangianBound(
  problem: SourcingProblem,
  { fewest, upper, rounds, late }: LagrangianOptions,
): LagrangianBound {
  const { parts, accepts, own, floor, shops } = read(problem)
  const prices = startingPrices(shops, floor)
  const withSeller = new Float64Array(problem.sellers.length).fill(-Infinity)
  const withOffer = new Float64Array(problem.offers.length).fill(-Infinity)
  const open = new Float64Array(problem.sellers.length)
  const lacking = new Float64Array(parts)
  const worth = new Float64Array(accepts.length)
  const steps = new Subgradient(prices, floor, STEPS)
  for (let round = 0; round < rounds && !steps.spent && !late?.(); round++) {
    lacking.fill(0)
    let value = 0
    for (let p = 0; p < parts; p++) {
      value -= own[p]! * prices[p]!
      lacking[p]! -= own[p]!
    }
    accepts.forEach(({ qty, ways }, n) => {
      let cheapest = ways[0]!
      for (const way of ways)
        if (way.penalty + prices[way.part]! < cheapest.penalty + prices[cheapest.part]!) cheapest = way
      worth[n] = cheapest.penalty + prices[cheapest.part]!
      value += qty * worth[n]!
      lacking[cheapest.part]! += qty
    })
    if (fewest > 0) value -= dearest(accepts, worth, fewest)
    const sums = shops.map((shop) => {
      const sold = sell(shop, prices)
      if (sold < 0) {
        value += sold
        for (let l = 0; l < shop.lines.length; l++) {
          const { parts: brought, counts } = shop.lines[l]!
          const steps = shop.steps[l]!
          if (steps > 0) for (let k = 0; k < brought.length; k++) lacking[brought[k]!]! -= steps * counts[k]!
        }
      }
      return sold
    })
    // As in the volume algorithm (Barahona and Anbil, Mathematical Programming 87, 2000).
    sums.forEach((sum, s) => (open[s] = open[s]! * (1 - LATEST) + (sum < 0 ? LATEST : 0)))
    if (steps.gains(value) || value > upper - 1.5 * (upper - steps.bound))
      shops.forEach((shop, s) => {
        const closed = value - Math.min(0, sums[s]!)
        withSeller[s] = Math.max(withSeller[s]!, closed + sums[s]!)
        shop.lines.forEach(({ offer }, l) => {
          const forced = closed + Math.max(sums[s]!, shop.base + Math.max(0, shop.reduced[l]!))
          withOffer[offer] = Math.max(withOffer[offer]!, forced)
        })
      })
    if (!steps.step(value, lacking, upper)) break
  }
  return { bound: steps.bound, withSeller, withOffer, open }
}

interface Reading {
  /** Number of parts that needs accept; others have the price they fetch. */
  parts: number
  accepts: { qty: number; ways: { part: number; penalty: number }[] }[]
  own: Float64Array
  /** What each part fetches when left over: no part is worth less. */
  floor: Float64Array
  shops: Shop[]
}

function read(problem: SourcingProblem): Reading {
  const index = new Map<string, number>()
  const credits = new Map(problem.resale.map(({ part, price }) => [part, price]))
  for (const { qty, accept } of problem.needs)
    if (qty > 0) for (const { part } of accept) if (!index.has(part)) index.set(part, index.size)
  const own = new Float64Array(index.size)
  for (const { part, qty } of problem.owned) if (index.has(part)) own[index.get(part)!]! += qty
  const floor = new Float64Array(index.size)
  for (const [part, p] of index) floor[p] = credits.get(part) ?? 0
  const accepts = problem.needs
    .filter(({ qty, accept }) => qty > 0 && accept.length > 0)
    .map(({ qty, accept }) => ({ qty, ways: accept.map(({ part, penalty }) => ({ part: index.get(part)!, penalty })) }))
  return { parts: index.size, accepts, own, floor, shops: readShops(problem, index) }
}

/** What the units that may stay unmet would save at most. */
function dearest(accepts: Reading['accepts'], worth: Float64Array, fewest: number): number {
  const order = [...accepts.keys()].sort((a, b) => worth[b]! - worth[a]!)
  let [left, saved] = [fewest, 0]
  for (const n of order) {
    const units = Math.min(left, accepts[n]!.qty)
    saved += units * Math.max(0, worth[n]!)
    left -= units
    if (left === 0) break
  }
  return saved
}
