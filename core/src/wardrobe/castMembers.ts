import { earnedBy, judgesOf, placeOf, WHOLE, type Brief, type Place } from '../brief/index.ts'
import {
  AS_WORN,
  BODY,
  castingOf,
  NoCasting,
  putOnto,
  type Casting,
  type CastingAsk,
  type CastingPool,
} from '../casting/index.ts'
import type { Catalogue, Part, Placement, Slot } from '../catalogue/index.ts'
import type { HouseRules } from '../roster/index.ts'
import type { CastWho } from './contract.ts'
import { summedParts } from './supply.ts'
import type { RosterPair } from './types.ts'

/** Somebody who is to be cast. */
export interface MemberAsk {
  outfit: string
  name: string
  brief: Brief
  /** What is worn now. */
  now: readonly Placement[]
  /** The same with what a cast held in some places; places that are not cast stay so. */
  worn: readonly Placement[]
  /** Parts that need not be had: copies by others, and what stands elsewhere. */
  elsewhere: readonly string[]
  /** Places to leave as they are. */
  keep: readonly Place[]
  /** The face it keeps is that of another outfit of the same person, so that it is nobody else's. */
  sharesFace: boolean
  /** Parts that may not be worn. */
  avoided: readonly string[]
  rules: HouseRules
}

/** What the casting of several outfits looks at. Money is in minor units of the home currency. */
export interface MembersAsk {
  members: readonly MemberAsk[]
  catalogue: Catalogue
  /** Candidates of each slot, assemblies among them. */
  candidates: Readonly<Partial<Record<Slot, readonly Part[]>>>
  /** Owned and free for those who are cast, by part. */
  spare: Readonly<Record<string, number>>
  /** Lowest price by part, alone or with what it comes on; missing where nobody sells it. */
  lowest: Readonly<Record<string, number>>
  pool: CastingPool
  /** What a point of likeness is worth. */
  worth: number
  /** Faces that are worn by others, where all are to differ; null where faces may be alike. */
  facesTaken: readonly string[] | null
  /** Most candidates of a slot. */
  most: number
}

interface MemberCandidate {
  id: string
  score: number
  face: string | null
  parts: { part: string; qty: number }[]
  /** What it puts on; nothing where the slot stays empty. */
  placements: Placement[]
}

/** An outfit made ready for a roster problem. */
export interface CastMember {
  outfit: string
  name: string
  /** What is worn whatever is chosen, the parts of it that must be had, what it earns, and the face it shows. */
  given: Placement[]
  givenParts: { part: string; qty: number }[]
  /** Places nothing is to be had for, which stay as they are. */
  without: Place[]
  /** Parts of it that are neither owned nor for sale. */
  givenUnmet: number
  givenScore: number
  givenFace: string | null
  slots: {
    id: string
    place: Place
    candidates: MemberCandidate[]
    /** The candidate that is worn now; where it is none of them, the likest. */
    worn: string
  }[]
  pairs: RosterPair[]
}

export interface CastMembers {
  members: CastMember[]
  /** Who cannot be cast, and why, in words a person can act on. */
  leftOut: { outfit: string; name: string; why: string }[]
}

/** Shares of the candidates kept for likeness alone, for likeness less price, for being owned, and for being cheap. */
const SHARES = [0.35, 0.35, 0.2, 0.1]

/**
 * Everybody who can be cast with the most promising candidates of each slot: the likest, those best in likeness less price,
 * owned ones and cheap ones, and always what is worn now, so that nobody need come out worse.
 * O(members × (candidates × wishes + slots² × `most`²)).
 */
export function castMembers(ask: MembersAsk): CastMembers {
  const members: CastMember[] = []
  const leftOut: CastMembers['leftOut'] = []
  for (const member of ask.members) {
    const { outfit, name, brief } = member
    if (brief.wishes.length === 0) {
      leftOut.push({ outfit, name, why: 'has no wishes yet: say in its brief what it must show' })
      continue
    }
    try {
      members.push(memberOf(member, ask))
    } catch (error) {
      if (!(error instanceof NoCasting)) throw error
      leftOut.push({ outfit, name, why: error.message })
    }
  }
  return { members, leftOut }
}

/** What is worn when some places are held as a cast had them. */
export const holding = (worn: readonly Placement[], held: NonNullable<CastWho['held']>): Placement[] =>
  held.reduce<Placement[]>(
    (now, { place, placements }) =>
      putOnto(
        now.filter(({ slot }) => placeOf(slot) !== place),
        placements,
      ),
    [...worn],
  )

/** Every part that members may wear or wear now, as often as all of them could. */
export function partsAskedFor({ members: asked }: MembersAsk, members: readonly CastMember[]): Map<string, number> {
  const cast = new Set(members.map(({ outfit }) => outfit))
  return summedParts([
    ...members.flatMap(({ givenParts, slots }) => [
      ...givenParts,
      ...slots.flatMap(({ candidates }) => candidates.flatMap(({ parts }) => parts)),
    ]),
    ...asked.flatMap(({ outfit, now }) => (cast.has(outfit) ? partsIn(now) : [])),
  ])
}

/** The face a head shows: its print, and which side of it. */
export function faceShown(placements: readonly Placement[], { parts, prints }: Catalogue): string | null {
  const head = placements.find(({ slot }) => slot === 'head')
  const part = head && parts.get(head.part)
  if (!part) return null
  if (part.print === null) return `plain ${part.code}`
  const back = head.turned && (prints.get(part.print)?.back.length ?? 0) > 0
  return back ? `${part.print} turned` : part.print
}

function memberOf(member: MemberAsk, ask: MembersAsk): CastMember {
  const { catalogue, spare, lowest } = ask
  const judges = judgesOf(member.brief, catalogue)
  const { casting, without } = castingFor(member, ask)
  const given = casting?.given ?? [...member.worn]
  const wanted = given.filter(({ part }) => !member.elsewhere.includes(part))
  const had = wanted.filter(({ part }) => (spare[part] ?? 0) > 0 || lowest[part] !== undefined)
  const slots = casting ? slotsOf(casting, member, ask) : []
  return {
    outfit: member.outfit,
    name: member.name,
    given,
    givenParts: partsIn(had),
    givenUnmet: wanted.length - had.length,
    without,
    givenScore: casting?.givenValue ?? earnedBy(judges, given, catalogue),
    givenFace: member.sharesFace ? null : faceShown(given, catalogue),
    slots: slots.map(({ kept, ...slot }) => ({ ...slot, candidates: kept.map(({ candidate }) => candidate) })),
    pairs: casting ? pairsOf(casting, slots) : [],
  }
}

/**
 * The casting of a member; none where everything that is wished for stays. Where nothing is to be had for a place and no must
 * asks for it, that place stays as it is: somebody without legs in the drawer still gets a head.
 */
function castingFor(member: MemberAsk, ask: MembersAsk): { casting: Casting | null; without: Place[] } {
  const wished = judgesOf(member.brief, ask.catalogue).map(({ wish }) => wish.place)
  const without: Place[] = []
  for (;;) {
    const keep = [...member.keep, ...without]
    if (wished.every((place) => keep.includes(place))) {
      if (without.length > 0) throw new NoCasting('Nothing it wishes for is in the drawer or the market.')
      return { casting: null, without }
    }
    try {
      const casting = castingOf(castingAskOf({ ...member, keep }, ask))
      // Mitts are cast along with heads; nobody misses them who did not wish for any.
      return { casting, without: without.filter((place) => wished.includes(place) || BODY.includes(place)) }
    } catch (error) {
      const nothing = error instanceof NoCasting ? error.nothing : null
      if (!nothing || nothing.must || keep.includes(nothing.place)) throw error
      without.push(nothing.place)
    }
  }
}

/** As many as anybody could wear of what need not be had. */
const EVERYWHERE = 100

const castingAskOf = (member: MemberAsk, { catalogue, candidates, spare, lowest, pool }: MembersAsk): CastingAsk => ({
  brief: member.brief,
  catalogue,
  worn: member.worn,
  candidates,
  free: { ...spare, ...Object.fromEntries(member.elsewhere.map((part) => [part, EVERYWHERE])) },
  lowest,
  pool,
  avoided: new Set(member.avoided),
  rules: member.rules,
  keep: member.keep,
  offerWorn: true,
  fill: BODY,
  limit: null,
  // Money is weighed by the roster problem.
  priceWeight: 0,
})

interface Kept {
  id: string
  place: Place
  worn: string
  /** Candidates kept, with the class of each. */
  kept: { candidate: MemberCandidate; cls: number }[]
}

function slotsOf({ problem, places, wears }: Casting, member: MemberAsk, ask: MembersAsk): Kept[] {
  const { catalogue, facesTaken, worth, most } = ask
  const off = marksOff(problem)
  const wornAt = new Set(member.worn.map(({ slot }) => placeOf(slot)))
  return problem.slots.map(({ key, candidates }, s) => {
    const all = candidates.map((candidate, c) => {
      const placements = [...wears[s]![c]!]
      return {
        cls: candidate.cls,
        price: candidate.price,
        worn: candidate.id === AS_WORN || (placements.length === 0 && !wornAt.has(places[s]!)),
        candidate: {
          id: candidate.id,
          score: candidate.value - off(problem.marks(s, candidate.cls)),
          face: faceShown(placements, catalogue),
          parts: partsIn(placements.filter(({ part }) => candidate.id !== AS_WORN || !member.elsewhere.includes(part))),
          placements,
        },
      }
    })
    const allowed = all.filter(({ candidate }) => candidate.face === null || !facesTaken?.includes(candidate.face))
    if (allowed.length === 0)
      throw new NoCasting(
        `Every face it could have is worn by somebody who is not cast. Let faces be alike, or cast more.`,
      )
    const orders = [
      (one: (typeof all)[number]) => one.candidate.score,
      (one: (typeof all)[number]) => (one.candidate.score * worth) / 1000 - one.price,
      (one: (typeof all)[number]) => one.candidate.score - (one.price > 0 ? WHOLE : 0),
      (one: (typeof all)[number]) => -one.price,
    ].map((value) => [...allowed].sort((a, b) => value(b) - value(a) || b.candidate.score - a.candidate.score))
    const kept = new Set(allowed.filter((one) => one.worn))
    SHARES.forEach((share, i) => {
      const until = kept.size + Math.ceil(share * most)
      for (const one of orders[i]!) {
        if (kept.size >= until) break
        kept.add(one)
      }
    })
    // As they were laid out, so that the same question has the same answer.
    const before = places.slice(0, s).filter((place) => place === places[s]).length
    return {
      id: before > 0 ? `${key} ${before + 1}` : key,
      place: places[s]!,
      worn: (allowed.find((one) => one.worn) ?? orders[0]![0]!).candidate.id,
      kept: allowed.filter((one) => kept.has(one)),
    }
  })
}

function pairsOf({ problem }: Casting, slots: readonly Kept[]): RosterPair[] {
  const { penalty, marks } = problem
  const off = marksOff(problem)
  const pairs: RosterPair[] = []
  for (const [i, a] of slots.entries())
    for (const [j, b] of slots.entries()) {
      if (j <= i) continue
      const known = new Map<string, number>()
      const entries = a.kept.flatMap((one) =>
        b.kept.flatMap((other): RosterPair['off'] => {
          const key = `${one.cls} ${other.cls}`
          let points = known.get(key)
          if (points === undefined) {
            const [m, n] = [marks(i, one.cls), marks(j, other.cls)]
            // Main colours beyond the number: what each brings stands in its score, what both bring together here.
            points = penalty(i, one.cls, j, other.cls) + off([...m, ...n]) - off(m) - off(n)
            known.set(key, points)
          }
          return points === 0 ? [] : [[one.candidate.id, other.candidate.id, points]]
        }),
      )
      if (entries.length > 0) pairs.push({ a: a.id, b: b.id, off: entries })
    }
  return pairs
}

/** What some main colours cost on top of those that are given. */
function marksOff({ givenMarks, mostMarks, markPenalty }: Casting['problem']): (marks: readonly string[]) => number {
  const beyond = (marks: readonly string[]) =>
    Math.max(0, new Set([...givenMarks, ...marks]).size - mostMarks) * markPenalty
  return (marks) => beyond(marks) - beyond([])
}

const partsIn = (placements: readonly Placement[]) =>
  [...summedParts(placements.map(({ part }) => ({ part, qty: 1 })))].map(([part, qty]) => ({ part, qty }))
