import { mix } from '../colour/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { partWorn, type Catalogue } from '../catalogue/index.ts'
import { PACK_CHOICES, type BonusBuild, type PackChoices, type PackPlan } from '../packs/index.ts'
import { linedUp, type LinedUp } from '../show/index.ts'
import { CARTON_CHOICES, type CartonChoices } from './cartonChoices.ts'
import { LEAFLET_CHOICES, type LeafletChoices } from './leafletChoices.ts'

/** What a series says of one of its outfits. */
export interface SeriesEntry {
  outfit: string
  /** Its number; null while it has none. */
  number: number | null
  /** One line of text. */
  line: string
  /** Who had the idea, or built it. */
  credit: string
}

/** A roster shown as a numbered series. */
export interface Series {
  title: string
  /** Which series it is, as its maker counts: "1", "II". */
  number: string
  /** Who made it. */
  credit: string
  /** That it is made by a private person; printed wherever the series is. */
  privately: string
  entries: SeriesEntry[]
  leaflet: LeafletChoices
  carton: CartonChoices
  packs: PackChoices
  /** A small model whose pieces are spread over the packs; null for none. */
  bonus: BonusBuild | null
}

/** Packs that were packed as they are, and which of them were opened. */
export interface SealedPacks {
  plan: PackPlan
  /** What the figures and bonus items were called when it was sealed. */
  names: Record<string, string>
  opened: number[]
  /** The seal was broken: packs follow the choices again, until it is mended. */
  broken?: boolean
}

/** What the server keeps of a series. */
export interface SeriesKept {
  series: Series | null
  sealed: SealedPacks | null
}

/** Most letters of what is written about a series. */
export const SERIES_TEXTS = { title: 80, number: 12, credit: 120, privately: 240, line: 160, side: 300 } as const

/** What is printed unless somebody words it otherwise. */
export const PRIVATELY = 'Made by a private person for pleasure; not made, sponsored or endorsed by any maker of toys.'

/** What toys of small parts say of themselves, always. */
export const SMALL_PARTS = 'Small parts: keep from children under three and from pets.'

/** A roster begun as a series: numbers follow the shelf. */
export const beginSeries = (roster: { name: string; outfits: readonly { id: string }[] }, credit = ''): Series => ({
  title: roster.name,
  number: '1',
  credit,
  privately: PRIVATELY,
  entries: roster.outfits.map(({ id }, i) => ({ outfit: id, number: i + 1, line: '', credit: '' })),
  leaflet: LEAFLET_CHOICES,
  carton: CARTON_CHOICES,
  packs: { ...PACK_CHOICES, packs: Math.max(1, roster.outfits.length) },
  bonus: null,
})

/** An outfit as it stands in a series, ready to be drawn. */
export interface SeriesMember extends LinedUp {
  faction: string
  number: number | null
  line: string
  credit: string
  /** What it holds, by name. */
  items: string[]
  /** Who or what stands beside it, by name. */
  companions: string[]
  placements: readonly Placement[]
}

interface Told {
  id: string
  name: string
  faction: string
  placements: readonly Placement[]
}

/**
 * The dressed outfits of a series in the order of their numbers; those without one follow as they stand on the shelf.
 * Items and companions are those they wear.
 */
export function seriesMembers(
  outfits: readonly Told[],
  entries: readonly SeriesEntry[],
  catalogue: Catalogue,
): SeriesMember[] {
  const told = new Map(entries.map((entry) => [entry.outfit, entry]))
  return outfits
    .filter(({ placements }) => placements.length > 0)
    .map((outfit): SeriesMember => {
      const named = (slots: readonly string[]) =>
        outfit.placements
          .filter(({ slot }) => slots.includes(slot))
          .flatMap((placement) => partWorn(placement, catalogue)?.name ?? [])
      const { number = null, line = '', credit = '' } = told.get(outfit.id) ?? {}
      return {
        ...linedUp(outfit, catalogue),
        ...{ faction: outfit.faction, number, line, credit, placements: outfit.placements },
        items: named(['heldRight', 'heldLeft']),
        companions: named(['beside']),
      }
    })
    .map((member, i) => ({ member, i }))
    .sort((a, b) => (a.member.number ?? Infinity) - (b.member.number ?? Infinity) || a.i - b.i)
    .map(({ member }) => member)
}

/** Whom a front shows: those chosen, or the first three. */
export function inFront<M extends { id: string }>({ front }: Pick<CartonChoices, 'front'>, members: readonly M[]): M[] {
  const chosen = front.flatMap((id) => members.find((member) => member.id === id) ?? [])
  return chosen.length > 0 ? chosen : members.slice(0, 3)
}

/** The colour beside that of a front: a little darker. */
export const asideOf = ({ colour }: Pick<CartonChoices, 'colour'>): string => mix(colour, '#101014', 0.14)

/** Members of a faction together, in the order its first one comes. */
export function chaptersOf<M extends { faction: string }>(members: readonly M[]): { faction: string; members: M[] }[] {
  const chapters = new Map<string, M[]>()
  for (const member of members) chapters.set(member.faction, [...(chapters.get(member.faction) ?? []), member])
  return [...chapters].map(([faction, own]) => ({ faction, members: own }))
}

/** Numbers from one on in the order of the shelf; what else is said stays. */
export const numbered = (outfits: readonly { id: string }[], entries: readonly SeriesEntry[]): SeriesEntry[] =>
  outfits.map(({ id }, i) => ({
    ...(entries.find(({ outfit }) => outfit === id) ?? { outfit: id, line: '', credit: '' }),
    number: i + 1,
  }))

/** "4 Sif, lanterns": a figure with its number. */
export const numberedName = ({ number, name }: { number: number | null; name: string }): string =>
  `${number ?? ''} ${name}`.trim()

/** "2 × Rod", and of one just its name. */
export const times = (qty: number, name: string): string => (qty === 1 ? name : `${qty} × ${name}`)

/** "series 1 · 12 figures", under a title; a line may break after the dot alone. */
export const seriesInWords = ({ number }: Pick<Series, 'number'>, count: number): string =>
  [number && `series\u00a0${number}\u00a0·`, `${count}\u00a0${count === 1 ? 'figure' : 'figures'}`]
    .filter(Boolean)
    .join(' ')

/** The same series with its outfits called otherwise: by id rather than by name, or the other way. */
export function withOutfitsCalled(series: Series, called: (outfit: string) => string): Series {
  const each = <T extends { outfit: string }>(list: readonly T[]) =>
    list.map((one) => ({ ...one, outfit: called(one.outfit) }))
  const { packs, carton } = series
  return {
    ...series,
    entries: each(series.entries),
    carton: { ...carton, front: carton.front.map(called) },
    packs: {
      ...packs,
      weights: each(packs.weights),
      chase: each(packs.chase),
      items: packs.items.map((item) => ({ ...item, tiedTo: item.tiedTo === null ? null : called(item.tiedTo) })),
    },
  }
}

/** Every outfit a series names, each once. */
export function outfitsOf(series: Series): string[] {
  const found = new Set<string>()
  withOutfitsCalled(series, (outfit) => {
    found.add(outfit)
    return outfit
  })
  return [...found]
}

/** Every part a series names: bonus items and pieces of the bonus build. */
export const partsOf = ({ packs, bonus }: Pick<Series, 'packs' | 'bonus'>): string[] => [
  ...new Set([...packs.items.flatMap(({ part }) => part ?? []), ...(bonus?.pieces.map(({ part }) => part) ?? [])]),
]

/** A series with what it does not say as usual: one that was brought in, or kept by an earlier version, may say less. */
export const completed = (series: Series): Series => ({
  ...series,
  bonus: series.bonus ?? null,
  leaflet: { ...LEAFLET_CHOICES, ...series.leaflet },
  carton: { ...CARTON_CHOICES, ...series.carton },
  packs: {
    ...PACK_CHOICES,
    ...series.packs,
    items: series.packs.items.map((item) => ({ ...item, part: item.part ?? null, tiedTo: item.tiedTo ?? null })),
  },
  entries: series.entries.map((entry) => ({ ...entry, number: entry.number ?? null })),
})
