import { expect, test } from '@jest/globals'
import type { Placement } from '../catalogue/index.ts'
import { figureNamed, partNamed, worldCatalogue } from '../test/world.ts'
import { ABILITIES, abilityNamed, showsAbility } from './abilities.ts'

const catalogue = worldCatalogue()
const shownBy = (placements: readonly Placement[]) =>
  ABILITIES.filter((ability) => placements.some((p) => showsAbility(ability, p, catalogue))).map(({ key }) => key)

test.each([
  ['Regatta rower', ['rows']],
  ['Net mender', ['fishes']],
  ['Noodle cook', ['cooks']],
  ['Accordion player', ['plays']],
  ['Ticket seller', ['keeps-books']],
  ['Night warden', ['lights']],
  ['Otter warden', ['keeps-animals']],
  ['Late skater', []],
])('what the %s carries tells %j', (name, keys) => {
  expect(shownBy(figureNamed(name))).toEqual(keys)
})

test('every ability is told by some part of the sample world, and has words', () => {
  const moulds = [...catalogue.moulds.values()]
  for (const { key, label, signs, shown } of ABILITIES) {
    expect([key, moulds.some(shown)]).toEqual([key, true])
    expect(label && signs).not.toBe('')
  }
})

test('an ability nobody has, and a part nobody knows, show nothing', () => {
  expect(abilityNamed('flies')).toBeUndefined()
  const oar = partNamed('Long oar', 'Coral')
  const placed = { slot: 'heldRight' as const, part: oar.code, order: 0, turned: false }
  expect(showsAbility(abilityNamed('rows')!, placed, catalogue)).toBe(true)
  expect(showsAbility(abilityNamed('rows')!, { ...placed, part: 'P-NONE' }, catalogue)).toBe(false)
})
