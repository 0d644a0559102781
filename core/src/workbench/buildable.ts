import { judgesOf, likenessBy, type Brief } from '../brief/index.ts'
import type { Catalogue, Part, Placement } from '../catalogue/index.ts'
import { type Portion, shareOut, type Wanting } from '../allotment/index.ts'
import { type Drawer } from '../drawer/index.ts'
import { alikeParts } from '../parts/index.ts'

/** An outfit that could be built, with its share of the drawer. */
export interface Candidate extends Wanting, Portion {
  id: string
  name: string
  brief: Brief | null
  /** For each placement, the parcel its part is to come in; null for what is owned or not ordered. */
  arriving?: readonly (string | null)[]
}

/** How near an outfit is to being built, the nearest first. */
export const NEARNESS = ['complete', 'apart', 'before-others', 'on-its-way', 'lacks-one', 'lacks-more'] as const
export type Nearness = (typeof NEARNESS)[number]

export interface Buildable {
  id: string
  name: string
  nearness: Nearness
  /** Parts that are neither owned nor copies by others nor ordered, even if it came first. */
  lacks: Placement[]
  /** Parts it lacks that are ordered and on their way. */
  coming: Placement[]
  /** Codes of donors that would be taken apart. */
  donors: string[]
  /** Names of outfits that count on parts it would take. */
  others: string[]
  /** Owned parts nobody needs, for what it lacks; null where there is none. */
  instead: ({ part: string; apart: number } | null)[]
  /** Milli-points of likeness as planned, and with what would be worn instead; null without wishes. */
  likeness: { planned: number; built: number } | null
}

/**
 * What could be built today, the nearest first; among equals by the likeness that is kept, then by how little is disturbed.
 * `standing` outfits are left out by the caller. `spare` are owned parts nobody needs. O(outfits × parts).
 */
export function buildable(
  candidates: readonly Candidate[],
  all: readonly Candidate[],
  drawer: Drawer,
  spare: Readonly<Record<string, number>>,
  catalogue: Catalogue,
): Buildable[] {
  const free = Object.entries(spare).flatMap(([code, qty]): Part[] => {
    const part = qty > 0 ? catalogue.parts.get(code) : undefined
    return part ? [part] : []
  })
  return candidates
    .map((one) => nearnessOf(one, all, drawer, free, catalogue))
    .sort(
      (a, b) =>
        NEARNESS.indexOf(a.nearness) - NEARNESS.indexOf(b.nearness) ||
        a.lacks.length - b.lacks.length ||
        kept(b) - kept(a) ||
        a.donors.length + a.others.length - (b.donors.length + b.others.length),
    )
}

const kept = ({ likeness }: Buildable) => (likeness && likeness.planned > 0 ? likeness.built / likeness.planned : 1)

function nearnessOf(
  one: Candidate,
  all: readonly Candidate[],
  drawer: Drawer,
  free: readonly Part[],
  catalogue: Catalogue,
): Buildable {
  const { id, name, placements, sources, brief, arriving } = one
  const [alone] = shareOut(drawer, [one])
  const comes = (i: number) => typeof arriving?.[i] === 'string'
  const lacks = placements.filter((_, i) => alone!.sources[i] === null && !comes(i))
  const coming = placements.filter((_, i) => alone!.sources[i] === null && comes(i))
  const own = lacks.length + coming.length === 0 && sources.every((source) => source !== null)
  const used = own ? sources : alone!.sources
  const donors = [...new Set(used.flatMap((source) => source?.donor ?? []))].sort()
  const short = placements.filter((_, i) => sources[i] === null && alone!.sources[i] !== null)
  const others = losersOf(
    short.map(({ part }) => part),
    all.filter((other) => other.id !== id),
  )
  const instead = lacks.map(({ part: code }) => {
    const part = catalogue.parts.get(code)
    return part ? (alikeParts(part, free, catalogue)[0] ?? null) : null
  })
  const nearness = (): Nearness => {
    if (lacks.length > 0) return lacks.length === 1 ? 'lacks-one' : 'lacks-more'
    if (coming.length > 0) return 'on-its-way'
    if (!own) return 'before-others'
    return donors.length > 0 ? 'apart' : 'complete'
  }
  return {
    id,
    name,
    nearness: nearness(),
    lacks,
    coming,
    donors,
    others,
    instead,
    // What is on its way is worn by nobody today.
    likeness: likenessWith(one, [...lacks, ...coming], instead, brief, catalogue),
  }
}

/** Names of the outfits that would lose some parts: those that come last of who has them, what stands built aside. */
export function losersOf(
  parts: readonly string[],
  others: readonly (Wanting & Pick<Portion, 'sources'> & { name: string })[],
): string[] {
  const wanted = [...parts]
  const losers = new Set<string>()
  for (let at = others.length - 1; at >= 0 && wanted.length > 0; at--) {
    const { name, placements, sources, standing } = others[at]!
    const own = { ...standing }
    placements.forEach(({ part }, i) => {
      const source = sources[i]
      if (!source || source.elsewhere) return
      if (source.donor === null && (own[part] ?? 0) > 0) return void own[part]!--
      const at = wanted.indexOf(part)
      if (at < 0) return
      wanted.splice(at, 1)
      losers.add(name)
    })
  }
  return [...losers].sort()
}

function likenessWith(
  { placements }: Candidate,
  lacks: readonly Placement[],
  instead: readonly ({ part: string } | null)[],
  brief: Brief | null,
  catalogue: Catalogue,
): Buildable['likeness'] {
  if (!brief?.wishes.some(({ weight }) => weight !== 'none')) return null
  const judges = judgesOf(brief, catalogue)
  const built = placements.flatMap((placement) => {
    const at = lacks.indexOf(placement)
    if (at < 0) return [placement]
    const other = instead[at] ?? null
    return other ? [{ ...placement, part: other.part }] : []
  })
  return {
    planned: likenessBy(judges, placements, catalogue).milli,
    built: likenessBy(judges, built, catalogue).milli,
  }
}
