import { lazy, Suspense, useMemo, useState } from 'react'
import { homeMoney } from '@outfit/core/market'
import { PRICE_CONDITIONS, type PriceCondition, type PricePoint, type Trend } from '@outfit/core/prices'
import { dayInWords } from '../parcels/parcelWords.ts'
import { EmptyNote, Waiting } from '../ui/Notes.tsx'
import { priceChart, type ChartedPrices } from './priceChart.ts'
import { CONDITION } from './priceWords.ts'

const Chart = lazy(async () => ({ default: (await import('../ui/Chart.tsx')).Chart }))

interface PriceHistoryProps extends Pick<ChartedPrices, 'asked' | 'paid' | 'target' | 'line'> {
  /** What the prices of the last day, and where they go, come to in a sentence. */
  finding: (last: PricePoint | undefined, trend: Trend | undefined) => string
  series: readonly { condition: PriceCondition; points: readonly PricePoint[]; trend: Trend }[]
  /** Under the finding: what the numbers are of. */
  children?: React.ReactNode
}

/** How a price went, as a chart or a table, of new ones, used ones or both. */
export function PriceHistory({
  series,
  asked = [],
  paid = [],
  target = null,
  line,
  finding: findingOf,
  children,
}: PriceHistoryProps) {
  const [condition, choose] = useState<PriceCondition>('any')
  const [asTable, showTable] = useState(false)
  const chosen = series.find((one) => one.condition === condition)
  const points = useMemo(() => chosen?.points ?? [], [chosen])
  const option = useMemo(() => {
    const fits = (one: { condition: 'new' | 'used' }) => condition === 'any' || one.condition === condition
    return priceChart({ points, asked: asked.filter(fits), paid, target, line })
  }, [points, asked, paid, target, line, condition])
  const finding = findingOf(points.at(-1), chosen?.trend)
  return (
    <section aria-label="Over time">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h2 className="text-lg">Over time</h2>
        <fieldset className="flex gap-3">
          <legend className="sr-only">Condition</legend>
          {PRICE_CONDITIONS.map((one) => (
            <label key={one} className="flex items-center gap-1">
              <input type="radio" name="condition" checked={condition === one} onChange={() => choose(one)} />
              {CONDITION[one]}
            </label>
          ))}
        </fieldset>
        <button type="button" className="ml-auto text-act underline" onClick={() => showTable(!asTable)}>
          {asTable ? 'Show the chart' : 'Show the numbers'}
        </button>
      </div>
      <p className="mt-1 font-bold">{finding}</p>
      {children}
      {points.length === 0 ? (
        <EmptyNote title={condition === 'any' ? 'No price yet' : `None was ever for sale ${condition}`}>
          Prices come with the lists of sellers: ask the market, or bring offers in as a table.
        </EmptyNote>
      ) : asTable ? (
        <PointTable points={points} />
      ) : (
        <Suspense
          fallback={
            <div className="mt-2 h-[320px]">
              <Waiting>Drawing…</Waiting>
            </div>
          }
        >
          <Chart option={option} label={finding} className="mt-2 h-[320px] w-full" />
        </Suspense>
      )}
      {points.length > 0 && points.length < 6 && (
        <p className="text-[13px] text-soft">
          {points.length === 1 ? 'One day is' : `${points.length} days are`} known so far; a trend needs six.
        </p>
      )}
    </section>
  )
}

function PointTable({ points }: { points: readonly PricePoint[] }) {
  return (
    <div className="mt-2 max-h-[320px] overflow-y-auto" tabIndex={0} role="region" aria-label="Prices by day">
      <table className="w-full">
        <thead className="sticky top-0 bg-paper text-right text-[13px] text-soft">
          <tr>
            <th className="text-left font-normal">day</th>
            {['offers', 'lowest', 'lower quarter', 'middle', 'upper quarter', 'highest'].map((head) => (
              <th key={head} className="font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...points].reverse().map(({ date, n, low, q1, median, q3, high }) => (
            <tr key={date} className="border-t border-rule text-right">
              <td className="text-left">{dayInWords(date)}</td>
              <td>{n}</td>
              {[low, q1, median, q3, high].map((price, i) => (
                <td key={i}>{homeMoney(price)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
