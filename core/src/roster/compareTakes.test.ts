import { expect, test } from '@jest/globals'
import { takeOff, turn } from '../anatomy/index.ts'
import { takeOf } from '../test/world.ts'
import { compareTakes } from './compareTakes.ts'

const [a, b] = [takeOf('Odile, skipper', 'A'), takeOf('Odile, skipper', 'B')]
const differing = (...takes: (typeof a)[]) =>
  compareTakes(takes)
    .filter(({ alike }) => !alike)
    .map(({ key }) => key)

test('takes differ in what they wear, where they wear it, and which way round', () => {
  expect(differing(a, a)).toEqual([])
  expect(differing(a, b)).toEqual(['headgear', 'head', 'hands', 'heldRight', 'heldLeft'])
  expect(differing(b, turn(b, 'torso'))).toEqual(['torso'])
  expect(differing(b, b, takeOff(b, 'beside'))).toEqual(['beside'])
})

test('rows nobody wears anything in are left out, and every placement stands in one row', () => {
  const rows = compareTakes([a, b])
  expect(rows.map(({ key }) => key)).not.toContain('waist')
  expect(rows.flatMap(({ worn }) => worn[1]!)).toHaveLength(b.length)
})
