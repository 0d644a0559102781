import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { Download } from 'lucide-react'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { CAUTIONS } from '@outfit/core/fitting'
import { formatMoney } from '@outfit/core/market'
import { takeNamed } from '@outfit/core/roster'
import type { Basket, SourcingReport } from '@outfit/core/sourcing'
import { api, errorText } from '../app/api.ts'
import { selectCatalogue } from '../app/catalogueSlice.ts'
import { rememberOutfit } from '../app/lastOutfit.ts'
import { useAppSelector } from '../app/store.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Bag } from './Bag.tsx'
import { planNotes } from './planNotes.ts'
import { usePlan } from './usePlan.ts'

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** The sourcing plan of a take: best against naive, each opened into its parcels and terms. */
export function SourcingView() {
  const { outfit: id = '' } = useParams()
  const [search] = useSearchParams()
  const basics = api.endpoints.basics.useQuery()
  const { currentData: outfit, error, refetch } = api.endpoints.outfit.useQuery(id)
  const catalogue = useAppSelector(selectCatalogue)
  const [again, setAgain] = useState(0)
  const take = outfit && takeNamed(outfit.takes, search.get('take'))
  const plan = usePlan(outfit?.id, take?.id, String(outfit?.version ?? ''), Boolean(outfit), again)
  if (outfit) rememberOutfit(outfit.id)
  if (error ?? basics.error)
    return <ErrorNote onRetry={() => void refetch()}>{errorText(error ?? basics.error)}</ErrorNote>
  if (!outfit || !take || !catalogue) return <Waiting>Looking up what is missing…</Waiting>
  if (plan.problem) return <ErrorNote onRetry={() => setAgain(again + 1)}>{plan.problem}</ErrorNote>
  if (plan.state === 'cancelled')
    return (
      <EmptyNote title="Planning was stopped">
        <p>Nothing was bought and nothing has changed.</p>
        <Button look="act" className="mt-3" onClick={() => setAgain(again + 1)}>
          Plan again
        </Button>
      </EmptyNote>
    )
  if (!plan.report)
    return <Planning progress={plan.progress} currency={outfit.roster.currency} onCancel={plan.cancel} />
  return (
    <Report
      report={plan.report}
      job={plan.job!}
      catalogue={catalogue}
      bench={`/outfits/${outfit.id}/bench?take=${encodeURIComponent(take.label)}`}
    />
  )
}

function Planning({
  progress,
  currency,
  onCancel,
}: {
  progress: ReturnType<typeof usePlan>['progress']
  currency: string
  onCancel: () => void
}) {
  const money = (amount: number | null | undefined) =>
    amount === null || amount === undefined ? '–' : formatMoney(Math.round(amount), currency)
  return (
    <div className="mx-auto max-w-md py-20 text-center" role="status">
      <h1 className="text-2xl">Comparing sellers…</h1>
      <progress className="mt-4 w-full" aria-label="Planning" />
      <p className="mt-2 text-soft">
        best so far {money(progress?.best)} · no plan can be cheaper than {money(progress?.bound)}
      </p>
      <Button className="mt-4" onClick={onCancel}>
        Stop planning
      </Button>
    </div>
  )
}

function Report({
  report,
  job,
  catalogue,
  bench,
}: {
  report: SourcingReport
  job: string
  catalogue: Catalogue
  bench: string
}) {
  const [shown, show] = useState<'best' | 'naive'>('best')
  const { plan, naive, problem } = report
  const { currency } = problem
  const money = (amount: number) => formatMoney(amount, currency)
  const days = (baskets: readonly Basket[]) =>
    Math.max(0, ...baskets.map((b) => problem.sellers.find((s) => s.id === b.seller)?.arrivesInDays ?? 0))
  const nameOf = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const baskets = shown === 'best' ? plan.baskets : naive.baskets
  const total = shown === 'best' ? plan.total : naive.total
  const sum = (pick: (basket: Basket) => number) => baskets.reduce((s, basket) => s + pick(basket), 0)
  const credits = shown === 'best' ? plan.surplus.reduce((s, { credit }) => s + credit, 0) : 0
  const penalties = total - sum((b) => b.goods + b.shipping + b.handling) + credits
  const proof =
    plan.status === 'optimal'
      ? `proven: no plan is cheaper than ${money(plan.total)}`
      : plan.status === 'impossible'
        ? 'no plan keeps the limits'
        : `no plan can be cheaper than ${money(plan.bound)}; ${(plan.gap * 100).toFixed(1)} % open`
  if (plan.baskets.length === 0 && plan.unmet.length === 0)
    return (
      <EmptyNote title="Nothing to buy">
        The drawer has every part of {report.name}, take {report.label}.{' '}
        <Link to={bench} className="font-semibold text-act underline">
          Back to the bench
        </Link>
      </EmptyNote>
    )
  const options = [
    {
      key: 'best',
      title: 'Best plan',
      baskets: plan.baskets,
      total: plan.total,
      remark: plan.status === 'optimal' ? 'proven best' : `${(plan.gap * 100).toFixed(1)} % open`,
    },
    {
      key: 'naive',
      title: 'Cheapest of each',
      baskets: naive.baskets,
      total: naive.total,
      remark: naive.refused.length > 0 ? 'would be refused' : naive.filledUp.length > 0 ? 'filled up' : 'true cost',
    },
  ] as const
  const notes = planNotes(report, shown, nameOf)
  return (
    <div className="flex h-full min-w-[1180px] flex-col">
      <div className="min-h-0 flex-1 overflow-y-auto px-5 pt-4 pb-6">
        <h1 className="text-2xl">
          {plan.baskets.length === 0
            ? 'Nothing can be bought'
            : `${count(plan.baskets.length, 'parcel')}, ${money(plan.total)}, ${plan.unmet.length > 0 ? 'what can be had is here' : 'all here'} in ${count(days(plan.baskets), 'day')}`}
          <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">{proof}</span>
        </h1>
        <div role="radiogroup" aria-label="Ways to buy" className="mt-3 flex gap-3.5">
          {options.map((option) => (
            <button
              key={option.key}
              type="button"
              role="radio"
              aria-checked={shown === option.key}
              onClick={() => show(option.key)}
              className={`flex w-[250px] flex-col rounded-[10px] border bg-card px-3.5 py-2.5 text-left ${shown === option.key ? 'border-act outline-2 outline-act' : 'border-rule hover:border-act'}`}
            >
              <span className="block font-bold">{option.title}</span>
              <span className="block font-head text-[21px] leading-tight font-bold">{money(option.total)}</span>
              <span className="block text-[13px] text-soft">
                {count(option.baskets.length, 'parcel')} · {count(days(option.baskets), 'day')} · {option.remark}
              </span>
            </button>
          ))}
        </div>
        <div className="mt-5 flex items-start gap-6">
          <div className="flex min-w-0 flex-1 flex-wrap gap-5">
            {baskets.map((basket) => (
              <Bag
                key={basket.seller}
                basket={basket}
                report={report}
                catalogue={catalogue}
                fills={shown === 'best' ? plan.fills : undefined}
              />
            ))}
          </div>
          <section aria-label="What it is made of" className="w-[300px] shrink-0">
            <h2 className="text-lg">What it is made of</h2>
            <dl className="mt-2 grid grid-cols-[1fr_auto] gap-y-1.5 [&_dd]:text-right">
              <dt>goods</dt>
              <dd>{money(sum((b) => b.goods))}</dd>
              <dt>shipping</dt>
              <dd>{money(sum((b) => b.shipping))}</dd>
              <dt>handling</dt>
              <dd>{money(sum((b) => b.handling))}</dd>
              {penalties !== 0 && (
                <>
                  <dt>second choices</dt>
                  <dd>{money(penalties)}</dd>
                </>
              )}
              {credits > 0 && (
                <>
                  <dt>leftovers sold</dt>
                  <dd>−{money(credits)}</dd>
                </>
              )}
              <dt className="border-t border-rule pt-1.5 font-bold">in all</dt>
              <dd className="border-t border-rule pt-1.5 font-bold">{money(total)}</dd>
            </dl>
            {naive.total > plan.total && naive.unmet.length === plan.unmet.length && (
              <p className={`mt-1 text-right font-bold ${shown === 'best' ? 'text-good' : 'text-problem'}`}>
                {shown === 'best'
                  ? `${money(naive.total - plan.total)} under cheapest of each`
                  : `${money(naive.total - plan.total)} over the best plan`}
              </p>
            )}
            {notes.map(({ title, lines }) => (
              <div key={title}>
                <h2 className="mt-5 text-lg">{title}</h2>
                <ul className="mt-1 space-y-1.5">
                  {lines.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </div>
            ))}
          </section>
        </div>
      </div>
      <footer className="flex h-[64px] shrink-0 items-center gap-5 border-t border-rule bg-band px-5">
        <p className="text-soft">
          {report.name}, take {report.label}: {count(plan.fills.filter((f) => f.from === 'owned').length, 'need')} met
          from the drawer. Solved in {plan.seconds.toFixed(1)} s over {count(problem.sellers.length, 'seller')} and{' '}
          {problem.offers.length} offers, prices of {report.date}. {CAUTIONS.small}
        </p>
        <div className="ml-auto flex shrink-0 gap-2">
          {[
            ['shopping.csv', 'Shopping list (CSV)'],
            ['plan.json', 'Plan (JSON)'],
            ['problem.json', 'Problem (JSON)'],
          ].map(([file, label]) => (
            <a
              key={file}
              href={`/api/plans/${job}/${file}`}
              download
              className="inline-flex items-center gap-1.5 rounded-[10px] border border-act/70 bg-card px-3 py-1.5 font-semibold text-act hover:border-act"
            >
              <Download aria-hidden className="size-4" /> {label}
            </a>
          ))}
        </div>
      </footer>
    </div>
  )
}
