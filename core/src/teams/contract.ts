import type { Brief } from '../brief/index.ts'
import type { ArmyFace } from './armyFaces.ts'

/** A member of a team as its casting sees it. */
export interface TeamMember {
  outfit: string
  brief: Brief
  /** 0 where none was written. */
  briefVersion: number
  /** Its first reference picture, by content hash; null where it has none. */
  photo: string | null
  /** Parts it may not wear. */
  avoided: string[]
}

/** An army of an outfit: what so many of it would wear, own and have to buy besides the first. */
export interface Army {
  count: number
  alike: number
  /** Heads of all but the first; null where there are too few faces. */
  faces: ArmyFace[] | null
  /** The largest army the rule for faces allows. */
  most: number
  /** What is worn besides heads, for all but the first. */
  needs: { part: string; need: number; owned: number; toBuy: number; price: number | null }[]
  /** What is to be bought, at lowest single prices before shipping. */
  price: number
  /** Parts to buy that nobody sells singly. */
  unoffered: string[]
  /** How many, the first aside, could be dressed from what nobody else needs. */
  complete: number
}
