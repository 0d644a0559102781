import type { AlterationKind, Level } from '../catalogue/index.ts'

/** The four schools of what a roster allows, each allowing what the ones before it do. */
export const SCHOOLS = ['as-released', 'exchange-only', 'altered', 'open-bench'] as const
export type School = (typeof SCHOOLS)[number]

/** How alike two characters of a roster may be: twins too, told apart by face, hair or its colour, or every face its own. */
export const FACES = ['any', 'told-apart', 'all-different'] as const
export type Faces = (typeof FACES)[number]

/** Skin tones of the heads: any, the one classic tone alone, or natural tones alone. */
export const SKINS = ['any', 'classic', 'natural'] as const
export type Skins = (typeof SKINS)[number]

/** Alterations of the maker's own parts; a copy by others is a matter of `byOthers`. */
export const OWN_ALTERATIONS = [
  'print-removed',
  'trimmed',
  'cut',
  'painted',
  'sticker',
] as const satisfies AlterationKind[]
export type OwnAlteration = (typeof OWN_ALTERATIONS)[number]

/** What a roster allows. */
export interface HouseRules {
  school: School
  /** How far things may be taken apart for parts; 5, altered for good, is said by `alterations`. */
  takingApart: Level
  /** What may be done to parts for good. */
  alterations: readonly OwnAlteration[]
  /** Parts made by others may be worn. */
  byOthers: boolean
  /** Most main colours besides skin and hair; null for any number. */
  mostMainColours: number | null
  /** A torso may be worn back to front. */
  turnedTorsos: boolean
  faces: Faces
  /** One person keeps one head in all outfits. */
  sameHead: boolean
  skins: Skins
  /** Faces drawn in the old and the new style may stand together. */
  mixedStyles: boolean
  /** Most an outfit may cost in parts to buy; home currency, minor units; null for no limit. */
  spendingLimit: number | null
  /** Figures and releases whose parts are not worn, by code: an official version, for instance. */
  excluded: { figures: readonly string[]; releases: readonly string[] }
}

/** Switches that differ from the school, or from the roster for one outfit. */
export type Switches = Partial<Omit<HouseRules, 'school'>>

const COMMON = {
  mostMainColours: 3,
  turnedTorsos: true,
  faces: 'told-apart',
  sameHead: true,
  skins: 'any',
  mixedStyles: false,
  spendingLimit: null,
  excluded: { figures: [], releases: [] },
} as const

/** The schools as they come; every switch of them can be changed. */
export const HOUSE_RULES: Readonly<Record<School, HouseRules>> = {
  'as-released': { school: 'as-released', takingApart: 1, alterations: [], byOthers: false, ...COMMON },
  'exchange-only': { school: 'exchange-only', takingApart: 4, alterations: [], byOthers: false, ...COMMON },
  altered: { school: 'altered', takingApart: 4, alterations: OWN_ALTERATIONS, byOthers: false, ...COMMON },
  'open-bench': { school: 'open-bench', takingApart: 4, alterations: OWN_ALTERATIONS, byOthers: true, ...COMMON },
}

/** The house rules of a school by its name, with switches changed one list after the other; exchange only where it has no such name. */
export function houseRulesOf(school: string, ...switches: readonly Switches[]): HouseRules {
  const base = HOUSE_RULES[SCHOOLS.find((one) => one === school) ?? 'exchange-only']
  return switches.every((list) => Object.keys(list).length === 0) ? base : Object.assign({}, base, ...switches)
}

/** Switches in the order they are shown in. */
export const SWITCHES = [
  'takingApart',
  'alterations',
  'byOthers',
  'turnedTorsos',
  'mostMainColours',
  'faces',
  'sameHead',
  'skins',
  'mixedStyles',
  'spendingLimit',
  'excluded',
] as const satisfies (keyof Switches)[]

/** The switches that say something else than the rules they are laid over; a value that is the same is no switch. */
export function switchesOver(base: HouseRules, changed: Switches): Switches {
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
  return Object.fromEntries(
    SWITCHES.filter((key) => changed[key] !== undefined && !same(changed[key], base[key])).map((key) => [
      key,
      changed[key],
    ]),
  )
}
