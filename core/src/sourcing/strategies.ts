import type { SolveMilp } from '../solver/index.ts'
import { naiveUnits } from './cheapestOfEach.ts'
import { fewestUnmet } from './impossible.ts'
import { keepsLimits } from './keepsLimits.ts'
import { sourcingModel } from './model.ts'
import type { PlanOptions } from './planner.ts'
import { planSourcing } from './planSourcing.ts'
import { reduceProblem } from './reduce.ts'
import { unitsInModel } from './supplyModel.ts'
import { settle, unmetIn } from './settle.ts'
import type { Limits, Offer, Seller, SourcingPlan, SourcingProblem } from './types.ts'

/** Ways to buy that stand beside the best plan and the cheapest of each. */
export const STRATEGIES = ['fewest', 'one', 'whole'] as const
export type Strategy = (typeof STRATEGIES)[number]

/** A problem changed in one way: another strategy, or without one seller or offer. */
export type Variant =
  | { way: Strategy }
  | { way: 'favoured'; sellers: string[] }
  | { way: 'drop'; seller: string }
  | { way: 'without'; offer: string }

/**
 * Plan a variant of a problem. `base` is the plan it is a variant of: `fewest` takes no more parcels than that.
 *
 * - `fewest`: as few parcels as meet as much as can be met, then the least total.
 * - `one`: all from one seller, whoever meets most of it, then the least total.
 * - `whole`: figures and boxes first; single parts only for what none of those brings, or brings too few of.
 * - `favoured`: from some sellers first; from others only what those do not have, or have too little of.
 * - `drop`, `without`: the best plan without a seller, or an offer.
 */
export function planVariant(
  problem: SourcingProblem,
  variant: Variant,
  options: PlanOptions,
  base?: SourcingPlan,
): SourcingPlan {
  const within = (limits: Partial<Limits>) =>
    planSourcing({ ...problem, limits: { ...problem.limits, ...limits } }, options)
  switch (variant.way) {
    case 'fewest': {
      const start = options.now()
      const found = fewestParcels(problem, options.solve, problem.limits.seconds / 2)
      // In a hurry the best plan may have fewer than were found.
      const { parcels, units } =
        base && base.baskets.length > 0 && base.baskets.length <= found.parcels
          ? { parcels: base.baskets.length, units: unitsBought(base) }
          : found
      // Counting parcels is mostly quick; the plan has what is left.
      const seconds = Math.max(problem.limits.seconds / 2, problem.limits.seconds - (options.now() - start))
      const limits = { ...problem.limits, parcels, seconds }
      const plan = planSourcing({ ...problem, limits }, { ...options, ...(units ? { known: units } : {}) })
      // In a hurry a count may be found whose purchase is not: the best plan is one, and takes no more parcels than itself.
      const isWorse =
        base !== undefined &&
        base.status !== 'impossible' &&
        (plan.status === 'impossible' || unmetIn(plan) > unmetIn(base))
      return isWorse ? base : plan
    }
    case 'one':
      return within({ parcels: Math.min(problem.limits.parcels ?? 1, 1) })
    case 'whole': {
      const many = problem.offers.filter(({ yields, qty, multiple }) => yields.length > 1 && qty >= multiple)
      const brought = new Set(many.flatMap(({ yields }) => yields.map(({ part }) => part)))
      // A single part is as good as a figure where no figure brings it.
      const first = ({ yields }: Offer) => yields.length > 1 || yields.every(({ part }) => !brought.has(part))
      return planFirst(problem, first, options)
    }
    case 'favoured': {
      const favoured = new Set(variant.sellers)
      return planFirst(problem, ({ seller }) => favoured.has(seller), options)
    }
    case 'drop':
      return planSourcing(
        { ...problem, offers: problem.offers.filter(({ seller }) => seller !== variant.seller) },
        options,
      )
    case 'without':
      return planSourcing({ ...problem, offers: problem.offers.filter(({ id }) => id !== variant.offer) }, options)
  }
}

/** Units by offer of what a plan buys. */
const unitsBought = ({ baskets }: Pick<SourcingPlan, 'baskets'>): Map<string, number> =>
  new Map(baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty] as const)))

/**
 * The fewest parcels that leave no more units unmet than must be, with a purchase of so many; as few as were found where it
 * is not proven in time.
 */
export function fewestParcels(
  problem: SourcingProblem,
  solve: SolveMilp,
  seconds: number,
): { parcels: number; units: Map<string, number> | null } {
  const reduced = reduceProblem(problem)
  const naive = naiveUnits(reduced)
  const settled = naive ? settle(reduced, naive) : undefined
  const ready = settled && keepsLimits(reduced, settled) ? settled : undefined
  const { units: fewest } = fewestUnmet(reduced, ready, solve, seconds / 2)
  const model = sourcingModel(reduced, 'parcels', fewest)
  const { values } = solve(model.milp, { seconds: seconds / 2, gap: 0 })
  const most = problem.limits.parcels ?? reduced.sellers.length
  if (!values) return { parcels: most, units: null }
  const parcels = model.parcels.reduce((sum, { open }) => sum + Math.round(values[open]!), 0)
  return { parcels, units: unitsInModel(reduced, model.steps, values) }
}

/** Plan from the offers that come first; what those leave unmet may then be bought of any. */
function planFirst(problem: SourcingProblem, isFirst: (offer: Offer) => boolean, options: PlanOptions): SourcingPlan {
  const limits = { ...problem.limits, seconds: problem.limits.seconds / 2 }
  const among = (also: ReadonlySet<string>): SourcingProblem => ({
    ...problem,
    offers: problem.offers.filter((offer) => isFirst(offer) || offer.yields.some(({ part }) => also.has(part))),
    limits,
  })
  const first = planSourcing(among(new Set()), options)
  if (first.unmet.length === 0) return first
  const lacking = new Set(first.unmet.map(({ need }) => need))
  const parts = problem.needs
    .filter(({ id }) => lacking.has(id))
    .flatMap(({ accept }) => accept.map(({ part }) => part))
  const second = planSourcing(among(new Set(parts)), options)
  return unmetIn(second) < unmetIn(first) ? second : first
}

/** The least a limit would have to be for as much to be met as without it, the others kept. */
export interface Relaxation {
  limit: 'parcels' | 'arriveBy' | 'budget'
  from: number
  to: number
}

/**
 * What the smallest relaxation of each limit would be that meets as much as could be met without limits; empty where no
 * single one does, then `together` says what all of them would have to be.
 */
export function relaxations(
  problem: SourcingProblem,
  options: PlanOptions,
): { alone: Relaxation[]; together: Relaxation[] } {
  const { solve } = options
  const { limits } = problem
  const seconds = limits.seconds / 4
  const without = (...names: Relaxation['limit'][]): SourcingProblem => ({
    ...problem,
    limits: { ...limits, seconds, ...Object.fromEntries(names.map((name) => [name, null])) },
  })
  const least = (one: SourcingProblem) => fewestUnmet(reduceProblem(one), undefined, solve, seconds).units
  const names = (['budget', 'parcels', 'arriveBy'] as const).filter((name) => limits[name] !== null)
  const free = without(...names)
  const aim = least(free)
  const needed = (name: Relaxation['limit'], relaxed: SourcingProblem): number => {
    if (name === 'parcels') return fewestParcels(relaxed, solve, seconds).parcels
    if (name === 'budget') return leastSpent(relaxed, options)
    return soonest(relaxed, (one) => least(one) <= aim)
  }
  const relaxation = (limit: Relaxation['limit'], relaxed: SourcingProblem): Relaxation => ({
    limit,
    from: limits[limit]!,
    to: needed(limit, relaxed),
  })
  const alone = names
    .filter((name) => least(without(name)) <= aim)
    .map((name) => relaxation(name, without(name)))
    .filter(({ from, to }) => to > from)
  if (alone.length > 0) return { alone, together: [] }
  const plan = planSourcing(free, options)
  const days = new Map(problem.sellers.map(({ id, arrivesInDays }) => [id, arrivesInDays]))
  const reached = {
    parcels: plan.baskets.length,
    budget: spentIn(plan),
    arriveBy: Math.max(0, ...plan.baskets.map(({ seller }) => days.get(seller)!)),
  }
  const together = names.map((limit) => ({ limit, from: limits[limit]!, to: Math.max(limits[limit]!, reached[limit]) }))
  return { alone, together: together.filter(({ from, to }) => to > from) }
}

/** Goods, shipping and handling of a plan. */
export const spentIn = ({ baskets }: Pick<SourcingPlan, 'baskets'>): number =>
  baskets.reduce((sum, { goods, shipping, handling }) => sum + goods + shipping + handling, 0)

/** The least money a plan spends that meets as much as can be met; second choices count as good. */
function leastSpent(problem: SourcingProblem, options: PlanOptions): number {
  const needs = problem.needs.map((need) => ({
    ...need,
    accept: need.accept.map(({ part }) => ({ part, penalty: 0 })),
  }))
  return spentIn(planSourcing({ ...problem, needs, resale: [] }, options))
}

/** The fewest days within which something can be done, among those sellers take. */
function soonest(problem: SourcingProblem, can: (problem: SourcingProblem) => boolean): number {
  const days = [...new Set(problem.sellers.map(({ arrivesInDays }: Seller) => arrivesInDays))].sort((a, b) => a - b)
  let [low, high] = [0, days.length - 1]
  while (low < high) {
    const middle = (low + high) >> 1
    if (can({ ...problem, limits: { ...problem.limits, arriveBy: days[middle]! } })) high = middle
    else low = middle + 1
  }
  return days[low] ?? 0
}

/**
 * What a unit of a bought offer can rise by at the most before another plan is at least as good; null where nothing could
 * take its place. Exact where one unit is bought; of several, a plan that buys fewer may come first.
 */
export interface Sensitivity {
  offer: string
  qty: number
  rise: number | null
}

/**
 * The offers whose price change would change the plan: for the dearest lines of a plan, how much dearer each may become,
 * by planning without it.
 */
export function sensitivity(
  problem: SourcingProblem,
  plan: SourcingPlan,
  options: PlanOptions,
  most = 8,
): Sensitivity[] {
  const price = new Map(problem.offers.map((offer) => [offer.id, offer.price]))
  const lines = plan.baskets
    .flatMap(({ lines }) => lines)
    .sort((a, b) => price.get(b.offer)! * b.qty - price.get(a.offer)! * a.qty)
  return lines
    .slice(0, most)
    .map(({ offer, qty }): Sensitivity => {
      const other = planVariant(problem, { way: 'without', offer }, options)
      const rise = unmetIn(other) > unmetIn(plan) ? null : Math.max(0, (other.total - plan.total) / qty)
      return { offer, qty, rise: rise === null ? null : Math.floor(rise) }
    })
    .sort((a, b) => (a.rise ?? Infinity) - (b.rise ?? Infinity))
}

/**
 * What an offer outside a plan would have to cost for another plan with it to cost no more; null where it would stay out
 * even for nothing. It may come in sooner. Verified by planning at that price.
 */
export interface Fall {
  offer: string
  at: number | null
}

/** Halvings when the price at which an offer comes in is not where the straight line has it. */
const HALVINGS = 5

/** The offers nearest to coming in: those that bring a part the plan buys, by how little dearer they are than what it buys. */
export function comingIn(problem: SourcingProblem, plan: SourcingPlan, options: PlanOptions, most = 5): Fall[] {
  const bought = new Set(plan.baskets.flatMap(({ lines }) => lines.map(({ offer }) => offer)))
  const offers = new Map(problem.offers.map((offer) => [offer.id, offer]))
  const paid = new Map<string, number>()
  for (const id of bought) {
    const { yields, price } = offers.get(id)!
    const units = yields.reduce((sum, { qty }) => sum + qty, 0)
    for (const { part } of yields) paid.set(part, Math.min(paid.get(part) ?? Infinity, price / units))
  }
  const excess = ({ yields, price }: Offer) =>
    price - yields.reduce((sum, { part, qty }) => sum + qty * (paid.get(part) ?? 0), 0)
  return problem.offers
    .filter(
      ({ id, qty, multiple, yields }) =>
        !bought.has(id) && qty >= multiple && yields.some(({ part }) => paid.has(part)),
    )
    .sort((a, b) => excess(a) - excess(b) || (a.id < b.id ? -1 : 1))
    .slice(0, most)
    .map(({ id, price }): Fall => ({ offer: id, at: priceToComeIn(problem, plan, id, price, options) }))
}

function priceToComeIn(
  problem: SourcingProblem,
  plan: SourcingPlan,
  id: string,
  price: number,
  options: PlanOptions,
): number | null {
  const at = (lower: number) =>
    planSourcing({ ...problem, offers: problem.offers.map((o) => (o.id === id ? { ...o, price: lower } : o)) }, options)
  const unitsIn = (other: SourcingPlan) =>
    other.baskets.flatMap(({ lines }) => lines).find(({ offer }) => offer === id)?.qty ?? 0
  const isIn = (other: SourcingPlan) =>
    unitsIn(other) > 0 &&
    (unmetIn(other) < unmetIn(plan) || (unmetIn(other) === unmetIn(plan) && other.total <= plan.total))
  const free = at(0)
  if (!isIn(free)) return null
  // Where shipping does not hang on the price, its plan's total rises by as much as its units do.
  const straight = Math.min(price, Math.floor(Math.max(0, plan.total - free.total) / unitsIn(free)))
  if (isIn(at(straight))) return straight
  let [low, high] = [0, straight]
  for (let i = 0; i < HALVINGS && high - low > 1; i++) {
    const middle = (low + high) >> 1
    if (isIn(at(middle))) low = middle
    else high = middle
  }
  return low
}
