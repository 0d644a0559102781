import { Link } from 'react-router'
import { Tooltip } from 'radix-ui'
import { SPINE } from '@outfit/core/anatomy'
import { mainColour, type Catalogue, type Placement } from '@outfit/core/catalogue'
import { readableOn } from '@outfit/core/colour'
import { isCopy } from '@outfit/core/drawer'
import { costToFinish, type SoldWhole } from '@outfit/core/prices'
import { formatMoney } from '@outfit/core/market'
import { costOfTake, type SourcingReport } from '@outfit/core/sourcing'
import type { PlanState } from '../sourcing/usePlan.ts'

interface CostTapeProps {
  placements: readonly Placement[]
  catalogue: Catalogue
  plan: PlanState
  report: SourcingReport | undefined
  /** Lowest single price by part, for the time before the plan is in. */
  lowest: Readonly<Record<string, number | null>>
  /** How many parts are on the way in parcels. */
  coming: number
  /** Parts to be bought, one entry a unit. */
  missing: readonly string[]
  /** What is sold as one and brings some of them. */
  wholes: readonly SoldWhole[]
  currency: string
  to: string
}

interface Segment {
  key: string
  label: string
  terms: string
  amount: number
  colour?: string
  look?: string
}

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** What the take costs to finish, as one bar: owned hatched, each bought part, shipping as the selvedge. */
export function CostTape({
  placements,
  catalogue,
  plan,
  report,
  lowest,
  missing,
  wholes,
  coming,
  currency,
  to,
}: CostTapeProps) {
  const rowOf = (part: string) => {
    const slot = placements.find((p) => p.part === part)?.slot
    return SPINE.find((row) => slot && row.slots.includes(slot))?.label ?? ''
  }
  const nameOf = (part: string) => catalogue.parts.get(part)?.name ?? part
  const hexOf = (code: string) => {
    const part = catalogue.parts.get(code)
    return part && mainColour(catalogue, part)?.hex
  }
  const money = (amount: number) => formatMoney(amount, currency)
  const owned = placements.filter((placement) => !isCopy(placement)).length - missing.length
  const cost = report && costOfTake(report.problem, report.plan)
  const segments: Segment[] = []
  if (cost) {
    for (const { part, qty, cost: amount } of cost.bought)
      segments.push({
        key: part,
        label: `${rowOf(part)} ${money(amount)}`,
        terms: `${nameOf(part)}${qty > 1 ? ` × ${qty}` : ''}: ${money(amount)}`,
        amount,
        colour: hexOf(part),
      })
    if (cost.fillers > 0)
      segments.push({
        key: 'fillers',
        label: `to reach minimum ${money(cost.fillers)}`,
        terms: `Goods bought only to reach a seller's minimum: ${money(cost.fillers)}`,
        amount: cost.fillers,
        look: 'bg-band',
      })
    if (cost.shipping > 0)
      segments.push({
        key: 'shipping',
        label: `shipping ${money(cost.shipping)}`,
        terms: report.plan.baskets
          .map(
            (b) =>
              `${sellerName(report, b.seller)}: shipping ${money(b.shipping)}${b.handling ? `, handling ${money(b.handling)}` : ''}`,
          )
          .join('; '),
        amount: cost.shipping,
        look: 'selvedge',
      })
  } else {
    const counts = new Map<string, number>()
    for (const part of missing) counts.set(part, (counts.get(part) ?? 0) + 1)
    for (const [part, qty] of counts) {
      const amount = (lowest[part] ?? 0) * qty
      segments.push({
        key: part,
        label: rowOf(part),
        terms: `${nameOf(part)}: from ${lowest[part] ? money(amount) : 'an unknown price'}`,
        amount: amount || 40,
        colour: hexOf(part),
      })
    }
  }
  const whole = segments.reduce((sum, { amount }) => sum + amount, 0)
  const guess = costToFinish(missing, (part) => lowest[part], wholes).money
  const unmet = cost?.unmet ?? []
  const parcels = report?.plan.baskets ?? []
  const headline =
    missing.length === 0
      ? coming > 0
        ? `${coming} on the way, the rest owned`
        : placements.length === 0
          ? 'Nothing worn yet'
          : 'All owned'
      : cost
        ? `${money(cost.total)} to finish`
        : `from ${money(guess)}`
  const detail =
    missing.length === 0
      ? `${count(owned, 'part')}, nothing to buy`
      : `${count(owned, 'part')} owned, ${missing.length} to buy` +
        (cost
          ? parcels.length > 0
            ? `; best plan: ${count(parcels.length, 'parcel')} from ${parcels.map((b) => sellerName(report, b.seller)).join(' and ')}`
            : ''
          : plan.state === 'failed'
            ? `; no plan: ${plan.problem ?? ''}`
            : '; lowest prices without shipping, plan under way…')
  return (
    <Tooltip.Provider delayDuration={80}>
      <section
        aria-label="Cost"
        className="flex h-[92px] shrink-0 items-center gap-6 border-t border-rule bg-band px-5 phone:h-12 phone:gap-2 phone:px-3"
      >
        <div className="min-w-0 flex-1">
          <p className="truncate" aria-live="polite">
            <strong className="font-head text-[17px]">{headline}</strong>
            <span className="ml-3 text-soft phone:hidden">{detail}</span>
            {unmet.length > 0 && (
              <span className="ml-2 font-semibold text-problem">
                {unmet.map(({ part, qty }) => `${qty} × ${nameOf(part)} for sale nowhere`).join(', ')}
              </span>
            )}
          </p>
          <div
            role="group"
            aria-label="Cost tape"
            aria-busy={!cost}
            // Paler while it is worked out; faded, its words could not be read.
            className={`mt-1.5 flex h-[26px] overflow-hidden phone:hidden rounded-[4px] ${cost ? '' : 'saturate-50'}`}
          >
            {owned > 0 && (
              <span
                className="hatched flex shrink-0 items-center overflow-hidden px-1.5 text-[12.5px] whitespace-nowrap text-ink"
                style={{ width: missing.length === 0 ? '100%' : `${Math.min(34, Math.max(7, owned * 3))}%` }}
              >
                {owned} owned
              </span>
            )}
            {segments.map(({ key, label, terms, amount, colour, look }) => (
              <Tooltip.Root key={key}>
                <Tooltip.Trigger
                  style={{
                    flexGrow: amount,
                    flexBasis: 0,
                    background: look ? undefined : colour,
                    color: colour && !look ? readableOn(colour) : undefined,
                  }}
                  className={`min-w-[6px] overflow-hidden border-l border-ink/40 px-1.5 text-left text-[12.5px] whitespace-nowrap ${look ?? ''}`}
                  aria-label={terms}
                >
                  {amount >= 0.09 * whole && label}
                </Tooltip.Trigger>
                <Tooltip.Portal>
                  <Tooltip.Content
                    sideOffset={6}
                    className="max-w-[360px] rounded-[8px] border border-rule bg-card px-3 py-1.5 shadow-lg"
                  >
                    {terms}
                  </Tooltip.Content>
                </Tooltip.Portal>
              </Tooltip.Root>
            ))}
          </div>
        </div>
        <Link
          to={to}
          className="shrink-0 rounded-[10px] bg-act px-4 py-2.5 font-head font-bold text-act-ink hover:brightness-110 phone:px-3 phone:py-1.5"
        >
          Plan the buying
        </Link>
      </section>
    </Tooltip.Provider>
  )
}

const sellerName = (report: SourcingReport, id: string) =>
  report.problem.sellers.find((seller) => seller.id === id)?.name ?? id
