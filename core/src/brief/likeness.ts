import {
  ASSEMBLY_SLOTS,
  mouldOf,
  partWorn,
  piecesWorn,
  SLOTS,
  type Catalogue,
  type Part,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'
import { blocksIn } from '../anatomy/index.ts'
import type { Brief, BriefWish } from './brief.ts'
import { deductionsOf, factsOf, type Deduction } from './facts.ts'
import { judgesOf, WHOLE, type Judge } from './judge.ts'
import { lookAt, type Look } from './look.ts'
import { PLACE_FACTS, placeOf, type Place } from './places.ts'
import { MET } from './similar.ts'

/** What an outfit or a part shows of one wish. Points are milli-points: WHOLE is a whole outfit's hundred. */
export interface Term {
  wish: BriefWish
  score: number
  milli: number
  most: number
  words: string
}

/** How like its brief an outfit is: the sum of its terms less its deductions, never below 0. */
export interface Likeness {
  milli: number
  terms: Term[]
  deductions: Deduction[]
  /** Musts that are not met. */
  missed: Term[]
}

/** Points as they are written: "86". */
export const inPoints = (milli: number) => Math.round(milli / 1000)

/** How like its brief an outfit is. O(wishes + placements). */
export function likenessOf(placements: readonly Placement[], brief: Brief, catalogue: Catalogue): Likeness {
  return likenessBy(judgesOf(brief, catalogue), placements, catalogue)
}

/** The same with the wishes made ready, for whoever judges many outfits. */
export function likenessBy(judges: readonly Judge[], placements: readonly Placement[], catalogue: Catalogue): Likeness {
  const looks = new Map<Slot, Look[]>()
  for (const { slot, placement, part } of piecesWorn(placements, catalogue))
    looks.set(slot, [...(looks.get(slot) ?? []), lookAt(part, placement.turned, catalogue)])
  for (const [slot, look] of looksOfMade(placements, catalogue)) looks.set(slot, [...(looks.get(slot) ?? []), look])
  const terms = judges.map((judge) => {
    const { slots } = PLACE_FACTS[judge.wish.place]
    const term = termOf(
      judge,
      slots.flatMap((slot) => looks.get(slot) ?? []),
    )
    return toHandOn(term)
  })
  const deductions = deductionsOf(factsOf(placements, catalogue), catalogue)
  const earned = terms.reduce((sum, { milli }) => sum + milli, 0)
  const lost = deductions.reduce((sum, { milli }) => sum + milli, 0)
  return {
    milli: Math.max(0, Math.min(WHOLE, earned - lost)),
    terms,
    deductions,
    missed: terms.filter(({ wish, score }) => wish.weight === 'must' && score < MET),
  }
}

/** What is made of several parts as the eye meets it: each of its pieces as part of what the whole is. */
function looksOfMade(placements: readonly Placement[], catalogue: Catalogue): [Slot, Look][] {
  if (placements.every(({ made }) => !made)) return []
  return SLOTS.flatMap((slot) =>
    blocksIn(placements, slot).flatMap((block) =>
      block.flatMap((placement): [Slot, Look][] => {
        const part = placement.made && partWorn(placement, catalogue)
        return part ? [[slot, lookAt(part, false, catalogue, block[0]!.made?.what ?? '')]] : []
      }),
    ),
  )
}

/** What some wishes earn by what is worn, less what that holds against itself: likeness before it is kept from 0 to WHOLE. */
export function earnedBy(judges: readonly Judge[], placements: readonly Placement[], catalogue: Catalogue): number {
  const { terms, deductions } = likenessBy(judges, placements, catalogue)
  const sum = (list: readonly { milli: number }[]) => list.reduce((total, { milli }) => total + milli, 0)
  return sum(terms) - sum(deductions)
}

/** A term as it can be handed to another thread: a plain object, whose words are made when it is copied or read. */
const toHandOn = (term: Term): Term => ({
  wish: term.wish,
  score: term.score,
  milli: term.milli,
  most: term.most,
  get words() {
    return term.words
  },
})

/**
 * A term whose words are made when somebody reads them: a change on the bench judges thousands of looks. It knows its judge
 * and stays in its thread.
 */
class ShownTerm implements Term {
  readonly wish: BriefWish
  readonly milli: number
  readonly most: number

  constructor(
    private readonly judge: Judge,
    readonly score: number,
    private readonly told: Look | null,
  ) {
    this.wish = judge.wish
    this.most = judge.most
    this.milli = Math.round(judge.most * score)
  }

  get words(): string {
    return this.judge.words(this.told)
  }
}

function termOf(judge: Judge, looks: readonly Look[]): Term {
  if (looks.length < 2) {
    const only = looks[0] ?? null
    return new ShownTerm(judge, judge.score(only), only)
  }
  const scores = looks.map(judge.score)
  const best = scores.indexOf(Math.max(...scores))
  if (PLACE_FACTS[judge.wish.place].judge !== 'mean') return new ShownTerm(judge, scores[best]!, looks[best]!)
  const worst = scores.indexOf(Math.min(...scores))
  return new ShownTerm(judge, scores.reduce((sum, score) => sum + score, 0) / scores.length, looks[worst]!)
}

/** What a single part shows of the wishes for the places it fills. */
export interface PartLikeness {
  /** Share of what those wishes can earn, in [0, 1]; null where nothing is wished for there. */
  share: number | null
  terms: Term[]
}

/** The atomic parts of a part with the places they go to: `place` itself, or those of its components. */
function piecesOf(part: Part, place: Place, catalogue: Catalogue): { place: Place; part: Part }[] {
  if (part.components.length === 0) {
    const [slot] = ASSEMBLY_SLOTS[mouldOf(catalogue, part).kind] ?? []
    if (slot === undefined) return [{ place, part }]
    return piecesWorn([{ slot, part: part.code, order: 0, turned: false }], catalogue).flatMap((piece) =>
      piece.slot === 'hips' ? [] : [{ place: placeOf(piece.slot), part: piece.part }],
    )
  }
  return part.components.flatMap(({ slot, part: code }) => {
    const piece = catalogue.parts.get(code)
    return piece && slot !== 'hips' ? [{ place: placeOf(slot), part: piece }] : []
  })
}

/** Judges by place, made once for all parts of a tray. */
export function judgesByPlace(judges: readonly Judge[]): ReadonlyMap<Place, readonly Judge[]> {
  const byPlace = new Map<Place, Judge[]>()
  for (const judge of judges) byPlace.set(judge.wish.place, [...(byPlace.get(judge.wish.place) ?? []), judge])
  return byPlace
}

/** What a part shows of the wishes for the places it fills, worn at `place`. O(wishes there). */
export function likenessOfPart(
  part: Part,
  place: Place,
  judges: ReadonlyMap<Place, readonly Judge[]>,
  catalogue: Catalogue,
  turned = false,
): PartLikeness {
  const seen = new Map<Place, Look[]>()
  for (const piece of piecesOf(part, place, catalogue)) {
    if (!judges.has(piece.place)) continue
    const look = lookAt(piece.part, turned, catalogue)
    const there = seen.get(piece.place)
    if (there) there.push(look)
    else seen.set(piece.place, [look])
  }
  const terms: Term[] = []
  let [earned, most] = [0, 0]
  for (const [at, looks] of seen)
    for (const judge of judges.get(at)!) {
      const term = termOf(judge, looks)
      terms.push(term)
      earned += term.milli
      most += term.most
    }
  return { share: most > 0 ? earned / most : null, terms }
}
