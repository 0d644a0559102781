import { likenessOf, placeOf, type Place } from '../brief/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import type { CastMember, MembersAsk } from './castMembers.ts'
import type { CastFigure, CastPlan, CastReport } from './contract.ts'
import { dressedAs } from './problemOfMembers.ts'
import type { RosterPlan, RosterProblem } from './types.ts'
import { comesFrom, gaveUpIn } from './whoGetsWhat.ts'

/** What members wear now and how like their briefs they are. */
export function likenessNow({ members, catalogue }: MembersAsk, cast: readonly CastMember[]): CastReport['now'] {
  return cast.map(({ outfit, name }) => {
    const { worn, brief } = members.find((one) => one.outfit === outfit)!
    return { outfit, name, placements: [...worn], likeness: likenessOf(worn, brief, catalogue).milli }
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
    const { milli, missed } = likenessOf(placements, asked.members.find((one) => one.outfit === id)!.brief, catalogue)
    const places = new Map<Place, CastFigure['slots'][number]>()
    for (const { place } of member.slots)
      places.set(place, { place, placements: placements.filter(({ slot }) => placeOf(slot) === place) })
    return {
      outfit: id,
      placements,
      likeness: milli,
      missed: missed.length,
      slots: [...places.values()],
      come: come.get(id)!,
      gaveUp: gaveUp.get(id)!.map(({ slot, candidate, points, holders }) => {
        const of = member.slots.find((one) => one.id === slot)!
        const { placements: instead } = of.candidates.find((one) => one.id === candidate)!
        return { place: of.place, placements: instead, points, holders }
      }),
    }
  })
  const sum = (list: readonly number[]) => list.reduce((total, one) => total + one, 0)
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
    goods: sum(baskets.map((one) => one.goods)),
    sending: sum(baskets.map((one) => one.shipping + one.handling)),
  }
}
