import { Pencil, Plus } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { homeMoney, formatMoney, hasOpenTerms, homeCurrency } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import { marketApi, type ListedOffer } from '../data/marketApi.ts'
import { pricePage } from '../data/pricesApi.ts'
import { dayInWords } from '../parcels/parcelWords.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { useSettled } from '../ui/useSettled.ts'
import { sheetInWords } from '../feed/askWords.ts'
import { OfferDialog } from './OfferDialog.tsx'
import { shippingInWords } from './sellerForm.ts'
import { counted } from '../ui/counted.ts'
import { WhatIs } from '../ui/WhatIs.tsx'

/** What a seller offers, and the sheets that told of it. */
export function SellerView() {
  const { seller = '' } = useParams()
  return <Page key={seller} code={seller} />
}

function Page({ code }: { code: string }) {
  const [typed, type] = useState('')
  const starts = useSettled(typed, 250)
  // Where each page shown so far began.
  const [pages, setPages] = useState<readonly number[]>([0])
  const after = pages.at(-1)!
  const { data, error, refetch } = marketApi.endpoints.sellerOffers.useQuery({ code, after, starts })
  const [edited, edit] = useState<ListedOffer | 'new' | null>(null)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data) return <Waiting>Opening the list…</Waiting>
  const { seller, count, offers, next, sheets } = data
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4">
      <div className="flex items-baseline gap-3">
        <h1 className="text-3xl">
          {seller.name}
          <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">
            {count.toLocaleString('en')} offers in {seller.currency}
          </span>
        </h1>
        <span className="ml-auto flex gap-3">
          <Link to={`/market/sellers/${seller.code}/news`} className="self-center font-semibold text-act underline">
            What is new, and for whom
          </Link>
          <Link to="/market" className="self-center font-semibold text-act underline">
            All sellers
          </Link>
          <Button look="act" onClick={() => edit('new')}>
            <Plus aria-hidden className="size-4" /> Write an offer down
          </Button>
        </span>
      </div>
      <p className="text-soft">
        Shipping {hasOpenTerms(seller) ? 'not known' : shippingInWords(seller)}; {counted(seller.arrivesInDays, 'day')}.
        {seller.notes && ` ${seller.notes}`}
      </p>
      <div className="mt-3 grid gap-8 lg:grid-cols-[1fr_300px]">
        <section aria-label="Offers">
          <label className="flex items-center gap-2">
            code begins with
            <input
              value={typed}
              onChange={({ target }) => {
                type(target.value)
                setPages([0])
              }}
              placeholder="P-001"
              className="w-[120px] rounded-[8px] border border-rule bg-card px-2 py-0.5"
            />
          </label>
          {offers.length === 0 ? (
            <EmptyNote title={starts ? 'No offer has such a code' : 'Nothing is on its list'}>
              {starts
                ? 'Codes of parts begin with P-, of figures with F-.'
                : 'Ask the market, bring a table in, or write one down.'}
            </EmptyNote>
          ) : (
            <table className="mt-2 w-full">
              <thead className="text-left text-[13px] text-soft">
                <tr>
                  <th className="font-normal">what</th>
                  <th className="font-normal">condition</th>
                  <th className="text-right font-normal">there</th>
                  <th className="text-right font-normal">packs of</th>
                  <th className="text-right font-normal">price</th>
                  <th className="text-right font-normal">told</th>
                  <th>
                    <span className="sr-only">change</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {offers.map((offer) => (
                  <tr key={offer.id} className="border-t border-rule [&>td]:py-0.5">
                    <td>
                      <Link to={pricePage(offer.kind, offer.code)} className="hover:text-act hover:underline">
                        {offer.name}
                      </Link>{' '}
                      <span className="text-[13px] text-soft">
                        {offer.kind === 'part' ? '' : `${offer.kind} `}
                        {offer.code}
                      </span>
                    </td>
                    <td>{offer.condition}</td>
                    <td className="text-right">{offer.stock === 0 ? 'gone' : offer.stock}</td>
                    <td className="text-right">{offer.multiple}</td>
                    <td className="text-right">
                      {formatMoney(offer.price, offer.currency)}
                      {offer.currency !== homeCurrency() && offer.home !== null && (
                        <span className="ml-2 text-[13px] text-soft">{homeMoney(offer.home)}</span>
                      )}
                    </td>
                    <td className="text-right text-[13px] text-soft">{dayInWords(offer.date)}</td>
                    <td className="text-right">
                      <Button
                        look="plain"
                        aria-label={`Change ${offer.name}, ${offer.condition}`}
                        onClick={() => edit(offer)}
                      >
                        <Pencil aria-hidden className="size-4" />
                      </Button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <div className="mt-3 flex gap-3">
            {pages.length > 1 && <Button onClick={() => setPages(pages.slice(0, -1))}>Former page</Button>}
            {next !== null && <Button onClick={() => setPages([...pages, next])}>Next page</Button>}
          </div>
        </section>
        <section aria-label="Quote sheets">
          <h2 className="text-lg">
            Quote sheets <WhatIs word="quotes" said="a quote sheet" />
          </h2>
          {sheets.length === 0 && <p className="text-soft">None was read yet.</p>}
          <ul>
            {sheets.map((sheet) => (
              <li key={sheet.date + sheet.source} className="border-t border-rule py-0.5">
                {dayInWords(sheet.date)}
                <span className="block text-[13px] text-soft">{sheetInWords(sheet)}</span>
              </li>
            ))}
          </ul>
        </section>
      </div>
      {edited && <OfferDialog seller={seller} offer={edited === 'new' ? null : edited} onLeave={() => edit(null)} />}
    </div>
  )
}
