import { formatMoney } from '@outfit/core/market'
import type { SourcingReport } from '@outfit/core/sourcing'

export interface PlanNote {
  title: string
  lines: string[]
}

const unit = (qty: number, name: string) => (qty > 1 ? `${qty} × ${name}` : name)

/** What is worth knowing about a plan beside its sums: what is taken apart, left over, filled up, refused, nowhere for sale. */
export function planNotes(
  { problem, plan, naive, things }: SourcingReport,
  shown: 'best' | 'naive',
  nameOf: (part: string) => string,
): PlanNote[] {
  const sellerOf = (id: string) => problem.sellers.find((seller) => seller.id === id)?.name ?? id
  const needs = new Map(problem.needs.map((need) => [need.id, need.accept[0]!.part]))
  const money = (amount: number) => formatMoney(amount, problem.currency)
  const notes: PlanNote[] = []
  const add = (title: string, lines: string[]) => {
    if (lines.length > 0) notes.push({ title, lines })
  }
  const unmet =
    shown === 'best' ? plan.unmet : naive.unmet.map((entry) => ({ ...entry, why: 'no seller has enough of it' }))
  add(
    'Not to be had',
    unmet.map(
      ({ need, qty, why }) => `${unit(qty, nameOf(needs.get(need) ?? need))}: ${why || 'no seller offers it'}.`,
    ),
  )
  if (shown === 'naive') {
    add('Minimums', [
      ...naive.filledUp.map(
        ({ seller, short, spent }) =>
          `${sellerOf(seller)} lacked ${money(short)} to its minimum; ${money(spent)} of goods nobody asked for fill it up.`,
      ),
      ...naive.refused.map(
        (seller) => `${sellerOf(seller)} would refuse the order: its whole list does not reach its minimum.`,
      ),
    ])
    return notes
  }
  const apart = plan.baskets
    .flatMap(({ lines }) => lines)
    .filter(({ offer }) => things[offer] && things[offer].kind !== 'part')
    .map(({ offer, qty }) => {
      const used = plan.fills.filter(({ from }) => from === offer).reduce((sum, fill) => sum + fill.qty, 0)
      return `${unit(qty, things[offer]!.name)} gives ${used} needed ${used === 1 ? 'part' : 'parts'}.`
    })
  add('Taken apart', apart)
  const left = plan.surplus.map(({ part, qty }) => unit(qty, nameOf(part)))
  add(
    'Left over',
    left.length > 6
      ? [`${left.slice(0, 6).join(', ')} and ${left.length - 6} more.`]
      : left.length > 0
        ? [`${left.join(', ')}.`]
        : [],
  )
  return notes
}
