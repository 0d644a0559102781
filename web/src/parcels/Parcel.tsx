import { Download } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Catalogue } from '@outfit/core/catalogue'
import { formatMoney } from '@outfit/core/market'
import { lackingOf, outcomeInWords, type ToldParcel } from '@outfit/core/parcels'
import { parcelsApi } from '../data/parcelsApi.ts'
import { Button } from '../ui/Button.tsx'
import { FIELD } from '../ui/FormDialog.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { CheckInForm } from './CheckInForm.tsx'
import { LinePicture } from './LinePicture.tsx'
import { heldUpInWords, standInWords, today } from './parcelWords.ts'

/** One order: its lines and sums, where it stands, who waits for it, and what can be done next. */
export function Parcel({ parcel, catalogue }: { parcel: ToldParcel; catalogue: Catalogue }) {
  const [checking, check] = useState(false)
  const [sure, ask] = useState(false)
  const [change] = parcelsApi.endpoints.changeParcel.useMutation()
  const [cancel] = parcelsApi.endpoints.cancelParcel.useMutation()
  const { id, seller, state, currency, lines, goods, shipping, handling, roster } = parcel
  const money = (amount: number) => formatMoney(amount, currency)
  const open = state === 'ordered' || state === 'on-the-way'
  const missing = lines.reduce((sum, line) => sum + lackingOf(line), 0)
  const send = async () => {
    const answer = await change({ id, sentOn: today() })
    if (answer.error) return tellError(answer.error)
    tell(`${seller.name} has sent it`, () => change({ id, sentOn: null }))
  }
  const giveUp = async () => {
    ask(false)
    const answer = await cancel(id)
    if (answer.error) return tellError(answer.error)
    tell(`The order to ${seller.name} was given up; what it would have brought is needed again.`)
  }
  return (
    <article aria-label={`Parcel from ${seller.name}`} className="min-w-0 flex-1">
      <div className="flex flex-wrap items-start gap-3">
        <div>
          <h2 className="text-2xl">{seller.name}</h2>
          <p className={parcel.late > 0 ? 'font-semibold text-problem' : 'text-soft'}>
            {standInWords(parcel)}
            {roster && (
              <>
                {' '}
                · for{' '}
                <Link to={`/rosters/${roster.id}`} className="text-act underline">
                  {roster.name}
                </Link>
              </>
            )}
          </p>
          {heldUpInWords(parcel) && <p>{heldUpInWords(parcel)}</p>}
        </div>
        <div className="ml-auto flex flex-wrap gap-2">
          {open && !checking && (
            <Button look="act" onClick={() => check(true)}>
              Check it in
            </Button>
          )}
          {state === 'ordered' && <Button onClick={() => void send()}>It was sent</Button>}
          {open && !sure && <Button onClick={() => ask(true)}>Give it up…</Button>}
          {sure && (
            <>
              <Button onClick={() => void giveUp()}>Yes, give the order up</Button>
              <Button look="plain" onClick={() => ask(false)}>
                Keep it
              </Button>
            </>
          )}
          {state === 'arrived' && missing > 0 && roster && (
            <Link
              to={`/rosters/${roster.id}/buying`}
              className="inline-flex items-center rounded-[10px] border border-act bg-act px-3 py-1.5 font-semibold text-act-ink"
            >
              Plan what is still missing
            </Link>
          )}
        </div>
      </div>
      {open && <Dates parcel={parcel} />}
      {checking ? (
        <CheckInForm parcel={parcel} catalogue={catalogue} onLeave={() => check(false)} />
      ) : (
        <>
          <table className="rows-on-phone mt-3 w-full">
            <thead className="text-left text-[13px] text-soft">
              <tr>
                <th className="font-normal">line</th>
                <th className="w-[70px] text-right font-normal">ordered</th>
                <th className="w-[200px] pl-5 font-normal">what came</th>
                <th className="w-[90px] text-right font-normal">each</th>
                <th className="w-[100px] text-right font-normal">sum</th>
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => (
                <tr key={line.line} className="border-t border-rule">
                  <td>
                    <span className="flex items-center gap-2.5 py-1">
                      <LinePicture line={line} catalogue={catalogue} />
                      <span>
                        <strong className="block leading-tight">{line.name}</strong>
                        <span className="text-[13px] text-soft">
                          {line.code} · {line.condition}
                          {(line.arrived ?? 0) > 0 && line.kind !== 'figure' && (
                            <>
                              {' '}
                              ·{' '}
                              <Link
                                to={line.kind === 'part' ? `/parts/${line.code}/uses` : `/releases/${line.code}`}
                                className="font-semibold text-act hover:underline"
                              >
                                What it could do
                              </Link>
                            </>
                          )}
                        </span>
                      </span>
                    </span>
                  </td>
                  <td data-label="ordered" className="text-right">
                    {line.qty}
                  </td>
                  <td data-label="what came" className="pl-5">
                    {line.arrived === null ? (
                      <span className="text-soft">not here yet</span>
                    ) : outcomeInWords(line) ? (
                      <span className="font-semibold text-problem">
                        {line.arrived} good; {outcomeInWords(line)}
                      </span>
                    ) : (
                      <span className="text-good">✓ {line.arrived} good</span>
                    )}
                  </td>
                  <td data-label="each" className="text-right phone:hidden">
                    {money(line.price)}
                  </td>
                  <td data-label="sum" className="text-right">
                    {money(line.price * line.qty)}
                  </td>
                </tr>
              ))}
            </tbody>
            <tfoot className="text-right">
              {(
                [
                  ['goods', goods],
                  ['shipping', shipping],
                  ['handling', handling],
                  ['in all', goods + shipping + handling],
                ] as const
              ).map(([name, amount]) => (
                <tr key={name} className={name === 'in all' ? 'border-t border-rule font-bold' : ''}>
                  <td colSpan={4}>{name}</td>
                  <td>{money(amount)}</td>
                </tr>
              ))}
            </tfoot>
          </table>
          <p className="mt-3 flex flex-wrap gap-2">
            {(['csv', 'pdf'] as const).map((kind) => (
              <a
                key={kind}
                href={`/api/parcels/${id}/order.${kind}`}
                download
                className="inline-flex items-center gap-1.5 rounded-[10px] border border-act/70 bg-card px-3 py-1.5 font-semibold text-act hover:border-act"
              >
                <Download aria-hidden className="size-4" /> Order list ({kind.toUpperCase()})
              </a>
            ))}
          </p>
        </>
      )}
    </article>
  )
}

/** The day it is due, the seller's number and a note; kept when the field is left. */
function Dates({ parcel }: { parcel: ToldParcel }) {
  const [change] = parcelsApi.endpoints.changeParcel.useMutation()
  const keep = async (next: { expectedOn?: string; number?: string; note?: string }) => {
    const answer = await change({ id: parcel.id, ...next })
    if (answer.error) tellError(answer.error)
  }
  return (
    <div className="mt-2 grid grid-cols-[160px_180px_1fr] gap-3 phone:grid-cols-2">
      <label className="text-[13px] text-soft">
        due on
        <input
          type="date"
          className={FIELD}
          defaultValue={parcel.expectedOn}
          onBlur={({ target: { value } }) => value && value !== parcel.expectedOn && void keep({ expectedOn: value })}
        />
      </label>
      <label className="text-[13px] text-soft">
        number of the order
        <input
          className={FIELD}
          maxLength={120}
          defaultValue={parcel.number}
          onBlur={({ target: { value } }) => value !== parcel.number && void keep({ number: value })}
        />
      </label>
      <label className="text-[13px] text-soft">
        note
        <input
          className={FIELD}
          maxLength={2000}
          defaultValue={parcel.note}
          onBlur={({ target: { value } }) => value !== parcel.note && void keep({ note: value })}
        />
      </label>
    </div>
  )
}
