import type { Catalogue, Part } from '../catalogue/index.ts'
import { COLOUR_LIMITS } from '../colour/index.ts'
import { apartness } from '../parts/index.ts'

/** Parts that would do for wanted ones, by the wanted part: each with what a unit is worth less, in minor units. */
export type SecondChoices = ReadonlyMap<string, readonly { part: string; penalty: number }[]>

/** Minor units that a part looking one point (CIEDE2000) different is worth less. */
export const PENALTY_A_POINT = 10
/** So many are taken for each wanted part. */
const MOST = 3

/**
 * Second choices for wanted parts out of others: of the same mould, not plainly different to look at, the most alike first.
 * O(wanted × others).
 */
export function secondChoices(wanted: readonly Part[], others: readonly Part[], catalogue: Catalogue): SecondChoices {
  return new Map(
    wanted.map((part) => {
      const near = others
        .filter((other) => other.code !== part.code && other.mould === part.mould)
        .flatMap((other) => {
          const apart = apartness(part, other, catalogue)
          return apart !== null && apart <= COLOUR_LIMITS.different ? [{ part: other.code, apart }] : []
        })
        .sort((a, b) => a.apart - b.apart || (a.part < b.part ? -1 : 1))
        .slice(0, MOST)
      return [
        part.code,
        near.map(({ part: code, apart }) => ({ part: code, penalty: Math.round(apart * PENALTY_A_POINT) })),
      ]
    }),
  )
}
