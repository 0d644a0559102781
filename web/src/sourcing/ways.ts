import {
  isBetter,
  unmetIn,
  type Basket,
  type NaivePlan,
  type SourcingPlan,
  type SourcingReport,
} from '@outfit/core/sourcing'

/** A way to buy as its card shows it. */
export interface Way {
  key: 'best' | 'each' | 'fewest' | 'one' | 'whole' | 'favoured'
  title: string
  /** null while it is being worked out. */
  plan: SourcingPlan | NaivePlan | null
  remark: string
}

export const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** Days until the last of some parcels is here. */
export const daysOf = (baskets: readonly Basket[], { sellers }: SourcingReport['problem']) =>
  Math.max(0, ...baskets.map((b) => sellers.find((s) => s.id === b.seller)?.arrivesInDays ?? 0))

/** What could still be saved at most. */
const openOf = ({ status, total, bound }: SourcingPlan, money: (amount: number) => string) =>
  status === 'optimal' ? 'proven' : `at most ${money(total - bound)} less`

/** What a card says besides money, parcels and days: what is missing comes before anything else. */
export function remarkOf(plan: SourcingPlan | NaivePlan, key: Way['key'], money: (amount: number) => string): string {
  const missing = unmetIn(plan)
  if (missing > 0) return `lacks ${count(missing, 'part')}`
  if ('refused' in plan)
    return plan.refused.length > 0 ? 'would be refused' : plan.filledUp.length > 0 ? 'filled up' : 'true cost'
  return key === 'best' && plan.status === 'optimal' ? 'proven best' : openOf(plan, money)
}

/** In how far a plan is proven, in a sentence. */
export function proofOf(plan: SourcingPlan, money: (amount: number) => string): string {
  if (plan.status === 'impossible') return 'no plan keeps the limits and meets more'
  if (plan.status === 'optimal') return `proven: no plan is cheaper than ${money(plan.total)}`
  return `at most ${money(plan.total - plan.bound)} could still be saved`
}

/** What looking further brought, in a sentence. */
export function furtherInWords(before: SourcingPlan, after: SourcingPlan, money: (amount: number) => string): string {
  if (isBetter(after, before))
    return unmetIn(after) < unmetIn(before)
      ? 'Looking further found parts that were missing.'
      : `Looking further saved ${money(before.total - after.total)}.`
  return after.bound > before.bound && after.status !== 'optimal'
    ? 'Looking further found nothing better, and more of it is proven now.'
    : 'Looking further found nothing better.'
}

const LIMITS = { parcels: 'parcels', arriveBy: 'days', budget: 'money' } as const

/** What would do where limits are too tight, in a sentence. */
export function relaxedInWords(
  relaxed: NonNullable<SourcingReport['relaxed']>,
  money: (amount: number) => string,
): string {
  const say = ({ limit, from, to }: (typeof relaxed.alone)[number]) =>
    limit === 'budget' ? `${money(to)} instead of ${money(from)}` : `${to} ${LIMITS[limit]} instead of ${from}`
  if (relaxed.alone.length > 0) return `It would do with ${relaxed.alone.map(say).join(', or with ')}.`
  if (relaxed.together.length > 0) return `It would do with ${relaxed.together.map(say).join(' and ')} together.`
  return 'No relaxation was found in time.'
}
