import { likenessOf, wishesFrom, emptyBrief, statureAt, type Brief } from '../brief/index.ts'
import {
  mainColour,
  mouldOf,
  type Catalogue,
  type Colour,
  type Drawables,
  type Mould,
  type Part,
  type PartKind,
  type Placement,
  type Print,
} from '../catalogue/index.ts'
import { colourDifference, nearestColours } from '../colour/index.ts'
import { statureWorn } from '../fitting/index.ts'
import { STARTER_COLOURS } from '../starter/index.ts'
import type { Recipe, RecipeMould, RecipeOutfit, RecipePart, RecipePlacement, RecipePrint } from './recipe.ts'

/** How a part of a recipe was found here: by its code, by its shape, colour and print, by likeness of looks, or not at all. */
export type Found = 'code' | 'look' | 'near' | 'new'

/** A part of a recipe and what there is for it here. */
export interface MatchedPart {
  placement: RecipePlacement
  found: Found
  /** The part of this catalogue it is; null for `near` and `new`. */
  part: string | null
  /** How like `substitute` looks, in [0, 1]. */
  likeness: number
  /** The part of the drawer that stands in for it; null where nothing loose is like it. */
  substitute: string | null
  /** Lowest single price of what would be bought; null where nobody sells it. */
  price: number | null
}

export interface MatchedOutfit {
  name: string
  note: string
  credits: string
  parts: MatchedPart[]
  /** The figure as it was made; codes of `RecipeMatch.catalogue`. */
  original: Placement[]
  /** The figure out of the own drawer. */
  mine: Placement[]
  brief: Brief
  /** Likeness of `mine` to the original, in milli-points of 100. */
  milli: number
  /** What the parts would cost that the drawer has nothing equal for; and how many of them nobody sells. */
  toBuy: { sum: number; unsold: number }
}

export interface RecipeMatch {
  outfits: MatchedOutfit[]
  /** The own catalogue and, under codes of their own, what of the recipe it does not know. */
  catalogue: Catalogue
  /** What would be made new to have all of the recipe here. */
  made: { colours: Colour[]; moulds: Mould[]; prints: Print[]; parts: Part[] }
}

/** A recipe held against what is here, as it goes over the wire: with everything needed to draw both figures. */
export interface RecipeReport extends Drawables {
  outfits: Omit<MatchedOutfit, 'brief'>[]
  colours: Colour[]
  moulds: Mould[]
  /** How many parts, moulds, prints and colours would be new here. */
  made: { parts: number; moulds: number; prints: number; colours: number }
}

/** Below this nobody would take one part for the other. */
const LEAST_LIKE = 0.45
/** Colours further apart than this have nothing in common (CIEDE2000). */
const FAR = 40
const SAME_COLOUR = 2

const plain = (name: string) => name.trim().toLowerCase()
const sameName = (a: string, b: string) => plain(a) === plain(b)

/** How alike two shapes are, in [0, 1]. */
function shapeLikeness(a: RecipeMould, b: Mould): number {
  if (a.silhouette === b.silhouette) {
    const keys = new Set([...Object.keys(a.traits), ...Object.keys(b.traits)])
    const alike = [...keys].filter((key) => a.traits[key] === b.traits[key]).length
    return keys.size === 0 ? 1 : 0.7 + (0.3 * alike) / keys.size
  }
  const keys = [...new Set([...Object.keys(a.traits), ...Object.keys(b.traits)])]
  const alike = keys.filter((key) => a.traits[key] === b.traits[key]).length
  return keys.length === 0 ? 0.2 : (0.6 * alike) / keys.length
}

const layersOf = (print: RecipePrint | null) => [...(print?.layers.front ?? []), ...(print?.layers.back ?? [])]

/** How alike two prints are, in [0, 1]; nothing is like nothing. */
function printLikeness(a: RecipePrint | null, b: Print | null): number {
  if (!a || !b) return a || b ? 0.1 : 1
  if (a.code === b.code && sameName(a.name, b.name)) return 1
  if (JSON.stringify(a.layers) === JSON.stringify({ front: b.front, back: b.back })) return 1
  const [own, other] = [layersOf(a), [...b.front, ...b.back]].map((layers) => new Set(layers.map(({ kind }) => kind)))
  const both = [...own!].filter((kind) => other!.has(kind)).length
  const all = new Set([...own!, ...other!]).size
  return 0.15 + (all === 0 ? 0 : (0.7 * both) / all)
}

const colourLikeness = (a: string | undefined, b: string | undefined) =>
  a === undefined || b === undefined ? 0.5 : 1 - Math.min(1, Math.max(0, colourDifference(a, b) - SAME_COLOUR) / FAR)

/** How like a part of this catalogue looks to a part of a recipe, in [0, 1]; 0 for another kind of part. */
function lookLikeness(wanted: RecipePart, part: Part, catalogue: Catalogue): number {
  const mould = mouldOf(catalogue, part)
  if (mould.kind !== wanted.mould.kind) return 0
  const print = part.print === null ? null : (catalogue.prints.get(part.print) ?? null)
  const printed = wanted.print !== null || print !== null
  const weights = printed ? [0.3, 0.35, 0.35] : [0.5, 0.5, 0]
  return (
    weights[0]! * shapeLikeness(wanted.mould, mould) +
    weights[1]! * colourLikeness(wanted.colours[0]?.hex, mainColour(catalogue, part)?.hex) +
    weights[2]! * printLikeness(wanted.print, print)
  )
}

/** Whether a part is the wanted one: its shape, all its colours and its print. */
function isSameLook(wanted: RecipePart, part: Part, catalogue: Catalogue): boolean {
  const mould = mouldOf(catalogue, part)
  if (mould.kind !== wanted.mould.kind || mould.silhouette !== wanted.mould.silhouette) return false
  if (mould.code !== wanted.mould.code && !sameName(mould.name, wanted.mould.name)) return false
  const print = part.print === null ? null : (catalogue.prints.get(part.print) ?? null)
  if (printLikeness(wanted.print, print) < 1) return false
  const hexes = part.colours.map((code) => catalogue.colours.get(code)?.hex)
  return (
    wanted.colours.length === hexes.length &&
    wanted.colours.every(({ hex }, i) => hexes[i] !== undefined && colourDifference(hex, hexes[i]) <= SAME_COLOUR)
  )
}

/** Codes of what is made new: its own where that is free here, else with a mark. */
function freeCode(code: string, taken: (code: string) => boolean): string {
  for (let n = 1; ; n++) {
    const tried = n === 1 ? code : `${code}-r${n}`
    if (!taken(tried)) return tried
  }
}

/**
 * What of a recipe there is here. A code counts only where its part looks like the recipe's: codes are everybody's own. Loose
 * parts (`loose`, by code) are given to the figures in their order, the likest first, each once. O(parts × candidates).
 */
export function matchRecipe(
  recipe: Recipe,
  catalogue: Catalogue,
  loose: Readonly<Record<string, number>>,
  lowest: (part: string) => number | undefined,
): RecipeMatch {
  const made: RecipeMatch['made'] = { colours: [], moulds: [], prints: [], parts: [] }
  const all: Growing = {
    colours: new Map(catalogue.colours),
    moulds: new Map(catalogue.moulds),
    prints: new Map(catalogue.prints),
    parts: new Map(catalogue.parts),
  }
  const byKind = new Map<string, Part[]>()
  for (const part of catalogue.parts.values()) {
    const kind = catalogue.moulds.get(part.mould)?.kind
    if (kind !== undefined && part.components.length === 0) byKind.set(kind, [...(byKind.get(kind) ?? []), part])
  }
  const known = new Map<string, { code: string; found: Found }>()
  const here = (wanted: RecipePart) => {
    const key = JSON.stringify([wanted.code, wanted.mould, wanted.colours, wanted.print])
    const before = known.get(key)
    if (before) return before
    const own = catalogue.parts.get(wanted.code)
    const same = (part: Part) => isSameLook(wanted, part, catalogue)
    const look = own && same(own) ? own : (byKind.get(wanted.mould.kind) ?? []).find(same)
    const answer = look
      ? { code: look.code, found: look.code === wanted.code ? ('code' as const) : ('look' as const) }
      : { code: makePart(wanted, all, made), found: 'new' as const }
    known.set(key, answer)
    return answer
  }
  const left = new Map(Object.entries(loose))
  const outfits = recipe.outfits.map((outfit) => {
    const there = outfit.placements.map((placement) => here(placement.part))
    const original = outfit.placements.map((placement, i) => placed(placement, there[i]!.code))
    const substitutes = substitutesFor(outfit, there, byKind, left, catalogue)
    const brief = briefOf(outfit, original, all)
    const mine = outfit.placements.flatMap((placement, i) => {
      const substitute = substitutes[i]
      return substitute ? [placed(placement, substitute.part)] : []
    })
    const parts = outfit.placements.map((placement, i): MatchedPart => {
      const { code, found } = there[i]!
      const substitute = substitutes[i]
      return {
        placement,
        found: found === 'new' && substitute ? 'near' : found,
        part: found === 'new' ? null : code,
        likeness: substitute?.likeness ?? 0,
        substitute: substitute?.part ?? null,
        price: lowest(code) ?? null,
      }
    })
    const bought = parts.filter(({ part, substitute }) => substitute === null || substitute !== part)
    return {
      name: outfit.name,
      note: outfit.note,
      credits: outfit.credits,
      parts,
      original,
      mine,
      brief,
      milli: likenessOf(mine, brief, all).milli,
      toBuy: {
        sum: bought.reduce((sum, { price }) => sum + (price ?? 0), 0),
        unsold: bought.filter(({ price }) => price === null).length,
      },
    }
  })
  return { outfits, catalogue: all, made }
}

const placed = ({ slot, order, turned, altered }: RecipePlacement, part: string): Placement => ({
  slot,
  part,
  order,
  turned,
  ...(altered.length > 0 ? { altered } : {}),
})

/** What an outfit must show to be this figure. */
function briefOf({ note, credits }: RecipeOutfit, original: readonly Placement[], catalogue: Catalogue): Brief {
  return {
    ...emptyBrief(statureWorn(original, catalogue)?.stature ?? statureAt(30)),
    wishes: wishesFrom(original, catalogue),
    notes: note,
    credits,
  }
}

/** The likest loose part for each place, each given once; null where nothing is like it. Takes them from `left`. */
function substitutesFor(
  { placements }: RecipeOutfit,
  there: readonly { code: string }[],
  byKind: ReadonlyMap<string, readonly Part[]>,
  left: Map<string, number>,
  catalogue: Catalogue,
): ({ part: string; likeness: number } | null)[] {
  const pairs = placements.flatMap(({ part: wanted }, place) =>
    (byKind.get(wanted.mould.kind) ?? [])
      .filter(({ code }) => (left.get(code) ?? 0) > 0)
      .map((part) => ({
        place,
        part: part.code,
        likeness: part.code === there[place]!.code ? 1 : Math.min(0.999, lookLikeness(wanted, part, catalogue)),
      }))
      .filter(({ likeness }) => likeness >= LEAST_LIKE),
  )
  pairs.sort((a, b) => b.likeness - a.likeness || a.place - b.place || (a.part < b.part ? -1 : 1))
  const given: ({ part: string; likeness: number } | null)[] = placements.map(() => null)
  for (const { place, part, likeness } of pairs) {
    if (given[place] || (left.get(part) ?? 0) === 0) continue
    given[place] = { part, likeness }
    left.set(part, left.get(part)! - 1)
  }
  return given
}

/** A catalogue that parts of a recipe are added to. */
interface Growing extends Catalogue {
  colours: Map<string, Colour>
  moulds: Map<string, Mould>
  prints: Map<string, Print>
  parts: Map<string, Part>
}

/** The family of the nearest colour there is, here or on the starter shelf; skin is what heads and mitts show alone. */
function familyOf(hex: string, kind: PartKind, { colours }: Catalogue): string {
  const known = [...colours.values(), ...STARTER_COLOURS].filter(
    ({ family }) => family !== 'skin' || kind === 'head' || kind === 'hand',
  )
  return nearestColours(hex, known)[0]?.colour.family ?? 'grey'
}

/** Make a part of a recipe one of the catalogue, with its mould, colours and print where they are not there; its code. */
function makePart(wanted: RecipePart, all: Growing, made: RecipeMatch['made']): string {
  const colours = wanted.colours.map((colour) => {
    const same = [...all.colours.values()].find(
      ({ hex, finish }) => finish === colour.finish && colourDifference(hex, colour.hex) <= SAME_COLOUR,
    )
    if (same) return same.code
    const own = {
      ...colour,
      code: freeCode(colour.code, (code) => all.colours.has(code)),
      family: familyOf(colour.hex, wanted.mould.kind, all),
    }
    all.colours.set(own.code, own)
    made.colours.push(own)
    return own.code
  })
  const { mould: shape, print: layers } = wanted
  const mould =
    [...all.moulds.values()].find(
      ({ kind, silhouette, code, name }) =>
        kind === shape.kind && silhouette === shape.silhouette && (code === shape.code || sameName(name, shape.name)),
    ) ?? newMould()
  const print = layers && ([...all.prints.values()].find((one) => printLikeness(layers, one) === 1) ?? newPrint(layers))
  const part: Part = {
    code: freeCode(wanted.code, (code) => all.parts.has(code)),
    name: wanted.name,
    mould: mould.code,
    colours,
    print: print?.code ?? null,
    year: wanted.sources.find(({ year }) => year !== null)?.year ?? null,
    photo: null,
    components: [],
  }
  all.parts.set(part.code, part)
  made.parts.push(part)
  return part.code

  function newMould(): Mould {
    const own: Mould = {
      ...shape,
      code: freeCode(shape.code, (code) => all.moulds.has(code)),
      mass: 1,
      connections: [],
      covers: [],
    }
    all.moulds.set(own.code, own)
    made.moulds.push(own)
    return own
  }
  function newPrint({ code, name, layers: { front, back } }: RecipePrint): Print {
    const own: Print = {
      code: freeCode(code, (tried) => all.prints.has(tried)),
      name,
      kind: shape.kind,
      front,
      back,
      traits: {},
    }
    all.prints.set(own.code, own)
    made.prints.push(own)
    return own
  }
}
