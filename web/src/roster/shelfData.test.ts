import { expect, test } from '@jest/globals'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { shelfOutfit, shelfRoster } from '../test/shelf.ts'
import { collisionsInWords } from './collisions.ts'
import { costsOf, stateCounts } from './progress.ts'
import { pinGroups, rulesInShort } from './rosterFacts.ts'
import { byFaction, pinsInWords, shelfFacts, shelfHeight } from './shelfData.ts'

const outfit = (name: string, faction: string, more: Partial<ShelfOutfit> = {}) =>
  shelfOutfit(name, { faction, ...more })
const roster = shelfRoster

test('outfits stand by faction in the order factions appear, numbered along the shelf', () => {
  const groups = byFaction([outfit('Ada', 'Crew'), outfit('Bo', 'Ashore'), outfit('Cy', 'Crew')])
  expect(groups.map(({ faction, outfits }) => [faction, outfits.map((o) => `${o.number} ${o.outfit.name}`)])).toEqual([
    ['Crew', ['1 Ada', '2 Cy']],
    ['Ashore', ['3 Bo']],
  ])
})

test('facts are counted in words', () => {
  const [ada, bo] = [outfit('Ada', 'Crew', { state: 'built' }), outfit('Bo', 'Crew', { state: 'sourcing' })]
  expect(shelfFacts(roster([ada, bo]))).toBe('2 outfits in 1 faction · 1 built, 1 with parts to buy · no pins')
  expect(shelfFacts(roster([ada]))).toBe('1 outfit in 1 faction · 1 built · no pins')
  expect(stateCounts([])).toBe('nobody yet')
})

test('costs are what was paid and what is to come, against the budget', () => {
  const outfits = [
    outfit('Ada', '', { toCome: { money: 1200, unsold: 0 } }),
    outfit('Bo', '', { toCome: { money: 300, unsold: 2 } }),
  ]
  expect(costsOf(roster(outfits, { paid: 500, budget: 1900 }))).toEqual({
    paid: 500,
    toCome: 1500,
    unsold: 2,
    budget: 1900,
    over: 100,
  })
  expect(costsOf(roster(outfits)).over).toBe(0)
})

test('what another window was quicker with is said', () => {
  const said = collisionsInWords([
    { id: '1', name: 'Otto', field: 'faction', now: 'Makers' },
    { id: '2', name: 'Market', field: 'budget', now: 500 },
    { id: '3', name: 'Pia', field: 'base', now: null },
  ])
  expect(said).toContain(
    'Otto: faction is Makers by now; Market: budget is another by now; Pia: starting figure is empty',
  )
})

test('a full shelf shrinks until it is seen at once, but not beyond what can be seen', () => {
  const many = (count: number) => Array.from({ length: count }, (_, i) => outfit(String(i), 'Crew'))
  expect(shelfHeight(many(3), 1240, 324)).toBe(324)
  const nine = shelfHeight(many(9), 1240, 324)
  expect(nine).toBeLessThan(324)
  expect(nine * 0.62 * 9 + 56).toBeLessThanOrEqual(1241)
  expect(shelfHeight(many(60), 1240, 324)).toBe(118)
})

test('pins are counted by severity', () => {
  const pin = (severity: 'problem' | 'notice' | 'hint') => ({ severity, title: '', detail: '' })
  expect(pinsInWords([pin('hint'), pin('problem'), pin('hint')])).toBe('1 problem, 2 hints')
  expect(pinsInWords([])).toBe('no pins')
})

test('pins of a roster are grouped by what they say, problems first', () => {
  const pin = (severity: 'problem' | 'hint', title: string) => ({ severity, title, detail: `${title}!` })
  const groups = pinGroups([
    { ...outfit('Ada', 'Crew'), pins: [pin('hint', 'Tall'), pin('problem', 'Bare')] },
    { ...outfit('Bo', 'Crew'), pins: [pin('hint', 'Tall')] },
  ])
  expect(groups.map(({ title, stuck }) => [title, stuck.map((one) => one.outfit.name)])).toEqual([
    ['Bare', ['Ada']],
    ['Tall', ['Ada', 'Bo']],
  ])
})

test('house rules are told by their school and what differs from it', () => {
  expect(rulesInShort({ rules: 'altered', switches: {} })).toBe('Altered')
  expect(rulesInShort({ rules: 'altered', switches: { faces: 'any', sameHead: false, byOthers: false } })).toBe(
    'Altered, but for faces and one head a person',
  )
})
