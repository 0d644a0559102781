import { putOn } from '@outfit/core/anatomy'
import { mainColour, type Catalogue } from '@outfit/core/catalogue'
import { formatMoney } from '@outfit/core/market'
import type { Basket, Offer, SourcingReport } from '@outfit/core/sourcing'
import { Figure } from '../ui/Figure.tsx'
import { Swatch } from '../ui/Swatch.tsx'

interface BagProps {
  basket: Basket
  report: SourcingReport
  catalogue: Catalogue
}

/** One parcel as a paper bag: its lines as drawn parts, its shipping. */
export function Bag({ basket, report, catalogue }: BagProps) {
  const { currency, sellers, offers } = report.problem
  const seller = sellers.find(({ id }) => id === basket.seller)!
  const money = (amount: number) => formatMoney(amount, currency)
  const wanted = new Set(report.problem.needs.flatMap(({ accept }) => accept.map(({ part }) => part)))
  return (
    <article
      aria-label={`Parcel from ${seller.name}`}
      className="bag flex min-h-[400px] w-[292px] shrink-0 flex-col rounded-b-[10px] px-3.5 pt-7 pb-3"
    >
      <h3 className="text-lg leading-tight">{seller.name}</h3>
      <p className="text-[13px] text-soft">
        {seller.arrivesInDays} days
        {seller.minimum > 0 && ` · minimum ${money(seller.minimum)}`}
      </p>
      <ul className="mt-2 flex-1">
        {basket.lines.map(({ offer: id, qty }) => {
          const offer = offers.find((o) => o.id === id)!
          return <Line key={id} offer={offer} qty={qty} report={report} catalogue={catalogue} wanted={wanted} />
        })}
      </ul>
      <p className="flex justify-between border-t border-ink/50 pt-2">
        <span>goods {money(basket.goods)}</span>
        <span>shipping {money(basket.shipping)}</span>
      </p>
      {basket.handling > 0 && <p className="text-right text-[13px]">handling {money(basket.handling)}</p>}
      <p className="mt-1 flex justify-between font-bold">
        <span>this parcel</span>
        <span>{money(basket.goods + basket.shipping + basket.handling)}</span>
      </p>
    </article>
  )
}

function Line({
  offer,
  qty,
  report,
  catalogue,
  wanted,
}: {
  offer: Offer
  qty: number
  report: SourcingReport
  catalogue: Catalogue
  wanted: ReadonlySet<string>
}) {
  const thing = report.things[offer.id]
  const single = offer.yields.length === 1 ? catalogue.parts.get(offer.yields[0]!.part) : undefined
  const placements = putOn(offer.yields, catalogue)
  const used = offer.yields.filter(({ part }) => wanted.has(part)).length
  const colour = single && mainColour(catalogue, single)
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
          {colour?.name ??
            (used === 0
              ? 'only to reach the minimum'
              : `whole; ${used} of ${offer.yields.length} kinds of part are needed`)}
          {colour && used === 0 && ', only to reach the minimum'}
          {thing?.condition === 'used' && ' · used'}
        </span>
      </span>
      <span>{formatMoney(offer.price * qty, report.problem.currency)}</span>
    </li>
  )
}
