import { expect, test } from '@jest/globals'
import { worldTable } from '../test/world.ts'
import { nearestColours } from './nearest.ts'

const palette = worldTable('colours')
const named = (name: string) => palette.find((colour) => colour.name === name)!

test('a colour of the palette is nearest to itself, and differences only grow', () => {
  for (const wanted of palette) {
    const near = nearestColours(wanted.hex, palette)
    expect(near[0]!.deltaE).toBe(0)
    expect(near[0]!.words).toBe('the same')
    expect(near.map(({ deltaE }) => deltaE)).toEqual(near.map(({ deltaE }) => deltaE).sort((a, b) => a - b))
  }
})

test('for a hair in Copper the other hair reds come before blue and green', () => {
  const others = palette.filter(({ name }) => name !== 'Copper')
  const order = nearestColours(named('Copper').hex, others).map(({ colour }) => colour.name)
  for (const far of ['Quay Blue', 'Moss', 'Lagoon']) expect(order.indexOf('Chestnut')).toBeLessThan(order.indexOf(far))
})

test('of nothing nothing is near', () => {
  expect(nearestColours('#000000', [])).toEqual([])
})
