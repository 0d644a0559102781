import { expect, test } from '@jest/globals'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/roster'
import { byFaction, shelfFacts, shelfHeight } from './shelfData.ts'

const outfit = (name: string, faction: string, owned = 1, toBuy = 2): ShelfOutfit => ({
  id: name,
  name,
  faction,
  character: name,
  placements: [],
  owned,
  toBuy,
})
const roster = (outfits: ShelfOutfit[]): RosterShelf => ({
  id: 'r',
  name: 'R',
  note: '',
  rules: '',
  budget: null,
  currency: 'EUR',
  dueOn: null,
  outfits,
})

test('outfits stand by faction in the order factions appear, numbered along the shelf', () => {
  const groups = byFaction([outfit('Ada', 'Crew'), outfit('Bo', 'Ashore'), outfit('Cy', 'Crew')])
  expect(groups.map(({ faction, outfits }) => [faction, outfits.map((o) => `${o.number} ${o.outfit.name}`)])).toEqual([
    ['Crew', ['1 Ada', '2 Cy']],
    ['Ashore', ['3 Bo']],
  ])
})

test('facts are counted in words', () => {
  expect(shelfFacts(roster([outfit('Ada', 'Crew', 3, 0), outfit('Bo', 'Crew', 4, 5)]))).toBe(
    '2 outfits in 1 faction · 7 parts owned, 5 to buy',
  )
  expect(shelfFacts(roster([outfit('Ada', 'Crew', 1, 0)]))).toBe('1 outfit in 1 faction · 1 part owned, 0 to buy')
})

test('a full shelf shrinks until it is seen at once, but not beyond what can be seen', () => {
  const many = (count: number) => Array.from({ length: count }, (_, i) => outfit(String(i), 'Crew'))
  expect(shelfHeight(many(3), 1240, 324)).toBe(324)
  const nine = shelfHeight(many(9), 1240, 324)
  expect(nine).toBeLessThan(324)
  expect(nine * 0.62 * 9 + 56).toBeLessThanOrEqual(1241)
  expect(shelfHeight(many(60), 1240, 324)).toBe(150)
})
