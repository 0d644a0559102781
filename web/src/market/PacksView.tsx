import { lazy, Suspense, useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { againstOpened, homeMoney, packOdds, type PackOdds } from '@outfit/core/market'
import { skipToken } from '@reduxjs/toolkit/query'
import { api, errorText, type ReleaseDetail } from '../data/api.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { axis, BLUE, CHART, INK, MUSTARD } from '../ui/chartLook.ts'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { oddsInWords, verdictInWords } from './packWords.ts'

const Chart = lazy(async () => ({ default: (await import('../ui/Chart.tsx')).Chart }))
const money = (minor: number | null | undefined) =>
  minor === null || minor === undefined ? 'not sold' : homeMoney(minor)

/** How many blind packs it takes for the figures wanted, against buying those opened. */
export function PacksView() {
  const { release: code = '' } = useParams()
  const { currentData: release, error, refetch } = api.endpoints.release.useQuery(code)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!release) return <Waiting>Opening the case…</Waiting>
  if (release.cases.length === 0)
    return (
      <EmptyNote title="Nobody knows what stands in a case">
        <Link to={`/catalogue/releases/${code}`} className="font-semibold text-act underline">
          Say it in the catalogue
        </Link>
        , then the odds can be worked out.
      </EmptyNote>
    )
  return <Packs release={release} />
}

function Packs({ release }: { release: ReleaseDetail }) {
  const { cases, figures } = release
  const catalogue = useKnownCatalogue(release)
  const [wanted, setWanted] = useState<ReadonlyMap<string, number>>(new Map([[cases[0]!.code, 1]]))
  const [of, setOf] = useState<'case' | 'shelf'>('case')
  const things = [`release:${release.code}`, ...cases.map((one) => `figure:${one.code}`)]
  const { data } = api.endpoints.prices.useQuery(catalogue ? things : skipToken)
  const priceOf = (figure: string) => data?.prices[`figure:${figure}`] ?? null
  const pack = data?.prices[`release:${release.code}`] ?? null
  const { odds, problem } = useMemo((): { odds: PackOdds | null; problem: string | null } => {
    try {
      const inCase = cases.map((one) => ({ figure: one.code, qty: one.qty }))
      return { odds: packOdds(inCase, wanted, of), problem: null }
    } catch (wrong) {
      return { odds: null, problem: (wrong as Error).message }
    }
  }, [cases, wanted, of])
  const finding = odds ? oddsInWords(odds) : ''
  const option = useMemo(() => (odds ? chartOf(odds) : {}), [odds])
  if (!catalogue) return <Waiting>Opening the case…</Waiting>
  const set = (figure: string, qty: number) =>
    setWanted((before) => {
      const next = new Map(before)
      if (qty > 0) next.set(figure, qty)
      else next.delete(figure)
      return next
    })
  const packs = cases.reduce((sum, { qty }) => sum + qty, 0)
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4">
      <h1 className="text-3xl">
        {release.name}
        <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">
          {packs} blind packs in a case · {pack === null ? 'nobody sells packs now' : `a pack from ${money(pack)}`}
        </span>
      </h1>
      <div className="mt-3 flex items-start gap-8">
        <section aria-label="Wanted" className="w-[420px] shrink-0">
          <h2 className="text-lg">Wanted</h2>
          <ul>
            {cases.map(({ code, qty }) => {
              const figure = figures.find((one) => one.code === code)
              return (
                <li key={code} className="flex items-center gap-3 border-t border-rule py-1">
                  <Figure
                    placements={figure?.worn ?? []}
                    from={catalogue}
                    plinth={false}
                    label=""
                    className="h-[52px] w-[44px] shrink-0"
                  />
                  <span className="min-w-0 flex-1 leading-tight">
                    <strong className="block truncate">{figure?.name ?? code}</strong>
                    <span className="text-[13px] text-soft">
                      {qty} of {packs} · opened {money(priceOf(code))}
                    </span>
                  </span>
                  <input
                    type="number"
                    min={0}
                    max={20}
                    aria-label={`How many ${figure?.name ?? code}`}
                    value={wanted.get(code) ?? 0}
                    onChange={({ target }) => set(code, Math.max(0, Math.min(20, Math.floor(Number(target.value)))))}
                    className="w-[60px] rounded-[8px] border border-rule bg-card px-1.5 py-0.5 text-right tabular-nums"
                  />
                </li>
              )
            })}
          </ul>
        </section>
        <section aria-label="The odds" className="min-w-0 flex-1">
          <fieldset className="flex gap-5">
            <legend className="sr-only">Where the packs come from</legend>
            {(
              [
                ['case', 'out of one full case, then any'],
                ['shelf', 'off a shelf, from any case'],
              ] as const
            ).map(([key, words]) => (
              <label key={key} className="flex items-center gap-1.5">
                <input type="radio" name="of" checked={of === key} onChange={() => setOf(key)} className="size-4" />
                {words}
              </label>
            ))}
          </fieldset>
          {problem && (
            <p role="alert" className="mt-2 text-problem">
              {problem}.
            </p>
          )}
          {odds && (
            <>
              <p className="mt-2 text-lg font-bold">{finding}</p>
              {odds.expected > 0 && (
                <>
                  <p className="mt-1">{verdictInWords(againstOpened(odds, pack, wanted, priceOf))}</p>
                  <Suspense fallback={<Waiting>Drawing…</Waiting>}>
                    <Chart option={option} label={finding} className="mt-2 h-[320px] w-full" />
                  </Suspense>
                  <details className="mt-2">
                    <summary className="cursor-pointer font-semibold text-act">As a table</summary>
                    <Table odds={odds} pack={pack} />
                  </details>
                </>
              )}
            </>
          )}
        </section>
      </div>
    </div>
  )
}

function Table({ odds, pack }: { odds: PackOdds; pack: number | null }) {
  return (
    <table className="mt-1">
      <thead className="text-left text-[13px] text-soft">
        <tr>
          <th className="pr-6 font-normal">packs</th>
          <th className="pr-6 text-right font-normal">chance that all is there</th>
          <th className="text-right font-normal">cost</th>
        </tr>
      </thead>
      <tbody>
        {odds.chance.map((there, n) => (
          <tr key={n} className="border-t border-rule">
            <td>{n}</td>
            <td className="pr-6 text-right">{(there * 100).toFixed(1)} %</td>
            <td className="text-right">{pack === null ? '–' : money(pack * n)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function chartOf({ chance, half, ninety }: PackOdds) {
  const line = (at: number, name: string) => ({
    xAxis: at,
    label: { color: INK, formatter: name, position: 'end', rotate: 0 },
  })
  return {
    ...CHART,
    grid: { left: 52, right: 24, top: 24, bottom: 44 },
    xAxis: axis({
      type: 'value',
      min: 0,
      max: chance.length - 1,
      minInterval: 1,
      name: 'packs',
      nameLocation: 'middle',
      nameGap: 28,
    }),
    yAxis: axis({ type: 'value', min: 0, max: 100 }, { formatter: '{value} %' }),
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value.toFixed(1)} %` },
    series: [
      {
        type: 'line',
        name: 'all there',
        showSymbol: chance.length < 40,
        data: chance.map((there, n) => [n, there * 100]),
        lineStyle: { color: BLUE, width: 2 },
        itemStyle: { color: BLUE },
        markLine: {
          symbol: 'none',
          lineStyle: { color: MUSTARD, type: 'dashed' },
          data: [line(half, 'half'), line(ninety, 'nine of ten')],
        },
      },
    ],
  }
}
