import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { takeOff, wear } from '../anatomy/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { anyOutfit, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { visibleAreas } from './visibleAreas.ts'

const catalogue = worldCatalogue()
const odile = takeOf('Odile, skipper')
const of = (placements: readonly Placement[], slot: string) =>
  visibleAreas(placements, catalogue)
    .filter((seen) => seen.slot === slot)
    .reduce((sum, { area }) => sum + area, 0)

test('what lies over a piece takes from what is seen of it', () => {
  const bare = takeOff(odile, 'neck')
  expect(of(odile, 'torso')).toBeLessThan(of(bare, 'torso'))
  expect(of(odile, 'torso')).toBeGreaterThan(0)
  const aproned = wear(bare, 'waist', partNamed('Long apron', 'Chalk'), catalogue)
  expect(of(aproned, 'legLeft')).toBeLessThan(of(bare, 'legLeft'))
})

test('a torso is about as large as its drawing: 92 high and 82 wide, front and back', () => {
  const torso = odile.filter(({ slot }) => slot === 'torso')
  // Neck, sleeves and hips of the bare doll take a little off its edges.
  expect(of(torso, 'torso')).toBeGreaterThan(2 * 92 * 82 * 0.7)
  expect(of(torso, 'torso')).toBeLessThan(2 * 92 * 96)
})

test('areas are of what is worn and of the bare doll, none negative, and the same each time', () => {
  fc.assert(
    fc.property(anyOutfit(), (outfit) => {
      const areas = visibleAreas(outfit, catalogue)
      expect(areas.every(({ area }) => area > 0)).toBe(true)
      expect(visibleAreas(outfit, catalogue)).toEqual(areas)
    }),
    { numRuns: 30 },
  )
})
