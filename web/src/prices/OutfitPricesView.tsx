import { lazy, Suspense, useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { homeMoney } from '@outfit/core/market'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import { partLabel, type Catalogue, type Slot } from '@outfit/core/catalogue'
import { errorText } from '../data/api.ts'
import type { OutfitPrices } from '@outfit/core/prices'
import { pricesApi } from '../data/pricesApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'
import { shareChart } from './priceChart.ts'
import { PriceHistory } from './PriceHistory.tsx'
import { sumFindingOf } from './priceWords.ts'
import { TargetField } from './TargetField.tsx'
import { Wholes } from './Wholes.tsx'

const Chart = lazy(async () => ({ default: (await import('../ui/Chart.tsx')).Chart }))
/** Parts of a roster listed by cost. */
const MOST_PARTS = 8

/** The price page of an outfit. */
export function OutfitPricesView() {
  const { outfit = '' } = useParams()
  return <PricesOf key={outfit} of="outfits" id={outfit} />
}

/** The price page of a roster. */
export function RosterPricesView() {
  const { roster = '' } = useParams()
  return <PricesOf key={roster} of="rosters" id={roster} />
}

function PricesOf({ of, id }: { of: 'outfits' | 'rosters'; id: string }) {
  const [all, setAll] = useState(false)
  const { currentData: data, error, refetch } = pricesApi.endpoints.outfitPrices.useQuery({ of, id, all })
  const catalogue = useKnownCatalogue(data)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-3xl">{data ? `Prices of ${data.name}` : 'Prices'}</h1>
        {data && (
          <Link
            to={of === 'outfits' ? `/outfits/${id}/sourcing` : `/rosters/${id}/buying`}
            className="text-act underline"
          >
            Plan the buying
          </Link>
        )}
        <fieldset className="ml-auto flex gap-3">
          <legend className="sr-only">What is counted</legend>
          {(
            [
              [false, 'what is still to be bought'],
              [true, 'all it wears'],
            ] as const
          ).map(([value, words]) => (
            <label key={words} className="flex items-center gap-1">
              <input type="radio" name="all" checked={all === value} onChange={() => setAll(value)} />
              {words}
            </label>
          ))}
        </fieldset>
      </div>
      {!data || !catalogue ? (
        <Waiting>Looking prices up…</Waiting>
      ) : data.singly.parts === 0 ? (
        <EmptyNote title="Nothing is to be bought">
          All {data.worn} parts are owned or on the way. Tick “all it wears” for what they would cost.
        </EmptyNote>
      ) : (
        <Page data={data} catalogue={catalogue} kind={of === 'outfits' ? 'outfit' : 'roster'} id={id} />
      )}
    </div>
  )
}

interface PageProps {
  data: OutfitPrices
  catalogue: Catalogue
  kind: 'outfit' | 'roster'
  id: string
}

function Page({ data, catalogue, kind, id }: PageProps) {
  const { series, wholes } = data
  const { parts: wanted, sum: lowest, unoffered } = data.singly
  const label = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const never = series[0]?.never ?? []
  const { data: waited } = pricesApi.endpoints.targets.useQuery()
  const target = waited?.targets.find((one) => one.kind === kind && one.code === id)?.price ?? null
  return (
    <div className="mt-3 grid gap-8 lg:grid-cols-[1fr_440px]">
      <div>
        <p>
          {wanted} {wanted === 1 ? 'part' : 'parts'} from <strong>{homeMoney(lowest)}</strong> at lowest single prices,
          before shipping
          {unoffered.length > 0 && (
            <span className="text-notice"> ({unoffered.map(label).join(', ')}: nobody sells singly)</span>
          )}
          .
        </p>
        <div className="mt-3" />
        <PriceHistory series={series} target={data.all ? null : target} line="sum of medians" finding={sumFindingOf}>
          <p className="text-[13px] text-soft">
            Sums over the parts, each at its own middle and quarters
            {never.length > 0 && <>; without {never.map(label).join(', ')}, never offered singly</>}.
          </p>
        </PriceHistory>
        <h2 className="mt-5 text-lg">Figures and boxes against single parts</h2>
        <p className="text-[13px] text-soft">Taken apart as far as they go; leftovers at their lowest single price.</p>
        <Wholes wholes={wholes} units={wanted} />
      </div>
      <div>
        <Shares data={data} label={label} />
        <DearParts data={data} catalogue={catalogue} label={label} />
        <TargetField kind={kind} code={id} now={unoffered.length > 0 || data.all ? null : lowest} />
      </div>
    </div>
  )
}

/** What makes the cost: slots of an outfit, outfits of a roster. */
function Shares({ data, label }: { data: OutfitPrices; label: (code: string) => string }) {
  const several = data.byOutfit.shares.length > 1
  const { rows, dear } = useMemo(() => {
    if (several) {
      const { shares, dear: one } = data.byOutfit
      return { rows: shares.map((share) => ({ ...share, label: share.key })), dear: one?.key ?? null }
    }
    const { shares, dear: one } = data.bySlot
    const named = (slot: Slot) => SLOT_FACTS[slot].label
    return { rows: shares.map((share) => ({ ...share, label: named(share.key) })), dear: one && named(one.key) }
  }, [data, several])
  const option = useMemo(() => shareChart(rows, dear), [rows, dear])
  const [first] = data.byPart
  const finding = !first
    ? 'Nothing of it is for sale singly.'
    : first.share > 1 / 3
      ? `${label(first.key)} alone makes ${Math.round(first.share * 100)} % of the price.`
      : `No part makes more than ${Math.ceil(first.share * 100)} % of the price.`
  return (
    <section aria-label="What makes the cost">
      <h2 className="text-lg">What makes the cost</h2>
      <p className="font-bold">{finding}</p>
      {rows.length > 0 && (
        <Suspense fallback={<Waiting>Drawing…</Waiting>}>
          <div style={{ height: 26 * rows.length + 8 }}>
            <Chart
              option={option}
              label={`${several ? 'By outfit' : 'By slot'}: ${rows.map((row) => `${row.label} ${homeMoney(row.cost)}`).join(', ')}`}
              className="h-full w-full"
            />
          </div>
        </Suspense>
      )}
    </section>
  )
}

function DearParts({
  data,
  catalogue,
  label,
}: {
  data: OutfitPrices
  catalogue: Catalogue
  label: (code: string) => string
}) {
  return (
    <section aria-label="Dearest parts" className="mt-4">
      <h2 className="text-lg">The dearest parts</h2>
      <table className="w-full">
        <tbody>
          {data.byPart.slice(0, MOST_PARTS).map(({ key, cost, share }) => {
            const part = catalogue.parts.get(key)
            return (
              <tr key={key} className="border-t border-rule">
                <td className="w-10 py-0.5">
                  {part && <PartPicture part={part} catalogue={catalogue} label="" className="h-8 w-8" />}
                </td>
                <td>
                  <Link to={`/prices/part/${key}`} className="hover:text-act hover:underline">
                    {label(key)}
                  </Link>{' '}
                  <span className="text-[13px] text-soft">{SLOT_FACTS[data.slots[key]!].label}</span>
                </td>
                <td className="text-right">{homeMoney(cost)}</td>
                <td className="w-14 text-right text-soft">{Math.round(share * 100)} %</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}
