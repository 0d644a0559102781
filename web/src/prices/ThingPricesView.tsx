import { Link, useParams } from 'react-router'
import { homeMoney } from '@outfit/core/market'
import { daysBetween } from '@outfit/core/base'
import { STALE_DAYS, type ThingKind, type ThingPrices } from '@outfit/core/prices'
import { errorText } from '../data/api.ts'
import { pricesApi } from '../data/pricesApi.ts'
import { dayInWords, today } from '../parcels/parcelWords.ts'
import { WaysToGet } from '../parts/WaysToGet.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PriceHistory } from './PriceHistory.tsx'
import { findingOf, oddInWords } from './priceWords.ts'
import { TargetField } from './TargetField.tsx'
import { Wholes } from './Wholes.tsx'

/** The price page of a part, a figure or a release. */
export function ThingPricesView() {
  const { kind = 'part', code = '' } = useParams()
  const asked = { kind: kind as ThingKind, code }
  const { currentData: data, error, refetch } = pricesApi.endpoints.thingPrices.useQuery(asked)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data) return <Waiting>Looking prices up…</Waiting>
  return <Page key={`${kind} ${code}`} prices={data} />
}

const HOME: Record<ThingKind, string> = { part: '/parts', figure: '/catalogue/figures', release: '/releases' }

function Page({ prices }: { prices: ThingPrices }) {
  const { thing, series, asked, offers, lowest, paid, against } = prices
  const { data } = pricesApi.endpoints.targets.useQuery()
  const target = data?.targets.find(({ kind, code }) => kind === thing.kind && code === thing.code)?.price ?? null
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4">
      <h1 className="text-3xl">
        Prices of {thing.name}
        <Link
          to={`${HOME[thing.kind]}/${thing.code}`}
          className="ml-3 font-sans text-sm font-normal tracking-normal text-act underline"
        >
          {thing.kind} {thing.code}
        </Link>
      </h1>
      <div className="mt-3 grid gap-8 lg:grid-cols-[1fr_400px]">
        <div>
          <PriceHistory
            series={series}
            asked={asked.map((one) => ({ ...one, label: one.seller }))}
            paid={paid.map(({ seller, ...one }) => ({ ...one, label: `paid to ${seller}` }))}
            target={target}
            line="median"
            finding={findingOf}
          />
          {against ? (
            <AgainstParts against={against} whole={lowest} kind={thing.kind} />
          ) : (
            <div className="mt-5 max-w-[560px]">
              <WaysToGet of={thing.code} />
            </div>
          )}
        </div>
        <div>
          <Offers offers={offers} />
          <Paid paid={paid} />
          <TargetField kind={thing.kind} code={thing.code} now={lowest} />
        </div>
      </div>
    </div>
  )
}

function Offers({ offers }: Pick<ThingPrices, 'offers'>) {
  return (
    <section aria-label="On offer">
      <h2 className="text-lg">
        On offer{' '}
        <span className="font-sans text-sm font-normal tracking-normal text-soft">
          {offers.length}, the cheapest first
        </span>
      </h2>
      {offers.length === 0 && <p className="text-soft">Nobody sells it now.</p>}
      <ul
        className="mt-1 max-h-[310px] overflow-y-auto border-t border-rule"
        tabIndex={offers.length > 6 ? 0 : undefined}
      >
        {offers.map((offer) => {
          const age = daysBetween(offer.heard, today())
          return (
            <li
              key={[offer.seller, offer.condition, offer.multiple, offer.nth].join()}
              className="border-b border-rule py-1"
            >
              <div className="flex items-baseline gap-2">
                <Link to={`/market/sellers/${offer.seller}`} className="hover:text-act hover:underline">
                  {offer.sellerName}
                </Link>
                <span className="text-[13px] text-soft">
                  {offer.condition}, {offer.stock} there{offer.multiple > 1 ? `, in packs of ${offer.multiple}` : ''}
                </span>
                <strong className="ml-auto">{homeMoney(offer.home)}</strong>
              </div>
              {offer.outlier && <p className="text-[13px] text-notice">◆ Unusual: {oddInWords(offer.outlier)}.</p>}
              {age > STALE_DAYS && (
                <p className="text-[13px] text-problem">
                  ✕ Last heard {dayInWords(offer.heard)}, {age} days ago; it may be gone, and counts in no median.
                </p>
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

function Paid({ paid }: Pick<ThingPrices, 'paid'>) {
  return (
    <section aria-label="Paid" className="mt-5">
      <h2 className="text-lg">What you paid</h2>
      {paid.length === 0 && <p className="text-soft">You have not ordered it yet.</p>}
      <ul>
        {paid.map(({ date, home, qty, seller, condition, parcel }, i) => (
          <li key={parcel + i}>
            <Link to={`/parcels/${parcel}`} className="hover:text-act hover:underline">
              {dayInWords(date)}
            </Link>
            : {qty} × <strong>{homeMoney(home)}</strong>, {condition}, {seller}
          </li>
        ))}
      </ul>
    </section>
  )
}

interface AgainstProps {
  against: NonNullable<ThingPrices['against']>
  /** Lowest price of the thing itself. */
  whole: number | null
  kind: ThingKind
}

function AgainstParts({ against: { singly, wholes }, whole, kind }: AgainstProps) {
  const lacking = singly.unoffered.length
  const difference = whole === null ? null : singly.sum - whole
  return (
    <section aria-label="Whole or in parts" className="mt-5">
      <h2 className="text-lg">Whole, or part by part</h2>
      <p>
        {whole === null ? (
          `Nobody sells the ${kind} whole now`
        ) : (
          <>
            Whole from <strong>{homeMoney(whole)}</strong>
          </>
        )}
        ; its {singly.parts} parts singly <strong>{homeMoney(singly.sum)}</strong>
        {lacking > 0 && ` (${lacking} of them nobody sells singly)`}.{' '}
        {difference !== null && (
          <strong className={difference >= 0 ? 'text-good' : 'text-notice'}>
            {difference >= 0
              ? `Whole is ${homeMoney(difference)} cheaper${lacking > 0 ? ' and complete' : ''}.`
              : `In parts is ${homeMoney(-difference)} cheaper${lacking > 0 ? ', but not complete' : ''}.`}
          </strong>
        )}
      </p>
      <p className="text-[13px] text-soft">Before shipping; a plan tells that too.</p>
      <h3 className="mt-2 font-semibold">What brings all of it</h3>
      {wholes.length === 0 ? (
        <p className="text-soft">Nothing for sale brings all of it.</p>
      ) : (
        <Wholes wholes={wholes} units={singly.parts} />
      )}
    </section>
  )
}
