import type { PinSummary, RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import { stateCounts } from './progress.ts'

/** Outfits by faction, in the order factions first appear, numbered along the shelf. */
export function byFaction(
  outfits: readonly ShelfOutfit[],
): { faction: string; outfits: { outfit: ShelfOutfit; number: number }[] }[] {
  let number = 0
  return [...new Set(outfits.map(({ faction }) => faction))].map((faction) => ({
    faction,
    outfits: outfits.filter((outfit) => outfit.faction === faction).map((outfit) => ({ outfit, number: ++number })),
  }))
}

/** Widths in pixels: of a figure's place for each pixel of height, of the rule's numbers, and between factions. */
export const PLACE = 0.62
const RULE = 56
const BETWEEN = 66
/** Lower than this nobody knows a face; longer shelves are pulled along. */
const LOWEST = 118

/** The height in pixels at which a whole shelf is seen at once, as far as that is sensible. */
export function shelfHeight(outfits: readonly ShelfOutfit[], width: number, tallest: number): number {
  const gaps = RULE + BETWEEN * (byFaction(outfits).length - 1)
  return Math.round(Math.max(LOWEST, Math.min(tallest, (width - gaps) / (outfits.length * PLACE))))
}

/** "2 problems, 1 hint". */
export function pinsInWords(pins: readonly PinSummary[]): string {
  const counted = (['problem', 'notice', 'hint'] as const).flatMap((severity) => {
    const count = pins.filter((pin) => pin.severity === severity).length
    return count > 0 ? [`${count} ${severity}${count === 1 ? '' : 's'}`] : []
  })
  return counted.length > 0 ? counted.join(', ') : 'no pins'
}

/** "4 outfits in 2 factions · 1 built, 3 sourcing · 2 problems". */
export function shelfFacts(roster: RosterShelf): string {
  const factions = new Set(roster.outfits.map((outfit) => outfit.faction)).size
  const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
  return `${count(roster.outfits.length, 'outfit')} in ${count(factions, 'faction')} · ${stateCounts(roster.outfits)} · ${pinsInWords(
    roster.outfits.flatMap(({ pins }) => pins),
  )}`
}
