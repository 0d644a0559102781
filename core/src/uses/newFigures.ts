import { dress } from '../anatomy/index.ts'
import { earnedBy, emptyBrief, placeOf, type Place } from '../brief/index.ts'
import { mouldOf, type Catalogue, type Part, type Placement, type Slot } from '../catalogue/index.ts'
import { castBest, castingOf, NoCasting, type Casting } from '../casting/index.ts'
import { colourDifference } from '../colour/index.ts'
import { COMPANIONS_OF, goesWith, type Match } from '../parts/index.ts'
import type { HouseRules } from '../roster/index.ts'
import { waysToWear } from './usesOf.ts'

/** What new figures are made of. */
export interface LooseAsk {
  /** The part they are made around; one of it is counted as there. */
  part: Part
  catalogue: Catalogue
  /** Loose parts nobody else counts on, by code. */
  loose: Readonly<Record<string, number>>
  /** Torsos with their sleeves, and pairs of legs, that loose parts may make up. */
  assemblies: readonly Part[]
  rules: HouseRules
  /** How many figures are wanted. */
  count: number
  /** Seconds for all of them. */
  seconds: number
  /** A clock in seconds. */
  now: () => number
}

/** The same question of all that lies loose, and of what of it nobody counts on. */
export interface LooseQuestion extends Omit<LooseAsk, 'now' | 'loose'> {
  unclaimed: Readonly<Record<string, number>>
  lying: Readonly<Record<string, number>>
}

export interface NewFiguresFound {
  figures: NewFigure[]
  /** What nobody counts on makes no figure, so that these take also what outfits count on. */
  claimed: boolean
}

/** New figures of what nobody counts on; where that makes none, of all that lies loose. */
export function newFiguresAround({ unclaimed, lying, ...ask }: LooseQuestion, now: () => number): NewFiguresFound {
  const figures = newFigures({ ...ask, loose: unclaimed, now })
  if (figures.length > 0) return { figures, claimed: false }
  const others = newFigures({ ...ask, loose: lying, now })
  return { figures: others, claimed: others.length > 0 }
}

/** A figure nobody has yet, of parts that lie loose. */
export interface NewFigure {
  placements: Placement[]
  /** Why its parts go together, the weightiest first. */
  reasons: string[]
  /** Points of a hundred its parts do not hold against each other. */
  harmony: number
}

/** Places of a new figure, head first. */
const PLACES_OF: readonly Place[] = ['headgear', 'head', 'torso', 'hands', 'legs']

/** What going well with the part may earn, in milli-points, beside what parts hold against each other. */
const GOES_WITH = 6_000
/** What legs cost whose colour is far from the torso's: nothing for its own, all from this difference (CIEDE2000) on. */
const APART = { most: 5_000, far: 40 } as const

/** Candidates looked at of each place, those that go best with the part first. */
const MOST_CANDIDATES = 160

/**
 * New figures around a part, of what lies loose: head, torso, mitts, legs and something on the head, so that skins agree,
 * brows go with hair, prints run on and there are few main colours. Each is the best there is (exact, as in casting) that
 * has another torso and another head than those before it, so that they differ. None where the drawer lacks a place.
 */
export function newFigures(ask: LooseAsk): NewFigure[] {
  const { part, catalogue, rules, count, seconds, now } = ask
  const [way] = waysToWear(part, catalogue, rules.takingApart)
  if (!way) return []
  const worn = dress([], way, part, catalogue)
  const kept = new Set(worn.map(({ slot }) => placeOf(slot)))
  const matched = new Map<string, Match>()
  const candidates = candidatesFor(ask, worn, matched)
  // What is not there at all is left out where a figure can be without it.
  const has = (slot: Slot) => (candidates[slot]?.length ?? 0) > 0
  const fill = PLACES_OF.filter(
    (place) =>
      !kept.has(place) && (place === 'headgear' ? has('headgear') : place === 'hands' ? has('handRight') : true),
  )
  const figures: NewFigure[] = []
  const used = new Set<string>()
  const ends = now() + seconds
  while (figures.length < count && now() < ends) {
    const left = Object.fromEntries(
      Object.entries(candidates).map(([slot, parts]) => [slot, parts.filter(({ code }) => !used.has(code))]),
    )
    let casting: Casting
    try {
      casting = castingOf({
        ...{ brief: emptyBrief(), catalogue, worn, rules, candidates: left, fill, limit: null, priceWeight: 0 },
        ...{ free: freeFor(ask), lowest: {}, pool: 'owned' as const, avoided: new Set<string>(), keep: [...kept] },
      })
    } catch (error) {
      // Nothing is left for a place.
      if (error instanceof NoCasting) return figures
      throw error
    }
    const problem = { ...casting.problem, ...earning(casting, matched, catalogue) }
    const { casts } = castBest(problem, { count: 1, seconds: Math.max(0.05, ends - now()), now })
    const [best] = casts
    if (!best) return figures
    const parts = casting.partsOf(best.choice)
    const placements = casting.dress(best.choice)
    const own = Object.values(parts).flatMap((code) => code ?? [])
    figures.push({
      placements,
      reasons: reasonsFor(own, parts, matched, catalogue),
      harmony: Math.max(0, 100 + earnedBy([], placements, catalogue) / 1000),
    })
    // What is on the head differs too, where there is enough to choose from.
    const several = (candidates.headgear?.length ?? 0) > count
    const differs = [parts['torso'], parts['head'], several ? parts['headgear'] : null].flatMap((code) => code ?? [])
    if (differs.length === 0) return figures
    for (const code of differs) used.add(code)
  }
  return figures
}

/** From this score of `goesWith` on its first reason speaks for two parts; below, it says how far they are apart. */
const SUITS = 0.75

const speaksFor = (match: Match | undefined): string[] =>
  match && match.score >= SUITS ? match.reasons.slice(0, 1) : []

/** Why parts go together: each with the part, legs with their torso, mitts with their head. */
function reasonsFor(
  own: readonly string[],
  parts: Readonly<Record<string, string | null>>,
  matched: ReadonlyMap<string, Match>,
  catalogue: Catalogue,
): string[] {
  const partOf = (place: Place) => catalogue.parts.get(parts[place] ?? '')
  const between = (one: Part | undefined, other: Part | undefined): string[] => {
    if (!one || !other) return []
    const companions = COMPANIONS_OF[mouldOf(catalogue, one).kind] ?? []
    return companions.flatMap((companion) => speaksFor(goesWith(one, companion, [other], catalogue, 1)[0]))
  }
  return [
    ...new Set([
      ...own.flatMap((code) => speaksFor(matched.get(code))),
      ...between(partOf('torso'), partOf('legs')),
      ...between(partOf('head'), partOf('headgear')),
      ...between(partOf('head'), partOf('hands')),
    ]),
  ]
}

/** What is there of each part, the part itself among it. */
const freeFor = ({ part, loose }: LooseAsk): Record<string, number> => ({
  ...loose,
  [part.code]: Math.max(1, loose[part.code] ?? 0),
})

/** Parts by the slot they are worn in; noted in `matched` how well each goes with the part. */
function candidatesFor(
  ask: LooseAsk,
  worn: readonly Placement[],
  matched: Map<string, Match>,
): Partial<Record<Slot, Part[]>> {
  const { part, catalogue, loose, assemblies } = ask
  const taken = new Map<string, number>()
  for (const { part: code } of worn) if (code !== part.code) taken.set(code, (taken.get(code) ?? 0) + 1)
  const there = (code: string, qty = 1) => (loose[code] ?? 0) - (taken.get(code) ?? 0) >= qty
  const whole = ({ components }: Part, without: readonly Slot[]) => {
    const needs = new Map<string, number>()
    for (const { part: code, slot } of components)
      if (!without.includes(slot)) needs.set(code, (needs.get(code) ?? 0) + 1)
    return components.length > 0 && [...needs].every(([code, qty]) => there(code, qty))
  }
  const singles = Object.keys(loose).flatMap((code) => {
    const one = catalogue.parts.get(code)
    return one && one.components.length === 0 && there(code) ? [one] : []
  })
  const ofKind = (kind: string) => singles.filter((one) => mouldOf(catalogue, one).kind === kind)
  // Mitts are put on by themselves where there are two of one; a torso needs none of its own then.
  const hands = ofKind('hand').filter(({ code }) => there(code, 2))
  const without: readonly Slot[] = hands.length > 0 ? ['handRight', 'handLeft'] : []
  const bySlot: Partial<Record<Slot, Part[]>> = {
    headgear: ofKind('headgear'),
    head: ofKind('head'),
    handRight: hands,
    torso: assemblies.filter((one) => mouldOf(catalogue, one).kind === 'dressed-torso' && whole(one, without)),
    hips: assemblies.filter((one) => mouldOf(catalogue, one).kind === 'leg-pair' && whole(one, [])),
    lower: ofKind('lower'),
  }
  const companions = COMPANIONS_OF[mouldOf(catalogue, part).kind] ?? []
  for (const [slot, parts] of Object.entries(bySlot) as [Slot, Part[]][]) {
    for (const companion of companions)
      for (const match of goesWith(part, companion, parts, catalogue, parts.length)) matched.set(match.part.code, match)
    const score = ({ code }: Part) => matched.get(code)?.score ?? 0
    bySlot[slot] = [...parts]
      .sort((a, b) => score(b) - score(a) || (a.code < b.code ? -1 : 1))
      .slice(0, MOST_CANDIDATES)
  }
  return bySlot
}

/** The problem with what goes well with the part worth more, and legs drawn to the colours of their torso. */
function earning({ problem, places, partsOf }: Casting, matched: ReadonlyMap<string, Match>, catalogue: Catalogue) {
  const at = (place: Place) => places.indexOf(place)
  const [torso, legs] = [at('torso'), at('legs')]
  const hexOf = (code: string) => catalogue.colours.get(code)?.hex ?? code
  const known = new Map<string, number>()
  /** How far the main colours of two classes are apart, as a cost. */
  const apart = (a: readonly string[], b: readonly string[]): number => {
    const key = `${a.join()} ${b.join()}`
    let cost = known.get(key)
    if (cost === undefined) {
      const least = Math.min(...a.flatMap((one) => b.map((other) => colourDifference(hexOf(one), hexOf(other)))))
      cost = Number.isFinite(least) ? Math.round(APART.most * Math.min(1, least / APART.far)) : 0
      known.set(key, cost)
    }
    return cost
  }
  const codeOf = (slot: number, index: number) =>
    Object.values(partsOf(problem.slots.map((_, i) => (i === slot ? index : 0))))[slot] ?? ''
  return {
    slots: problem.slots.map((slot, i) => ({
      ...slot,
      candidates: slot.candidates.map((candidate, index) => ({
        ...candidate,
        value: candidate.value + Math.round(GOES_WITH * (matched.get(codeOf(i, index))?.score ?? 0)),
      })),
    })),
    penalty: (i: number, a: number, j: number, b: number) =>
      problem.penalty(i, a, j, b) +
      ((i === torso && j === legs) || (i === legs && j === torso)
        ? apart(problem.marks(i, a), problem.marks(j, b))
        : 0),
  }
}
