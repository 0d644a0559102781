import { homeUnits, homeSign, homeMoney, homeMoneyAt } from '@outfit/core/market'
import type { PricePoint } from '@outfit/core/prices'
import { axis, BLUE, CHART, INK, MOSS, MUSTARD, PAPER } from '../ui/chartLook.ts'

interface Dots {
  date: string
  home: number
  label: string
}

export interface ChartedPrices {
  points: readonly PricePoint[]
  /** Prices as they were put down. */
  asked?: readonly (Dots & { condition: 'new' | 'used' })[]
  paid?: readonly Dots[]
  target?: number | null
  /** What the line is: "median". */
  line: string
}

/** The chart of a price history: the quartile band, the median in it, offers as dots, what was paid as diamonds. */
export function priceChart({ points, asked = [], paid = [], target = null, line }: ChartedPrices) {
  const dot = ({ date, home, label }: Dots) => ({ value: [date, homeUnits(home)], name: label })
  const band = {
    type: 'line',
    stack: 'band',
    symbol: 'none',
    lineStyle: { opacity: 0 },
    silent: true,
    tooltip: { show: false },
  }
  const dots = (condition: 'new' | 'used') => ({
    type: 'scatter',
    name: `asked, ${condition}`,
    symbol: condition === 'new' ? 'circle' : 'triangle',
    symbolSize: 6,
    itemStyle:
      condition === 'new'
        ? { color: INK, opacity: 0.4 }
        : { color: PAPER, borderColor: INK, borderWidth: 1, opacity: 0.6 },
    data: asked.filter((one) => one.condition === condition).map(dot),
  })
  // A band is drawn in its own colour, and marks as they stand in the chart; what is not in it has no entry.
  const legend = [
    line,
    { name: 'middle half', icon: 'roundRect' },
    ...(['new', 'used'] as const).flatMap((one) =>
      asked.some(({ condition }) => condition === one) ? [`asked, ${one}`] : [],
    ),
    ...(paid.length > 0 ? ['paid'] : []),
  ]
  return {
    ...CHART,
    grid: { left: 58, right: 18, top: 34, bottom: 30 },
    legend: { top: 0, left: 0, itemHeight: 9, itemWidth: 20, textStyle: { color: INK }, data: legend },
    xAxis: axis({ type: 'time' }, { hideOverlap: true }),
    yAxis: axis({ type: 'value', min: 0 }, { formatter: `${homeSign()}{value}` }),
    tooltip: {
      trigger: 'item',
      formatter: ({ name, value, seriesName }: { name: string; value: [string, number]; seriesName: string }) =>
        `${name || seriesName}, ${value[0]}: ${homeMoneyAt(value[1])}`,
    },
    series: [
      { ...band, name: 'below', data: points.map(({ date, q1 }) => [date, homeUnits(q1)]) },
      {
        ...band,
        name: 'middle half',
        areaStyle: { color: BLUE, opacity: 0.2 },
        itemStyle: { color: BLUE, opacity: 0.3 },
        data: points.map(({ date, q1, q3 }) => [date, homeUnits(q3) - homeUnits(q1)]),
      },
      {
        type: 'line',
        name: line,
        symbol: points.length < 4 ? 'circle' : 'none',
        lineStyle: { color: BLUE, width: 2.5 },
        itemStyle: { color: BLUE },
        data: points.map(({ date, median }) => [date, homeUnits(median)]),
        ...(target === null
          ? {}
          : {
              markLine: {
                symbol: 'none',
                lineStyle: { color: MOSS, type: 'dashed', width: 1.5 },
                label: { formatter: 'waited for', position: 'insideEndTop', color: MOSS },
                data: [{ yAxis: homeUnits(target) }],
              },
            }),
      },
      dots('new'),
      dots('used'),
      ...(paid.length > 0
        ? [
            {
              type: 'scatter',
              name: 'paid',
              symbol: 'diamond',
              symbolSize: 13,
              itemStyle: { color: MUSTARD, borderColor: INK },
              data: paid.map(dot),
            },
          ]
        : []),
    ],
  }
}

/** The chart of what makes a cost: a bar for each share, the dearest on top. */
export function shareChart(shares: readonly { label: string; cost: number; share: number }[], dear: string | null) {
  const shown = [...shares].reverse()
  return {
    ...CHART,
    grid: { left: 8, right: 92, top: 4, bottom: 4, containLabel: true },
    xAxis: { type: 'value', show: false },
    yAxis: {
      type: 'category',
      data: shown.map(({ label }) => label),
      axisTick: { show: false },
      axisLine: { show: false },
      axisLabel: { color: INK },
    },
    series: [
      {
        type: 'bar',
        barMaxWidth: 18,
        data: shown.map(({ label, cost, share }) => ({
          value: homeUnits(cost),
          itemStyle: { color: label === dear ? MUSTARD : BLUE, borderRadius: 3 },
          label: {
            show: true,
            position: 'right',
            color: INK,
            formatter: `${homeMoney(cost)} · ${Math.round(share * 100)} %`,
          },
        })),
      },
    ],
  }
}
