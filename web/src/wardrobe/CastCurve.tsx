import { lazy, Suspense, useMemo } from 'react'
import { decimalMoney, homeCurrency, homeMoney } from '@outfit/core/market'
import { comparedOf, worthwhile, type CastPlan } from '@outfit/core/wardrobe'
import type { JobEvent } from '../data/watchJob.ts'
import { Button } from '../ui/Button.tsx'
import { axis, BLUE, CHART, CORAL } from '../ui/chartLook.ts'
import { meanPoints } from './castWords.ts'

const Chart = lazy(async () => ({ default: (await import('../ui/Chart.tsx')).Chart }))

interface CastCurveProps {
  plans: readonly CastPlan[]
  picked: CastPlan
  state: 'idle' | JobEvent<unknown>['state']
  /** How many of the plans are found. */
  done: { plans: number; of: number } | null
  problem: string | null
  onAsk: () => void
  onPick: (plan: CastPlan) => void
}

/** Likeness of all against the money for all: whole plans to choose from. */
export function CastCurve({ plans, picked, state, done, problem, onAsk, onPick }: CastCurveProps) {
  const points = useMemo(() => worthwhile(plans), [plans])
  const option = useMemo(() => optionOf(points, picked), [points, picked])
  if (state !== 'done')
    return (
      <p className="mt-3 flex items-center gap-3">
        <Button disabled={state === 'running'} onClick={onAsk}>
          {state === 'running' ? 'Looking…' : 'What would more or less money do?'}
        </Button>
        <span role="status" className="text-[13.5px] text-soft">
          {state === 'running' &&
            (done ? `${done.plans} of ${done.of} plans found; each takes some seconds` : 'laying out the parts')}
          {(state === 'failed' || state === 'cancelled') && (problem ?? 'That was stopped.')}
        </span>
      </p>
    )
  const [low, high] = [points[0]!, points.at(-1)!]
  const finding =
    points.length === 1
      ? 'No other plan is worth its money here.'
      : `${homeMoney(low.spending)} makes a likeness of ${pointsOf(low)}, ${homeMoney(high.spending)} one of ${pointsOf(high)}`
  return (
    <section aria-label="Likeness against money" className="mt-3">
      <h3 className="text-lg">{finding}</h3>
      <div className="flex flex-wrap items-center gap-4">
        <Suspense fallback={<div className="h-[190px] min-w-[280px] flex-1" />}>
          <Chart
            option={option}
            label={finding}
            onPick={(index) => onPick(points[index]!)}
            className="h-[190px] min-w-[280px] flex-1"
          />
        </Suspense>
        <ul aria-label="Plans" className="w-[270px] grow sm:grow-0">
          {points.map((plan) => (
            <li key={`${plan.worth} ${plan.spending}`}>
              <button
                type="button"
                aria-pressed={plan === picked}
                onClick={() => onPick(plan)}
                className={`flex w-full justify-between rounded-[8px] px-3 py-1 text-left tabular-nums ${plan === picked ? 'bg-act text-act-ink' : 'hover:bg-band'}`}
              >
                <span>{homeMoney(plan.spending)}</span>
                <span>likeness {pointsOf(plan)}</span>
              </button>
            </li>
          ))}
        </ul>
      </div>
    </section>
  )
}

const pointsOf = (plan: CastPlan) => meanPoints(comparedOf(plan).likeness, plan.figures.length)

function optionOf(points: readonly CastPlan[], picked: CastPlan) {
  return {
    ...CHART,
    grid: { left: 48, right: 20, top: 28, bottom: 40 },
    xAxis: axis({ type: 'value', name: `spent, ${homeCurrency()}`, nameLocation: 'middle', nameGap: 26, scale: true }),
    yAxis: axis({ type: 'value', name: 'likeness', scale: true, max: 100 }),
    series: [
      {
        type: 'line',
        lineStyle: { color: BLUE, width: 2 },
        symbol: 'circle',
        symbolSize: 11,
        data: points.map((plan) => ({
          value: [Number(decimalMoney(plan.spending, homeCurrency())), Number(pointsOf(plan))],
          itemStyle: { color: plan === picked ? CORAL : BLUE },
        })),
      },
    ],
  }
}
