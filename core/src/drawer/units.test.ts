import { expect, test } from '@jest/globals'
import { partNamed, takeOf } from '../test/world.ts'
import { freeIn, missingFrom } from '../allotment/index.ts'
import { EMPTY_DRAWER } from './drawer.ts'
import { unitsOf } from './units.ts'

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
  const loose = (qty: number) => ({ loose: { [hands[0]!.part]: qty }, donors: [] })
  expect(missingFrom(hands, loose(1), 4)).toEqual([hands[1]])
  expect(missingFrom(hands, loose(2), 4)).toEqual([])
  expect(missingFrom(odile, EMPTY_DRAWER, 4)).toEqual(odile)
})

test('what is free counts loose parts and those donors could give', () => {
  const donor = { code: 'F', name: 'F', pieces: [{ slot: 'head' as const, part: 'A' }] }
  expect(freeIn({ loose: { A: 1, B: 2 }, donors: [donor] }, 4)).toEqual({ A: 2, B: 2 })
})
