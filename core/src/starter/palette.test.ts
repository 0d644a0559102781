import { expect, test } from '@jest/globals'
import type { Colour } from '../catalogue/index.ts'
import { STARTER_COLOURS } from './colours.ts'
import { paletteOf } from './palette.ts'

const own = (code: string, name: string): Colour => ({ code, name, hex: '#123456', family: 'blue', finish: 'solid' })
const colours = (...list: Colour[]) => ({ colours: new Map(list.map((one) => [one.code, one])) })

test('with nothing of one’s own the starter shelf names colours; own ones come first, and win by their code', () => {
  expect(paletteOf(colours())).toEqual(STARTER_COLOURS)
  const [tar] = STARTER_COLOURS.filter(({ code }) => code === 'tar')
  const palette = paletteOf(colours(own('blau', 'Blau'), own('tar', 'Teer')))
  expect(palette.slice(0, 2).map(({ name }) => name)).toEqual(['Blau', 'Teer'])
  expect(palette).not.toContain(tar)
  expect(palette).toHaveLength(STARTER_COLOURS.length + 1)
})
