import { statureAt, type Stature } from '../brief/index.ts'
import type { Catalogue, Part, PartKind, Placement, Slot } from '../catalogue/index.ts'
import { legLengthOf } from '../mannequin/index.ts'

/** How old a face is drawn, as prints of heads say it. */
export const FACE_AGES = ['child', 'adult', 'old'] as const
export type FaceAge = (typeof FACE_AGES)[number]

/** From so many years on a face is drawn so. */
const FROM: readonly (readonly [years: number, age: FaceAge])[] = [
  [60, 'old'],
  [13, 'adult'],
  [0, 'child'],
]

/** How a face of so many years is drawn. */
export const faceAgeAt = (years: number): FaceAge => FROM.find(([from]) => years >= from)?.[1] ?? 'child'

/** Families of the colours hair and brows have in old age. */
export const GREY: readonly string[] = ['grey', 'white']

/** Kinds of what has a length, by the place it is worn: legs, or a pair of them nobody has told the pieces of. */
const LEGS: Partial<Record<Slot, PartKind>> = { legRight: 'leg-right', legLeft: 'leg-left', hips: 'leg-pair' }

/** What makes a face that of one person, and how much each counts when the likest of another age is looked for. */
const FEATURES: readonly (readonly [trait: string, weight: number])[] = [
  ['scar', 5],
  ['glasses', 4],
  ['beard', 3],
  ['paint', 2],
  ['style', 1],
  ['expression', 1],
]

/** What was done to an outfit for another age. */
export interface Aged {
  placements: Placement[]
  /** What is worn otherwise: "Old scar / grim instead of Scar / scowl". */
  changed: string[]
  /** What stays although the age would ask for another, since there is none: "Nobody makes this hair in grey". */
  stays: string[]
  /** The head it has at that age, where it is another; null where it keeps its own. */
  head: string | null
}

export interface AgeingOptions {
  /** Colours, moulds and prints; parts come from `ofKind`. */
  catalogue: Pick<Catalogue, 'colours' | 'moulds' | 'prints'>
  /** Parts that may be worn instead, by kind. */
  ofKind: ReadonlyMap<PartKind, readonly Part[]>
}

/**
 * The same person at another age. The head is kept as long as a face of that age is drawn as it is; otherwise it is the likest
 * of the right age: of the same skin, with the same scar, glasses and beard, and in old age with grey brows. Hair turns grey
 * where its mould is made so, and grey hair takes the colour of the brows in younger years; legs are as long as at that age.
 * What there is nothing for stays, and is told. O(parts of the kinds that change).
 */
export function agedTo(placements: readonly Placement[], years: number, options: AgeingOptions): Aged {
  const aged: Aged = { placements: [...placements], changed: [], stays: [], head: null }
  const age = faceAgeAt(years)
  ageHead(aged, age, options)
  ageHair(aged, age, options)
  ageLegs(aged, statureAt(years), options)
  return aged
}

function partIn(code: string, kinds: readonly PartKind[], { ofKind }: AgeingOptions): Part | undefined {
  for (const kind of kinds) {
    const found = ofKind.get(kind)?.find((part) => part.code === code)
    if (found) return found
  }
  return undefined
}

const printTraits = (part: Part, { catalogue }: AgeingOptions) => catalogue.prints.get(part.print ?? '')?.traits ?? {}
const familyOf = (colour: string | undefined, { catalogue }: AgeingOptions) =>
  catalogue.colours.get(colour ?? '')?.family ?? ''
const nameOf = ({ name, colours }: Part, { catalogue }: AgeingOptions) =>
  [name, catalogue.colours.get(colours[0] ?? '')?.name].filter(Boolean).join(', ')

const swap = (aged: Aged, of: Placement, part: Part, was: Part, options: AgeingOptions) => {
  aged.placements = aged.placements.map((placement) =>
    placement === of ? { slot: of.slot, part: part.code, order: of.order, turned: false } : placement,
  )
  aged.changed.push(`${nameOf(part, options)} instead of ${nameOf(was, options)}`)
}

/** The best by a score, of equals the first by code; null where there is none. */
function bestBy(parts: readonly Part[], scoreOf: (part: Part) => number): Part | null {
  let best: { part: Part; score: number } | null = null
  for (const part of parts) {
    const score = scoreOf(part)
    if (!best || score > best.score || (score === best.score && part.code < best.part.code)) best = { part, score }
  }
  return best?.part ?? null
}

function ageHead(aged: Aged, age: FaceAge, options: AgeingOptions): void {
  const worn = aged.placements.find(({ slot, made }) => slot === 'head' && !made)
  const own = worn && partIn(worn.part, ['head'], options)
  if (!worn || !own) return
  const traits = printTraits(own, options)
  // A face that says nothing of its age is a grown person's.
  const ageOf = (part: Part) => printTraits(part, options)['age'] ?? 'adult'
  if (ageOf(own) === age) return
  const others = (options.ofKind.get('head') ?? []).filter(
    (part) => part.print !== null && part.colours[0] === own.colours[0] && ageOf(part) === age,
  )
  const best = bestBy(others, (part) => {
    const theirs = printTraits(part, options)
    // Children have no beards, so that theirs says nothing.
    const features = FEATURES.filter(([trait]) => age !== 'child' || trait !== 'beard').reduce(
      (sum, [trait, weight]) => sum + ((theirs[trait] ?? '') === (traits[trait] ?? '') ? weight : 0),
      part.mould === own.mould ? 2 : 0,
    )
    const grey = GREY.includes(familyOf(theirs['brows'], options))
    return features + (age === 'old' ? (grey ? 3 : 0) : theirs['brows'] === traits['brows'] ? 3 : 0)
  })
  if (!best) {
    aged.stays.push(
      `No ${age === 'old' ? 'old face' : age === 'child' ? 'child’s face' : 'grown face'} of this skin is made`,
    )
    return
  }
  aged.head = best.code
  swap(aged, worn, best, own, options)
}

function ageHair(aged: Aged, age: FaceAge, options: AgeingOptions): void {
  const worn = aged.placements.find(({ slot, part, made }) => {
    const own = slot === 'headgear' && !made && partIn(part, ['headgear'], options)
    const { traits } = (own && options.catalogue.moulds.get(own.mould)) || { traits: {} as Record<string, string> }
    return traits['hair'] === 'yes' && traits['hat'] !== 'yes'
  })
  const own = worn && partIn(worn.part, ['headgear'], options)
  if (!worn || !own) return
  const isGrey = (part: Part) => GREY.includes(familyOf(part.colours[0], options))
  const head = aged.placements.find(({ slot }) => slot === 'head')
  const face = head && partIn(head.part, ['head'], options)
  const brows = face ? printTraits(face, options)['brows'] : undefined
  if (age === 'old' ? isGrey(own) : !isGrey(own)) return
  const others = (options.ofKind.get('headgear') ?? []).filter(
    (part) => part.mould === own.mould && (age === 'old' ? isGrey(part) : part.colours[0] === brows),
  )
  const best = bestBy(others, (part) => (part.colours[0] === brows ? 2 : 0) + (part.print === own.print ? 1 : 0))
  if (best) return swap(aged, worn, best, own, options)
  aged.stays.push(
    age === 'old'
      ? `Nobody makes this hair in grey: ${nameOf(own, options)}`
      : `Nobody makes this hair in the colour of the brows: ${nameOf(own, options)}`,
  )
}

function ageLegs(aged: Aged, stature: Stature, options: AgeingOptions): void {
  const length = stature === 'short' || stature === 'middle' ? stature : 'full'
  const lengthOf = (part: Part) => legLengthOf(options.catalogue.moulds.get(part.mould))
  const legs = aged.placements.flatMap((placement) => {
    const kind = LEGS[placement.slot]
    const own = kind && !placement.made && partIn(placement.part, [kind], options)
    return kind && own && lengthOf(own) !== length ? [{ placement, kind, own } as const] : []
  })
  const others = legs.map(({ kind, own }) =>
    bestBy(
      (options.ofKind.get(kind) ?? []).filter(
        (part) => lengthOf(part) === length && part.colours[0] === own.colours[0],
      ),
      (part) => (part.print === own.print ? 2 : part.print === null ? 1 : 0),
    ),
  )
  if (legs.length === 0) return
  // Two legs are of one length.
  if (others.some((part) => part === null)) {
    aged.stays.push(`No legs of this colour are made ${length === 'full' ? 'full length' : `as ${length} ones`}`)
    return
  }
  for (const [i, { placement, own }] of legs.entries()) swap(aged, placement, others[i]!, own, options)
}
