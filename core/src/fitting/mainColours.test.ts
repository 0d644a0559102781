import { expect, test } from '@jest/globals'
import { catalogueOf, type Catalogue, type Colour, type Part } from '../catalogue/index.ts'
import { takeOf, worldCatalogue } from '../test/world.ts'
import { mainsOf } from './rules/mainColours.ts'

/** The same catalogue read anew, equal where nothing is changed in it, and no object of it the same. */
function readAgain(change: (read: { parts: Part[]; colours: Colour[] }) => void = () => undefined): Catalogue {
  const { colours, moulds, parts, prints } = worldCatalogue()
  const read = structuredClone({
    colours: [...colours.values()],
    moulds: [...moulds.values()],
    parts: [...parts.values()],
    prints: [...prints.values()],
  })
  change(read)
  return catalogueOf(read)
}

test('what was measured is known in a catalogue read anew, and measured anew where what is worn has changed', () => {
  const catalogue = worldCatalogue()
  const outfit = takeOf('Odile, skipper')
  const mains = mainsOf(outfit, catalogue)
  expect(mainsOf(outfit, readAgain())).toBe(mains)
  const leg = outfit.find(({ slot }) => slot === 'legRight')!.part
  const painted = readAgain(({ parts }) =>
    Object.assign(
      parts.find(({ code }) => code === leg)!,
      { colours: ['poppy'], print: null },
    ),
  )
  expect(mainsOf(outfit, painted).map(({ colour }) => colour.code)).toContain('poppy')
  expect(mains.map(({ colour }) => colour.code)).not.toContain('poppy')
  // A palette in which a colour has another name is another palette.
  const [first] = mains
  const renamed = readAgain(({ colours }) =>
    Object.assign(
      colours.find(({ code }) => code === first!.colour.code)!,
      { name: 'Other' },
    ),
  )
  expect(mainsOf(outfit, renamed)[0]!.colour.name).toBe('Other')
})
