import { splitAmount } from '../market/index.ts'
import type { SourcingPlan, SourcingProblem } from './types.ts'

/** What a take costs to finish, opened by part. Money is in the problem's minor units and adds up to `total`. */
export interface TakeCost {
  total: number
  /** Goods per part bought, with the units; an offer that yields several wanted parts is shared evenly among them. */
  bought: { part: string; qty: number; cost: number }[]
  owned: { part: string; qty: number }[]
  unmet: { part: string; qty: number; why: string }[]
  /** Shipping, handling and what had to be bought only to reach a minimum. */
  shipping: number
  fillers: number
}

/** Open a plan by part. Every minor unit of the total is in exactly one place. */
export function costOfTake(problem: SourcingProblem, plan: SourcingPlan): TakeCost {
  const needs = new Map(problem.needs.map((need) => [need.id, need]))
  const offers = new Map(problem.offers.map((offer) => [offer.id, offer]))
  const owned: TakeCost['owned'] = []
  const bought = new Map<string, { part: string; qty: number; cost: number }>()
  let fillers = 0
  for (const { part, qty, from } of plan.fills) if (from === 'owned') owned.push({ part, qty })
  for (const { lines } of plan.baskets)
    for (const { offer, qty } of lines) {
      const price = offers.get(offer)!.price * qty
      const fills = plan.fills.filter((fill) => fill.from === offer)
      if (fills.length === 0) fillers += price
      splitAmount(
        price,
        fills.map((fill) => fill.qty),
      ).forEach((cost, i) => {
        const { part, qty: units } = fills[i]!
        const entry = bought.get(part) ?? { part, qty: 0, cost: 0 }
        bought.set(part, { part, qty: entry.qty + units, cost: entry.cost + cost })
      })
    }
  return {
    total: plan.total,
    bought: [...bought.values()].sort((a, b) => b.cost - a.cost || (a.part < b.part ? -1 : 1)),
    owned,
    unmet: plan.unmet.map(({ need, qty, why }) => ({ part: needs.get(need)!.accept[0]!.part, qty, why })),
    shipping: plan.baskets.reduce((sum, basket) => sum + basket.shipping + basket.handling, 0),
    fillers,
  }
}
