import { describe, expect, test } from '@jest/globals'
import { emptyBrief, type Brief } from '../brief/index.ts'
import { partWorn, type Placement } from '../catalogue/index.ts'
import { figureNamed, partNamed, rosterFile, takeOf, worldCatalogue } from '../test/world.ts'
import { borrowedFrom, officialsFor, unalteredAmong, type Planned } from './official.ts'

const catalogue = worldCatalogue()
const briefOf = (name: string): Brief => ({
  ...emptyBrief(),
  ...rosterFile()
    .rosters.flatMap(({ characters }) => characters)
    .flatMap(({ outfits }) => outfits)
    .find((outfit) => outfit.name === name)!.brief,
})
const planned = (name: string, more: Partial<Planned> = {}): Planned => ({
  ...{ id: name, character: name, placements: takeOf(name), brief: briefOf(name), base: null },
  ...more,
})
const released = (name: string, placements: readonly Placement[]) => ({ code: `F-${name}`, name, placements })

describe('figures for planned characters', () => {
  test('are told by name, whatever they look like, and by likeness, whatever they are called', () => {
    const ines = planned('Ines, noodles')
    const called = released('Inès of the noodle boat', figureNamed('Fiddler'))
    const alike = released('Cook', ines.placements)
    const neither = released('Fiddler', figureNamed('Fiddler'))
    const found = officialsFor([called, alike, neither], [ines], catalogue)
    expect(found.map(({ figure, byName }) => [figure, byName])).toEqual([
      ['F-Inès of the noodle boat', true],
      ['F-Cook', false],
    ])
    expect(found[1]!.official).toBe(found[1]!.own)
  })

  test('do not replace who began with them, nor somebody of whom too little is wished', () => {
    const ines = planned('Ines, noodles')
    const alike = released('Cook', ines.placements)
    expect(officialsFor([alike], [planned('Ines, noodles', { base: 'F-Cook' })], catalogue)).toEqual([])
    const wishes = ines.brief.wishes.slice(0, 2)
    expect(officialsFor([alike], [planned('Ines, noodles', { brief: { ...ines.brief, wishes } })], catalogue)).toEqual(
      [],
    )
    // Somebody of two names is called by both.
    const tower = planned('Ines, noodles', { character: 'Bram Oak', brief: emptyBrief() })
    expect(officialsFor([released('Bram', ines.placements)], [tower], catalogue)).toEqual([])
    expect(officialsFor([released('Oak, Bram', ines.placements)], [tower], catalogue)).toHaveLength(1)
  })
})

test('parts of such a figure are borrowed that make an outfit more like its brief, and no others', () => {
  const ines = planned('Ines, noodles')
  const hatless = { ...ines, placements: ines.placements.filter(({ slot }) => slot !== 'headgear'), level: 4 as const }
  const borrowed = borrowedFrom({ placements: ines.placements }, hatless, catalogue)
  const scarf = ines.placements.find(({ slot }) => slot === 'headgear')!.part
  expect(borrowed.map(({ part }) => part)).toContain(scarf)
  const [own] = officialsFor([released('Ines', ines.placements)], [hatless], catalogue)
  for (const { after } of borrowed) expect(after).toBeGreaterThan(own!.own)
  expect(borrowedFrom({ placements: ines.placements }, { ...ines, level: 4 }, catalogue)).toEqual([])
})

describe('parts that come as others were altered', () => {
  const hair = partNamed('Shaved crest', 'Lagoon')
  const painted: Placement = {
    slot: 'headgear',
    part: hair.code,
    order: 0,
    turned: false,
    altered: [{ kind: 'painted', colour: 'rain', note: '' }],
  }

  test('are found by how they look, and not where a saw was used', () => {
    const looks = partWorn(painted, catalogue)!
    const now = { ...looks, code: 'P-NEW', name: 'Shaved crest' }
    const outfit = { id: 'roon', placements: [painted] }
    expect(unalteredAmong([hair, now], [outfit], catalogue)).toEqual([
      { outfit: 'roon', part: hair.code, kinds: ['painted'], instead: 'P-NEW' },
    ])
    const trimmed = { ...painted, altered: [...painted.altered!, { kind: 'trimmed' as const, share: 30, note: '' }] }
    expect(unalteredAmong([now], [{ id: 'roon', placements: [trimmed] }], catalogue)).toEqual([])
    expect(unalteredAmong([now], [{ id: 'roon', placements: [{ ...painted, altered: [] }] }], catalogue)).toEqual([])
  })
})
