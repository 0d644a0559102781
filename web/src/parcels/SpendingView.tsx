import { lazy, Suspense, useMemo, useState } from 'react'
import { homeSign, homeUnits, homeMoney, homeMoneyAt } from '@outfit/core/market'
import { spendingOf, type Spent } from '@outfit/core/parcels'
import { api, errorText } from '../data/api.ts'
import { parcelsApi } from '../data/parcelsApi.ts'
import { axis, BLUE, CHART, CORAL, INK } from '../ui/chartLook.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { ParcelsFrame } from './ParcelsFrame.tsx'
import { dayInWords } from './parcelWords.ts'
import { counted } from '../ui/counted.ts'

const Chart = lazy(async () => ({ default: (await import('../ui/Chart.tsx')).Chart }))

/** What was spent on parcels over time, of everything or of a roster against its budget. */
export function SpendingView() {
  const { data, error, refetch } = parcelsApi.endpoints.parcels.useQuery()
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const [roster, choose] = useState('')
  const spending = useMemo(() => {
    const chosen = (data?.parcels ?? []).filter(
      (parcel) => parcel.state !== 'cancelled' && (roster === '' || parcel.roster?.id === roster),
    )
    return spendingOf(chosen.map(({ orderedOn, home }) => ({ orderedOn, cost: home })))
  }, [data, roster])
  const budget = shelves?.rosters.find(({ id }) => id === roster)?.budget ?? null
  const option = useMemo(() => chartOf(spending, budget), [spending, budget])
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data) return <Waiting>Adding up…</Waiting>
  const total = spending.at(-1)?.total ?? 0
  const finding =
    spending.length === 0
      ? 'Nothing was ordered yet.'
      : budget === null
        ? `${homeMoney(total)} in ${counted(spending.length, 'day')} of orders.`
        : total > budget
          ? `${homeMoney(total)} spent: ${homeMoney(total - budget)} over the budget of ${homeMoney(budget)}.`
          : `${homeMoney(total)} spent of ${homeMoney(budget)}; ${homeMoney(budget - total)} left.`
  return (
    <ParcelsFrame parcels={data.parcels}>
      <label className="mt-3 flex items-center gap-2">
        spent on
        <select
          value={roster}
          onChange={({ target }) => choose(target.value)}
          className="rounded-[8px] border border-rule bg-card px-2 py-1"
        >
          <option value="">everything</option>
          {shelves?.rosters.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <p className="mt-2 text-lg font-bold">{finding}</p>
      {spending.length > 0 && (
        <div className="mt-2 flex items-start gap-8">
          <Suspense fallback={<Waiting>Drawing…</Waiting>}>
            <Chart option={option} label={finding} className="h-[380px] w-[720px]" />
          </Suspense>
          <table className="min-w-[340px] flex-1">
            <thead className="text-left text-[13px] text-soft">
              <tr>
                <th className="font-normal">day</th>
                <th className="text-right font-normal">spent</th>
                <th className="text-right font-normal">in all</th>
                {budget !== null && <th className="text-right font-normal">left</th>}
              </tr>
            </thead>
            <tbody>
              {spending.map(({ date, spent, total: sum }) => (
                <tr key={date} className="border-t border-rule">
                  <td>{dayInWords(date)}</td>
                  <td className="text-right">{homeMoney(spent)}</td>
                  <td className="text-right">{homeMoney(sum)}</td>
                  {budget !== null && (
                    <td className={`text-right ${sum > budget ? 'text-problem' : ''}`}>{homeMoney(budget - sum)}</td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </ParcelsFrame>
  )
}

function chartOf(spending: readonly Spent[], budget: number | null) {
  return {
    ...CHART,
    grid: { left: 56, right: 24, top: 24, bottom: 36 },
    xAxis: axis({ type: 'time' }, { hideOverlap: true }),
    yAxis: axis({ type: 'value', min: 0 }, { formatter: `${homeSign()}{value}` }),
    tooltip: { trigger: 'axis', valueFormatter: homeMoneyAt },
    series: [
      {
        type: 'line',
        step: 'end',
        name: 'in all',
        data: spending.map(({ date, total }) => [date, homeUnits(total)]),
        lineStyle: { color: BLUE, width: 2 },
        itemStyle: { color: BLUE },
        areaStyle: { color: BLUE, opacity: 0.12 },
        ...(budget === null
          ? {}
          : {
              markLine: {
                symbol: 'none',
                lineStyle: { color: CORAL, type: 'dashed' },
                label: { color: INK, formatter: 'budget', position: 'insideEndTop' },
                data: [{ yAxis: homeUnits(budget) }],
              },
            }),
      },
    ],
  }
}
