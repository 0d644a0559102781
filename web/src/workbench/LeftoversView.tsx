import { useState } from 'react'
import { Link } from 'react-router'
import { partLabel } from '@outfit/core/catalogue'
import { decimalMoney, homeCurrency, homeMoney } from '@outfit/core/market'
import { writeCsv } from '@outfit/core/tables'
import { api, errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { DrawerFrame } from '../drawer/DrawerFrame.tsx'
import { WhatToDo } from '../drawer/WhatToDo.tsx'
import { saveAs } from '../ui/saveAs.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'

/** What is owned and needed by nobody: worth what, useful for whom; a list to sell from. */
export function LeftoversView() {
  return <DrawerFrame>{() => <Leftovers />}</DrawerFrame>
}

function Leftovers() {
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const [roster, setRoster] = useState('')
  const { currentData: data, error, refetch } = drawerApi.endpoints.leftovers.useQuery(roster)
  const catalogue = useKnownCatalogue(data)
  const [picked, pick] = useState<ReadonlySet<string>>(new Set())
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  const rows = data?.rows ?? []
  const keyOf = ({ part, bin, condition }: (typeof rows)[number]) => `${bin} ${condition} ${part}`
  const label = (code: string) => {
    const part = catalogue?.parts.get(code)
    return part && catalogue ? partLabel(catalogue, part) : code
  }
  const chosen = rows.filter((row) => picked.has(keyOf(row)))
  const listed = chosen.length > 0 ? chosen : rows
  const sellList = () =>
    saveAs(
      'sell-list.csv',
      'text/csv',
      writeCsv(
        ['part', 'name', 'condition', 'qty', 'bin', 'each', 'currency'],
        listed.map(({ part, condition, qty, binName, worth }) => [
          part,
          label(part),
          condition,
          String(qty),
          binName,
          worth === null ? '' : decimalMoney(Math.round(worth / qty), homeCurrency()),
          homeCurrency(),
        ]),
      ),
    )
  return (
    <div className="mt-3">
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2">
          What is left of
          <select
            value={roster}
            onChange={({ target }) => {
              setRoster(target.value)
              pick(new Set())
            }}
            className="rounded-[8px] border border-rule bg-card px-2 py-1"
          >
            <option value="">everything</option>
            {shelves?.rosters.map(({ id, name }) => (
              <option key={id} value={id}>
                what was for {name}
              </option>
            ))}
          </select>
        </label>
        {data && rows.length > 0 && (
          <p>
            <strong>{rows.reduce((sum, { qty }) => sum + qty, 0)}</strong> parts, worth{' '}
            <strong>{homeMoney(data.worth)}</strong>{' '}
            <span className="text-soft">
              at today’s lowest single prices
              {rows.some(({ worth }) => worth === null) && '; what nobody sells is not counted'}
            </span>
          </p>
        )}
      </div>
      {!data || !catalogue ? (
        <Waiting>Looking for what is left…</Waiting>
      ) : rows.length === 0 ? (
        <EmptyNote title="Nothing is left over">
          {roster === ''
            ? 'Every loose part is counted on by an outfit.'
            : 'Nothing was brought in or taken apart for this roster that somebody else does not need.'}
        </EmptyNote>
      ) : (
        <>
          <div className="mt-3 flex flex-wrap items-center gap-2">
            <WhatToDo
              bin=""
              hint="Tick what shall go, then:"
              chosen={chosen.map(({ part, bin, qty, condition }) => ({ part, from: bin, qty, condition }))}
              onDone={() => pick(new Set())}
            />
            <Button className="ml-auto" onClick={sellList}>
              {chosen.length > 0 ? `Sell list of ${chosen.length} (CSV)` : 'Sell list of all (CSV)'}
            </Button>
          </div>
          <ul aria-label="Left over" className="mt-2 border-t border-rule">
            {rows.slice(0, SHOWN).map((row) => {
              const part = catalogue.parts.get(row.part)
              return (
                <li key={keyOf(row)} className="flex items-center gap-3 border-b border-rule py-1">
                  <input
                    type="checkbox"
                    checked={picked.has(keyOf(row))}
                    aria-label={`Pick ${label(row.part)}, ${row.binName}`}
                    onChange={({ target }) => {
                      const next = new Set(picked)
                      if (target.checked) next.add(keyOf(row))
                      else next.delete(keyOf(row))
                      pick(next)
                    }}
                  />
                  <span aria-hidden className="h-10 w-10 shrink-0">
                    {part && <PartPicture part={part} catalogue={catalogue} label="" className="h-full w-full" />}
                  </span>
                  <span className="min-w-0 flex-1">
                    {row.qty > 1 && <strong>{row.qty} × </strong>}
                    <Link to={`/parts/${row.part}`} className="font-semibold hover:text-act hover:underline">
                      {label(row.part)}
                    </Link>{' '}
                    <span className="text-soft">{row.condition}, in </span>
                    <Link to={`/drawer/bins/${row.bin}`} className="text-soft hover:text-act hover:underline">
                      {row.binName}
                    </Link>
                    {row.usefulFor.length > 0 && (
                      <span className="block text-[13px] text-good">Useful for {row.usefulFor.join(', ')}</span>
                    )}
                  </span>
                  <Link
                    to={`/parts/${row.part}/uses`}
                    aria-label={`What ${label(row.part)} could do`}
                    className="text-[13px] font-semibold text-act hover:underline"
                  >
                    What for?
                  </Link>
                  <span className="w-[76px] text-right whitespace-nowrap">
                    {row.worth === null ? <span className="text-soft">not sold</span> : homeMoney(row.worth)}
                  </span>
                </li>
              )
            })}
          </ul>
          {rows.length > SHOWN && (
            <p className="mt-2 text-soft">And {rows.length - SHOWN} more; the sell list has all of them.</p>
          )}
        </>
      )}
    </div>
  )
}

/** Rows drawn at once; a large drawer has thousands. */
const SHOWN = 300
