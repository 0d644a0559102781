import { writeCsv } from '../tables/index.ts'
import { decimalMoney } from '../market/index.ts'
import type { SourcingPlan, SourcingProblem } from './types.ts'

/** The shopping list of a plan: a line an offer, then shipping and handling of each parcel and the total. */
export function planToCsv(problem: SourcingProblem, plan: SourcingPlan, nameOf: (offer: string) => string): string {
  const sellers = new Map(problem.sellers.map((seller) => [seller.id, seller]))
  const offers = new Map(problem.offers.map((offer) => [offer.id, offer]))
  const money = (amount: number) => decimalMoney(amount, problem.currency)
  const rows = plan.baskets.flatMap((basket) => {
    const seller = sellers.get(basket.seller)!.name
    return [
      ...basket.lines.map(({ offer, qty }) => {
        const { price } = offers.get(offer)!
        return [seller, nameOf(offer), offer, qty, money(price), money(price * qty)]
      }),
      [seller, 'Shipping', '', 1, money(basket.shipping), money(basket.shipping)],
      ...(basket.handling > 0 ? [[seller, 'Handling', '', 1, money(basket.handling), money(basket.handling)]] : []),
    ]
  })
  return writeCsv(
    ['seller', 'item', 'offer', 'qty', `each (${problem.currency})`, `sum (${problem.currency})`],
    [...rows, ['', 'Total', '', '', '', money(plan.total)]],
  )
}
