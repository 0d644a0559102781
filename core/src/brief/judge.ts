import type { Catalogue } from '../catalogue/index.ts'
import { COLOUR_LIMITS, colourDifference, differenceInWords, nearestColours } from '../colour/index.ts'
import { paletteOf } from '../starter/index.ts'
import { WEIGHTS, type Brief, type BriefWish } from './brief.ts'
import type { Look } from './look.ts'
import { colourScore, scaleScore, valueScore } from './similar.ts'
import { traitNamed, type BriefTrait } from './traits.ts'

/** Milli-points an outfit has that shows everything it should: 100 points. */
export const WHOLE = 100_000

/** A wish made ready to judge many looks. */
export interface Judge {
  wish: BriefWish
  trait: BriefTrait
  /** Milli-points a look earns that shows the wish in full; all wishes of a brief together come to WHOLE. */
  most: number
  /** Score in [0, 1] of a look; null is an empty place. */
  score: (look: Look | null) => number
  /** What a look shows of the wish, in words with the figures in them. */
  words: (look: Look | null) => string
}

/** The wishes of a brief that weigh anything, with those its stature stands for. */
export function wishesOf(brief: Brief): BriefWish[] {
  const { stature, statureWeight: weight } = brief
  const legs: BriefWish = { place: 'legs', trait: 'length', target: stature === 'raised' ? 'full' : stature, weight }
  const plate: BriefWish = { place: 'feet', trait: 'riser', target: 'yes', weight }
  return [...brief.wishes, legs, ...(stature === 'raised' ? [plate] : [])].filter(
    (wish) => WEIGHTS[wish.weight].share > 0,
  )
}

/** Make the wishes of a brief ready. Throws when one names a trait there is not. O(wishes × palette). */
export function judgesOf(brief: Brief, catalogue: Catalogue): Judge[] {
  const wishes = wishesOf(brief)
  const whole = wishes.reduce((sum, { weight }) => sum + WEIGHTS[weight].share, 0)
  let before = 0
  return wishes.map((wish) => {
    // Rounded as a running sum, so that no milli-point is lost or won on the way.
    const after = before + WEIGHTS[wish.weight].share
    const most = Math.round((WHOLE * after) / whole) - Math.round((WHOLE * before) / whole)
    before = after
    const trait = traitNamed(wish.trait)
    const shownBy = (look: Look | null) => (look ? trait.read(look) : trait.empty)
    return {
      wish,
      trait,
      most,
      score: (look) => scoreOf(trait, wish.target, shownBy(look)),
      words: wordsFor(wish, trait, catalogue, shownBy),
    }
  })
}

function scoreOf(trait: BriefTrait, wanted: string, shown: string | null): number {
  if (shown === null) return 0
  if (trait.kind === 'colour') return colourScore(colourDifference(wanted, shown))
  if (trait.kind === 'scale') return scaleScore(trait.values.indexOf(wanted) - trait.values.indexOf(shown))
  return valueScore(trait.key, wanted, shown)
}

/** "Copper" for a colour of the palette, "near Copper" for one between; the code where there is no palette. */
export function colourInWords(hex: string, catalogue: Catalogue): string {
  const [nearest] = nearestColours(hex, paletteOf(catalogue))
  if (!nearest) return hex
  return nearest.deltaE <= COLOUR_LIMITS.same ? nearest.colour.name : `near ${nearest.colour.name}`
}

function wordsFor(
  { target }: BriefWish,
  { kind, label }: BriefTrait,
  catalogue: Catalogue,
  shownBy: (look: Look | null) => string | null,
): Judge['words'] {
  if (kind === 'colour') {
    // Looking for the nearest name is dear, and mostly nobody reads it.
    let wanted: string | undefined
    return (look) => {
      const shown = shownBy(look)
      if (shown === null) return `${label} missing`
      const deltaE = colourDifference(target, shown)
      const words = differenceInWords(deltaE)
      const joint = words === 'near' ? '' : words === 'the same' ? ' as' : ' from'
      wanted ??= colourInWords(target, catalogue).replace(/^near /, 'the sample near ')
      return `${label} ${words}${joint} ${wanted}, ΔE ${deltaE.toFixed(1)}`
    }
  }
  if (kind === 'mould') {
    const wanted = catalogue.moulds.get(target)?.name ?? target
    return (look) => (shownBy(look) === target ? `the very mould: ${wanted}` : `not the mould ${wanted}`)
  }
  if (kind === 'yes-no')
    return (look) => {
      const shown = shownBy(look)
      if (target === 'yes') return shown === 'yes' ? label : `${label} missing`
      return shown === 'yes' ? `${label}, though unwished` : `no ${label}`
    }
  return (look) => {
    const shown = shownBy(look)
    if (shown === target) return `${label} right: ${target}`
    return shown === null ? `${label} missing: ${target}` : `${label} ${shown}, not ${target}`
  }
}
