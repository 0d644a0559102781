import { axis, BLUE, CHART, CORAL, INK } from '../ui/chartLook.ts'
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react'
import { inPoints, likenessOf } from '@outfit/core/brief'
import { dearParts, type BudgetCurve, type CastOutfit } from '@outfit/core/casting'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { missingFrom } from '@outfit/core/allotment'
import { houseRulesFor } from '@outfit/core/fitting'
import { homeUnits, homeSign, homeMoney, homeMoneyAt } from '@outfit/core/market'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { useAppSelector } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote } from '../ui/Notes.tsx'
import type { Answer } from './question.ts'
import { useNewTake } from './useNewTake.ts'

const Chart = lazy(async () => ({ default: (await import('../ui/Chart.tsx')).Chart }))

interface ForLessProps {
  outfit: OutfitDetail
  take: Take
  catalogue: Catalogue
  state: Answer | { state: 'idle' }
  onAsk: (floor: number) => void
}

/** What likeness costs: the curve, the outfits on it, the part that makes the take dear, and the cheapest that will do. */
export function ForLess({ outfit, take, catalogue, state, onAsk }: ForLessProps) {
  const lowest = useAppSelector((root) => root.catalogue.lowest)
  const { make, busy } = useNewTake(outfit)
  const [kept, setKept] = useState<BudgetCurve | null>(null)
  if (state.state === 'curve' && state.curve !== kept) setKept(state.curve)
  const now = likenessOf(take.placements, outfit.brief, catalogue).milli
  const [floor, setFloor] = useState(Math.min(90, inPoints(now)))
  const missing = missingFrom(take.placements, outfit.drawer, houseRulesFor(outfit).takingApart)
  const dear = dearParts({ worn: missing, free: {}, lowest })
  const whole = dear.reduce((sum, { price }) => sum + price, 0)
  const [dearest] = dear
  const dearPart = dearest && catalogue.parts.get(dearest.part)
  const running = state.state === 'running'
  const found = state.state === 'cheapest' ? state.outfit : null
  const worn = useRef<CastOutfit | null>(null)
  useEffect(() => {
    if (found === null || worn.current === found) return
    worn.current = found
    void make(found.placements, `costs ${homeMoney(found.price)} and keeps ${inPoints(found.likeness.milli)} points`)
  }, [found, make])
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto px-5 pt-3 pb-4">
      <p>
        Take {take.label} has a likeness of <strong>{inPoints(now)}</strong>.{' '}
        {dearest && dearPart ? (
          <>
            <strong>{partLabel(catalogue, dearPart)}</strong> makes {Math.round(dearest.share * 100)} % of the{' '}
            {homeMoney(whole)} it takes to buy what is missing, before shipping.
          </>
        ) : (
          'Nothing of it has to be bought.'
        )}
      </p>
      <form
        className="mt-2 flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          onAsk(floor * 1000)
        }}
      >
        <label className="flex items-center gap-2">
          Every must met, and a likeness of at least
          <input
            type="number"
            min={0}
            max={100}
            value={floor}
            aria-label="Likeness to keep"
            onChange={({ target: { value } }) => setFloor(Math.max(0, Math.min(100, Math.floor(Number(value)))))}
            className="w-[64px] rounded-[8px] border border-rule bg-card px-1.5 py-0.5 tabular-nums"
          />
        </label>
        <Button type="submit" disabled={running || busy} className="px-2.5 py-1">
          Make the cheapest take that keeps it
        </Button>
      </form>
      {state.state === 'cheapest' && <Found outfit={state.outfit} floor={floor} />}
      {kept ? (
        <Curve
          curve={kept}
          take={{ milli: now, price: whole }}
          busy={busy}
          onWear={(point) => void make(point.placements, `was cast for ${homeMoney(point.price)}`)}
        />
      ) : (
        <EmptyNote title={running ? 'Drawing the curve…' : 'What does likeness cost?'}>
          {running
            ? 'For one limit after the other the most alike outfit is found.'
            : 'Press “Draw the curve” to see the most alike outfit for every sum of money, down to the cheapest that meets the musts.'}
        </EmptyNote>
      )}
    </div>
  )
}

function Found({ outfit, floor }: { outfit: CastOutfit | null; floor: number }) {
  if (!outfit)
    return (
      <p role="alert" className="mt-2 text-problem">
        No outfit reaches {floor} points. Ask for less, or look in more places.
      </p>
    )
  return (
    <div className="mt-2 flex items-center gap-4 rounded-[12px] border border-good bg-card px-4 py-2">
      <Figure placements={outfit.placements} label="The cheapest that will do" className="h-[120px] w-[90px]" />
      <p className="flex-1">
        <strong className="font-head text-[19px]">{homeMoney(outfit.price)}</strong> buys a likeness of{' '}
        <strong>{inPoints(outfit.likeness.milli)}</strong> with every must met; a cent less would not do. It is a take
        of its own now.
      </p>
    </div>
  )
}

/** Outfits drawn under the curve at most. */
const DRAWN = 7

function Curve({
  curve,
  take,
  busy,
  onWear,
}: {
  curve: BudgetCurve
  take: { milli: number; price: number }
  busy: boolean
  onWear: (point: CastOutfit) => void
}) {
  const { points, complete } = curve
  const [picked, setPicked] = useState(0)
  const [asTable, setAsTable] = useState(false)
  const [top, cheapest] = [points[0]!, points.at(-1)!]
  const finding = `${homeMoney(top.price)} buys a likeness of ${inPoints(top.likeness.milli)}, ${homeMoney(cheapest.price)} one of ${inPoints(cheapest.likeness.milli)}`
  const option = useMemo(() => optionOf(points, take, picked), [points, take, picked])
  const shown = points[picked] ?? top
  const drawn = points.filter(
    (_, i) => points.length <= DRAWN || i % Math.ceil(points.length / DRAWN) === 0 || i === points.length - 1,
  )
  return (
    <>
      <div className="mt-3 flex items-baseline gap-3">
        <h2 className="text-lg">{finding}</h2>
        <button
          type="button"
          aria-pressed={asTable}
          onClick={() => setAsTable(!asTable)}
          className="ml-auto text-[13.5px] font-semibold text-act hover:underline"
        >
          {asTable ? 'As a curve' : 'As a table'}
        </button>
      </div>
      {!complete && <p className="text-[13px] text-soft">Some points are the best found in the time, not proven.</p>}
      {asTable ? (
        <table className="mt-1 w-full text-left">
          <thead className="text-soft">
            <tr>
              <th className="font-normal">To buy</th>
              <th className="font-normal">Likeness</th>
              <th className="font-normal">Unlike the most alike in</th>
            </tr>
          </thead>
          <tbody>
            {points.map(({ price, likeness, apart }) => (
              <tr key={price} className="border-t border-rule">
                <td className="py-0.5 tabular-nums">{homeMoney(price)}</td>
                <td className="tabular-nums">{inPoints(likeness.milli)}</td>
                <td>{apart.join(', ') || 'nothing'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <Suspense fallback={<div className="h-[230px]" />}>
          <Chart option={option} label={finding} onPick={setPicked} className="h-[230px] w-full" />
        </Suspense>
      )}
      <ol aria-label="Outfits on the curve" className="mt-1 flex gap-2">
        {drawn.map((point) => {
          const index = points.indexOf(point)
          return (
            <li key={index} className="w-[132px]">
              <button
                type="button"
                aria-pressed={index === picked}
                aria-label={`${homeMoney(point.price)}, likeness ${inPoints(point.likeness.milli)}`}
                onClick={() => setPicked(index)}
                className={`w-full rounded-[10px] border bg-card px-1 py-1 text-center text-[13px] ${index === picked ? 'border-act outline-2 outline-act' : 'border-rule hover:border-act'}`}
              >
                <Figure placements={point.placements} label="" className="h-[186px] w-full" />
                <strong>{inPoints(point.likeness.milli)}</strong> · {homeMoney(point.price)}
              </button>
            </li>
          )
        })}
      </ol>
      <div className="mt-2 flex items-center gap-3">
        <p className="min-w-0 flex-1 text-soft">
          {shown.apart.length > 0
            ? `For ${homeMoney(shown.price)} it wears ${shown.apart.join(', ')} instead.`
            : `The most alike of all, for ${homeMoney(shown.price)}.`}
        </p>
        <Button disabled={busy} onClick={() => onWear(shown)}>
          Make it a take
        </Button>
      </div>
    </>
  )
}

function optionOf(points: readonly CastOutfit[], take: { milli: number; price: number }, picked: number) {
  return {
    ...CHART,
    grid: { left: 52, right: 24, top: 26, bottom: 40 },
    tooltip: {
      trigger: 'item',
      formatter: ({ value: [price, points] }: { value: [number, number] }) =>
        `${homeMoneyAt(price)}: likeness ${points}`,
    },
    xAxis: axis({ type: 'value', name: `to buy, ${homeSign()}`, nameLocation: 'middle', nameGap: 26, scale: true }),
    yAxis: axis({ type: 'value', name: 'likeness', scale: true, max: 100 }),
    series: [
      {
        type: 'line',
        step: 'start',
        lineStyle: { color: BLUE, width: 2 },
        symbol: 'circle',
        symbolSize: (_value: unknown, { dataIndex }: { dataIndex: number }) => (dataIndex === picked ? 15 : 9),
        itemStyle: { color: BLUE },
        data: points.map(({ price, likeness }) => [homeUnits(price), inPoints(likeness.milli)]),
      },
      {
        type: 'scatter',
        symbol: 'diamond',
        symbolSize: 15,
        itemStyle: { color: CORAL },
        label: { show: true, formatter: 'this take', position: 'bottom', color: INK },
        silent: true,
        data: [[homeUnits(take.price), inPoints(take.milli)]],
      },
    ],
  }
}
