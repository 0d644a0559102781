import { afterEach, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { setForms, USUAL_FORMS, USUAL_FULL_SIZE } from '../base/index.ts'
import { catalogueOf, type Catalogue } from '../catalogue/index.ts'
import { drawFigure, svgBody } from '../mannequin/index.ts'
import { footing } from '../show/index.ts'
import { STARTER_MOULDS, starterMoulds } from '../starter/index.ts'
import { anyOutfit, worldCatalogue } from '../test/world.ts'
import { pinsOf } from './pinsOf.ts'
import { statureWorn } from './stature.ts'

afterEach(() => setForms(USUAL_FORMS))

/** The same catalogue of figures so much larger: what moulds say in millimetres is larger, too. */
function grown({ colours, moulds, prints, parts }: Catalogue, by: number): Catalogue {
  return catalogueOf({
    colours: [...colours.values()],
    prints: [...prints.values()],
    parts: [...parts.values()],
    moulds: [...moulds.values()].map((mould) => ({
      ...mould,
      height: mould.height * by,
      neckThickness: mould.neckThickness * by,
      traits: mould.traits['footing']
        ? { ...mould.traits, footing: String(Number(mould.traits['footing']) * by) }
        : mould.traits,
    })),
  })
}

const usual = worldCatalogue()

test('figures of another size are pinned and drawn as those of the usual one, and stand as much taller', () => {
  fc.assert(
    fc.property(anyOutfit(), fc.constantFrom(0.5, 2, 4), (outfit, by) => {
      setForms(USUAL_FORMS)
      const told = pinsOf(outfit, { catalogue: usual, free: {} }).map(({ rule, slots, title }) => [rule, slots, title])
      const [drawn, stands] = [drawFigure(outfit, usual), statureWorn(outfit, usual)]
      const [picture, ground] = [svgBody(drawn.shapes), footing().width]
      setForms({ ...USUAL_FORMS, fullSize: USUAL_FULL_SIZE * by })
      const other = grown(usual, by)
      expect(
        pinsOf(outfit, { catalogue: other, free: {} }).map(({ rule, slots, title }) => [rule, slots, title]),
      ).toEqual(told)
      expect(drawFigure(outfit, other).height).toBeCloseTo(drawn.height * by, 6)
      expect(svgBody(drawFigure(outfit, other).shapes)).toBe(picture)
      expect(statureWorn(outfit, other)?.millimetres ?? 0).toBeCloseTo((stands?.millimetres ?? 0) * by, 6)
      expect(Math.abs(footing().width - ground * by)).toBeLessThanOrEqual(Math.max(1, by))
    }),
    { numRuns: 30 },
  )
})

test('moulds that ship with Outfit are as large as figures are', () => {
  expect(starterMoulds()).toEqual(STARTER_MOULDS)
  setForms({ ...USUAL_FORMS, fullSize: 29 })
  for (const [at, mould] of starterMoulds().entries())
    expect(Math.abs(mould.height * 2 - STARTER_MOULDS[at]!.height)).toBeLessThanOrEqual(0.01 + 1e-9)
})
