import { useState } from 'react'
import { formatMoney } from '@outfit/core/market'
import type { SourcingReport } from '@outfit/core/sourcing'
import { Button } from '../ui/Button.tsx'
import { useVariant } from './useVariant.ts'

/** Which prices the plan hangs on: how much dearer its dearest lines may become, and at what price others would come in. */
export function Firmness({ job, report }: { job: string; report: SourcingReport }) {
  const [asked, ask] = useState(false)
  const { report: variant, problem } = useVariant(asked ? job : null, { way: 'sensitivity' })
  const offers = new Map(report.problem.offers.map((offer) => [offer.id, offer]))
  const sellerOf = (offer: string) =>
    report.problem.sellers.find(({ id }) => id === offers.get(offer)!.seller)?.name ?? ''
  const money = (amount: number) => formatMoney(amount, report.problem.currency)
  return (
    <>
      <h2 className="mt-5 text-lg">Prices it hangs on</h2>
      {!asked && (
        <Button className="mt-1" onClick={() => ask(true)}>
          Try each line
        </Button>
      )}
      {problem && <p role="alert">{problem}</p>}
      {asked && !problem && !variant && <p className="mt-1 text-soft">Planning without each of the dearest lines…</p>}
      {variant?.sensitivity && (
        <ul aria-label="If it became dearer" className="mt-1 space-y-1.5">
          {variant.sensitivity.rises.map(({ offer, qty, rise }) => (
            <li key={offer}>
              {report.things[offer]?.name ?? offer} at {money(offers.get(offer)!.price)}:{' '}
              {rise === null
                ? 'nobody else has enough of it'
                : rise === 0
                  ? 'another plan costs no more without it'
                  : `another plan is as good once it is ${money(rise)} dearer${qty > 1 ? ', or sooner' : ''}`}
            </li>
          ))}
        </ul>
      )}
      {variant?.sensitivity && variant.sensitivity.falls.length > 0 && (
        <>
          <h3 className="mt-3 font-semibold">What would come in</h3>
          <ul aria-label="If it became cheaper" className="mt-1 space-y-1.5">
            {variant.sensitivity.falls.map(({ offer, at }) => (
              <li key={offer}>
                {report.things[offer]?.name ?? offer} of {sellerOf(offer)}, {money(offers.get(offer)!.price)} now:{' '}
                {at === null
                  ? 'not even for nothing'
                  : at >= offers.get(offer)!.price
                    ? 'as good already'
                    : `once it is ${money(at)}`}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  )
}
