import { groupBy } from '../base/index.ts'
import { emptyBrief, likenessOf, wishesFrom, type Brief } from '../brief/index.ts'
import type { Catalogue, Colour, Drawables, Mould, Part, Placement } from '../catalogue/index.ts'
import { isCopy } from '../drawer/index.ts'
import { statureWorn } from '../fitting/index.ts'
import type { Recipe, RecipeOutfit, RecipePart, RecipePlacement } from './recipe.ts'
import { isSameLook, lookLikeness } from './recipeLooks.ts'
import { RecipeMaker, type MadeOfRecipe } from './recipeMaker.ts'

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
  made: MadeOfRecipe
}

/** A recipe held against what is here, as it goes over the wire: with everything needed to draw both figures. */
export interface RecipeReport extends Drawables {
  outfits: Omit<MatchedOutfit, 'brief'>[]
  colours: Colour[]
  moulds: Mould[]
  /** How many parts, moulds, prints and colours would be new here, and layers of prints left out. */
  made: { parts: number; moulds: number; prints: number; colours: number; strangeLayers: number }
}

/** Below this nobody would take one part for the other. */
const LEAST_LIKE = 0.45
/** Loose parts that are weighed for one wanted part, the likest. */
const MOST_LIKE = 200

/**
 * What of a recipe there is here. A code counts only where its part looks like the recipe's: codes are everybody's own. Loose
 * parts (`loose`, by code) are given to the figures in their order, the likest first, each once; copies made by others are
 * neither given nor bought. O(distinct parts × candidates of their kinds).
 */
export function matchRecipe(
  recipe: Recipe,
  catalogue: Catalogue,
  loose: Readonly<Record<string, number>>,
  lowest: (part: string) => number | undefined,
): RecipeMatch {
  const maker = new RecipeMaker(catalogue)
  const pieces = [...catalogue.parts.values()].filter(({ components }) => components.length === 0)
  const ofKind = groupBy(pieces, ({ mould }) => catalogue.moulds.get(mould)?.kind)
  const looseOfKind = groupBy(
    pieces.filter(({ code }) => (loose[code] ?? 0) > 0),
    ({ mould }) => catalogue.moulds.get(mould)?.kind,
  )
  const known = new Map<string, Wanted>()
  const wantedOf = (wanted: RecipePart): Wanted => {
    const key = JSON.stringify([wanted.code, wanted.mould, wanted.colours, wanted.print])
    const before = known.get(key)
    if (before) return before
    const own = catalogue.parts.get(wanted.code)
    const same = (part: Part) => isSameLook(wanted, part, catalogue)
    const look = own && same(own) ? own : (ofKind.get(wanted.mould.kind) ?? []).find(same)
    const code = look?.code ?? maker.part(wanted)
    const found: Found = !look ? 'new' : code === wanted.code ? 'code' : 'look'
    const like = (looseOfKind.get(wanted.mould.kind) ?? [])
      .map((part) => ({
        part: part.code,
        likeness: part.code === code ? 1 : Math.min(0.999, lookLikeness(wanted, part, catalogue)),
      }))
      .filter(({ likeness }) => likeness >= LEAST_LIKE)
      .sort(likestFirst)
      .slice(0, MOST_LIKE)
    const answer = { code, found, like }
    known.set(key, answer)
    return answer
  }
  const left = new Map(Object.entries(loose))
  const outfits = recipe.outfits.map((outfit): MatchedOutfit => {
    const wanted = outfit.placements.map(({ part }) => wantedOf(part))
    const original = outfit.placements.map((placement, i) => placed(placement, wanted[i]!.code, maker))
    const substitutes = substitutesFor(outfit, wanted, left)
    const mine = outfit.placements.flatMap((placement, i) => {
      const substitute = substitutes[i]
      return substitute ? [placed(placement, substitute.part, maker)] : []
    })
    const brief = briefOf(outfit, original, maker.catalogue)
    const parts = outfit.placements.map((placement, i): MatchedPart => {
      const { code, found } = wanted[i]!
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
    const lacked = parts.filter(
      ({ placement, part, substitute }) => !isCopy(placement) && (substitute === null || substitute !== part),
    )
    return {
      name: outfit.name,
      note: outfit.note,
      credits: outfit.credits,
      parts,
      original,
      mine,
      brief,
      milli: likenessOf(mine, brief, maker.catalogue).milli,
      toBuy: {
        sum: lacked.reduce((sum, { price }) => sum + (price ?? 0), 0),
        unsold: lacked.filter(({ price }) => price === null).length,
      },
    }
  })
  return { outfits, catalogue: maker.catalogue, made: maker.made }
}

/** What there is for a wanted part: its own code here, and loose parts like it, the likest first. */
interface Wanted {
  code: string
  found: Found
  like: Like[]
}
interface Like {
  part: string
  likeness: number
}
const likestFirst = (a: Like, b: Like) => b.likeness - a.likeness || (a.part < b.part ? -1 : 1)

function placed(
  { slot, order, turned, altered, made, part: { mould } }: RecipePlacement,
  part: string,
  maker: RecipeMaker,
): Placement {
  const done = altered.map((one) => maker.alteration(one, mould.kind))
  return {
    slot,
    part,
    order,
    turned,
    ...(done.length > 0 ? { altered: done } : {}),
    ...(made ? { made: maker.madeOf(made) } : {}),
  }
}

/** What an outfit must show to be this figure. */
const briefOf = ({ note, credits }: RecipeOutfit, original: readonly Placement[], catalogue: Catalogue): Brief => ({
  ...emptyBrief(statureWorn(original, catalogue)?.stature),
  wishes: wishesFrom(original, catalogue),
  notes: note,
  credits,
})

/** The likest loose part for each place, each given once; null where nothing is like it. Takes them from `left`. */
function substitutesFor(
  { placements }: RecipeOutfit,
  wanted: readonly Wanted[],
  left: Map<string, number>,
): (Like | null)[] {
  const pairs = placements.flatMap((placement, place) =>
    isCopy(placement) ? [] : wanted[place]!.like.map((like) => ({ place, ...like })),
  )
  pairs.sort((a, b) => b.likeness - a.likeness || a.place - b.place || likestFirst(a, b))
  const given: (Like | null)[] = placements.map(() => null)
  for (const { place, part, likeness } of pairs) {
    if (given[place] || (left.get(part) ?? 0) === 0) continue
    given[place] = { part, likeness }
    left.set(part, left.get(part)! - 1)
  }
  return given
}
