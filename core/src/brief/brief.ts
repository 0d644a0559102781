import type { Place } from './places.ts'

/** How much a wish weighs, in four plain steps. */
export const WEIGHTS = {
  must: { label: 'must', share: 8 },
  matters: { label: 'matters', share: 4 },
  nice: { label: 'would be nice', share: 1 },
  none: { label: 'does not matter', share: 0 },
} as const
export type Weight = keyof typeof WEIGHTS

/** One thing the outfit must show: a trait at a place. `target` is #RRGGBB for colours, else a value of the trait. */
export interface BriefWish {
  place: Place
  trait: string
  target: string
  weight: Weight
}

/** Wishes of a role kept under a name, to begin other briefs with. */
export interface WishTemplate {
  id: string
  name: string
  wishes: BriefWish[]
}

/** What no candidate may be: worn by named figures or releases (by code), made by others, dearer than a limit. */
export interface Avoid {
  figures: string[]
  releases: string[]
  byOthers: boolean
  /** Home currency, minor units; null for no limit. */
  priceAbove: number | null
}

/** How tall the character stands. `years`, where known, says it through STATURE_BY_YEARS. */
export const STATURES = ['short', 'middle', 'full', 'raised'] as const
export type Stature = (typeof STATURES)[number]

/** What an outfit must show. */
export interface Brief {
  wishes: BriefWish[]
  stature: Stature
  statureWeight: Weight
  /** Age of the character in years; null where the age class says enough. */
  years: number | null
  /** Keys of ABILITIES: what has to be seen that they do or are. */
  abilities: string[]
  avoid: Avoid
  notes: string
  credits: string
}

export const emptyBrief = (stature: Stature = 'full'): Brief => ({
  wishes: [],
  stature,
  statureWeight: 'matters',
  years: null,
  abilities: [],
  avoid: { figures: [], releases: [], byOthers: false, priceAbove: null },
  notes: '',
  credits: '',
})

/** Whether a brief says anything about whom to show. */
export const saysAnything = ({ wishes, abilities, years, notes }: Omit<Brief, 'stature'>): boolean =>
  wishes.length > 0 || abilities.length > 0 || years !== null || notes.trim() !== ''

/** Years from which a character stands so tall; the usual reading of age, which a house table may replace. */
const STATURE_BY_YEARS: readonly (readonly [number, Stature])[] = [
  [15, 'full'],
  [8, 'middle'],
  [0, 'short'],
]

/** The stature of an age in whole years. Throws below 0. */
export function statureAt(years: number): Stature {
  const found = STATURE_BY_YEARS.find(([from]) => years >= from)
  if (!found) throw new Error(`${years} is no age; write whole years from 0.`)
  return found[1]
}
