import { likenessOf, placeOf, PLACES, WHOLE, type Place } from '../brief/index.ts'
import type { Catalogue, Placement } from '../catalogue/index.ts'
import { wornAlike } from '../roster/index.ts'
import type { SourcingPlan, SourcingProblem } from '../sourcing/index.ts'
import { buyingOf } from './buying.ts'
import type { CastMember, MembersAsk } from './castMembers.ts'
import type { CastCompared, CastFigure, CastPlan, CastReport } from './contract.ts'
import { dressedAs } from './problemOfMembers.ts'
import type { RosterPlan, RosterProblem } from './types.ts'
import { comesFrom, gaveUpIn } from './whoGetsWhat.ts'

/** What members wear now and how like their briefs they are. */
export function likenessNow({ members, catalogue }: MembersAsk, cast: readonly CastMember[]): CastReport['now'] {
  return cast.map(({ outfit, name }) => {
    const { now, brief } = members.find((one) => one.outfit === outfit)!
    return { outfit, name, placements: [...now], likeness: likenessOf(now, brief, catalogue).milli }
  })
}

/** What is to be bought when nobody changes, whatever that takes in parcels, days and money. */
export function buyingAsTheyAre(
  problem: RosterProblem,
  { members }: MembersAsk,
  cast: readonly CastMember[],
  seconds: number,
): SourcingProblem {
  const parts = cast.flatMap(({ outfit }) => {
    const { now, elsewhere } = members.find((one) => one.outfit === outfit)!
    return now.flatMap(({ part }) => (elsewhere.includes(part) ? [] : [{ part, qty: 1 }]))
  })
  return buyingOf(problem, parts, { ...problem.limits, seconds, parcels: null, arriveBy: null, budget: null })
}

/** What that comes to. */
export const comparedAsTheyAre = (plan: SourcingPlan, now: CastReport['now']): CastCompared => ({
  spending: plan.total,
  likeness: sumOf(now.map(({ likeness }) => likeness)),
  unmet: sumOf(plan.unmet.map(({ qty }) => qty)),
})

/** What casting one by one and buying afterwards comes to, with likeness as it is of what would be worn. */
export const comparedCastFirst = (
  { spending, outfits }: Pick<RosterPlan, 'spending' | 'outfits'>,
  { members, catalogue }: MembersAsk,
  cast: readonly CastMember[],
): CastCompared => ({
  spending,
  likeness: sumOf(
    outfits.map(({ id, choices }) => {
      const { brief } = members.find((one) => one.outfit === id)!
      return likenessOf(
        dressedAs(
          cast.find((one) => one.outfit === id)!,
          choices,
        ),
        brief,
        catalogue,
      ).milli
    }),
  ),
  unmet: 0,
})

/** What a plan comes to, to be compared with other ways. */
export const comparedOf = ({ spending, figures }: CastPlan): CastCompared => ({
  spending,
  likeness: sumOf(figures.map(({ likeness }) => likeness)),
  unmet: 0,
})

/** What is spent and what missing likeness is worth, together: what casting makes least of. */
export const allInAll = ({ spending, likeness }: CastCompared, outfits: number, worth: number): number =>
  Math.round(spending + ((outfits * WHOLE - likeness) * worth) / 1000)

/** Plans none of the others beats in both money and likeness, the cheapest first. O(n log n). */
export function worthwhile(plans: readonly CastPlan[]): CastPlan[] {
  let most = -Infinity
  return plans
    .map((plan) => ({ plan, ...comparedOf(plan) }))
    .sort((a, b) => a.spending - b.spending || b.likeness - a.likeness)
    .flatMap(({ plan, likeness }) => {
      if (likeness <= most) return []
      most = likeness
      return [plan]
    })
}

/** A plan as it is shown: who wears what, where it comes from, and what everybody gave up. */
export function castPlanOf({
  members,
  asked,
  problem,
  plan,
  catalogue,
  sellers,
}: {
  members: readonly CastMember[]
  asked: MembersAsk
  problem: RosterProblem
  plan: RosterPlan
  catalogue: Catalogue
  /** Names of sellers by id. */
  sellers: ReadonlyMap<string, string>
}): CastPlan {
  const { status, value, bound, spending, seconds, limit, outfit, would, why, baskets } = plan
  const come = comesFrom(problem, plan)
  const gaveUp = gaveUpIn(problem, plan)
  const figures = plan.outfits.map(({ id, choices }): CastFigure => {
    const member = members.find((one) => one.outfit === id)!
    const placements = dressedAs(member, choices)
    const { brief, now } = asked.members.find((one) => one.outfit === id)!
    const { milli, missed } = likenessOf(placements, brief, catalogue)
    const places = new Map<Place, CastFigure['slots'][number]>()
    for (const { place } of member.slots) places.set(place, { place, placements: at(place, placements) })
    return {
      outfit: id,
      placements,
      likeness: milli,
      missed: missed.length,
      without: member.without,
      unmet: member.givenUnmet,
      changed: PLACES.filter((place) => !wornAlike(at(place, now), at(place, placements))),
      slots: [...places.values()],
      come: come.get(id)!,
      gaveUp: gaveUp.get(id)!.map(({ slot, candidate, points, holders }) => {
        const of = member.slots.find((one) => one.id === slot)!
        const { placements: instead } = of.candidates.find((one) => one.id === candidate)!
        return { place: of.place, placements: instead, points, holders }
      }),
    }
  })
  return {
    status,
    value,
    bound,
    spending,
    seconds,
    worth: problem.worth,
    ...(limit === undefined ? {} : { limit }),
    ...(outfit === undefined ? {} : { outfit }),
    ...(would === undefined ? {} : { would }),
    ...(why === undefined ? {} : { why }),
    figures,
    parcels: baskets.map(({ seller, goods, shipping, handling, lines }) => ({
      seller,
      name: sellers.get(seller) ?? seller,
      cost: goods + shipping + handling,
      lines: lines.length,
    })),
    goods: sumOf(baskets.map((one) => one.goods)),
    sending: sumOf(baskets.map((one) => one.shipping + one.handling)),
  }
}

const at = (place: Place, placements: readonly Placement[]) => placements.filter(({ slot }) => placeOf(slot) === place)

const sumOf = (list: readonly number[]) => list.reduce((total, one) => total + one, 0)
