import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Placement } from '@outfit/core/catalogue'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { OutfitEntity, PlacementEntity } from '../schema/roster.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const shelves = async () => (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
const outfitNamed = async (name: string): Promise<OutfitDetail> => {
  const found = (await shelves()).flatMap((roster) => roster.outfits).find((outfit) => outfit.name.startsWith(name))!
  return (await server.get<OutfitDetail>(`outfits/${found.id}`)).body
}
const save = (
  outfit: OutfitDetail,
  placements: unknown,
  version: unknown = outfit.version,
  take = outfit.takes[0]!.id,
) =>
  server.send<ProblemBody & { version: number }>('PUT', `outfits/${outfit.id}/takes/${take}`, { version, placements })

describe('shelves', () => {
  test('hold the sample rosters in order, with what each outfit owns and lacks', async () => {
    const rosters = await shelves()
    expect(rosters.map(({ name, outfits }) => [name, outfits.length])).toEqual([
      ['Ferry people', 4],
      ['The Heron crew', 9],
      ['Night market', 12],
      ['Better by one part', 10],
      ['Brass band', 9],
      ['School regatta', 4],
    ])
    for (const { outfits } of rosters)
      for (const { placements, owned, arriving, toBuy } of outfits)
        expect(owned + arriving + toBuy).toBe(placements.length)
  })

  test('owned parts are given once: later outfits do not count on what earlier ones took', async () => {
    // Those that stand built have what stands on them, whoever comes first.
    const outfits = (await shelves())
      .flatMap((roster) => roster.outfits)
      .filter(({ state }) => state !== 'built' && state !== 'shown')
    const details = await Promise.all(outfits.map(({ id }) => server.get<OutfitDetail>(`outfits/${id}`)))
    const free = details.map(({ body }) => body.free)
    for (const [i, outfit] of outfits.entries())
      for (const { part } of outfit.placements) {
        const later = free[i + 1]?.[part] ?? 0
        expect(later).toBeLessThanOrEqual(free[i]![part] ?? 0)
      }
  })
})

describe('an outfit', () => {
  test('comes with its takes, their parts and lowest prices', async () => {
    const odile = await outfitNamed('Odile, skipper')
    expect(odile.takes.map(({ label }) => label)).toEqual(['A', 'B'])
    const codes = new Set(odile.parts.map(({ code }) => code))
    for (const { placements } of odile.takes) for (const { part } of placements) expect(codes.has(part)).toBe(true)
    expect(Object.keys(odile.lowest).sort()).toEqual([...codes].sort())
  })

  test('an unknown one is told', async () => {
    const { status, body } = await server.get<ProblemBody>('outfits/NOPE')
    expect([status, body.detail]).toEqual([404, 'There is no outfit NOPE.'])
  })
})

describe('saving what a take wears', () => {
  test('keeps it under the next version', async () => {
    const teo = await outfitNamed('Teo')
    const bareheaded = teo.takes[0]!.placements.filter(({ slot }) => slot !== 'headgear')
    const answer = await save(teo, bareheaded)
    expect([answer.status, answer.body]).toEqual([200, { version: teo.version + 1 }])
    const sorted = (list: Placement[]) => [...list].sort((a, b) => (a.slot < b.slot ? -1 : 1))
    expect(sorted((await outfitNamed('Teo')).takes[0]!.placements)).toEqual(sorted(bareheaded))
  })

  test('a stale version gets 409, names it and writes nothing', async () => {
    const bram = await outfitNamed('Bram')
    await save(bram, bram.takes[0]!.placements)
    const placements = await server.count(PlacementEntity)
    const { status, type, body } = await save(bram, [])
    expect(status).toBe(409)
    expect(type).toContain('application/problem+json')
    expect(body.errors).toEqual([expect.objectContaining({ field: 'version' })])
    expect(await server.count(PlacementEntity)).toBe(placements)
    expect((await outfitNamed('Bram')).takes[0]!.placements).not.toHaveLength(0)
  })

  test.each<[string, (good: Placement[]) => unknown, string]>([
    ['an unknown part', (good) => [{ ...good[0], part: 'P-NONE' }, ...good.slice(1)], 'placements[0].part'],
    ['a part in a slot that does not take it', (good) => [{ ...good[0], slot: 'beside' }], 'placements[0].slot'],
    ['an unknown slot', (good) => [{ ...good[0], slot: 'tail' }], 'placements[0].slot'],
    ['a negative order', (good) => [{ ...good[0], order: -1 }], 'placements[0].order'],
    ['no placements', () => undefined, 'placements'],
    ['a missing field', ([good]) => [{ slot: good!.slot, part: good!.part, order: 0 }], 'placements[0].turned'],
  ])('%s is refused by field, and nothing is written', async (_name, spoil, field) => {
    const bram = await outfitNamed('Bram')
    const { status, body } = await save(bram, spoil(bram.takes[0]!.placements))
    expect(status).toBe(400)
    expect(body.errors.map((error) => error.field)).toContain(field)
    expect(await outfitNamed('Bram')).toEqual(bram)
  })

  test('a take of another outfit is not found', async () => {
    const [bram, teo] = [await outfitNamed('Bram'), await outfitNamed('Teo')]
    expect((await save(bram, [], bram.version, teo.takes[0]!.id)).status).toBe(404)
  })
})

describe('takes', () => {
  test('a copy gets the next letter and its own placements; choosing it puts it on the shelf', async () => {
    const before = await outfitNamed('Odile at twelve')
    const from = before.takes[0]!
    const made = await server.send<{ take: string; version: number }>('POST', `outfits/${before.id}/takes`, {
      version: before.version,
      from: from.id,
    })
    expect(made.status).toBe(201)
    const between = await outfitNamed('Odile at twelve')
    const copy = between.takes.find(({ id }) => id === made.body.take)!
    expect(copy).toMatchObject({ label: 'B', chosen: false })
    expect(copy.placements).toHaveLength(from.placements.length)
    await save(between, copy.placements.slice(1), between.version, copy.id)
    const chosen = await server.send('PUT', `outfits/${before.id}/chosen`, {
      version: between.version + 1,
      take: copy.id,
    })
    expect(chosen.status).toBe(200)
    const after = await outfitNamed('Odile at twelve')
    expect(after.takes.map((take) => [take.label, take.chosen, take.placements.length])).toEqual([
      ['A', false, from.placements.length],
      ['B', true, from.placements.length - 1],
    ])
    const shelf = (await shelves())[0]!.outfits.find(({ id }) => id === before.id)!
    expect(shelf.placements).toHaveLength(from.placements.length - 1)
  })

  test('copying or choosing what is not there changes nothing', async () => {
    const bram = await outfitNamed('Bram')
    expect((await server.send('POST', `outfits/${bram.id}/takes`, { version: bram.version, from: 'x' })).status).toBe(
      404,
    )
    expect((await server.send('PUT', `outfits/${bram.id}/chosen`, { version: bram.version, take: 'x' })).status).toBe(
      404,
    )
    expect(await outfitNamed('Bram')).toEqual(bram)
  })
})

describe('importing rosters', () => {
  const roster = (part: string) => ({
    format: 'outfit.rosters',
    version: 1,
    rosters: [
      {
        name: 'Lock keepers',
        note: '',
        rules: 'exchange-only',
        currency: 'EUR',
        characters: [
          {
            name: 'Ada',
            outfits: [
              {
                name: 'Ada',
                faction: 'Locks',
                stature: 'full',
                takes: [{ label: 'A', chosen: true, placements: [{ slot: 'head', part, order: 0, turned: false }] }],
              },
            ],
          },
        ],
      },
    ],
  })

  test('adds them behind the others', async () => {
    const head = (await outfitNamed('Bram')).takes[0]!.placements.find(({ slot }) => slot === 'head')!.part
    expect((await server.send('POST', 'rosters/import', roster(head))).status).toBe(201)
    expect((await shelves()).map(({ name }) => name)).toEqual([
      'Ferry people',
      'The Heron crew',
      'Night market',
      'Better by one part',
      'Brass band',
      'School regatta',
      'Lock keepers',
    ])
  })

  test('one bad placement stops all of it', async () => {
    const outfits = await server.count(OutfitEntity)
    const { status, body } = await server.send<ProblemBody>('POST', 'rosters/import', roster('P-NONE'))
    expect(status).toBe(400)
    expect(body.errors[0]!.message).toContain('P-NONE')
    expect(await server.count(OutfitEntity)).toBe(outfits)
  })
})
