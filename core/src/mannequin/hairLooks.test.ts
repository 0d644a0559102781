import { expect, test } from '@jest/globals'
import { Resvg } from '@resvg/resvg-js'
import type { Part } from '../catalogue/index.ts'
import { worldCatalogue } from '../test/world.ts'
import { drawFigure } from './drawFigure.ts'
import { toSvg } from './toSvg.ts'

/** Side of the pictures compared, in pixels: the size of a thumbnail. */
const SIZE = 96
/** Two moulds of hair look alike when fewer pixels than this differ plainly. */
const LEAST_DIFFERENT = 120

const catalogue = worldCatalogue()

/** A head wearing a mould in Copper, as grey values. */
function picture(mould: string): Uint8Array {
  const part: Part = {
    code: 'P-LOOK',
    name: mould,
    mould,
    colours: ['copper'],
    print: null,
    year: null,
    photo: null,
    components: [],
  }
  const worn = { ...catalogue, parts: new Map([...catalogue.parts, [part.code, part]]) }
  const drawing = drawFigure([{ slot: 'headgear', part: part.code, order: 0, turned: false }], worn, { plinth: false })
  const window = { x: -70, y: -320, width: 140, height: 140 }
  const { pixels } = new Resvg(toSvg({ ...drawing, window }, { scale: 1 }), {
    background: '#FFFFFF',
    fitTo: { mode: 'width', value: SIZE },
  }).render()
  return Uint8Array.from(
    { length: SIZE * SIZE },
    (_, i) => (pixels[i * 4]! + pixels[i * 4 + 1]! + pixels[i * 4 + 2]!) / 3,
  )
}

test('no two headgear moulds look alike at 96 pixels', () => {
  const moulds = [...catalogue.moulds.values()].filter(({ kind }) => kind === 'headgear').map(({ code }) => code)
  expect(moulds.length).toBeGreaterThanOrEqual(14)
  const pictures = moulds.map(picture)
  const alike: string[] = []
  for (let i = 0; i < moulds.length; i++)
    for (let j = i + 1; j < moulds.length; j++) {
      const differing = pictures[i]!.reduce((sum, grey, at) => sum + Number(Math.abs(grey - pictures[j]![at]!) > 40), 0)
      if (differing < LEAST_DIFFERENT) alike.push(`${moulds[i]} and ${moulds[j]}: ${differing}`)
    }
  expect(alike).toEqual([])
})
