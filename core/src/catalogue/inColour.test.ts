import { expect, test } from '@jest/globals'
import { wornAlone } from '../anatomy/index.ts'
import { drawFigure, svgBody } from '../mannequin/index.ts'
import { partNamed, worldCatalogue } from '../test/world.ts'
import { inColour } from './inColour.ts'

const catalogue = worldCatalogue()
const hexOf = (code: string) => catalogue.colours.get(code)!.hex
const drawn = (preview: ReturnType<typeof inColour>) =>
  svgBody(drawFigure(wornAlone(preview.part, preview.catalogue), preview.catalogue).shapes)

test('a part takes the colour and keeps its others; the catalogue that was given stays as it is', () => {
  const cap = partNamed('Ferry cap', 'Midnight')
  const before = catalogue.parts.size
  const preview = inColour(cap, 'coral', catalogue)
  expect(preview.part.colours).toEqual(['coral', ...cap.colours.slice(1)])
  expect(catalogue.parts.size).toBe(before)
  expect(catalogue.parts.has(preview.part.code)).toBe(false)
  expect(drawn(preview)).toContain(`fill="${hexOf('coral')}"`)
})

test('an assembly takes it where a component has its main colour, hands keep their skin', () => {
  const coat = partNamed('Pilot coat', 'Midnight', 'M-DRESS')
  const { part, catalogue: known } = inColour(coat, 'poppy', catalogue)
  const colourIn = (slot: string) => known.parts.get(part.components.find((c) => c.slot === slot)!.part)!.colours[0]
  expect([colourIn('torso'), colourIn('armLeft'), colourIn('handLeft')]).toEqual(['poppy', 'poppy', coat.colours[2]])
})

test('a print that repeats the main colour takes the other one, and its own colours stay', () => {
  const coat = partNamed('Pilot coat', 'Midnight', 'M-DRESS')
  const svg = drawn(inColour(coat, 'poppy', catalogue))
  expect(svg).not.toContain(`fill="${hexOf('midnight')}"`)
  expect(svg).toContain(hexOf('brass'))
})

test('its own colour changes nothing that is drawn', () => {
  const coat = partNamed('Warden coat', 'Slate', 'M-DRESS')
  expect(drawn(inColour(coat, 'slate', catalogue))).toBe(
    svgBody(drawFigure(wornAlone(coat, catalogue), catalogue).shapes),
  )
})
