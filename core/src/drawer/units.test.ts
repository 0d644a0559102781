import { expect, test } from '@jest/globals'
import { partNamed, takeOf } from '../test/world.ts'
import { missingFrom, unitsOf } from './units.ts'

test('an assembly counts as often as its scarcest component allows, two mitts for each', () => {
  const jacket = partNamed('Quay jacket', 'Quay Blue', 'M-DRESS')
  const mitt = jacket.components.find(({ slot }) => slot === 'handRight')!.part
  expect(jacket.components.filter(({ part }) => part === mitt)).toHaveLength(2)
  expect(unitsOf(jacket, (code) => (code === mitt ? 5 : 9))).toBe(2)
  expect(unitsOf(jacket, (code) => (code === mitt ? 1 : 9))).toBe(0)
  expect(unitsOf(partNamed('Mitt', 'Fawn'), () => 7)).toBe(7)
})

test('the first units of a part come from the drawer, the rest are missing', () => {
  const odile = takeOf('Odile, skipper')
  const hands = odile.filter(({ slot }) => slot.startsWith('hand'))
  expect(missingFrom(hands, { [hands[0]!.part]: 1 })).toEqual([hands[1]])
  expect(missingFrom(hands, { [hands[0]!.part]: 2 })).toEqual([])
  expect(missingFrom(odile, {})).toEqual(odile)
})
