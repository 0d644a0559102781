import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DataSource } from 'typeorm'
import type { BinContents, Moved, PartsBox, ToldAct } from '@outfit/core/drawer'
import { databaseIn } from '../base/database.ts'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
let database: DataSource
beforeAll(async () => {
  server = await startServer()
  database = new DataSource({ ...databaseIn(server.data), name: 'beside', migrationsRun: false } as never)
  await database.initialize()
})
afterAll(async () => {
  await database.destroy()
  await server.stop()
})

const box = async () => (await server.get<PartsBox>('drawer')).body
const bin = async (code: string) => (await server.get<BinContents>(`bins/${code}`)).body
const post = <T = { act: string }>(path: string, body?: object) => server.send<T & ProblemBody>('POST', path, body)
const make = async (name: string, more: object = {}) =>
  (await post<{ code: string }>('bins', { name, ...more })).body.code
const history = async (query = '') => (await server.get<{ acts: ToldAct[]; more: boolean }>(`drawer/acts${query}`)).body
const bring = (things: object[], to: string, more: object = {}) =>
  post('drawer/brought-in', { things, bin: to, together: false, condition: 'used', text: '', ...more })
const total = async () => (await box()).bins.reduce((sum, { units }) => sum + units, 0)
const PART = 'P-00001'

/** What lies where by the movements alone, and by the table the database keeps of it. */
async function bothSums(): Promise<[object[], object[]]> {
  return Promise.all([
    database.query(
      `SELECT part, bin, condition, SUM(qty) AS qty FROM (
         SELECT part, to_bin AS bin, condition, qty FROM movement WHERE to_bin IS NOT NULL
         UNION ALL SELECT part, from_bin, condition, -qty FROM movement WHERE from_bin IS NOT NULL
       ) GROUP BY part, bin, condition HAVING SUM(qty) <> 0 ORDER BY part, bin, condition`,
    ) as Promise<object[]>,
    database.query('SELECT part, bin, condition, qty FROM lying ORDER BY part, bin, condition') as Promise<object[]>,
  ])
}

describe('bins', () => {
  test('are made, named, laid out and nested; a name is given once', async () => {
    const outer = await make('Shelf by the window')
    const inner = await make('Small hats', { parent: outer })
    expect((await post('bins', { name: 'Small hats' })).body.errors[0]).toMatchObject({ field: 'name' })
    expect(
      (
        await server.send('PUT', `bins/${outer}`, {
          ...{ x: 4, y: 30, w: 6, h: 3 },
          was: { x: null, y: null, w: null, h: null },
        })
      ).status,
    ).toBe(204)
    expect((await bin(outer)).trays).toEqual([{ code: inner, name: 'Small hats' }])
    const { bins } = await box()
    const at = bins.findIndex(({ code }) => code === outer)
    expect(bins[at]).toMatchObject({ x: 4, y: 30, w: 6, h: 3, units: 0 })
    expect(bins[at + 1]!.code).toBe(inner)
    const loop = await server.send<ProblemBody>('PUT', `bins/${outer}`, { parent: inner, was: { parent: null } })
    expect([loop.status, loop.body.errors[0]?.field]).toEqual([409, 'parent'])
  })

  test('go while nothing ever lay in them, and stay for their history', async () => {
    const code = await make('For a day')
    expect((await bring([{ kind: 'part', code: PART, qty: 1 }], code)).status).toBe(201)
    expect((await server.send('DELETE', `bins/${code}`)).status).toBe(409)
    const empty = await make('For nothing')
    expect((await server.send('DELETE', `bins/${empty}`)).status).toBe(204)
    expect((await server.get(`bins/${empty}`)).status).toBe(404)
  })
})

describe('what comes in', () => {
  test('a box lands with everything it contains, its figures standing together', async () => {
    const to = await make('Unpacked')
    const before = await total()
    const [{ release: code }] = (await database.query(
      `SELECT release FROM release_content WHERE kind = 'figure' LIMIT 1`,
    )) as [{ release: string }]
    const [{ figures }] = (await database.query(
      `SELECT SUM(qty) AS figures FROM release_content WHERE kind = 'figure' AND release = ?`,
      [code],
    )) as [{ figures: number }]
    const { status, body } = await bring([{ kind: 'release', code, qty: 1 }], to, { together: true, condition: 'new' })
    expect(status).toBe(201)
    const [act] = (await history()).acts
    expect(act).toMatchObject({ id: body.act, kind: 'brought-in', reversedBy: null })
    const stands = new Set(act!.moves.map((move) => move.to).filter((place) => place !== to))
    expect(stands.size).toBe(figures)
    const donor = (await bin([...stands][0]!)).donor!
    expect(donor.pieces.length).toBeGreaterThan(3)
    expect(donor.pieces.every(({ there }) => there)).toBe(true)
    expect(await total()).toBe(before + act!.moves.reduce((sum, { qty }) => sum + qty, 0))
    // Taken back, all of it is gone again; once only.
    expect((await post(`drawer/acts/${body.act}/reversal`)).status).toBe(201)
    expect(await total()).toBe(before)
    expect((await post(`drawer/acts/${body.act}/reversal`)).status).toBe(409)
  })

  test.each<[string, object, number, string]>([
    ['a part there is not', { kind: 'part', code: 'P-NONE', qty: 1 }, 404, 'things[0].code'],
    ['none of it', { kind: 'part', code: PART, qty: 0 }, 400, 'things[0].qty'],
    ['a thing there is no kind of', { kind: 'lot', code: PART, qty: 1 }, 400, 'things[0].kind'],
  ])('%s is refused by field, and nothing lands', async (_what, thing, status, field) => {
    const before = await total()
    const answer = await bring([{ kind: 'part', code: PART, qty: 1 }, thing].reverse(), 'B1')
    expect([answer.status, answer.body.errors[0]?.field]).toEqual([status, field])
    expect(await total()).toBe(before)
  })
})

test('what comes in for a roster there is not is refused', async () => {
  expect((await bring([{ kind: 'part', code: PART, qty: 1 }], 'B1', { roster: 'NONE' })).status).toBe(404)
})

describe('what goes', () => {
  const move = (to: string, from: string, qty = 1) =>
    post('drawer/moved', { to, moves: [{ part: PART, from, qty, condition: 'new' }] })

  test('two windows move the last one: one wins, the other is told', async () => {
    const [from, here, there] = [await make('Last one'), await make('Here'), await make('There')]
    await bring([{ kind: 'part', code: PART, qty: 1 }], from, { condition: 'new' })
    const answers = await Promise.all([move(here, from), move(there, from)])
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409])
    expect(answers.find(({ status }) => status === 409)!.body.detail).toMatch(
      /^Last one has 0 of .+ \(new\), not 1\. It was moved meanwhile/,
    )
    expect((await bin(here)).lying.length + (await bin(there)).lying.length).toBe(1)
  })

  test('lent it is still owned and nobody plans with it; given back it is there again', async () => {
    const from = await make('To lend')
    await bring([{ kind: 'part', code: PART, qty: 2 }], from, { condition: 'new' })
    const before = (await box()).counts
    await post('drawer/lent', { holder: 'Wen next door', moves: [{ part: PART, from, qty: 1, condition: 'new' }] })
    const { counts, bins } = await box()
    expect([counts.loose - before.loose, counts.lent - before.lent]).toEqual([-1, 1])
    const lent = bins.find(({ holder }) => holder === 'Wen next door')!
    expect((await move(from, lent.code)).status).toBe(201)
    expect((await history()).acts[0]).toMatchObject({ kind: 'returned', text: 'by Wen next door' })
    expect((await box()).counts).toEqual(before)
  })

  test('sold it is counted as sold, until that is taken back', async () => {
    const from = await make('For sale')
    await bring([{ kind: 'part', code: PART, qty: 3 }], from, { condition: 'new' })
    const { body } = await post('drawer/taken-out', {
      how: 'sold',
      text: 'market stall',
      moves: [{ part: PART, from, qty: 2, condition: 'new' }],
    })
    expect((await box()).counts.sold).toBe(2)
    const back = await post(`drawer/acts/${body.act}/reversal`)
    expect((await box()).counts.sold).toBe(0)
    const again = await post(`drawer/acts/${back.body.act}/reversal`)
    expect((await box()).counts.sold).toBe(2)
    await post(`drawer/acts/${again.body.act}/reversal`)
    expect((await box()).counts.sold).toBe(0)
    expect((await history(`?part=${PART}&bin=${from}`)).acts.map(({ kind }) => kind)).toEqual([
      'taken-back',
      'taken-back',
      'taken-back',
      'sold',
      'brought-in',
    ])
  })
})

describe('a stocktake', () => {
  test('sets right what differs in one act, and is refused when something moved meanwhile', async () => {
    const code = await make('Counted')
    await bring([{ kind: 'part', code: PART, qty: 3 }], code)
    const expected = [{ part: PART, condition: 'used', qty: 3 }]
    const counted = [
      { part: PART, condition: 'used', qty: 2 },
      { part: 'P-00002', condition: 'new', qty: 1 },
    ]
    expect((await post(`bins/${code}/stocktake`, { counted: expected, expected })).body.act).toBeNull()
    await post(`bins/${code}/stocktake`, { counted, expected })
    expect((await bin(code)).lying).toEqual(counted)
    const late = await post(`bins/${code}/stocktake`, { counted, expected })
    expect([late.status, late.body.detail]).toEqual([409, expect.stringMatching(/since the count began/)])
  })
})

describe('figures', () => {
  test('are taken apart into a bin and put together again from what is loose', async () => {
    const to = await make('Pieces')
    const [{ code: figure }] = (await database.query('SELECT code FROM figure ORDER BY code LIMIT 1')) as [
      { code: string },
    ]
    const { body } = await bring([{ kind: 'figure', code: figure, qty: 1 }], to, { together: true })
    const stand = (await history()).acts.find(({ id }) => id === body.act)!.moves[0]!.to!
    const whole = await bin(stand)
    const split = await post<{ pieces: number }>(`bins/${stand}/split`, { to, level: 1 })
    expect(split.body.pieces).toBeLessThan(whole.donor!.pieces.length)
    expect((await bin(stand)).donor!.pieces.some(({ there }) => there)).toBe(false)
    expect((await post(`bins/${to}/split`, { to, level: 1 })).status).toBe(409)
    const again = await post<{ bin: string }>('drawer/put-together', { figure })
    expect(again.status).toBe(201)
    expect((await bin(again.body.bin)).donor!.pieces.every(({ there }) => there)).toBe(true)
  })
})

describe('movements', () => {
  test('are only ever added, and never leave less than nothing, whoever writes them', async () => {
    await expect(database.query('UPDATE movement SET qty = 5')).rejects.toThrow('only ever added')
    await expect(database.query('DELETE FROM movement')).rejects.toThrow('only ever added')
    await expect(
      database.query(
        `INSERT INTO movement (id, at, part, from_bin, to_bin, qty, reason, condition) VALUES ('x', '2026-11-01', 'P-00003', 'B1', NULL, 999, '', 'new')`,
      ),
    ).rejects.toThrow('CHECK')
  })

  test('add up to what lies where after any acts, and taking all of them back leaves what was', async () => {
    const codes = [await make('One'), await make('Two'), await make('Three')]
    await bring([{ kind: 'part', code: 'P-00005', qty: 4 }], codes[0]!)
    const [, before] = await bothSums()
    const place = fc.constantFrom(...codes)
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ from: place, to: place, qty: fc.integer({ min: 1, max: 4 }) }), { maxLength: 6 }),
        async (wanted) => {
          const acts: string[] = []
          for (const { from, to, qty } of wanted) {
            const moves: Omit<Moved, 'to'>[] = [{ part: 'P-00005', from, qty, condition: 'used' }]
            const { status, body } = await post('drawer/moved', { moves, to })
            if (status === 201) acts.push(body.act)
          }
          const [summed, kept] = await bothSums()
          expect(kept).toEqual(summed)
          for (const act of acts.reverse()) expect((await post(`drawer/acts/${act}/reversal`)).status).toBe(201)
          expect((await bothSums())[1]).toEqual(before)
        },
      ),
      { numRuns: 8 },
    )
  })
})
