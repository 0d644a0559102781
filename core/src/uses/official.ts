import { judgesOf, likenessBy, type Brief } from '../brief/index.ts'
import { COLOUR_LIMITS } from '../colour/index.ts'
import { partWorn, type AlterationKind, type Catalogue, type Part, type Placement } from '../catalogue/index.ts'
import { apartness } from '../parts/index.ts'
import { tryingOn, type Wearer } from './usesOf.ts'

/** A figure as it is released. */
export interface ReleasedFigure {
  code: string
  name: string
  placements: readonly Placement[]
}

/** An outfit that was planned before. */
export interface Planned {
  id: string
  character: string
  placements: readonly Placement[]
  brief: Brief
  /** The released figure it began with; that one replaces nobody. */
  base: string | null
}

/** A released figure that may stand for somebody who was planned. Likeness in milli-points of a hundred. */
export interface Official {
  outfit: string
  figure: string
  /** It is called as the character is. */
  byName: boolean
  /** Likeness of what is worn, and of the figure as it is sold. */
  own: number
  official: number
}

/** From this likeness on a figure is told of whatever it is called, if it is also about as like as what is worn. */
const LIKE = 75_000
const ABOUT = 5_000
/** So many wishes at least say who somebody is. */
const ENOUGH = 3

/** What an outfit would gain by a part of a released figure. */
export interface Borrowed {
  part: string
  /** Likeness with it, in milli-points. */
  after: number
  placements: Placement[]
}

/** Parts of a figure that would make an outfit more like its brief, each by itself, the most first. */
export function borrowedFrom(
  figure: Pick<ReleasedFigure, 'placements'>,
  { placements, brief, level }: Planned & Pick<Wearer, 'level'>,
  catalogue: Catalogue,
): Borrowed[] {
  const put = tryingOn({ brief, level }, catalogue, true)
  return [...new Set(figure.placements.map(({ part }) => part))]
    .flatMap((code): Borrowed[] => {
      const part = catalogue.parts.get(code)
      const use = part && put(part, placements)
      return use ? [{ part: code, after: use.after, placements: use.placements }] : []
    })
    .sort((a, b) => b.after - a.after || (a.part < b.part ? -1 : 1))
}

/** Words of a name without accents, in small letters; those of two letters are no names. */
const wordsOf = (name: string): string[] =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length > 2)

/**
 * Released figures for characters that were planned: called as they are, or as like their brief as what they wear. The most
 * gained first. O(figures × outfits × wishes).
 */
export function officialsFor(
  figures: readonly ReleasedFigure[],
  outfits: readonly Planned[],
  catalogue: Catalogue,
): Official[] {
  const found: Official[] = []
  for (const { id, character, placements, brief, base } of outfits) {
    // What stands behind a comma says what somebody does.
    const name = wordsOf(character.split(',')[0]!)
    const judges = judgesOf(brief, catalogue)
    const likeness = (worn: readonly Placement[]) => likenessBy(judges, worn, catalogue).milli
    const told = brief.wishes.length >= ENOUGH
    const own = told ? likeness(placements) : 0
    for (const figure of figures) {
      if (figure.code === base || figure.placements.length === 0) continue
      const called = wordsOf(figure.name)
      const byName = name.length > 0 && name.every((word) => called.includes(word))
      const official = told ? likeness(figure.placements) : 0
      if (byName || (told && official >= LIKE && official >= own - ABOUT))
        found.push({ outfit: id, figure: figure.code, byName, own, official })
    }
  }
  return found.sort(
    (a, b) =>
      Number(b.byName) - Number(a.byName) ||
      b.official - b.own - (a.official - a.own) ||
      (a.outfit < b.outfit ? -1 : 1),
  )
}

/** A part that was altered with effort, and one that now comes as it was made to look. */
export interface Unaltered {
  outfit: string
  /** What is worn, altered. */
  part: string
  kinds: AlterationKind[]
  /** What comes so by itself. */
  instead: string
}

/** Alterations after which a part looks like another that could be made. */
const LOOKS: readonly AlterationKind[] = ['painted', 'print-removed', 'sticker']

/** Parts that now come as others were altered to look: the same shape and print in a colour no eye tells apart. */
export function unalteredAmong(
  parts: readonly Part[],
  outfits: readonly Pick<Planned, 'id' | 'placements'>[],
  catalogue: Catalogue,
): Unaltered[] {
  return outfits.flatMap(({ id, placements }) =>
    placements.flatMap((placement): Unaltered[] => {
      const kinds = (placement.altered ?? []).map(({ kind }) => kind)
      if (kinds.length === 0 || !kinds.every((kind) => LOOKS.includes(kind))) return []
      const looks = partWorn(placement, catalogue)
      if (!looks) return []
      const instead = parts.find((part) => {
        if (part.components.length > 0) return false
        const apart = apartness(looks, part, catalogue)
        return apart !== null && apart <= COLOUR_LIMITS.same
      })
      return instead ? [{ outfit: id, part: placement.part, kinds, instead: instead.code }] : []
    }),
  )
}
