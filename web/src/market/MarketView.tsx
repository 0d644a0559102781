import { Pencil, Plus } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { formatMoney, hasOpenTerms } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import { marketApi, type ToldSeller } from '../data/marketApi.ts'
import { today } from '../parcels/parcelWords.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { AskMarket } from '../feed/AskMarket.tsx'
import { heardInWords } from '../feed/askWords.ts'
import { Rates } from './Rates.tsx'
import { SellerDialog } from './SellerDialog.tsx'
import { shippingInWords } from './sellerForm.ts'
import { WaitedFor } from './WaitedFor.tsx'
import { counted } from '../ui/counted.ts'

const STANDING = { none: '', favoured: '★ favoured', blocked: '✕ blocked' } as const

/** Who sells, on which terms, and what their money is worth. */
export function MarketView() {
  const { data, error, refetch } = marketApi.endpoints.market.useQuery()
  const [edited, edit] = useState<ToldSeller | 'new' | null>(null)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data) return <Waiting>Asking who sells…</Waiting>
  const { sellers } = data
  const offers = sellers.reduce((sum, seller) => sum + seller.offers, 0)
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4 phone:px-3">
      <div className="flex items-baseline gap-3">
        <h1 className="text-3xl">
          Market
          <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">
            {counted(sellers.length, 'seller')}, {counted(offers, 'offer')}
          </span>
        </h1>
        <span className="ml-auto flex gap-2">
          <Link to="/bring-in" className="self-center font-semibold text-act underline">
            Bring prices or sellers in
          </Link>
          <Button look="act" onClick={() => edit('new')}>
            <Plus aria-hidden className="size-4" /> New seller
          </Button>
        </span>
      </div>
      <AskMarket />
      {sellers.length === 0 ? (
        <EmptyNote title="Nobody sells yet">
          <Link to="/bring-in" className="font-semibold text-act underline">
            Bring a list in
          </Link>
          : what somebody asks for parts, or your sellers with their shipping. Or make a seller by hand.
        </EmptyNote>
      ) : (
        <table className="rows-on-phone mt-3 w-full">
          <thead className="text-left text-[13px] text-soft">
            <tr>
              {['seller', 'shipping', 'minimum', 'handling', 'days', 'rated', 'offers', 'heard'].map((head) => (
                <th key={head} className="pr-4 font-normal">
                  {head}
                </th>
              ))}
              <th>
                <span className="sr-only">change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {sellers.map((seller) => (
              <Row key={seller.code} seller={seller} onEdit={() => edit(seller)} />
            ))}
          </tbody>
        </table>
      )}
      <div className="grid gap-x-10 lg:grid-cols-2">
        <WaitedFor />
        <Rates />
      </div>
      {edited && (
        <SellerDialog
          seller={edited === 'new' ? null : edited}
          taken={sellers.map(({ code }) => code)}
          onLeave={() => edit(null)}
        />
      )}
    </div>
  )
}

function Row({ seller, onEdit }: { seller: ToldSeller; onEdit: () => void }) {
  const open = hasOpenTerms(seller)
  const money = (amount: number) => (open ? '?' : amount === 0 ? 'none' : formatMoney(amount, seller.currency))
  const heard = heardInWords(seller.newest, today())
  return (
    <tr className="border-t border-rule align-top [&>td]:py-1.5 [&>td]:pr-4">
      <td>
        <Link to={`/market/sellers/${seller.code}`} className="block font-bold hover:text-act hover:underline">
          {seller.name}
        </Link>
        <span className="text-[13px] text-soft">
          {[seller.country, seller.currency].filter(Boolean).join(' · ')}
          {seller.standing !== 'none' && (
            <span className={`ml-1.5 font-semibold ${seller.standing === 'blocked' ? 'text-problem' : 'text-good'}`}>
              {STANDING[seller.standing]}
            </span>
          )}
        </span>
        {seller.notes && <span className="block max-w-[260px] text-[13px] text-soft">{seller.notes}</span>}
      </td>
      <td data-label="shipping" data-wide className="max-w-[330px]">
        {open ? <span className="text-notice">not known: reckoned as none</span> : shippingInWords(seller)}
      </td>
      <td data-label="minimum">{money(seller.minimum)}</td>
      <td data-label="handling">{money(seller.handling)}</td>
      <td data-label="days">{seller.arrivesInDays}</td>
      <td data-label="rated">{seller.rating === null ? '–' : `${seller.rating} of 5`}</td>
      <td data-label="offers">{seller.offers.toLocaleString('en')}</td>
      <td data-label="heard" className={heard.stale ? 'text-problem' : ''}>
        {heard.stale && '✕ '}
        {heard.words}
      </td>
      <td className="text-right">
        <Button look="plain" aria-label={`Change ${seller.name}`} onClick={onEdit}>
          <Pencil aria-hidden className="size-4" />
        </Button>
      </td>
    </tr>
  )
}
