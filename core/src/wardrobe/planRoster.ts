import type { MilpOptions, SolveMilp } from '../solver/index.ts'
import { OPTIMAL_GAP, type SourcingProblem } from '../sourcing/index.ts'
import { castFirst } from './castFirst.ts'
import { impossibleIn, type Impossible } from './impossibleRoster.ts'
import { rosterBound, type RosterBound } from './rosterBound.ts'
import { rosterModel } from './rosterModel.ts'
import { RosterSearch } from './searchRoster.ts'
import { settleRoster, type SettledRoster } from './settleRoster.ts'
import { supplyOf } from './supply.ts'
import type { RosterPlan, RosterProblem } from './types.ts'
import { Wardrobe, type Standing } from './wardrobe.ts'

export interface RosterOptions {
  solve: SolveMilp
  /** Seconds since some fixed moment; the core has no clock of its own. */
  now: () => number
  onProgress?: MilpOptions['onProgress']
  /** Whether who waits takes the best so far. */
  stopRequested?: () => boolean
}

/** A plan that keeps everything. */
interface Candidate {
  choices: Int32Array
  units: Map<string, number>
  settled: SettledRoster
}

/** Kept back of the seconds, since the solver looks at the clock only now and then. */
const MARGIN = 0.06
/** Rounds for the prices, and the most of the seconds they get with the plans begun from them. */
const ROUNDS = 400
const PRICING = 0.35
/** Rounds between two plans begun from what everybody would wear; fewer where there are few places. */
const EVERY = 4
const PLACES_A_ROUND = 16
/** Shares of the seconds of each turn of search, and the most for mixing plans after it. */
const TURNS = [0.12, 0.12, 0.12, 0.12]
const MIXING = 0.1
/** Plans that are mixed, and choices of a place that are mixed in besides, the most promising. */
const MIXED = 8
const MIXED_IN = 3
/** Choices and offers up to which all that can be in a better plan goes to the exact solver. */
const WHOLE_MODEL = 3000

/**
 * Decide what everybody wears and where it is bought, together: the least spending and missed likeness (`worth`), where
 * every part of every choice is owned or bought and all limits are kept.
 *
 * Prices on parts (`rosterBound`) give a bound, leave out what is in no better plan, and say what everybody would wear at
 * them, which is where the search (`RosterSearch`) begins. In turns with it the exact solver finds the best mix of the best
 * plans; where little is left, it proves the optimum.
 */
export function planRoster(problem: RosterProblem, options: RosterOptions): RosterPlan {
  const { solve, now, onProgress, stopRequested = () => false } = options
  const start = now()
  const seconds = problem.limits.seconds * (1 - MARGIN)
  const left = () => Math.max(0, seconds - (now() - start))
  const late = () => left() <= 0 || stopRequested()
  const supply = supplyOf(problem)
  const wardrobe = new Wardrobe(problem, supply, late)
  const known = impossibleIn(wardrobe)
  if (known) return nothing(problem, known, now() - start)

  let best: Candidate | undefined
  let bound = -Infinity
  const tell = () => onProgress?.({ best: best?.settled.value ?? null, bound: bound > -Infinity ? bound : null })
  const value = () => best?.settled.value ?? Infinity
  const offer = (choices: ArrayLike<number>, units: Map<string, number>) => {
    const settled = settleRoster(problem, namesOf(wardrobe, choices), units)
    if (settled.faults.length > 0 || settled.value >= value()) return
    best = { choices: Int32Array.from(choices), units, settled }
    tell()
  }
  const search = new RosterSearch(wardrobe, late)
  /** What the search found since it was asked last. */
  const offered = new Set<Standing>()
  const collect = () => {
    const at = wardrobe.standing()
    for (const plan of search.best()) {
      if (offered.has(plan) || plan.cost >= value()) continue
      offered.add(plan)
      wardrobe.restore(plan)
      offer(plan.choice, wardrobe.ledger.units())
    }
    wardrobe.restore(at)
  }
  search.begin(castFirst(wardrobe))
  collect()

  const every = Math.max(EVERY, Math.round(wardrobe.places.length / PLACES_A_ROUND))
  const priced = rosterBound(wardrobe, {
    upper: Math.min(value(), search.best()[0]?.cost ?? Infinity),
    rounds: ROUNDS,
    late: () => late() || now() - start > seconds * PRICING,
    onRound: (round, choices) => {
      if (round % every !== every - 1) return
      search.begin(choices.slice())
      collect()
    },
  })
  bound = Math.ceil(priced.bound - 1e-4)
  tell()
  const within = () => narrowed(wardrobe, supply, priced, value())

  const mix = () => {
    const plans = search.best().slice(0, MIXED)
    const allowed = wardrobe.places.map((_, place) => [
      ...new Set([
        ...plans.map(({ choice }) => choice[place]!),
        ...(best ? [best.choices[place]!] : []),
        ...[...wardrobe.allowed[place]!]
          .sort((a, b) => priced.rises[place]![a]! - priced.rises[place]![b]!)
          .slice(0, MIXED_IN),
      ]),
    ])
    const sellers = new Set(plans.flatMap((plan) => sellersOf(wardrobe, plan)))
    run(allowed, (seller) => sellers.has(seller), Math.min(left(), seconds * MIXING))
  }
  /** Solve the model of some choices and sellers; whether all of it was settled. */
  const run = (
    allowed: readonly (readonly number[])[],
    from: (seller: string) => boolean,
    most: number,
    prove = false,
  ) => {
    if (most < 0.05) return
    const parts = new Set(
      allowed.flatMap((choices, place) =>
        choices.flatMap((c) => [...wardrobe.places[place]!.choices[c]!.needs].map((need) => supply.needs[need]!.id)),
      ),
    )
    const some: SourcingProblem = {
      ...supply,
      needs: supply.needs.filter(({ id }) => parts.has(id)),
      offers: supply.offers.filter(
        ({ seller, yields }) => from(seller) && (prove || yields.some(({ part }) => parts.has(part))),
      ),
      sellers: supply.sellers.filter(({ id }) => from(id)),
    }
    const model = rosterModel(wardrobe, some, allowed)
    const point = best && model.pointOf(best.choices, best.units)
    const outcome = solve(model.milp, {
      seconds: most,
      gap: OPTIMAL_GAP / 2,
      stop: stopRequested,
      ...(point ? { start: point } : {}),
      ...(prove
        ? {
            onProgress: ({ bound: proven }) => {
              bound = Math.max(bound, Math.min(proven ?? -Infinity, value()))
              tell()
            },
          }
        : {}),
    })
    if (outcome.values) {
      offer(model.choicesOf(outcome.values), model.unitsOf(outcome.values))
      search.adopt(model.choicesOf(outcome.values))
      collect()
    }
    // What is left out is in no plan better than the best known, which the value never exceeds.
    if (prove) bound = Math.max(bound, Math.min(value(), Math.ceil(outcome.bound - 1e-4)))
  }

  const small = () => {
    const { allowed, sellers } = within()
    const offers = supply.offers.filter(({ seller }) => sellers.has(seller)).length
    return allowed.reduce((sum, own) => sum + own.length, offers) <= WHOLE_MODEL
  }
  for (const share of TURNS) {
    if (late() || bound >= value()) break
    wardrobe.allowed = within().allowed
    if (small()) break
    const from = now()
    search.run(() => 1 - (now() - from) / (seconds * share))
    collect()
    if (!late()) mix()
  }
  if (!late() && bound < value() && small()) {
    const { allowed, sellers } = within()
    run(allowed, (seller) => sellers.has(seller), left(), true)
  }
  if (!late() && bound < value()) {
    const from = now()
    const rest = left()
    search.run(() => 1 - (now() - from) / rest)
    collect()
  }
  if (!best) return nothing(problem, notFound(problem), now() - start)
  return published(problem, best.settled, bound, now() - start)
}

/** Choices by their ids, for each outfit. */
function namesOf({ problem, placesOf }: Wardrobe, choices: ArrayLike<number>): Record<string, string>[] {
  return problem.outfits.map(({ slots }, i) =>
    Object.fromEntries(slots.map(({ id, candidates }, s) => [id, candidates[choices[placesOf[i]![s]!]!]!.id])),
  )
}

/** Ids of the sellers a plan buys from. */
function sellersOf(wardrobe: Wardrobe, { fill }: Standing): string[] {
  const { ledger, supply } = wardrobe
  const found = new Set<number>()
  for (const ways of ledger.ways) for (const { at, seller } of ways) if (fill[at]! > 0) found.add(seller)
  return [...found].flatMap((seller) => supply.sellers[seller]?.id ?? [])
}

/** Choices and sellers that can be in a plan better than one of a value. */
function narrowed(wardrobe: Wardrobe, supply: SourcingProblem, priced: RosterBound, value: number) {
  // Values are whole, so a better plan saves one unit of money at the least.
  const within = (bound: number) => bound <= value - 1 + 1e-6
  return {
    allowed: wardrobe.places.map(({ choices }, place) => {
      const own = [...choices.keys()].filter((choice) => within(priced.withChoice[place]![choice]!))
      // Where nothing can be better the best known is the optimum; the solver is shown all the same.
      return own.length > 0 ? own : [...choices.keys()]
    }),
    sellers: new Set(supply.sellers.flatMap(({ id }, s) => (within(priced.withSeller[s]!) ? [id] : []))),
  }
}

function published(problem: RosterProblem, settled: SettledRoster, bound: number, seconds: number): RosterPlan {
  const { value, spending, outfits, baskets, surplus } = settled
  const whole = Math.min(value, bound)
  const gap = value === whole ? 0 : value === 0 ? 1 : Math.abs((value - whole) / value)
  return {
    format: 'outfit.roster-plan',
    version: 1,
    status: gap <= OPTIMAL_GAP ? 'optimal' : gap <= problem.limits.gap ? 'within-gap' : 'time-limit',
    value,
    bound: whole,
    gap: Math.round(gap * 1e6) / 1e6,
    seconds: Math.round(seconds * 1000) / 1000,
    spending,
    outfits,
    baskets,
    surplus,
  }
}

function nothing(_: RosterProblem, impossible: Impossible, seconds: number): RosterPlan {
  return {
    format: 'outfit.roster-plan',
    version: 1,
    status: 'impossible',
    value: 0,
    bound: 0,
    gap: 0,
    seconds: Math.round(seconds * 1000) / 1000,
    spending: 0,
    outfits: [],
    baskets: [],
    surplus: [],
    ...impossible,
  }
}

function notFound({ limits }: RosterProblem): Impossible {
  const limit = limits.budget !== null ? 'budget' : limits.parcels !== null ? 'parcels' : undefined
  return {
    why: `no plan that keeps every limit was found in ${limits.seconds} seconds; whether there is one is not proven`,
    ...(limit ? { limit } : {}),
  }
}
