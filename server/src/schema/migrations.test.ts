import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DataSource } from 'typeorm'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type TestServer } from '../test/testServer.ts'
import { databaseIn } from '../base/database.ts'
import { First1763900000000 } from './migrations/first.ts'
import { MIGRATIONS } from './migrations/index.ts'
import { NumberedOffers1764800000000 } from './migrations/numberedOffers.ts'

/** A database as the first release left it, with an assembly in it. */
async function oldest(data: string): Promise<void> {
  const database = new DataSource({ ...databaseIn(data), entities: [], migrations: [First1763900000000] } as never)
  await database.initialize()
  for (const statement of [
    `INSERT INTO colour VALUES ('tar', 'Tar', '#232126', 'black', 'solid'), ('sand', 'Sand', '#EBC9A0', ' Haut', 'solid')`,
    `INSERT INTO mould VALUES ('M-HAND', 'Mitt', 'hand', 'hand', 0, 0, 0.1, '{}'), ('M-TORSO', 'Torso', 'torso', 'torso', 0, 0, 2.6, '{}'), ('M-DRESS', 'Dressed', 'dressed-torso', 'dressed-torso', 0, 0, 3.6, '{}')`,
    `INSERT INTO part VALUES ('P-1', 'Old mitt', 'M-HAND', 'hand', '["tar"]', NULL, 2014), ('P-2', 'Old torso', 'M-TORSO', 'torso', '["tar"]', NULL, NULL), ('P-3', 'Old dressed', 'M-DRESS', 'dressed-torso', '["tar"]', NULL, 2015)`,
    `INSERT INTO component VALUES ('P-3', 'torso', 'P-2'), ('P-3', 'handLeft', 'P-1')`,
    `INSERT INTO bin VALUES ('B1', 'Old bin')`,
    `INSERT INTO movement VALUES ('m1', '2025-01-02', 'P-2', NULL, 'B1', 3, 'stocktake'), ('m2', '2025-01-02', 'P-3', NULL, 'B1', 1, 'stocktake'), ('m3', '2025-02-03', 'P-2', 'B1', NULL, 1, 'lost')`,
    `INSERT INTO roster VALUES ('R', 'Old roster', '', 'exchange-only', NULL, 'EUR', NULL, 0)`,
    `INSERT INTO person VALUES ('B', 'R', 'Bo', 1), ('A', 'R', 'Ada', 0)`,
    `INSERT INTO outfit VALUES ('b1', 'B', 'Bo', 'Crew', 'full', 0, 1), ('a2', 'A', 'Ada, old', 'Crew', 'full', 1, 1), ('a1', 'A', 'Ada', 'Crew', 'full', 0, 1)`,
    `INSERT INTO take VALUES ('t', 'a1', 'A', 1)`,
    `INSERT INTO placement VALUES ('t', 'handLeft', 0, 'P-1', 0)`,
  ])
    await database.query(statement)
  await database.destroy()
}

describe('a database of the first release', () => {
  const data = mkdtempSync(join(tmpdir(), 'outfit-old-'))
  let server: TestServer
  beforeAll(async () => {
    await oldest(data)
    server = await startServer({ world: false, data })
  })
  afterAll(() => server.stop())

  test('opens with everything in it, assemblies with the levels of their slots', async () => {
    const { body } = await server.get<{ part: object }>('parts/P-3')
    expect(body.part).toMatchObject({
      name: 'Old dressed',
      photo: null,
      components: expect.arrayContaining([
        { slot: 'torso', part: 'P-2', level: 3 },
        { slot: 'handLeft', part: 'P-1', level: 2 },
      ]),
    })
    const basics = (await server.get<{ moulds: object[] }>('catalogue/basics')).body
    expect(basics.moulds).toContainEqual(expect.objectContaining({ code: 'M-HAND', connections: [], covers: [] }))
  })

  test('has its colours of skin in the one family rules ask for', async () => {
    const { colours } = (await server.get<{ colours: { code: string; family: string }[] }>('catalogue/basics')).body
    expect(colours.map(({ code, family }) => [code, family])).toEqual([
      ['sand', 'skin'],
      ['tar', 'black'],
    ])
  })

  test('has what lies where as the sum of what was moved, and its history in acts', async () => {
    const { lying } = (await server.get<{ lying: object[] }>('bins/B1')).body
    expect(lying).toEqual([
      // Of the torso with its mitt, which lies there as its pieces now.
      { part: 'P-1', condition: 'used', qty: 1 },
      { part: 'P-2', condition: 'used', qty: 3 },
    ])
    const { acts } = (await server.get<{ acts: { text: string; moves: object[] }[] }>('drawer/acts')).body
    expect(acts.map(({ text, moves }) => [text, moves.length])).toEqual([
      ['lost', 1],
      ['stocktake', 2],
      ['what is made of pieces', 3],
    ])
  })

  test('is found by words it had none of before', async () => {
    const { body } = await server.get<{ items: { part: { code: string } }[] }>('parts/find?text=old+mitt+dark')
    expect(body.items.map(({ part }) => part.code)).toEqual(['P-1'])
  })

  test('has its rosters in the order they had, each outfit with a place of its own', async () => {
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    expect(rosters.map(({ name }) => name)).toEqual(['Old roster'])
    expect(rosters[0]!.outfits.map(({ name }) => name)).toEqual(['Ada', 'Ada, old', 'Bo'])
    expect(rosters[0]!.outfits[0]).toMatchObject({ state: 'fitting', uniform: null, base: null, toBuy: 0 })
    expect(rosters[0]).toMatchObject({ uniforms: [], paid: 0, version: 1, switches: {} })
    const moved = { moves: [{ outfit: 'b1', faction: 'Crew', before: 'a1' }] }
    expect((await server.send('PUT', 'rosters/R/order', moved)).status).toBe(204)
    const after = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters[0]!
    expect(after.outfits.map(({ id }) => id)).toEqual(['b1', 'a1', 'a2'])
  })

  test('takes new rows', async () => {
    const csv = 'code,name,mould,colours\nP-4,New mitt,M-HAND,tar'
    expect((await server.send<{ written: boolean }>('POST', 'import/parts', { csv })).body.written).toBe(true)
  })
})

test('every migration can be taken back, the newest first, and done again', async () => {
  const data = mkdtempSync(join(tmpdir(), 'outfit-migrations-'))
  const database = new DataSource({ ...databaseIn(data), entities: [] } as never)
  await database.initialize()
  const tables = async () =>
    (await database.query(
      `SELECT name, sql FROM sqlite_master WHERE name NOT LIKE '%migrations%' AND sql IS NOT NULL ORDER BY name`,
    )) as object[]
  const whole = await tables()
  for (let i = 0; i < MIGRATIONS.length; i++) await database.undoLastMigration()
  expect((await tables()).filter((row) => !/sqlite_/.test((row as { name: string }).name))).toEqual([])
  await database.runMigrations()
  expect(await tables()).toEqual(whole)
  await database.destroy()
  rmSync(data, { recursive: true, force: true })
})

test('lines of parcels name their offers also after these were numbered, and after that is taken back', async () => {
  const data = mkdtempSync(join(tmpdir(), 'outfit-numbered-'))
  const before = MIGRATIONS.slice(0, MIGRATIONS.indexOf(NumberedOffers1764800000000))
  const old = new DataSource({ ...databaseIn(data), entities: [], migrations: before } as never)
  await old.initialize()
  const lines: [id: string, code: string, nth: number][] = [
    ['c', 'P-1', 0],
    ['a', 'P-1', 1],
    ['b', 'P-0', 0],
  ]
  await old.query(
    `INSERT INTO seller (code, name, country, currency, minimum, handling, arrivesInDays, shippingBasis, shippingBands) VALUES ('s', 'S', 'Here', 'EUR', 0, 0, 3, 'value', '[]')`,
  )
  for (const [id, code, nth] of lines)
    await old.query(
      `INSERT INTO offer (id, date, seller, kind, code, condition, price, currency, stock, multiple, nth) VALUES (?, '2026-01-02', 's', 'part', ?, 'used', 30, 'EUR', 2, 1, ?)`,
      [id, code, nth],
    )
  await old.query(
    `INSERT INTO parcel (id, seller, orderedOn, expectedOn, currency, shipping, handling) VALUES ('p', 's', '2026-01-03', '2026-01-09', 'EUR', 100, 0)`,
  )
  for (const [line, offer] of ['a', 'b', 'c', 'sold long ago', null].entries())
    await old.query(
      `INSERT INTO parcel_line (parcel, line, kind, code, condition, qty, price, offer) VALUES ('p', ?, 'part', 'P-9', 'used', 1, 30, ?)`,
      [line, offer],
    )
  await old.destroy()
  const database = new DataSource({ ...databaseIn(data), entities: [] } as never)
  const named = async () =>
    (
      (await database.query(
        'SELECT o.code, o.nth FROM parcel_line l LEFT JOIN offer o ON o.id = l.offer ORDER BY l.line',
      )) as { code: string | null; nth: number | null }[]
    ).map(({ code, nth }) => (code === null ? null : `${code} ${nth}`))
  await database.initialize()
  expect(await named()).toEqual(['P-1 1', 'P-0 0', 'P-1 0', null, null])
  await database.undoLastMigration()
  expect(await named()).toEqual(['P-1 1', 'P-0 0', 'P-1 0', null, null])
  await database.destroy()
  rmSync(data, { recursive: true, force: true })
})
