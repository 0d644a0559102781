import { describe, expect, test } from '@jest/globals'
import { placementFaults } from '../anatomy/index.ts'
import { catalogueOf, type Catalogue, type Layer } from '../catalogue/index.ts'
import { drawFigure } from '../mannequin/index.ts'
import { rosterFile, takeOf, worldCatalogue } from '../test/world.ts'
import { matchRecipe } from './matchRecipe.ts'
import { recipeOf, type Recipe } from './recipe.ts'

const catalogue = worldCatalogue()
const recipeFor = (...names: string[]): Recipe =>
  recipeOf(
    names.map((name) => ({ name, note: 'a note', credits: 'by somebody', placements: takeOf(name) })),
    catalogue,
    () => [{ release: 'Some box', figure: '', year: 2021 }],
  )
const owned = (name: string) => {
  const loose: Record<string, number> = {}
  for (const { part } of takeOf(name)) loose[part] = (loose[part] ?? 0) + 1
  return loose
}
const nobody = () => undefined
/** The same world under other codes, in which everything is called as before. */
const recoded = (of: Catalogue): Catalogue => {
  const code = (old: string) => `X${old}`
  const inLayer = (layer: Layer): Layer => ({
    ...Object.fromEntries(
      Object.entries(layer).map(([key, value]) => [key, of.colours.has(String(value)) ? code(String(value)) : value]),
    ),
    kind: layer.kind,
  })
  return catalogueOf({
    colours: [...of.colours.values()].map((one) => ({ ...one, code: code(one.code) })),
    moulds: [...of.moulds.values()].map((one) => ({ ...one, code: code(one.code) })),
    prints: [...of.prints.values()].map(({ front, back, ...one }) => ({
      ...one,
      code: code(one.code),
      front: front.map(inLayer),
      back: back.map(inLayer),
    })),
    parts: [...of.parts.values()].map((one) => ({
      ...one,
      code: code(one.code),
      mould: code(one.mould),
      print: one.print === null ? null : code(one.print),
      colours: one.colours.map(code),
      components: one.components.map((c) => ({ ...c, part: code(c.part) })),
    })),
  })
}

describe('a recipe that comes home', () => {
  test('is found by its codes, built of what is loose, and costs nothing more', () => {
    const { outfits, made } = matchRecipe(recipeFor('Odile, skipper'), catalogue, owned('Odile, skipper'), nobody)
    const [odile] = outfits
    expect(new Set(odile!.parts.map(({ found }) => found))).toEqual(new Set(['code']))
    expect(odile!.mine).toEqual(odile!.original)
    expect(odile!.milli).toBe(100_000)
    expect(odile!.toBuy).toEqual({ sum: 0, unsold: 0 })
    expect(odile!.brief).toMatchObject({ notes: 'a note', credits: 'by somebody' })
    expect(made).toEqual({ colours: [], moulds: [], prints: [], parts: [], strangeLayers: 0 })
  })

  test('tells what of it is not in the drawer and what that costs', () => {
    const loose = owned('Odile, skipper')
    const torso = takeOf('Odile, skipper').find(({ slot }) => slot === 'torso')!.part
    delete loose[torso]
    const { outfits } = matchRecipe(recipeFor('Odile, skipper'), catalogue, loose, () => 120)
    expect(outfits[0]!.toBuy).toEqual({ sum: 120, unsold: 0 })
    expect(outfits[0]!.parts.find(({ placement }) => placement.slot === 'torso')).toMatchObject({
      found: 'code',
      substitute: null,
    })
    expect(outfits[0]!.milli).toBeLessThan(100_000)
  })

  test('gives every loose part once', () => {
    const recipe = recipeFor('Odile, skipper', 'Odile, skipper')
    const { outfits } = matchRecipe(recipe, catalogue, owned('Odile, skipper'), nobody)
    expect(outfits[0]!.milli).toBe(100_000)
    expect(outfits[1]!.mine).toEqual([])
  })
})

describe('a recipe from elsewhere', () => {
  test('is found by shape, colour and print where codes differ', () => {
    const { outfits, made } = matchRecipe(recipeFor('Bram', 'Odile, skipper'), recoded(catalogue), {}, nobody)
    for (const { parts } of outfits) expect(new Set(parts.map(({ found }) => found))).toEqual(new Set(['look']))
    expect(made.parts).toEqual([])
  })

  test('a code that means something else here counts for nothing', () => {
    const recipe = recipeFor('Bram')
    const other = [...catalogue.parts.values()].find(({ mould }) => catalogue.moulds.get(mould)!.kind === 'held')!
    recipe.outfits[0]!.placements.find(({ slot }) => slot === 'head')!.part.code = other.code
    const head = matchRecipe(recipe, catalogue, {}, nobody).outfits[0]!.parts.find(
      ({ placement }) => placement.slot === 'head',
    )!
    expect(head.part).not.toBe(other.code)
    expect(head.found).toBe('look')
  })

  test('looks that are not known are drawn from the recipe, and what is likest and loose stands in', () => {
    const recipe = recipeFor('Odile, skipper')
    const torso = recipe.outfits[0]!.placements.find(({ slot }) => slot === 'torso')!
    torso.part = {
      ...torso.part,
      code: 'ZZ-1',
      name: 'Strange coat',
      colours: [{ code: 'odd', name: 'Odd', hex: '#8A1FD1', finish: 'solid' }],
      print: { code: 'ZZ-P', name: 'Strange', layers: { front: [{ kind: 'stripes', colour: 'odd' }], back: [] } },
    }
    const mine = takeOf('Odile, skipper').find(({ slot }) => slot === 'torso')!.part
    const { outfits, catalogue: all, made } = matchRecipe(recipe, catalogue, { [mine]: 1 }, nobody)
    const match = outfits[0]!.parts.find(({ placement }) => placement.slot === 'torso')!
    expect(match).toMatchObject({ found: 'near', part: null, substitute: mine })
    expect(match.likeness).toBeLessThan(1)
    expect([made.parts.map(({ code }) => code), made.colours.map(({ code }) => code)]).toEqual([['ZZ-1'], ['odd']])
    expect(JSON.stringify(drawFigure(outfits[0]!.original, all))).not.toBe(
      JSON.stringify(drawFigure(outfits[0]!.mine, all)),
    )
    expect(drawFigure(outfits[0]!.original, all).undrawable).toBeUndefined()
  })

  test('a print that is only called the same is another, and layers nobody knows are left out and counted', () => {
    const recipe = recipeFor('Odile, skipper')
    const { part } = recipe.outfits[0]!.placements.find(({ slot }) => slot === 'torso')!
    part.print = {
      ...part.print!,
      layers: { ...part.print!.layers, back: [{ kind: 'from-tomorrow' }, { kind: 'jacket', colour: 'gone' }] },
    }
    const { outfits, made } = matchRecipe(recipe, catalogue, {}, nobody)
    expect(outfits[0]!.parts.find(({ placement }) => placement.slot === 'torso')!.found).toBe('new')
    expect([made.prints[0]!.code, made.prints[0]!.back, made.strangeLayers]).toEqual([`${part.print.code}-r2`, [], 2])
  })

  test('copies made by others are neither given out of the drawer nor bought', () => {
    const recipe = recipeFor('Odile, skipper')
    const copied = recipe.outfits[0]!.placements.find(({ slot }) => slot === 'torso')!
    copied.altered = [{ kind: 'by-others', note: '' }]
    const { outfits } = matchRecipe(recipe, catalogue, { [copied.part.code]: 1 }, () => 100)
    expect(outfits[0]!.mine).toEqual([])
    expect(outfits[0]!.toBuy.sum).toBe(100 * (recipe.outfits[0]!.placements.length - 1))
  })

  test('into an empty workspace everything is made, once, and every figure can be drawn', () => {
    const names = rosterFile()
      .rosters.slice(0, 4)
      .flatMap(({ characters }) => characters.flatMap(({ outfits }) => outfits.map(({ name }) => name)))
    const recipe = recipeFor(...names)
    const empty = catalogueOf({ colours: [], moulds: [], prints: [], parts: [] })
    const { outfits, catalogue: all, made } = matchRecipe(recipe, empty, {}, nobody)
    const wanted = new Set(recipe.outfits.flatMap(({ placements }) => placements.map(({ part }) => part.code)))
    expect(made.parts.map(({ code }) => code).sort()).toEqual([...wanted].sort())
    for (const [i, { original, parts, milli }] of outfits.entries()) {
      const { undrawable, shapes } = drawFigure(original, all)
      expect(undrawable).toBeUndefined()
      // To the last shade: prints and paints come with the colours they name.
      expect(shapes).toEqual(drawFigure(takeOf(names[i]!), catalogue).shapes)
      expect(placementFaults(original, all)).toEqual([])
      expect(parts.every(({ found, price }) => found === 'new' && price === null)).toBe(true)
      expect(milli).toBeLessThan(60_000)
    }
    // Skin stays skin, so that mitts are held against heads.
    const skins = (one: Catalogue) =>
      [...one.colours.values()].filter(({ family }) => family === 'skin').map(({ hex }) => hex)
    expect(skins(all).length).toBeGreaterThan(2)
    for (const hex of skins(all)) expect(skins(catalogue)).toContain(hex)
    // Once made, it is found.
    const again = matchRecipe(recipe, all, {}, nobody)
    expect(again.made.parts).toEqual([])
  })
})
