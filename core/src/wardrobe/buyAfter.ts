import { planSourcing } from '../sourcing/index.ts'
import { buyingOf } from './buying.ts'
import { castFirst } from './castFirst.ts'
import type { RosterOptions } from './planRoster.ts'
import { settleRoster, type SettledRoster } from './settleRoster.ts'
import { supplyOf } from './supply.ts'
import type { RosterProblem } from './types.ts'
import { Wardrobe } from './wardrobe.ts'

/**
 * What some choices come to, bought by `planSourcing` within the limits; null where not all of it can be bought. The choices
 * are candidates by slot of each outfit, what is worn now, say; without any they are those of `castFirst`: every outfit cast
 * by itself, which a plan of both together is compared with.
 */
export function buyAfter(
  problem: RosterProblem,
  { solve, now, stopRequested }: Pick<RosterOptions, 'solve' | 'now' | 'stopRequested'>,
  given?: readonly Readonly<Record<string, string>>[],
): SettledRoster | null {
  const choices = given ?? alone(problem)
  const parts = problem.outfits.flatMap(({ slots }, i) =>
    slots.flatMap(({ id, candidates }) => candidates.find((one) => one.id === choices[i]![id])?.parts ?? [null]),
  )
  // What is worn may be no candidate.
  if (parts.includes(null)) return null
  const bought = planSourcing(buyingOf(problem, parts as { part: string; qty: number }[]), {
    solve,
    now,
    ...(stopRequested ? { stopRequested } : {}),
  })
  if (bought.status === 'impossible' || bought.unmet.length > 0) return null
  return settleRoster(
    problem,
    choices,
    new Map(bought.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty]))),
  )
}

/** Every outfit cast by itself, as candidates by slot. */
function alone(problem: RosterProblem): Record<string, string>[] {
  const wardrobe = new Wardrobe(problem, supplyOf(problem), () => false)
  const first = castFirst(wardrobe)
  return problem.outfits.map(({ slots }, i) =>
    Object.fromEntries(slots.map(({ id, candidates }, s) => [id, candidates[first[wardrobe.placesOf[i]![s]!]!]!.id])),
  )
}
