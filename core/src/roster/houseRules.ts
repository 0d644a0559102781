import type { Level } from '../catalogue/index.ts'

/** The four schools of what a roster allows, each allowing what the ones before it do. */
export const SCHOOLS = ['as-released', 'exchange-only', 'altered', 'open-bench'] as const
export type School = (typeof SCHOOLS)[number]

/** What a roster allows. */
export interface HouseRules {
  school: School
  /** How far things may be taken apart for parts. */
  takingApart: Level
  /** Parts made by others may be worn. */
  byOthers: boolean
  /** Most main colours besides skin and hair; null for any number. */
  mostMainColours: number | null
  /** A torso may be worn back to front. */
  turnedTorsos: boolean
}

const COMMON = { mostMainColours: 3, turnedTorsos: true } as const

/** The schools as they come; every switch of them can be changed. */
export const HOUSE_RULES: Readonly<Record<School, HouseRules>> = {
  'as-released': { school: 'as-released', takingApart: 1, byOthers: false, ...COMMON },
  'exchange-only': { school: 'exchange-only', takingApart: 4, byOthers: false, ...COMMON },
  altered: { school: 'altered', takingApart: 5, byOthers: false, ...COMMON },
  'open-bench': { school: 'open-bench', takingApart: 5, byOthers: true, ...COMMON },
}

/** The house rules of a school by its name; exchange only where it has no such name. */
export const houseRulesOf = (school: string): HouseRules =>
  HOUSE_RULES[SCHOOLS.find((one) => one === school) ?? 'exchange-only']
