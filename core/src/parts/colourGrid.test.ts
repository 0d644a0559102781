import { describe, expect, test } from '@jest/globals'
import { partNamed, worldCatalogue, worldTable } from '../test/world.ts'
import { colourGrid, commonness } from './colourGrid.ts'

const catalogue = worldCatalogue()
const palette = worldTable('colours')
const parts = [...catalogue.parts.values()]

describe('the colour grid', () => {
  test('has every colour of the palette once, by family', () => {
    const grid = colourGrid(partNamed('Mitt', 'Fawn'), parts, palette)
    const colours = grid.flatMap(({ cells }) => cells.map(({ colour }) => colour.code))
    expect([...colours].sort()).toEqual(palette.map(({ code }) => code).sort())
    for (const { family, cells } of grid) expect(cells.every(({ colour }) => colour.family === family)).toBe(true)
  })

  test('of any part holds the part itself and only parts of its mould and print', () => {
    for (const part of parts) {
      const made = colourGrid(part, parts, palette).flatMap(({ cells }) => cells.flatMap((cell) => cell.part ?? []))
      expect(made).toContain(part)
      for (const other of made) expect([other.mould, other.print]).toEqual([part.mould, part.print])
    }
  })

  test('says in which colours it was never made', () => {
    const cells = colourGrid(partNamed('Mitt', 'Fawn'), parts, palette).flatMap((family) => family.cells)
    const madeIn = new Set(parts.filter(({ mould }) => mould === 'M-HAND').map(({ colours }) => colours[0]))
    for (const { colour, part } of cells) expect(part !== null).toBe(madeIn.has(colour.code))
  })
})

test('commonness counts releases', () => {
  expect([0, 1, 2, 3, 4, 40].map(commonness)).toEqual([
    'no release',
    'one release',
    'few releases',
    'few releases',
    'many releases',
    'many releases',
  ])
})
