import { countParts } from '../anatomy/index.ts'
import type { Part, Placement } from '../catalogue/index.ts'
import { isCopy } from '../drawer/index.ts'
import type { Army } from './contract.ts'
import { armyFaces, mostFaces, type ArmyFace, type ArmyHead } from './armyFaces.ts'

/** What an army is made from. */
export interface ArmyQuestion {
  /** What the first of it wears, a head among it. */
  placements: readonly Placement[]
  /** How many in all, and how many of one face at most. */
  count: number
  alike: number
  /** Printed heads of the same shape and skin, the one worn among them. */
  heads: readonly Part[]
  /** Owned parts nobody needs. */
  spare: Readonly<Record<string, number>>
  /** Lowest single price, home currency, minor units; null where nobody sells it. */
  priceOf: (part: string) => number | null
}

/** What all but the first of an army would wear, own and have to buy. O(heads log heads + placements). */
export function armyOf({ placements, count, alike, heads, spare, priceOf }: ArmyQuestion): Army {
  const faceOf = (part: Part) => part.print ?? part.code
  const own = heads.find(({ code }) => placements.some(({ slot, part }) => slot === 'head' && part === code))
  const choice = heads.map((part): ArmyHead => ({
    part: part.code,
    face: faceOf(part),
    spare: spare[part.code] ?? 0,
    price: priceOf(part.code),
  }))
  const taken = own ? [faceOf(own)] : []
  const faces = armyFaces(count - 1, alike, choice, taken)
  const each = countParts(placements.filter((placement) => placement.slot !== 'head' && !isCopy(placement)))
  const needs = [...each].map(([part, qty]) => {
    const need = qty * (count - 1)
    const owned = Math.min(need, spare[part] ?? 0)
    return { part, need, owned, toBuy: need - owned, price: priceOf(part) }
  })
  return {
    count,
    alike,
    faces,
    most: mostFaces(alike, choice, taken) + 1,
    needs,
    price:
      needs.reduce((sum, { toBuy, price }) => sum + toBuy * (price ?? 0), 0) +
      (faces ?? []).reduce((sum, { price }) => sum + price, 0),
    unoffered: needs.filter(({ toBuy, price }) => toBuy > 0 && price === null).map(({ part }) => part),
    complete: Math.min(
      (faces ?? []).filter(({ from }) => from === 'spare').length,
      ...needs.map(({ part, owned }) => Math.floor(owned / each.get(part)!)),
    ),
  }
}

/**
 * What another of an army wears: the same with another head, as it is sold. What is altered on the first is still to be
 * done on the others.
 */
export const armyWears = (placements: readonly Placement[], face: ArmyFace): Placement[] =>
  placements.map(({ altered, ...placement }) => {
    if (placement.slot === 'head') return { ...placement, part: face.part, turned: false }
    return altered ? { ...placement, altered: altered.map(({ final: _done, ...alteration }) => alteration) } : placement
  })

/** Names for others of an army that nobody has yet: "Ada 2", "Ada 3". */
export function armyNames(name: string, count: number, taken: ReadonlySet<string>): string[] {
  const names: string[] = []
  for (let number = 2; names.length < count; number++)
    if (!taken.has(`${name} ${number}`)) names.push(`${name} ${number}`)
  return names
}
