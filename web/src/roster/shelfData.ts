import type { RosterShelf, ShelfOutfit } from '@outfit/core/roster'

/** Outfits by faction, in the order factions first appear, with the place of each in the roster. */
export function byFaction(outfits: readonly ShelfOutfit[]): { faction: string; outfits: { outfit: ShelfOutfit; number: number }[] }[] {
  const groups = new Map<string, { outfit: ShelfOutfit; number: number }[]>()
  outfits.forEach((outfit, i) => groups.set(outfit.faction, [...(groups.get(outfit.faction) ?? []), { outfit, number: i + 1 }]))
  return [...groups].map(([faction, list]) => ({ faction, outfits: list }))
}

/** "4 outfits in 2 factions · 34 parts owned, 18 to buy". */
export function shelfFacts(roster: RosterShelf): string {
  const sum = (pick: (outfit: ShelfOutfit) => number) => roster.outfits.reduce((total, outfit) => total + pick(outfit), 0)
  const factions = new Set(roster.outfits.map((outfit) => outfit.faction)).size
  const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
  return `${count(roster.outfits.length, 'outfit')} in ${count(factions, 'faction')} · ${count(sum((o) => o.owned), 'part')} owned, ${sum((o) => o.toBuy)} to buy`
}
