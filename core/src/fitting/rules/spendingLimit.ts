import { missingFrom } from '../../allotment/index.ts'
import { homeMoney } from '../../market/index.ts'
import { costToFinish, wholesWanted } from '../../prices/index.ts'
import { bestOf, colourGap, freeOf, inPlace, ofMould } from '../instead.ts'
import { pinned, rulesOf, type Rule } from '../pin.ts'

/**
 * An outfit costs no more than the house rules say: its missing parts at the lowest prices of the day, in a whole where
 * that is less, without shipping. Parts nobody sells count nothing, so the true sum is not below. The remedy is the dearest part in a near
 * colour for less.
 */
export const spendingLimit: Rule = (placements, context) => {
  const limit = rulesOf(context).spendingLimit
  const { drawer, lowest = {}, catalogue } = context
  if (limit === null || !drawer) return []
  const missing = missingFrom(placements, drawer, rulesOf(context).takingApart)
  const priced = missing.map((placement) => ({ placement, price: lowest[placement.part] ?? 0 }))
  const wanted = missing.map(({ part }) => part)
  const priceOf = (code: string) => lowest[code]
  const wholes = wholesWanted(wanted, catalogue, priceOf, rulesOf(context).takingApart)
  const { money: sum, unsold } = costToFinish(wanted, priceOf, wholes)
  if (sum <= limit) return []
  const { placement, price } = priced.reduce((dear, one) => (one.price > dear.price ? one : dear))
  const part = catalogue.parts.get(placement.part)!
  // What nobody sells costs something too.
  const atLeast = unsold > 0 ? 'at least ' : ''
  return [
    pinned(
      {
        rule: 'spending-limit',
        severity: 'notice',
        slots: [placement.slot],
        title: 'Dearer than the house rules allow',
        detail: `${atLeast}${homeMoney(sum)} to buy, ${homeMoney(limit)} at most; ${part.name.toLowerCase()} is ${homeMoney(price)} of it`,
      },
      () =>
        bestOf(ofMould(part.mould, context), context, (one) => {
          const costs = freeOf(one, context) > 0 ? 0 : lowest[one.code]
          if (one.print !== part.print || costs === null || costs === undefined || costs >= price) return null
          const gap = colourGap(one, part, context)
          return gap <= 20 ? gap : null
        })
          .slice(0, 1)
          .map((one) => inPlace(placements, placement, one, context)),
    ),
  ]
}
