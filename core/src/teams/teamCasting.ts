import {
  DEDUCTIONS,
  deductionsBetween,
  factsOf,
  judgesByPlace,
  judgesOf,
  likenessBy,
  likenessOfPart,
  MAIN_COLOURS,
  MET,
  together,
  type Brief,
  type Facts,
} from '../brief/index.ts'
import { mouldOf, partLabel, type Catalogue, type Part, type Placement } from '../catalogue/index.ts'
import { NoCasting, type CastingPool } from '../casting/index.ts'
import { castTeam } from './castTeam.ts'
import type { TeamEffort, TeamHead, TeamOption, TeamProblem } from './teamProblem.ts'

/** Somebody who is to get a head and headgear. */
export interface TeamAskMember {
  outfit: string
  name: string
  brief: Brief
  /** What is worn now; all but head and headgear stays. */
  worn: readonly Placement[]
  /** Parts that may not be worn, by code. */
  avoided: ReadonlySet<string>
}

/** What a team casting looks at. Money is in minor units of the home currency. */
export interface TeamAsk {
  members: readonly TeamAskMember[]
  catalogue: Catalogue
  heads: readonly Part[]
  headgear: readonly Part[]
  /** Owned and free for the team, by part. */
  spare: Readonly<Record<string, number>>
  /** Lowest single price by part; null or missing where nobody sells it. */
  lowest: Readonly<Record<string, number | null | undefined>>
  pool: CastingPool
  /** How often one face may be seen in the team: 1 for all different, null for any number. */
  facesAlike: number | null
  /** Whether the two sides of a head count as two faces. */
  sidesApart: boolean
  /** Most members with the same hair in the same colour; null for any number. */
  hairAlike: number | null
  /** Most members of one skin tone; null for any number. */
  skinsAlike: number | null
  /** Placements of others in the roster whose faces are taken too. */
  others: readonly (readonly Placement[])[]
  /** Points of likeness one currency unit (100 minor units) is worth. */
  priceWeight: number
}

/** What a member got. */
export interface TeamMemberCast {
  outfit: string
  head: Part
  turned: boolean
  headgear: Part
  placements: Placement[]
  /** Milli-points of likeness, before and after. */
  before: number
  after: number
  /** What has to be paid for head and headgear, and whether each is owned. */
  price: number
  owned: { head: boolean; headgear: boolean }
  /** What would have suited better had nobody else wanted it: in words, with the milli-points given up. */
  gaveUp: { words: string; milli: number; holders: string[] } | null
}

export interface TeamCasting {
  members: TeamMemberCast[]
  /** Likeness less the weighed price over the whole team, and what no casting can exceed; milli-points. */
  worth: number
  bound: number
  complete: boolean
  price: number
  looked: number
}

interface Choice {
  part: Part
  turned: boolean
  owned: boolean
  placements: Placement[]
}

const FRONT = ['head', 'headgear'] as const

/**
 * Give every member of a team a head and headgear: faces as different as asked, hair and skin varied as wished, musts of
 * each brief kept, owned parts no more often than they are there; best in likeness less price over the team. Throws
 * NoCasting when there is none, saying what stands against it. The work is castTeam's.
 */
export function teamCasting(ask: TeamAsk, effort: TeamEffort): TeamCasting {
  const made = problemOf(ask)
  const { problem, heads, gears } = made
  for (const [i, { name }] of ask.members.entries())
    for (const [options, what] of [
      [problem.heads, 'head'],
      [problem.gears, 'headgear'],
    ] as const)
      if (options.every(({ values }) => values[i] === null))
        throw new NoCasting(
          `No ${what} for ${name} in ${WHERE[ask.pool]} meets every must. Look in more places, or let it matter less.`,
        )
  const { cast, bound, complete, looked } = castTeam(problem, effort)
  if (!cast)
    throw new NoCasting(
      complete
        ? tooFew(ask, problem)
        : `No casting was found in ${effort.seconds} seconds, though there may be one. Allow more alike, or cast fewer at once.`,
    )
  const members = ask.members.map((member, i): TeamMemberCast => {
    const [head, gear] = [heads[cast.heads[i]!]!, gears[cast.gears[i]!]!]
    const placements = dressed(member.worn, head, gear)
    const judges = judgesOf(member.brief, ask.catalogue)
    return {
      outfit: member.outfit,
      head: head.part,
      turned: head.turned,
      headgear: gear.part,
      placements,
      before: likenessBy(judges, member.worn, ask.catalogue).milli,
      after: likenessBy(judges, placements, ask.catalogue).milli,
      price: priceOf(head, ask) + priceOf(gear, ask),
      owned: { head: head.owned, headgear: gear.owned },
      gaveUp: gaveUp(i, cast, made, ask),
    }
  })
  return {
    members,
    worth: cast.worth,
    bound,
    complete,
    looked,
    price: members.reduce((sum, { price }) => sum + price, 0),
  }
}

const WHERE = { owned: 'the drawer', market: 'the market', both: 'the drawer and the market' } as const

const priceOf = ({ part, owned }: Choice, { lowest }: TeamAsk) => (owned ? 0 : (lowest[part.code] ?? 0))

const dressed = (worn: readonly Placement[], head: Choice, gear: Choice): Placement[] => [
  ...worn.filter(({ slot }) => !(FRONT as readonly string[]).includes(slot)),
  ...head.placements,
  ...gear.placements,
]

interface Made {
  problem: TeamProblem
  heads: Choice[]
  gears: Choice[]
}

function problemOf(ask: TeamAsk): Made {
  const { catalogue, members, spare, lowest, pool } = ask
  const caps: number[] = []
  const resources = new Map<string, number>()
  const resource = (key: string, cap: number) => {
    const known = resources.get(key)
    if (known !== undefined) return known
    resources.set(key, caps.push(cap) - 1)
    return caps.length - 1
  }
  const faces = new Map<string, number>()
  const faceOf = (part: Part, turned: boolean) => {
    const key = part.print === null ? `plain ${part.code}` : `${part.print}${ask.sidesApart && turned ? ' turned' : ''}`
    if (!faces.has(key)) faces.set(key, faces.size)
    return faces.get(key)!
  }
  const hasBack = (part: Part) => (catalogue.prints.get(part.print ?? '')?.back.length ?? 0) > 0
  /** Owned and bought are two ways to get one part. */
  const ways = (part: Part): boolean[] => [
    ...(pool !== 'market' && (spare[part.code] ?? 0) > 0 ? [true] : []),
    ...(pool !== 'owned' && typeof lowest[part.code] === 'number' ? [false] : []),
  ]
  const choices = (parts: readonly Part[], slot: 'head' | 'headgear', sides: (part: Part) => boolean[]): Choice[] =>
    parts
      .filter(({ components }) => components.length === 0)
      .flatMap((part) =>
        ways(part).flatMap((owned) =>
          sides(part).map((turned): Choice => ({
            part,
            turned,
            owned,
            placements: [{ slot, part: part.code, order: 0, turned }],
          })),
        ),
      )
  const heads = choices(ask.heads, 'head', (part) => (hasBack(part) ? [false, true] : [false]))
  const gears = choices(ask.headgear, 'headgear', () => [false])
  const classes = new Classes(catalogue)
  const given = members.map(({ worn }) =>
    factsOf(
      worn.filter(({ slot }) => slot !== 'head' && slot !== 'headgear'),
      catalogue,
    ),
  )
  const judges = members.map(({ brief }) => judgesByPlace(judgesOf(brief, catalogue)))
  const weight = Math.round(ask.priceWeight * 10)
  const valuesOf = (choice: Choice, place: 'head' | 'headgear', cls: number, likes: Map<string, (number | null)[]>) => {
    const key = `${choice.part.code} ${choice.turned}`
    let known = likes.get(key)
    if (!known) {
      known = members.map(({ avoided, brief }, i) => {
        const limit = brief.avoid.priceAbove
        if (avoided.has(choice.part.code)) return null
        if (limit !== null && !choice.owned && (lowest[choice.part.code] ?? 0) > limit) return null
        if (brief.avoid.byOthers && mouldOf(catalogue, choice.part).traits['maker'] === 'other') return null
        const { terms } = likenessOfPart(choice.part, place, judges[i]!, catalogue, choice.turned)
        if (terms.some(({ wish, score }) => wish.weight === 'must' && score < MET)) return null
        // Among equals whoever wears it keeps it.
        const { part, turned } = choice.placements[0]!
        const kept = members[i]!.worn.some((p) => p.slot === place && p.part === part && p.turned === turned)
        const earned = terms.reduce((sum, { milli }) => sum + milli, 0)
        return earned - classes.against(cls, given[i]!) - classes.mainsOver(cls, given[i]!) + Number(kept)
      })
      likes.set(key, known)
    }
    const price = priceOf(choice, ask) * weight
    return known.map((value) => (value === null ? null : value - price))
  }
  const likes = { head: new Map<string, (number | null)[]>(), headgear: new Map<string, (number | null)[]>() }
  const option = (choice: Choice, place: 'head' | 'headgear', more: number[]): TeamOption => {
    const cls = classes.of(factsOf(choice.placements, catalogue))
    const owned = choice.owned ? [resource(`owned ${choice.part.code}`, spare[choice.part.code]!)] : []
    return { cls, values: valuesOf(choice, place, cls, likes[place]), uses: [...owned, ...more] }
  }
  const skin = (part: Part) => catalogue.colours.get(part.colours[0] ?? '')
  const problemHeads = heads.map((choice): TeamHead => {
    const tone = skin(choice.part)
    const alike =
      ask.skinsAlike !== null && tone?.family === 'skin' ? [resource(`skin ${tone.code}`, ask.skinsAlike)] : []
    return { ...option(choice, 'head', alike), face: faceOf(choice.part, choice.turned) }
  })
  const problemGears = gears.map((choice) => {
    const { mould, colours } = choice.part
    const alike = ask.hairAlike === null ? [] : [resource(`hair ${mould} ${colours[0] ?? ''}`, ask.hairAlike)]
    return option(choice, 'headgear', alike)
  })
  const faceCaps = [...faces].map(() => ask.facesAlike ?? members.length + ask.others.length)
  for (const placements of ask.others) {
    const head = placements.find(({ slot }) => slot === 'head')
    const part = head && catalogue.parts.get(head.part)
    if (!part?.print) continue
    const turned = head!.turned && hasBack(part)
    const at = faces.get(`${part.print}${ask.sidesApart && turned ? ' turned' : ''}`)
    if (at !== undefined) faceCaps[at] = Math.max(0, faceCaps[at]! - 1)
  }
  return {
    heads,
    gears,
    problem: {
      members: members.length,
      heads: problemHeads,
      gears: problemGears,
      penalty: (a, b) => classes.between(a, b),
      faceCaps,
      caps,
    },
  }
}

/** What a member would have got alone, and who has it now; null where nothing better was there. */
function gaveUp(
  i: number,
  cast: { heads: readonly number[]; gears: readonly number[] },
  { problem, heads, gears }: Made,
  ask: TeamAsk,
): TeamMemberCast['gaveUp'] {
  const { penalty } = problem
  const worth = (h: number, g: number) => {
    const [a, b] = [problem.heads[h]!.values[i], problem.gears[g]!.values[i]]
    return a === null || a === undefined || b === null || b === undefined
      ? -Infinity
      : a + b - penalty(problem.heads[h]!.cls, problem.gears[g]!.cls)
  }
  const got = { h: cast.heads[i]!, g: cast.gears[i]! }
  let best = { ...got, worth: worth(got.h, got.g) }
  const first = best.worth
  for (let h = 0; h < heads.length; h++)
    if (worth(h, got.g) > best.worth) best = { h, g: got.g, worth: worth(h, got.g) }
  for (let g = 0; g < gears.length; g++)
    if (worth(best.h, g) > best.worth) best = { ...best, g, worth: worth(best.h, g) }
  if (best.worth <= first) return null
  const { catalogue } = ask
  const words = [
    ...(best.h !== got.h ? [`${faceName(heads[best.h]!, catalogue)}`] : []),
    ...(best.g !== got.g ? [partLabel(catalogue, gears[best.g]!.part)] : []),
  ].join(' with ')
  const holders = ask.members.flatMap(({ name }, j) => {
    if (j === i) return []
    const sameFace = best.h !== got.h && problem.heads[cast.heads[j]!]!.face === problem.heads[best.h]!.face
    const sameGear = best.g !== got.g && gears[cast.gears[j]!]!.part.code === gears[best.g]!.part.code
    return sameFace || sameGear ? [name] : []
  })
  return { words, milli: best.worth - first, holders }
}

const faceName = ({ part, turned }: Choice, catalogue: Catalogue) =>
  `${catalogue.prints.get(part.print ?? '')?.name ?? part.name}${turned ? ', the other face' : ''}`

/** Why no cast keeps to every limit. */
function tooFew({ members, facesAlike, pool }: TeamAsk, { heads, faceCaps }: TeamProblem): string {
  const room = faceCaps.reduce((sum, cap, face) => sum + (heads.some((head) => head.face === face) ? cap : 0), 0)
  if (room < members.length)
    return `There are faces for ${room} in ${WHERE[pool]} when ${facesAlike === 1 ? 'all differ' : `at most ${facesAlike} are alike`}, and ${members.length} to be cast. Allow more alike, or look in more places.`
  return `No casting keeps to all of that with what ${WHERE[pool]} ${pool === 'both' ? 'have' : 'has'}. Allow more alike in hair or skin, or look in more places.`
}

/** Facts by small numbers, so that what two classes hold against each other is worked out once. */
class Classes {
  private readonly known = new Map<string, number>()
  private readonly list: Facts[] = []
  private readonly pairs = new Map<string, number>()

  constructor(private readonly catalogue: Catalogue) {}

  of(facts: Facts): number {
    const key = JSON.stringify(facts)
    const known = this.known.get(key)
    if (known !== undefined) return known
    this.known.set(key, this.list.push(facts) - 1)
    return this.list.length - 1
  }

  between(a: number, b: number): number {
    const key = `${a} ${b}`
    const known = this.pairs.get(key)
    if (known !== undefined) return known
    const loss = this.against(a, this.list[b]!)
    this.pairs.set(key, loss)
    return loss
  }

  against(cls: number, other: Facts): number {
    return deductionsBetween(this.list[cls]!, other, this.catalogue).reduce((sum, { milli }) => sum + milli, 0)
  }

  /** What main colours of a class cost on top of those others have; heads have none, so that no pair of a casting adds more. */
  mainsOver(cls: number, other: Facts): number {
    const beyond = (mains: readonly string[]) => Math.max(0, mains.length - MAIN_COLOURS)
    return DEDUCTIONS.mains * (beyond(together(this.list[cls]!, other).mains) - beyond(other.mains))
  }
}
