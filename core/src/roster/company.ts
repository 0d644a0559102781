import type { Stature } from '../brief/index.ts'
import type { Placement } from '../catalogue/index.ts'
import type { HeadOfAge } from './heads.ts'

/** Who wears an outfit of a roster. */
export interface Person {
  outfit: string
  name: string
  character: string
  faction: string
  stature: Stature
  years: number | null
  /** Heads by age the character is stated to have; empty for one in every outfit. */
  heads: readonly HeadOfAge[]
}

/** An outfit of a roster as others see it: its chosen take. */
export interface Member extends Person {
  placements: Placement[]
}

/** An outfit among the others of its roster. */
export interface Company {
  self: Person
  others: readonly Member[]
}
