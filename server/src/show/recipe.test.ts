import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import type { Recipe, RecipeReport } from '@outfit/core/show'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let recipe: Recipe
let server: TestServer
beforeAll(async () => {
  server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  recipe = (await server.get<Recipe>(`rosters/${rosters[0]!.id}/recipe.json`)).body
})
afterAll(() => server.stop())

const copy = () => JSON.parse(JSON.stringify(recipe)) as Recipe

describe('a recipe in the workspace it came from', () => {
  test('is found by its codes; what is loose and free stands in, and the rest has its price', async () => {
    const { status, body } = await server.send<RecipeReport>('POST', 'recipes/look', recipe)
    expect(status).toBe(200)
    expect(body.made).toEqual({ parts: 0, moulds: 0, prints: 0, colours: 0, strangeLayers: 0 })
    expect(body.outfits.map(({ name }) => name)).toEqual(recipe.outfits.map(({ name }) => name))
    for (const { parts, milli, toBuy, original } of body.outfits) {
      expect(new Set(parts.map(({ found }) => found))).toEqual(new Set(['code']))
      const bought = parts.filter(({ part, substitute }) => part !== substitute)
      expect(toBuy.sum).toBe(bought.reduce((sum, { price }) => sum + (price ?? 0), 0))
      expect(milli).toBeLessThan(100_000)
      const there = new Set(body.parts.map(({ code }) => code))
      expect(original.every(({ part }) => there.has(part))).toBe(true)
    }
    // Somebody else's parts are not offered twice.
    const given = body.outfits.flatMap(({ mine }) => mine.map(({ part }) => part))
    expect(given.length).toBeGreaterThan(0)
  })

  test('is taken in as a roster under a free name, as it was made and out of the drawer', async () => {
    const { status, body } = await server.send<{ roster: string; outfits: number; parts: number }>('POST', 'recipes', {
      name: 'Ferry people',
      recipe,
    })
    expect([status, body.outfits, body.parts]).toEqual([201, recipe.outfits.length, 0])
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const roster = rosters.find(({ id }) => id === body.roster)!
    expect(roster.name).toBe('Ferry people 2')
    const outfit = (await server.get<OutfitDetail>(`outfits/${roster.outfits[0]!.id}`)).body
    expect(outfit.takes.map(({ label, chosen }) => [label, chosen])).toEqual([
      ['As made', true],
      ['My drawer', false],
    ])
    expect(outfit.takes[0]!.placements.map(({ part }) => part)).toEqual(
      recipe.outfits[0]!.placements.map(({ part }) => part.code),
    )
    expect(outfit.brief.wishes.length).toBeGreaterThan(3)
  })

  test.each([
    ['of another version', (r: Recipe) => Object.assign(r, { version: 2 }), 'version'],
    ['of another format', (r: Recipe) => Object.assign(r, { format: 'outfit.rosters' }), 'format'],
    [
      'with a head on the feet',
      (r: Recipe) => Object.assign(r.outfits[0]!.placements[0]!, { slot: 'feet' }),
      /placements\[0\]/,
    ],
    [
      'with an odd colour',
      (r: Recipe) => Object.assign(r.outfits[0]!.placements[0]!.part.colours[0]!, { hex: 'red' }),
      /hex/,
    ],
    [
      'with layers that are none',
      (r: Recipe) =>
        (r.outfits[0]!.placements[0]!.part.print = {
          code: 'P',
          name: 'P',
          layers: { front: [{ kind: 'x', deep: { er: 1 } } as never], back: [] },
        }),
      /layers.front/,
    ],
    [
      'with a code that is none',
      (r: Recipe) => Object.assign(r.outfits[0]!.placements[0]!.part, { code: '../x' }),
      /part.code/,
    ],
    ['of nobody', (r: Recipe) => (r.outfits = []), 'outfits'],
    [
      'with two things in one place',
      (r: Recipe) => r.outfits[0]!.placements.push(r.outfits[0]!.placements[0]!),
      /placements\[\d+\]\.slot/,
    ],
  ])('%s is refused by its field, and nothing is written', async (_, spoil, field) => {
    const spoilt = copy()
    spoil(spoilt)
    const { status, body } = await server.send<ProblemBody>('POST', 'recipes', { name: 'Mine', recipe: spoilt })
    expect(status).toBe(400)
    expect(body.errors[0]!.field.replace(/^recipe\./, '')).toMatch(field)
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    expect(rosters.some(({ name }) => name === 'Mine')).toBe(false)
  })
})

test('figures with painted and cut parts come into an empty workspace as they were, to the last shade', async () => {
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const market = rosters.find(({ name }) => name === 'Night market')!
  const { body: given } = await server.get<Recipe>(`rosters/${market.id}/recipe.json`)
  expect(given.outfits.some(({ placements }) => placements.some(({ altered }) => altered.length > 0))).toBe(true)
  const empty = await startServer({ world: false })
  const { status, body } = await empty.send<{ roster: string }>('POST', 'recipes', { name: 'Market', recipe: given })
  expect(status).toBe(201)
  const figures = async (at: TestServer, roster: string) =>
    (await at.get<string>(`rosters/${roster}/sheet.svg?sources=no&prices=no&index=no&cover=no`)).body.match(
      /<path[^>]*>/g,
    )
  expect(await figures(empty, body.roster)).toEqual(await figures(server, market.id))
  await empty.stop()
})

test('an empty workspace makes every part from the recipe, and can dress, draw and hand it on', async () => {
  const empty = await startServer({ world: false })
  const { body: report } = await empty.send<RecipeReport>('POST', 'recipes/look', recipe)
  expect(report.outfits.every(({ mine, milli }) => mine.length === 0 && milli < 60_000)).toBe(true)
  const { body } = await empty.send<{ roster: string; parts: number }>('POST', 'recipes', {
    name: 'Handed on',
    recipe,
  })
  expect(body.parts).toBe(report.made.parts)
  const again = (await empty.get<Recipe>(`rosters/${body.roster}/recipe.json`)).body
  const bare = ({ outfits }: Recipe) =>
    outfits.map(({ name, placements }) => ({
      name,
      placements: placements.map(({ part: { sources: _sources, mould, ...part }, ...one }) => ({
        ...one,
        part: { ...part, mould: { ...mould } },
      })),
    }))
  expect(bare(again)).toEqual(bare(recipe))
  const { body: card } = await empty.get<string>(`rosters/${body.roster}/sheet.svg`)
  expect(card).toContain('Odile, skipper')
  // What was made is found by words as anything else is.
  const found = (await empty.get<{ found: number }>('parts/find?text=cork%20vest')).body
  expect(JSON.stringify(found)).toContain('Cork vest')
  await empty.stop()
})
