import { Link } from 'react-router'
import { homeMoney } from '@outfit/core/market'
import type { Target } from '@outfit/core/prices'
import { pricePage, pricesApi } from '../data/pricesApi.ts'
import { dayInWords } from '../parcels/parcelWords.ts'
import { tell, tellError } from '../ui/tell.ts'

/** Prices that are waited for, those that are met first. */
export function WaitedFor() {
  const { data } = pricesApi.endpoints.targets.useQuery()
  const [remove] = pricesApi.endpoints.removeTarget.useMutation()
  const [set] = pricesApi.endpoints.setTarget.useMutation()
  const stop = async ({ kind, code, price, name }: Target) => {
    const answer = await remove({ kind, code })
    if (answer.error) return tellError(answer.error)
    tell(`${name} is no longer waited for.`, () => set({ kind, code, price }))
  }
  const targets = data?.targets ?? []
  return (
    <section aria-label="Waited for" className="mt-6">
      <h2 className="text-lg">Prices waited for</h2>
      {targets.length === 0 && (
        <p className="text-soft">
          None yet. Every part, figure, box, outfit and roster has a page of its prices; there you say what you would
          pay.
        </p>
      )}
      <ul>
        {targets.map((target) => (
          <li key={target.id} className="flex items-baseline gap-2 border-t border-rule py-1">
            <Link to={pricePage(target.kind, target.code)} className="font-semibold hover:text-act hover:underline">
              {target.name}
            </Link>
            <span className="text-[13px] text-soft">{target.kind}</span>
            <span className="ml-auto">
              at {homeMoney(target.price)};{' '}
              {target.metOn ? (
                <strong className="text-good">✶ met {dayInWords(target.metOn)}</strong>
              ) : (
                <span className="text-soft">
                  {target.now === null ? 'not for sale' : `${homeMoney(target.now)} now`}
                </span>
              )}
            </span>
            <button type="button" className="text-act underline" onClick={() => void stop(target)}>
              Stop waiting
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
