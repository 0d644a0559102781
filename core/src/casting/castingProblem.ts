import { takeOff, wear } from '../anatomy/index.ts'
import {
  DEDUCTIONS,
  deductionsBetween,
  earnedBy,
  type Facts,
  factsOf,
  type Judge,
  judgesByPlace,
  judgesOf,
  likenessBy,
  likenessOfPart,
  lookAt,
  MAIN_COLOURS,
  MET,
  NO_FACTS,
  type Place,
  placeOf,
  PLACE_FACTS,
  PLACES,
} from '../brief/index.ts'
import { isWhole, mouldOf, TAKING_APART, type Part, type Placement, type Slot } from '../catalogue/index.ts'
import { NoCasting, type CastingAsk } from './ask.ts'
import type { CastCandidate, CastProblem, CastSlot } from './problem.ts'

/** A casting's slot: what may be worn at a place, and the wishes its piece has to show. */
interface Role {
  key: string
  place: Place
  /** Slot the piece is put into; legs and skirts share one role. */
  slots: readonly Slot[]
  judges: readonly Judge[]
  /** A place that may stay empty. */
  optional: boolean
}

/** A candidate with what it puts on: a part, nothing, or what is worn there now. */
interface Option {
  part: Part | null
  turned: boolean
  placements: Placement[]
  worn?: true
}

/** A casting as a problem of numbers, and the way back from a choice to an outfit. */
export interface Casting {
  problem: CastProblem
  /** The outfit of a choice: one candidate a role. */
  dress: (choice: readonly number[]) => Placement[]
  /** Code of the part a choice wears in each role, by the role's key; null for nothing. */
  partsOf: (choice: readonly number[]) => Record<string, string | null>
  /** What is worn whatever is chosen. */
  given: Placement[]
  /** Milli-points that earns, less what it holds against itself; with values and penalties of a choice its likeness. */
  givenValue: number
  /** The place of each slot. */
  places: readonly Place[]
  /** What each candidate of each slot puts on; nothing where the slot stays empty. */
  wears: readonly (readonly (readonly Placement[])[])[]
}

/** Places without which it is no figure. */
export const BODY: readonly Place[] = ['head', 'torso', 'legs']

/** Places that may stay empty. */
const OPTIONAL: readonly Place[] = ['face', 'neck', 'wrists', 'waist', 'feet', 'held', 'beside']

/** Traits that say what a piece is, so that each such wish asks for a piece of its own where several can be worn. */
const WHAT: readonly string[] = ['item', 'companion', 'shape']
const SEVERAL: Readonly<Partial<Record<Place, readonly Slot[]>>> = {
  held: ['heldRight', 'heldLeft'],
  neck: ['neck', 'neck', 'neck'],
  beside: ['beside', 'beside'],
}

const SLOTS_OF: Readonly<Partial<Record<Place, readonly Slot[]>>> = {
  torso: ['torso'],
  hands: ['handRight'],
  wrists: ['wristRight'],
  legs: ['hips', 'lower'],
}

/**
 * Make a casting of a brief: a role for each place with wishes, for the legs, and for the mitts of a head that is cast
 * (unless the house rules leave assemblies whole). Throws NoCasting where a must cannot be met, naming the wish.
 * O(candidates × wishes there).
 */
export function castingOf(ask: CastingAsk): Casting {
  const roles = rolesOf(ask)
  if (roles.length === 0) throw new NoCasting('The brief wishes for nothing yet. Say what the outfit must show first.')
  const cast = new Set(roles.flatMap(({ place }) => PLACE_FACTS[place].slots))
  if (roles.some(({ place }) => place === 'legs')) cast.add('hips')
  const assembled = roles.some(({ place }) => place === 'torso')
  if (assembled) for (const slot of ['armRight', 'armLeft', 'handRight', 'handLeft'] as const) cast.add(slot)
  const given = ask.worn.filter(({ slot }) => !cast.has(slot))
  const handsApart = roles.some(({ place }) => place === 'hands')
  const facts = factsOf(given, ask.catalogue)
  const classes = new Classes(ask, facts)
  const options = roles.map((role, i) => [
    ...optionsOf(role, ask, handsApart),
    ...(ask.offerWorn ? wornOption(roles, i, handsApart, ask) : []),
  ])
  const slots: CastSlot[] = roles.map((role, i) => ({
    key: PLACE_FACTS[role.place].label.toLowerCase(),
    candidates: candidatesOf(role, options[i]!, ask, classes, handsApart),
  }))
  for (const [i, { candidates, key }] of slots.entries())
    if (candidates.length === 0) {
      const { place, judges } = roles[i]!
      throw new NoCasting(nothingFor(roles[i]!, key, ask), {
        place,
        must: judges.some(({ wish }) => wish.weight === 'must'),
      })
    }
  // Candidates that fell out are gone from the options too.
  const left = slots.map(({ candidates }, i) => {
    const byId = new Map(options[i]!.map((option) => [idOf(option), option]))
    return candidates.map(({ id }) => byId.get(id)!)
  })
  return {
    problem: {
      slots,
      penalty: (_i, a, _j, b) => classes.between(a, b),
      marks: (_i, cls) => classes.facts(cls).mains,
      givenMarks: facts.mains,
      mostMarks: MAIN_COLOURS,
      markPenalty: DEDUCTIONS.mains,
      things: thingsOf(left, ask),
      priceWeight: Math.round(ask.priceWeight * 10),
      limit: ask.limit,
    },
    dress: (choice) =>
      choice.reduce<Placement[]>((worn, index, i) => putOnto(worn, left[i]![index]!.placements), [...given]),
    partsOf: (choice) =>
      Object.fromEntries(choice.map((index, i) => [roles[i]!.key, left[i]![index]!.part?.code ?? null])),
    given,
    givenValue: valueOfGiven(given, roles, ask),
    places: roles.map(({ place }) => place),
    wears: left.map((own) => own.map(({ placements }) => placements)),
  }
}

/** What wishes no role shows earn by what is worn anyway, less what that holds against itself. */
function valueOfGiven(given: readonly Placement[], roles: readonly Role[], { brief, catalogue }: CastingAsk): number {
  const key = ({ wish: { place, trait, target } }: Judge) => `${place} ${trait} ${target}`
  const cast = new Set(roles.flatMap(({ judges }) => judges.map(key)))
  return earnedBy(
    judgesOf(brief, catalogue).filter((judge) => !cast.has(key(judge))),
    given,
    catalogue,
  )
}

/** The id of what is worn now as a candidate. */
export const AS_WORN = 'as worn'

const idOf = ({ part, turned, worn }: Option) =>
  worn ? AS_WORN : `${part?.code ?? 'nothing'}${turned ? ' turned' : ''}`

/** Placements with others put on: slots of one part are replaced, stacks grow. */
export function putOnto(worn: readonly Placement[], added: readonly Placement[]): Placement[] {
  const stacked = (slot: Slot) => slot === 'neck' || slot === 'beside'
  const replaced = new Set(added.filter(({ slot }) => !stacked(slot)).map(({ slot }) => slot))
  const kept = worn.filter(({ slot }) => !replaced.has(slot))
  return [
    ...kept,
    ...added.map((placement) => ({
      ...placement,
      order: stacked(placement.slot) ? kept.filter(({ slot }) => slot === placement.slot).length : placement.order,
    })),
  ]
}

function rolesOf({ brief, catalogue, keep, rules, worn, fill = [] }: CastingAsk): Role[] {
  const byPlace = judgesByPlace(judgesOf(brief, catalogue))
  const wished = PLACES.filter((place) => !keep.includes(place) && byPlace.has(place))
  // Mitts are cast by themselves where things are taken apart as far as that.
  const exchange = rules.takingApart >= TAKING_APART.handRight!
  const places = PLACES.filter(
    (place) =>
      wished.includes(place) ||
      (fill.includes(place) && !keep.includes(place) && !worn.some(({ slot }) => placeOf(slot) === place)) ||
      (place === 'torso' && !keep.includes('torso') && wished.includes('arms')) ||
      (place === 'hands' &&
        exchange &&
        !keep.includes('hands') &&
        (wished.includes('head') || wished.includes('torso'))),
    // Sleeves come with their torso.
  ).filter((place) => place !== 'arms' && (place !== 'hands' || exchange))
  return places.flatMap((place): Role[] => {
    const judges = byPlace.get(place) ?? []
    const slots = SLOTS_OF[place] ?? PLACE_FACTS[place].slots.slice(0, 1)
    const role = { key: place, place, slots, judges, optional: OPTIONAL.includes(place) }
    if (place === 'torso') {
      // Sleeves, and mitts that stay with them, come with the torso.
      const along = [...(byPlace.get('arms') ?? []), ...(exchange ? [] : (byPlace.get('hands') ?? []))]
      return [{ ...role, judges: [...judges, ...along] }]
    }
    const several = SEVERAL[place]
    if (!several) return [role]
    return shared(judges, several.length).map((own, i) => ({
      ...role,
      key: i === 0 ? place : `${place} ${i + 1}`,
      slots: [several[i]!],
      judges: own,
    }))
  })
}

/** Wishes for a place of several pieces, piece by piece: each that says what it is begins another. */
function shared(judges: readonly Judge[], most: number): Judge[][] {
  const pieces: Judge[][] = []
  for (const judge of judges) {
    const last = pieces.at(-1)
    const saysWhat = WHAT.includes(judge.trait.key)
    if (!last || (saysWhat && pieces.length < most && last.some(({ trait }) => WHAT.includes(trait.key))))
      pieces.push([judge])
    else last.push(judge)
  }
  return pieces
}

function optionsOf(role: Role, ask: CastingAsk, handsApart: boolean): Option[] {
  const { catalogue, candidates, brief, rules, avoided } = ask
  const options: Option[] = role.optional ? [{ part: null, turned: false, placements: [] }] : []
  const others = rules.byOthers && !brief.avoid.byOthers
  const joined = new Set(
    (candidates[role.slots[0]!] ?? []).flatMap(({ components }) => components.map(({ part: code }) => code)),
  )
  for (const slot of role.slots)
    for (const part of candidates[slot] ?? []) {
      const assembly = isWhole(part, catalogue)
      // A torso is laid with its sleeves; one that nothing is known to come on is worn with those there are.
      if (role.place === 'torso' ? joined.has(part.code) : slot === 'hips' ? !assembly : assembly) continue
      if (avoided.has(part.code) || (!others && mouldOf(catalogue, part).traits['maker'] === 'other')) continue
      // Bare mitts where nobody wished for anything on the hands: gloves are for those who ask.
      if (
        role.place === 'hands' &&
        role.judges.length === 0 &&
        lookAt(part, false, catalogue).colour?.family !== 'skin'
      )
        continue
      const sides: readonly Slot[] =
        slot === 'handRight' ? ['handRight', 'handLeft'] : slot === 'wristRight' ? ['wristRight', 'wristLeft'] : [slot]
      let placements = sides.reduce<Placement[]>((list, side) => wear(list, side, part, catalogue), [])
      if (role.place === 'torso' && !assembly) placements = [...placements, ...sleevesWorn(ask, handsApart)]
      else if (role.place === 'torso' && handsApart) placements = takeOff(takeOff(placements, 'handRight'), 'handLeft')
      options.push({ part, turned: false, placements })
      if (role.place === 'head' && (catalogue.prints.get(part.print ?? '')?.back.length ?? 0) > 0)
        options.push({ part, turned: true, placements: placements.map((p) => ({ ...p, turned: true })) })
    }
  return options
}

/** Sleeves that are worn now, and the mitts on them unless these are cast by themselves. */
const sleevesWorn = ({ worn }: CastingAsk, handsApart: boolean): Placement[] =>
  worn.filter(({ slot }) => placeOf(slot) === 'arms' || (!handsApart && placeOf(slot) === 'hands'))

/** What is worn now where a role puts its piece on; none where that is nothing, or may not be worn. */
function wornOption(roles: readonly Role[], i: number, handsApart: boolean, ask: CastingAsk): Option[] {
  const { catalogue, avoided, brief, rules } = ask
  const { place, slots: into } = roles[i]!
  const there = [
    ...ask.worn.filter(({ slot }) => placeOf(slot) === place),
    ...(place === 'torso' ? sleevesWorn(ask, handsApart) : []),
  ]
  const alike = roles.filter((role) => role.place === place)
  const nth = alike.indexOf(roles[i]!)
  // Of several pieces each role has its own, the last one all that are left.
  const placements =
    alike.length === 1
      ? there
      : new Set(alike.flatMap(({ slots }) => slots)).size > 1
        ? there.filter(({ slot }) => into.includes(slot))
        : there.slice(nth, nth === alike.length - 1 ? undefined : nth + 1)
  const others = rules.byOthers && !brief.avoid.byOthers
  const may = placements.every(({ part: code }) => {
    const part = catalogue.parts.get(code)
    return part && !avoided.has(code) && (others || mouldOf(catalogue, part).traits['maker'] !== 'other')
  })
  return placements.length > 0 && may ? [{ part: null, turned: false, placements, worn: true }] : []
}

function candidatesOf(
  role: Role,
  options: readonly Option[],
  ask: CastingAsk,
  classes: Classes,
  handsApart: boolean,
): CastCandidate[] {
  const { catalogue, brief } = ask
  const byPlace = judgesByPlace(role.judges)
  return options.flatMap((option): CastCandidate[] => {
    const { part, turned, placements, worn } = option
    const asWorn = worn || (role.place === 'torso' && part !== null && !isWhole(part, ask.catalogue))
    const terms = asWorn
      ? likenessBy(role.judges, placements, catalogue).terms
      : part
        ? likenessOfPart(part, role.place, byPlace, catalogue, turned).terms
        : role.judges.map((judge) => ({
            wish: judge.wish,
            score: judge.score(null),
            milli: Math.round(judge.most * judge.score(null)),
          }))
    if (terms.some(({ wish, score }) => wish.weight === 'must' && score < MET)) return []
    const needs = new Map<string, number>()
    for (const { part: code } of placements) needs.set(code, (needs.get(code) ?? 0) + 1)
    const price = part ? priceOf(part, needs, ask) : worn ? priceSingly(needs, ask) : 0
    const limit = brief.avoid.priceAbove
    if (price === null || (limit !== null && price > limit)) return []
    const facts = factsOf(placements, catalogue)
    // Hands that are cast by themselves go in place of those a torso in one piece has.
    const { cls, loss } = classes.of(handsApart && role.place === 'torso' ? { ...facts, hands: [] } : facts)
    const earned = terms.reduce((sum, { milli }) => sum + milli, 0)
    return [
      {
        id: idOf(option),
        value: earned - loss,
        price,
        cls,
        needs: [...needs].map(([thing, qty]) => ({ thing, qty })),
      },
    ]
  })
}

const freeOf = ({ pool, free }: CastingAsk, code: string) => (pool === 'market' ? 0 : (free[code] ?? 0))

/** What pieces cost where the drawer gives what is free; null where one of them is not to be had. */
function priceSingly(needs: ReadonlyMap<string, number>, ask: CastingAsk): number | null {
  return [...needs].reduce<number | null>((sum, [code, qty]) => {
    const units = Math.max(0, qty - freeOf(ask, code))
    const each = units === 0 ? 0 : ask.pool === 'owned' ? null : ask.lowest[code]
    return sum === null || each === null || each === undefined ? null : sum + units * each
  }, 0)
}

/** What a part costs where the drawer gives what is free: its missing pieces singly or the whole, whichever is less. */
function priceOf(part: Part, needs: ReadonlyMap<string, number>, ask: CastingAsk): number | null {
  const singly = priceSingly(needs, ask)
  if (singly === 0 || ask.pool === 'owned') return singly
  const whole = part.components.length > 0 ? (ask.lowest[part.code] ?? null) : null
  return singly === null ? whole : whole === null ? singly : Math.min(singly, whole)
}

function thingsOf(options: readonly (readonly Option[])[], ask: CastingAsk): CastProblem['things'] {
  const codes = new Set(options.flat().flatMap(({ placements }) => placements.map(({ part }) => part)))
  return new Map(
    [...codes].map((code) => [
      code,
      { free: freeOf(ask, code), unitPrice: ask.pool === 'owned' ? null : (ask.lowest[code] ?? null) },
    ]),
  )
}

/** Why a role has no candidate. */
function nothingFor({ judges }: Role, key: string, ask: CastingAsk): string {
  const musts = judges.filter(({ wish }) => wish.weight === 'must')
  const where = { owned: 'the drawer', market: 'the market', both: 'the drawer and the market' }[ask.pool]
  if (musts.length === 0)
    return `There is nothing for ${key} in ${where}. Look in more places, or leave ${key} as worn.`
  return `Nothing for ${key} in ${where} meets ${musts.length === 1 ? 'the must' : 'all musts'}: ${musts
    .map(
      ({ trait, wish }) =>
        `${trait.label} ${trait.kind === 'mould' ? (ask.catalogue.moulds.get(wish.target)?.name ?? wish.target) : wish.target}`,
    )
    .join(', ')}. Let it matter less, or look in more places.`
}

/** Facts by small numbers, so that what two classes hold against each other is worked out once. */
class Classes {
  private readonly known = new Map<string, number>()
  private readonly list: Facts[] = []
  private readonly pairs = new Map<number, number>()

  constructor(
    private readonly ask: CastingAsk,
    /** Of what is worn whatever is chosen. */
    private readonly given: Facts,
  ) {}

  /** The class of some facts, and what they and what is given hold against each other. */
  of(facts: Facts): { cls: number; loss: number } {
    const key = JSON.stringify(facts)
    const cls = this.known.get(key) ?? this.list.push(facts) - 1
    this.known.set(key, cls)
    return { cls, loss: this.sum(facts, this.given) + this.within(facts) }
  }

  facts(cls: number): Facts {
    return this.list[cls] ?? NO_FACTS
  }

  between(a: number, b: number): number {
    const key = Math.min(a, b) * 65_536 + Math.max(a, b)
    const known = this.pairs.get(key)
    if (known !== undefined) return known
    const loss = this.sum(this.facts(a), this.facts(b))
    this.pairs.set(key, loss)
    return loss
  }

  private sum(a: Facts, b: Facts): number {
    return deductionsBetween(a, b, this.ask.catalogue).reduce((total, { milli }) => total + milli, 0)
  }

  /** Pieces of one candidate among themselves; each pair comes up once each way round. */
  private within(facts: Facts): number {
    return this.sum(facts, facts) / 2
  }
}
