import { useState } from 'react'
import { formatMoney } from '@outfit/core/market'
import type { SourcingReport } from '@outfit/core/sourcing'
import { Button } from '../ui/Button.tsx'
import { useVariant } from './useVariant.ts'

/** Which prices the plan hangs on: how much dearer its dearest lines may become. */
export function Firmness({ job, report }: { job: string; report: SourcingReport }) {
  const [asked, ask] = useState(false)
  const { report: variant, problem } = useVariant(asked ? job : null, { way: 'sensitivity' })
  const offers = new Map(report.problem.offers.map((offer) => [offer.id, offer]))
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
        <ul className="mt-1 space-y-1.5">
          {variant.sensitivity.map(({ offer, qty, rise }) => (
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
    </>
  )
}
