import type { ReactNode } from 'react'
import { formatMoney } from '@outfit/core/market'
import type { NaivePlan, SourcingPlan, SourcingProblem } from '@outfit/core/sourcing'

interface TermsProps {
  plan: SourcingPlan | NaivePlan
  problem: SourcingProblem
  sellerName: (id: string) => string
  nameOf: (part: string) => string
  /** Sellers whose shipping and handling nobody has said yet. */
  untold: ReadonlySet<string>
}

const ROW = 'flex justify-between gap-3'

/** What a total is made of; each sum opens into its terms: parcel by parcel, part by part. */
export function Terms({ plan, problem, sellerName, nameOf, untold }: TermsProps) {
  const money = (amount: number) => formatMoney(amount, problem.currency)
  const { baskets } = plan
  const [fills, surplus] = 'fills' in plan ? [plan.fills, plan.surplus] : [[], []]
  const penaltyOf = new Map(
    problem.needs.flatMap(({ id, accept }) => accept.map(({ part, penalty }) => [`${id} ${part}`, penalty] as const)),
  )
  const second = fills.flatMap(({ need, part, qty }): [string, number][] => {
    const penalty = (penaltyOf.get(`${need} ${part}`) ?? 0) * qty
    return penalty > 0 ? [[nameOf(part), penalty]] : []
  })
  const sold = surplus.flatMap(({ part, qty, credit }): [string, number][] =>
    credit > 0 ? [[`${qty} × ${nameOf(part)}`, -credit]] : [],
  )
  const isOpen = baskets.some(({ seller }) => untold.has(seller))
  const perParcel = (of: (basket: (typeof baskets)[number]) => number) =>
    baskets.map((basket): [string, number] => [sellerName(basket.seller), of(basket)])
  return (
    <div className="mt-2 space-y-1.5">
      <Term name="goods" terms={perParcel((b) => b.goods)} money={money} />
      <Term name="shipping" terms={perParcel((b) => b.shipping)} money={money} isOpen={isOpen} />
      <Term name="handling" terms={perParcel((b) => b.handling)} money={money} isOpen={isOpen} />
      {second.length > 0 && <Term name="second choices" terms={second} money={money} />}
      {sold.length > 0 && <Term name="leftovers sold" terms={sold} money={money} />}
      <p className={`${ROW} border-t border-rule pt-1.5 font-bold`}>
        <span>in all</span>
        <span data-testid="in-all">{money(plan.total)}</span>
      </p>
    </div>
  )
}

function Term({
  name,
  terms,
  money,
  isOpen = false,
}: {
  name: string
  terms: readonly [string, number][]
  money: (amount: number) => ReactNode
  /** Whether there is more to it that nobody knows. */
  isOpen?: boolean
}) {
  return (
    <details>
      <summary className={`${ROW} cursor-pointer`}>
        <span>{name}</span>
        <span>
          {money(terms.reduce((sum, [, amount]) => sum + amount, 0))}
          {isOpen && <span className="text-notice"> + ?</span>}
        </span>
      </summary>
      <ul className="mt-1 mb-2 border-l-2 border-rule pl-3 text-[13px] text-soft">
        {terms.map(([what, amount], i) => (
          <li key={i} className={ROW}>
            <span>{what}</span>
            <span>{money(amount)}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}
