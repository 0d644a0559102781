import { putOn } from '@outfit/core/anatomy'
import { mainColour, type Catalogue } from '@outfit/core/catalogue'
import { formatMoney } from '@outfit/core/market'
import { Link } from 'react-router'
import type { Basket, Offer, SourcingPlan, SourcingReport } from '@outfit/core/sourcing'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { boughtFor } from './planNotes.ts'
import { counted } from '../ui/counted.ts'

interface BagProps {
  basket: Basket
  report: SourcingReport
  catalogue: Catalogue
  /** Which needs the bought units fill; not known for the naive plan. */
  fills?: SourcingPlan['fills'] | undefined
  /** Asked why it is bought here; not given where that is known or was asked. */
  onWhy?: (() => void) | undefined
  /** What orders it; not given where it cannot be. */
  onOrder?: (() => void) | undefined
  /** Whether nobody has said yet what its shipping costs. */
  openTerms: boolean
}

/** One parcel as a paper bag: its lines as drawn parts, its shipping. */
export function Bag({ basket, report, catalogue, fills, onWhy, onOrder, openTerms }: BagProps) {
  const { currency, sellers, offers } = report.problem
  const seller = sellers.find(({ id }) => id === basket.seller)!
  const money = (amount: number) => formatMoney(amount, currency)
  const usedOf = new Map<string, number>()
  for (const { from, qty } of fills ?? []) usedOf.set(from, (usedOf.get(from) ?? 0) + qty)
  return (
    <article
      aria-label={`Parcel from ${seller.name}`}
      className="bag flex min-h-[400px] w-[292px] shrink-0 flex-col phone:min-h-0 phone:w-full rounded-b-[10px] px-3.5 pt-7 pb-3"
    >
      <h3 className="text-lg leading-tight">{seller.name}</h3>
      <p className="text-[13px] text-soft">
        {counted(seller.arrivesInDays, 'day')}
        {seller.minimum > 0 && ` · minimum ${money(seller.minimum)}`}
      </p>
      <ul className="mt-2 flex-1">
        {basket.lines.map(({ offer: id, qty }) => {
          const offer = offers.find((o) => o.id === id)!
          return (
            <Line
              key={id}
              offer={offer}
              qty={qty}
              report={report}
              catalogue={catalogue}
              used={fills ? (usedOf.get(id) ?? 0) : null}
              forWhom={fills ? boughtFor(report, fills, id) : ''}
            />
          )
        })}
      </ul>
      <p className="flex justify-between border-t border-ink/50 pt-2">
        <span>goods {money(basket.goods)}</span>
        <span>shipping {openTerms ? '?' : money(basket.shipping)}</span>
      </p>
      {openTerms && (
        <p className="text-[13px] text-notice">
          Shipping is not known yet.{' '}
          <Link to="/market" className="font-semibold underline">
            Say it
          </Link>
        </p>
      )}
      {basket.handling > 0 && <p className="text-right text-[13px]">handling {money(basket.handling)}</p>}
      <p className="mt-1 flex justify-between font-bold">
        <span>this parcel</span>
        <span>{money(basket.goods + basket.shipping + basket.handling)}</span>
      </p>
      <p className="mt-2 flex gap-2">
        {onOrder && (
          <Button look="act" onClick={onOrder} aria-label={`Order the parcel from ${seller.name}`}>
            Order this parcel
          </Button>
        )}
        {onWhy && (
          <Button onClick={onWhy} aria-label={`Why from ${seller.name}?`}>
            Why here?
          </Button>
        )}
      </p>
    </article>
  )
}

interface LineProps {
  offer: Offer
  qty: number
  report: SourcingReport
  catalogue: Catalogue
  /** Parts of it that fill a need; null when that was not worked out. */
  used: number | null
  /** Outfits it is for, in words. */
  forWhom: string
}

function Line({ offer, qty, report, catalogue, used, forWhom }: LineProps) {
  const thing = report.things[offer.id]
  const single = offer.yields.length === 1 ? catalogue.parts.get(offer.yields[0]!.part) : undefined
  const placements = putOn(offer.yields, catalogue)
  const colour = single && mainColour(catalogue, single)
  const parts = qty * offer.yields.reduce((sum, entry) => sum + entry.qty, 0)
  const remarks = [
    colour?.name,
    single
      ? null
      : used === null
        ? `whole, ${parts} parts`
        : used > 0
          ? `whole, ${used} of ${parts} parts needed`
          : null,
    used === 0 ? 'only to fill the parcel up' : null,
    thing?.condition === 'used' ? 'used' : null,
  ].filter(Boolean)
  return (
    <li className="flex items-center gap-2.5 border-t border-dashed border-ink/30 py-1.5">
      <Figure
        placements={placements}
        plinth={false}
        label=""
        {...(single && placements[0] ? { crop: placements[0].slot } : {})}
        className="h-[46px] w-[46px] shrink-0 rounded-[8px] bg-card"
      />
      <span className="min-w-0 flex-1 leading-tight">
        <strong className="block">
          {qty} × {single?.name ?? thing?.name ?? offer.id}
        </strong>
        <span className="flex items-center gap-1 text-[13px] text-soft">
          {colour && <Swatch colour={colour} size={10} />}
          {remarks.join(' · ')}
        </span>
        {forWhom && <span className="block text-[13px] text-soft">{forWhom}</span>}
      </span>
      <span>{formatMoney(offer.price * qty, report.problem.currency)}</span>
    </li>
  )
}
