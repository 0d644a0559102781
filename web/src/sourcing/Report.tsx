import { useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import { Download, ListChecks } from 'lucide-react'
import { catalogueOf, partLabel, type Catalogue } from '@outfit/core/catalogue'
import { CAUTIONS } from '@outfit/core/fitting'
import { formatMoney, hasOpenTerms } from '@outfit/core/market'
import {
  STRATEGIES,
  unmetIn,
  type BuyingOptions,
  type ReportWithParts,
  type SourcingPlan,
  type SourcingReport,
} from '@outfit/core/sourcing'
import { marketApi } from '../data/marketApi.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote } from '../ui/Notes.tsx'
import { OrderDialog } from './OrderDialog.tsx'
import { Bag } from './Bag.tsx'
import { Firmness } from './Firmness.tsx'
import type { Further } from './useFurther.ts'
import { OptionsBar } from './OptionsBar.tsx'
import { planNotes } from './planNotes.ts'
import { Terms } from './Terms.tsx'
import { useVariant } from './useVariant.ts'
import { count, daysOf, proofOf, relaxedInWords, remarkOf, type Way } from './ways.ts'
import { WithoutSeller } from './WithoutSeller.tsx'

interface ReportProps {
  report: ReportWithParts
  job: string
  catalogue: Catalogue
  options: BuyingOptions
  onOptions: (change: BuyingOptions) => void
  back: { to: string; label: string }
  prices: string
  /** Looking for a better plan while this one is shown. */
  further: Further
  /** What stands beside the heading. */
  aside?: ReactNode
}

/** Ways to buy what is missing, side by side; the one looked at opened into its parcels and terms. */
export function Report({
  report,
  job,
  catalogue: known,
  options,
  onOptions,
  back,
  prices,
  further,
  aside,
}: ReportProps) {
  const [shown, show] = useState<Way['key']>('best')
  const [asked, ask] = useState<readonly string[]>([])
  const [ordering, order] = useState<readonly string[] | null>(null)
  const { plan, naive, problem } = report
  const anything = plan.baskets.length > 0
  // One after the other, the thread of the solver being one.
  const fewest = useVariant(anything ? job : null, { way: 'fewest' })
  const over = ({ state }: { state: string }) => state !== 'idle' && state !== 'running'
  const one = useVariant(over(fewest) ? job : null, { way: 'one' })
  const whole = useVariant(over(one) ? job : null, { way: 'whole' })
  const open = useOpenTerms()
  const favoured = useFavoured(problem)
  const liked = useVariant(favoured.length > 0 && over(whole) ? job : null, { way: 'favoured', sellers: favoured })
  const variants = { fewest, one, whole, favoured: liked }
  const more = [fewest, one, whole, liked].flatMap(({ report: variant }) => (variant ? [variant] : []))
  const catalogue = catalogueOf({
    colours: [...known.colours.values()],
    moulds: [...known.moulds.values()],
    prints: [...known.prints.values(), ...more.flatMap(({ prints }) => prints)],
    parts: [...known.parts.values(), ...more.flatMap(({ parts }) => parts)],
  })
  const money = (amount: number) => formatMoney(amount, problem.currency)
  const nameOf = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const sellerName = (id: string) => problem.sellers.find((seller) => seller.id === id)?.name ?? id
  if (!anything && plan.unmet.length === 0)
    return (
      <EmptyNote title="Nothing to buy">
        The drawer has every part of {report.name}
        {report.label && `, take ${report.label}`}.{' '}
        <Link to={back.to} className="font-semibold text-act underline">
          {back.label}
        </Link>
      </EmptyNote>
    )
  const titles = {
    fewest: 'Fewest parcels',
    one: 'One seller',
    whole: 'Figures and boxes first',
    favoured: '★ Favoured first',
  } as const
  const ways: Way[] = [
    { key: 'best', title: 'Best plan', plan, remark: remarkOf(plan, 'best', money) },
    { key: 'each', title: 'Cheapest of each', plan: naive, remark: remarkOf(naive, 'each', money) },
    ...(anything ? ([...STRATEGIES, ...(favoured.length > 0 ? (['favoured'] as const) : [])] as const) : []).map(
      (key): Way => {
        const { report: variant, problem: failed } = variants[key]
        const found = variant?.plan ?? null
        return { key, title: titles[key], plan: found, remark: found ? remarkOf(found, key, money) : (failed ?? '') }
      },
    ),
  ]
  const way = ways.find(({ key }) => key === shown)!
  const looked = way.plan ?? plan
  const solved = 'fills' in looked ? looked : null
  const variantJob = shown === 'best' || shown === 'each' ? null : variants[shown].job
  const difference = looked.total - plan.total
  const untold = looked.baskets.map(({ seller }) => seller).filter((seller) => open.has(seller))
  const comparable = unmetIn(looked) === unmetIn(plan)
  return (
    <div className="flex h-full min-w-[1180px] flex-col phone:h-auto phone:min-w-0">
      <div className="min-h-0 flex-1 overflow-y-auto px-5 pt-4 pb-6 phone:px-3">
        <div className="flex items-baseline gap-3 phone:flex-wrap">
          <h1 className="text-2xl">
            {!anything
              ? 'Nothing can be bought'
              : `${count(plan.baskets.length, 'parcel')}, ${money(plan.total)}, ${plan.unmet.length > 0 ? 'what can be had is here' : 'all here'} in ${count(daysOf(plan.baskets, problem), 'day')}`}
          </h1>
          <span className="ml-auto flex shrink-0 items-baseline gap-4">
            <Link to={prices} className="text-act underline">
              Prices over time
            </Link>
            {aside}
          </span>
        </div>
        <p className="mt-0.5 flex h-6 items-center gap-3 text-sm text-soft phone:h-auto phone:flex-wrap">
          {proofOf(plan, money)}
          {anything && <FurtherBar further={further} open={plan.status !== 'optimal'} money={money} />}
        </p>
        {untold.length > 0 && (
          <p role="note" className="mt-0.5 text-notice">
            Without the shipping of {untold.map(sellerName).join(' and ')}, which nobody has said yet: it may change
            which plan is best.{' '}
            <Link to="/market" className="font-semibold underline">
              Say it in the market
            </Link>
          </p>
        )}
        {report.relaxed && (
          <p role="alert" className="mt-1 font-semibold text-problem">
            A limit is too tight: {count(unmetIn(plan), 'part')} cannot be bought within it.{' '}
            {relaxedInWords(report.relaxed, money)}
          </p>
        )}
        <div
          role="radiogroup"
          aria-label="Ways to buy"
          className={`mt-3 grid gap-3.5 ${ways.length > 5 ? 'grid-cols-6' : 'grid-cols-5'} phone:grid-cols-2 phone:gap-2`}
        >
          {ways.map(({ key, title, plan: found, remark }) => (
            <button
              key={key}
              type="button"
              role="radio"
              aria-checked={shown === key}
              disabled={!found}
              onClick={() => show(key)}
              className={`flex flex-col rounded-[10px] border bg-card px-3.5 py-2.5 text-left ${shown === key ? 'border-act outline-2 outline-act' : 'border-rule enabled:hover:border-act'}`}
            >
              <span className="block font-bold">{title}</span>
              <span className="block font-head text-[21px] leading-tight font-bold">
                {found ? money(found.total) : '…'}
              </span>
              <span className="block text-[13px] text-soft">
                {found
                  ? `${count(found.baskets.length, 'parcel')} · ${count(daysOf(found.baskets, problem), 'day')}`
                  : remark || 'is being worked out'}
              </span>
              {found && <span className="block text-[13px] text-soft">{remark}</span>}
            </button>
          ))}
        </div>
        <div className="mt-5 flex items-start gap-6 phone:flex-col">
          <div className="flex min-w-0 flex-1 flex-wrap gap-5 phone:w-full">
            {looked.baskets.map((basket) => (
              <Bag
                key={basket.seller}
                basket={basket}
                report={report}
                catalogue={catalogue}
                fills={solved?.fills}
                openTerms={open.has(basket.seller)}
                onOrder={solved ? () => order([basket.seller]) : undefined}
                onWhy={
                  shown === 'best' && !asked.includes(basket.seller) ? () => ask([...asked, basket.seller]) : undefined
                }
              />
            ))}
          </div>
          <section aria-label="What it is made of" className="w-[300px] shrink-0 phone:w-full">
            <h2 className="text-lg">What it is made of</h2>
            <Terms plan={looked} problem={problem} sellerName={sellerName} nameOf={nameOf} untold={open} />
            {shown === 'best'
              ? naive.total > plan.total &&
                unmetIn(naive) === unmetIn(plan) && (
                  <p className="mt-1 text-right font-bold text-good">
                    {money(naive.total - plan.total)} under cheapest of each
                  </p>
                )
              : comparable &&
                difference > 0 && (
                  <p className="mt-1 text-right font-bold text-problem">{money(difference)} over the best plan</p>
                )}
            {planNotes(report, looked, nameOf).map(({ title, lines }) => (
              <div key={title}>
                <h2 className="mt-5 text-lg">{title}</h2>
                <ul className="mt-1 space-y-1.5">
                  {lines.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </div>
            ))}
            {shown === 'best' && anything && (
              <>
                <h2 className="mt-5 text-lg">If a seller drops out</h2>
                {asked.length === 0 ? (
                  <p className="mt-1 text-soft">“Why here?” on a bag plans again without that seller.</p>
                ) : (
                  <ul className="mt-1 space-y-1.5">
                    {asked.map((seller) => (
                      <WithoutSeller key={seller} job={job} seller={seller} report={report} />
                    ))}
                  </ul>
                )}
                <Firmness job={job} report={report} />
              </>
            )}
          </section>
        </div>
      </div>
      <footer className="shrink-0 space-y-1.5 border-t border-rule bg-band px-5 py-2.5 phone:px-3">
        <OptionsBar options={options} onChange={onOptions} />
        <div className="flex items-center gap-5 phone:flex-wrap phone:gap-2">
          <p className="text-[13px] text-soft">
            {about(report, plan)} {CAUTIONS.small}
          </p>
          <Downloads job={job} />
          {solved && looked.baskets.length > 0 && (
            <Button look="act" className="shrink-0" onClick={() => order(looked.baskets.map(({ seller }) => seller))}>
              Turn into parcels
            </Button>
          )}
        </div>
      </footer>
      {ordering && (
        <OrderDialog
          ask={{ job, ...(variantJob ? { variant: variantJob } : {}), sellers: [...ordering] }}
          baskets={looked.baskets.filter(({ seller }) => ordering.includes(seller))}
          currency={problem.currency}
          sellerName={sellerName}
          onLeave={() => order(null)}
        />
      )}
    </div>
  )
}

/** What was solved, over what, in a sentence or two. */
function about({ name, label, outfits, problem, date }: ReportWithParts, plan: SourcingPlan): string {
  const owned = plan.fills.filter((fill) => fill.from === 'owned').reduce((sum, { qty }) => sum + qty, 0)
  const what = label
    ? `${name}, take ${label}: `
    : outfits.length > 0
      ? `${name}, ${count(outfits.length, 'outfit')}: `
      : `${name}: all of it to be bought. `
  const has = outfits.length > 0 ? `${count(owned, 'part')} owned or on the way. ` : ''
  return `${what}${has}Solved in ${plan.seconds.toFixed(1)} s over ${count(problem.sellers.length, 'seller')} and ${count(problem.offers.length, 'offer')}, prices of ${date}.`
}

function Downloads({ job }: { job: string }) {
  return (
    <div className="ml-auto flex shrink-0 gap-2 phone:ml-0 phone:shrink phone:flex-wrap">
      <Link
        to={`/plans/${job}/take-along`}
        className="inline-flex items-center gap-1.5 rounded-[10px] border border-act/70 bg-card px-3 py-1.5 font-semibold text-act hover:border-act"
      >
        <ListChecks aria-hidden className="size-4" /> To take along
      </Link>
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
  )
}

/** Those who sell what is wanted and whom one likes to buy from. */
function useFavoured({ sellers }: SourcingReport['problem']): string[] {
  const { data } = marketApi.endpoints.market.useQuery()
  const liked = new Set(data?.sellers.filter(({ standing }) => standing === 'favoured').map(({ code }) => code))
  return sellers.map(({ id }) => id).filter((id) => liked.has(id))
}

/** Codes of sellers whose shipping nobody has said yet. */
function useOpenTerms(): ReadonlySet<string> {
  const { data } = marketApi.endpoints.market.useQuery()
  return new Set(data?.sellers.filter(hasOpenTerms).map(({ code }) => code))
}

/** Looking for a better plan, and what came of it. */
function FurtherBar({
  further: { running, best, said, start, enough },
  open,
  money,
}: {
  further: Further
  open: boolean
  money: (amount: number) => string
}) {
  const told = running ? `looking further${best === null ? '' : `: best so far ${money(Math.round(best))}`}` : said
  return (
    <>
      {told && <span role="status">{told}</span>}
      {(running || (open && !said)) && (
        <button
          type="button"
          className="cursor-pointer font-semibold text-act underline"
          onClick={running ? enough : start}
        >
          {running ? 'That will do' : 'Look further for a minute'}
        </button>
      )}
    </>
  )
}
