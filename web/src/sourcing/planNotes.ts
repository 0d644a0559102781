import { daysBetween } from '@outfit/core/base'
import { formatMoney } from '@outfit/core/market'
import { STALE_DAYS } from '@outfit/core/prices'
import { unmetIn, type NaivePlan, type SourcingPlan, type SourcingReport } from '@outfit/core/sourcing'

export interface PlanNote {
  title: string
  lines: string[]
}

const unit = (qty: number, name: string) => (qty > 1 ? `${qty} × ${name}` : name)
/** Most lines of a note; what is more is counted. */
const MOST = 6

const cut = (names: readonly string[]): string[] => {
  if (names.length === 0) return []
  const rest = names.length - MOST
  return [rest > 0 ? `${names.slice(0, MOST).join(', ')} and ${rest} more.` : `${names.join(', ')}.`]
}

/**
 * What is worth knowing about a plan beside its sums: what cannot be had, what is bought in place of what, taken apart and
 * left over; of the naive plan what was filled up or would be refused.
 */
export function planNotes(
  {
    problem,
    things,
    looked,
    heard = {},
  }: Pick<SourcingReport, 'problem' | 'things'> & Partial<Pick<SourcingReport, 'looked' | 'heard'>>,
  plan: SourcingPlan | NaivePlan,
  nameOf: (part: string) => string,
  today = new Date().toISOString(),
): PlanNote[] {
  const sellerOf = (id: string) => problem.sellers.find((seller) => seller.id === id)?.name ?? id
  const needs = new Map(problem.needs.map((need) => [need.id, need.accept]))
  const wanted = (need: string) => nameOf(needs.get(need)?.[0]?.part ?? need)
  const money = (amount: number) => formatMoney(amount, problem.currency)
  const notes: PlanNote[] = []
  const add = (title: string, lines: string[]) => {
    if (lines.length > 0) notes.push({ title, lines })
  }
  const unmet = plan.unmet.map((entry) => ({ why: 'no seller has enough of it', ...entry }))
  add(
    'Not to be had',
    unmet.map(({ need, qty, why }) => `${unit(qty, wanted(need))}: ${why || 'no seller offers it'}.`),
  )
  add(
    'Prices that may be old',
    plan.baskets.flatMap(({ seller }) => {
      const age = heard[seller] === undefined ? 0 : daysBetween(heard[seller], today)
      return age > STALE_DAYS ? [`${sellerOf(seller)} was last heard ${age} days ago; ask again before you order.`] : []
    }),
  )
  if (looked && looked.at < looked.of)
    add('A large market', [
      `Of ${looked.of.toLocaleString('en')} offers that bring something of it, the ${looked.at.toLocaleString('en')} cheapest for each part were looked at; “proven” is said of those.`,
    ])
  if ('refused' in plan) {
    add('Minimums', [
      ...plan.filledUp.map(
        ({ seller, short, spent }) =>
          `${sellerOf(seller)} lacked ${money(short)} to its minimum; ${money(spent)} of goods nobody asked for fill it up.`,
      ),
      ...plan.refused.map(
        (seller) => `${sellerOf(seller)} would refuse the order: its whole list does not reach its minimum.`,
      ),
    ])
    return notes
  }
  const second = plan.fills.flatMap(({ need, part, qty, from }) => {
    const penalty = needs.get(need)?.find((way) => way.part === part)?.penalty ?? 0
    return penalty > 0 && from !== 'owned'
      ? [`${unit(qty, nameOf(part))} for ${wanted(need)}, counted as ${money(penalty * qty)} dearer.`]
      : []
  })
  add('Second choices', second)
  const apart = plan.baskets
    .flatMap(({ lines }) => lines)
    .filter(({ offer }) => things[offer] && things[offer].kind !== 'part')
    .map(({ offer, qty }) => {
      const used = plan.fills.filter(({ from }) => from === offer).reduce((sum, fill) => sum + fill.qty, 0)
      return `${unit(qty, things[offer]!.name)} gives ${used} needed ${used === 1 ? 'part' : 'parts'}.`
    })
  add('Taken apart', apart)
  add('Left over', cut(plan.surplus.map(({ part, qty }) => unit(qty, nameOf(part)))))
  return notes
}

/** So many outfits are named with a line; what is more is counted. */
const NAMED = 2

/** For which outfits a line is bought, in words; empty where all is for one, or it fills no need. */
export function boughtFor(
  { problem, outfits, wantedBy }: Pick<SourcingReport, 'problem' | 'outfits' | 'wantedBy'>,
  fills: SourcingPlan['fills'],
  offer: string,
): string {
  if (outfits.length < 2) return ''
  const wanted = new Map(problem.needs.map(({ id, accept }) => [id, accept[0]!.part]))
  const needs = fills.filter(({ from }) => from === offer).map(({ need }) => need)
  const names = [...new Set(needs.flatMap((need) => (wantedBy[wanted.get(need) ?? ''] ?? []).map(({ name }) => name)))]
  if (names.length === 0) return ''
  const rest = names.length - NAMED
  return `for ${names.slice(0, NAMED).join('; ')}${rest > 0 ? ` and ${rest} more` : ''}`
}

/** What a plan without a seller does otherwise: what it costs more and who sells instead. */
export function withoutSeller(
  problem: SourcingReport['problem'],
  seller: string,
  plan: SourcingPlan,
  other: SourcingPlan,
): string {
  const name = (id: string) => problem.sellers.find((one) => one.id === id)?.name ?? id
  const lacking = unmetIn(other) - unmetIn(plan)
  const known = new Set(plan.baskets.map((basket) => basket.seller))
  const instead = other.baskets.filter((basket) => !known.has(basket.seller)).map((basket) => name(basket.seller))
  const more = other.total - plan.total
  const money = formatMoney(Math.abs(more), problem.currency)
  const parts = [
    lacking > 0
      ? `${lacking} ${lacking === 1 ? 'part' : 'parts'} could not be had`
      : more > 0
        ? `${money} dearer`
        : more < 0
          ? `${money} cheaper: the plan was not the best yet`
          : 'no dearer',
    instead.length > 0 ? `${instead.join(' and ')} would sell instead` : 'the others would sell what it sells',
    `${other.baskets.length} ${other.baskets.length === 1 ? 'parcel' : 'parcels'}`,
  ]
  return `Without ${name(seller)}: ${parts.join('; ')}.`
}
