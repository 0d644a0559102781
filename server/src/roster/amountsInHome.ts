import { convert, homeCurrency, MissingRate, type Rate } from '@outfit/core/market'
import { limitsIn } from '@outfit/core/roster'
import { Problem } from '../base/problem.ts'
import { today } from '../base/today.ts'
import type { RosterImport } from './dto.ts'

/**
 * A roster of a file with its budget and limits in the home currency, at the newest rate. Refused by its field where there is
 * an amount and no rate for it.
 */
export function amountsInHome(roster: RosterImport, rates: readonly Rate[], path: string): RosterImport {
  const [from, home] = [roster.currency, homeCurrency()]
  if (from === home) return roster
  const turned = (minor: number) => {
    try {
      return convert(minor, from, home, today(), rates)
    } catch (error) {
      if (!(error instanceof MissingRate)) throw error
      const message = `amounts are in ${from}, and the rate table has no rate to ${home}`
      throw new Problem(400, `${path}currency: ${message}. Nothing was written.`, [
        { field: `${path}currency`, message },
      ])
    }
  }
  const orNone = (minor: number | null | undefined) => (minor === null || minor === undefined ? null : turned(minor))
  return {
    ...roster,
    currency: home,
    ...(typeof roster.budget === 'number' ? { budget: turned(roster.budget) } : {}),
    ...(roster.switches ? { switches: limitsIn(roster.switches, turned) as typeof roster.switches } : {}),
    characters: roster.characters.map((character) => ({
      ...character,
      outfits: character.outfits.map((outfit) => ({
        ...outfit,
        ...(outfit.switches ? { switches: limitsIn(outfit.switches, turned) as typeof outfit.switches } : {}),
        ...(outfit.brief
          ? {
              brief: {
                ...outfit.brief,
                avoid: { ...outfit.brief.avoid, priceAbove: orNone(outfit.brief.avoid.priceAbove) },
              },
            }
          : {}),
      })),
    })),
  }
}
