import type { Placement } from '../catalogue/index.ts'
import { putOnto } from '../casting/index.ts'
import type { SourcingProblem } from '../sourcing/index.ts'
import type { CastMember } from './castMembers.ts'
import type { RosterPlan, RosterProblem } from './types.ts'

/** The slot of what is worn whatever is chosen; no place is called so. */
const GIVEN = 'as worn'

export interface ProblemOfMembers {
  supply: Pick<SourcingProblem, 'currency' | 'owned' | 'sellers' | 'offers' | 'resale'>
  worth: number
  /** The least likeness of everybody, in milli-points. */
  floor: number
  limits: RosterProblem['limits']
}

/** The roster problem of some members: what stays as worn is a slot with one candidate. */
export function problemOfMembers(
  members: readonly CastMember[],
  { supply, worth, floor, limits }: ProblemOfMembers,
): RosterProblem {
  const { currency, owned, sellers, offers, resale } = supply
  return {
    format: 'outfit.roster-problem',
    version: 1,
    currency,
    owned,
    sellers,
    offers,
    resale,
    worth,
    outfits: members.map(({ outfit, givenParts, givenScore, givenFace, slots, pairs }) => ({
      id: outfit,
      floor,
      slots: [
        ...slots.map(({ id, candidates }) => ({
          id,
          candidates: candidates.map(({ placements: _, ...candidate }) => candidate),
        })),
        { id: GIVEN, candidates: [{ id: GIVEN, parts: givenParts, score: givenScore, face: givenFace }] },
      ],
      pairs,
    })),
    limits,
  }
}

/** The choices of what members wear now. */
export const choicesWorn = (members: readonly CastMember[]): Record<string, string>[] =>
  members.map(({ slots }) => Object.fromEntries([...slots.map(({ id, worn }) => [id, worn]), [GIVEN, GIVEN]]))

/** What a member wears in the choices of a plan. */
export function dressedAs(
  { given, slots }: CastMember,
  choices: RosterPlan['outfits'][number]['choices'],
): Placement[] {
  return slots.reduce<Placement[]>(
    (worn, { id, candidates }) => putOnto(worn, candidates.find((one) => one.id === choices[id])!.placements),
    [...given],
  )
}
