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
