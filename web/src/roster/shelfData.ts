import type { RosterShelf, ShelfOutfit } from '@outfit/core/roster'

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

/** The height in pixels at which a whole shelf is seen at once, as far as that is sensible. */
export function shelfHeight(outfits: readonly ShelfOutfit[], width: number, tallest: number): number {
  const gaps = RULE + BETWEEN * (byFaction(outfits).length - 1)
  return Math.round(Math.max(150, Math.min(tallest, (width - gaps) / (outfits.length * PLACE))))
}

/** "4 outfits in 2 factions · 34 parts owned, 18 to buy". */
export function shelfFacts(roster: RosterShelf): string {
  const sum = (pick: (outfit: ShelfOutfit) => number) =>
    roster.outfits.reduce((total, outfit) => total + pick(outfit), 0)
  const factions = new Set(roster.outfits.map((outfit) => outfit.faction)).size
  const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
  return `${count(roster.outfits.length, 'outfit')} in ${count(factions, 'faction')} · ${count(
    sum((o) => o.owned),
    'part',
  )} owned, ${sum((o) => o.toBuy)} to buy`
}
