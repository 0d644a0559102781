import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { DataSource } from 'typeorm'
import type { Done, DonePage } from '@outfit/core/journal'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { recordedTables } from './recorder.ts'
import type { Database } from 'better-sqlite3'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

type Row = Record<string, unknown>
const send = <T = Row>(method: 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown) =>
  server.send<T & ProblemBody>(method, path, body)
const page = async (before?: string) => (await server.get<DonePage>(`journal${before ? `?before=${before}` : ''}`)).body
const last = async (): Promise<Done> => (await page()).done[0]!
/** How many entries there are, on however many pages. */
const countOf = async (before?: string): Promise<number> => {
  const { done, more } = await page(before)
  return done.length + (more ? await countOf(done.at(-1)!.id) : 0)
}
const takeBack = (id: string) => send('POST', `journal/${id}/taken-back`)

/** All there is in the tables that are written down, and what lies where, but for marks that only count writes. */
function everything(): Record<string, string[]> {
  const { databaseConnection: db } = server.service(DataSource).driver as unknown as { databaseConnection: Database }
  const tables = [...recordedTables(db).map(({ name }) => name), 'lying'].filter(
    (name) => name !== 'act' && name !== 'movement',
  )
  return Object.fromEntries(
    tables.map((name) => [
      name,
      (db.prepare(`SELECT * FROM "${name}"`).all() as Row[])
        .map(({ version: _version, ...row }) => JSON.stringify(row))
        .filter((row) => name !== 'lying' || !row.includes('"qty":0'))
        .sort(),
    ]),
  )
}

interface Shelf {
  rosters: { id: string; name: string; version: number; outfits: { id: string; name: string; character: string }[] }[]
}
const rosters = async () => (await server.get<Shelf>('rosters')).body.rosters
const outfitOf = async (name: string) =>
  (
    await server.get<Outfit>(
      `outfits/${(await rosters()).flatMap(({ outfits }) => outfits).find((o) => o.name === name)!.id}`,
    )
  ).body
interface Outfit {
  id: string
  version: number
  briefVersion: number
  brief: Row
  takes: { id: string; label: string; chosen: boolean; placements: Row[] }[]
}
const first = async (path: string, key: string) => (await server.get<Record<string, Row[]>>(path)).body[key]![0]!

/** What people do, each with the words it is told by. */
const ACTS: readonly (readonly [words: RegExp, act: () => Promise<{ status: number; body: unknown }>])[] = [
  [
    /^Dressed Odile, skipper$/,
    async () => {
      const { id, version, takes } = await outfitOf('Odile, skipper')
      const { id: take, placements } = takes[0]!
      return send('PUT', `outfits/${id}/takes/${take}`, { version, placements: placements.slice(3) })
    },
  ],
  [
    /^New take of Bram, engines$/,
    async () => {
      const { id, version, takes } = await outfitOf('Bram, engines')
      return send('POST', `outfits/${id}/takes`, { version, from: takes[0]!.id })
    },
  ],
  [
    /^Began the roster Lamplighters$/,
    () => send('POST', 'rosters', { name: 'Lamplighters', note: '', school: 'open-bench', budget: null, dueOn: null }),
  ],
  [
    /^Took down Ferry people$/,
    async () => send('DELETE', `rosters/${(await rosters()).find(({ name }) => name === 'Ferry people')!.id}`),
  ],
  [
    /^Made 2 characters: Ada and Bo$/,
    async () => {
      const { id, version } = (await rosters())[0]!
      const of = (name: string) => ({ name, faction: 'New', years: null, notes: '' })
      return send('POST', `rosters/${id}/characters`, { version, characters: [of('Ada'), of('Bo')] })
    },
  ],
  [
    /^Moved into /,
    async () => {
      const bins = (
        await server.get<{
          bins: { code: string; figure: string | null; outfit: string | null; holder: string | null; units: number }[]
        }>('drawer')
      ).body.bins
      const plain = bins.filter(({ figure, outfit, holder, units }) => !figure && !outfit && !holder && units > 0)
      const { lying } = (await server.get<{ lying: { part: string; condition: string }[] }>(`bins/${plain[0]!.code}`))
        .body
      const { part, condition } = lying[0]!
      return send('POST', 'drawer/moved', {
        moves: [{ part, condition, from: plain[0]!.code, qty: 1 }],
        to: plain[1]!.code,
      })
    },
  ],
  [/^Made bin Rope box$/, () => send('POST', 'bins', { name: 'Rope box', parent: null })],
  [
    /^Changed seller /,
    async () => {
      const { code, ...seller } = await first('sellers', 'sellers')
      const told = [
        'name',
        'country',
        'currency',
        'minimum',
        'handling',
        'arrivesInDays',
        'rating',
        'shippingBasis',
        'shippingBands',
        'standing',
      ]
      const body = Object.fromEntries(told.map((column) => [column, seller[column]]))
      return send('PUT', `sellers/${code}`, { ...body, notes: 'slow, and kind', was: {} })
    },
  ],
  [/^Set your name and single-letter keys$/, () => send('PUT', 'settings', { maker: 'Somebody', singleKeys: false })],
  [
    /^Made 2 colours: Fog and Rust$/,
    () =>
      send('POST', 'import/colours', {
        csv: 'code,name,hex,family,finish\nfog,Fog,#C8CCCE,grey,solid\nrust2,Rust,#8A3B1E,red,solid',
      }),
  ],
  [
    /^Made part Test cap$/,
    () => send('POST', 'import/parts', { csv: 'code,name,mould,colours\nP-TEST,Test cap,M-DECK,tar' }),
  ],
  [
    /^Imported owned parts from a table$/,
    () => send('POST', 'import/owned', { csv: 'part,bin,qty,condition,date,reason\nP-00001,B1,2,new,2026-11-01,swap' }),
  ],
  [
    /^Brought in list.csv$/,
    async () => {
      const kept = await server.sendFile<{ id: string }>(
        'intake?name=list.csv',
        new TextEncoder().encode('Part;Colour;Count\nDeck cap;blue;2\nTop hat;red;1\n'),
      )
      return send('POST', `intake/${kept.body.id}/taken`, { mode: 'add' })
    },
  ],
]

describe('what was done', () => {
  test.each(ACTS)('%s: it is told, taken back as a whole, and done again by taking that back', async (words, act) => {
    const before = everything()
    const { status, body } = await act()
    expect([status < 300, body]).toEqual([true, body])
    const after = everything()
    expect(after).not.toEqual(before)
    const done = await last()
    expect(done.words).toMatch(words)
    expect(done).toMatchObject({ device: 'a program', canTakeBack: true, undoes: null, undone: null })
    expect((await takeBack(done.id)).body).toBe('')
    // Of a list what it brought in is gone; the parts it made stay, as they do when it is taken back where it came in.
    const isList = /^Brought in/.test(done.words)
    if (isList) expect(everything()['lying']).toEqual(before['lying'])
    else expect(everything()).toEqual(before)
    const back = await last()
    const told = async ({ id }: Done) => (await page()).done.find((one) => one.id === id)!
    expect([back.words, back.undoes, (await told(done)).undone]).toEqual([`Took back: ${done.words}`, done.id, back.id])
    const again = await takeBack(done.id)
    expect([again.status, again.body.detail]).toEqual([409, `This was taken back already: ${done.words}.`])
    expect((await takeBack(back.id)).status).toBe(204)
    if (isList) expect(everything()['lying']).toEqual(after['lying'])
    else expect(everything()).toEqual(after)
    // It stands again as it did, and is taken back again.
    const redone = await last()
    expect([redone.words, (await told(done)).again]).toEqual([`Did again: ${done.words}`, true])
    expect((await takeBack(redone.id)).status).toBe(204)
    expect([(await last()).words, (await told(done)).again]).toEqual([back.words, false])
    expect(everything()['lying']).toEqual(before['lying'])
    expect((await takeBack((await last()).id)).status).toBe(204)
    expect(everything()['lying']).toEqual(after['lying'])
  })
})

describe('taking back', () => {
  const dress = async (name: string, from: number) => {
    const { id, version, takes } = await outfitOf(name)
    const { id: take, placements } = takes[0]!
    return send('PUT', `outfits/${id}/takes/${take}`, { version, placements: placements.slice(from) })
  }

  test('is refused where it was changed since, naming it, and changes nothing', async () => {
    await send('POST', 'import/colours', { csv: 'code,name,hex,family,finish\nmist,Mist,#C8CCCE,grey,solid' })
    const made = await last()
    await send('POST', 'import/colours', { csv: 'code,name,hex,family,finish\nmist,Mist,#AAAAAA,grey,solid' })
    const before = everything()
    const refused = await takeBack(made.id)
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      'Made colour Mist: Mist was changed or is in use since. Nothing was taken back.',
    ])
    expect(everything()).toEqual(before)
    // Taken back in turn, the last first, both can be.
    expect((await takeBack((await last()).id)).status).toBe(204)
    expect((await takeBack(made.id)).status).toBe(204)
  })

  test('is refused where somebody builds on it: what is in use, and what would go along with it', async () => {
    await send('POST', 'import/colours', { csv: 'code,name,hex,family,finish\nbog,Bog,#3F4A32,green,solid' })
    const colour = await last()
    await send('POST', 'import/parts', { csv: 'code,name,mould,colours\nP-BOG,Bog cap,M-DECK,bog' })
    await send('POST', 'import/owned', { csv: 'part,bin,qty,condition,date,reason\nP-BOG,B1,1,new,2026-11-01,swap' })
    const part = (await page()).done[1]!
    expect(part.words).toBe('Made part Bog cap')
    expect((await takeBack(part.id)).status).toBe(409)
    const { id, version } = (await rosters())[0]!
    const characters = [{ name: 'Cy', faction: 'New', years: null, notes: '' }]
    const added = await send<{ outfits: string[] }>('POST', `rosters/${id}/characters`, { version, characters })
    const character = await last()
    await dress('Cy', 0)
    const take = (await server.get<Outfit>(`outfits/${added.body.outfits[0]}`)).body
    const placements = [{ slot: 'headgear', part: 'P-BOG', order: 0, turned: false }]
    await send('PUT', `outfits/${take.id}/takes/${take.takes[0]!.id}`, { version: take.version, placements })
    const before = everything()
    const refused = await takeBack(character.id)
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringMatching(/^Made character Cy: .*in use since\. Nothing was taken back\.$/),
    ])
    expect(everything()).toEqual(before)
    expect((await takeBack(colour.id)).status).toBe(204)
  })

  test('puts back what was written again and again as one, and tells nothing of what came to nothing', async () => {
    const before = everything()
    const count = await countOf()
    const { takes } = await outfitOf('Wen Sorrel')
    for (let n = 0; n < 3; n++) await dress('Wen Sorrel', 1)
    const one = await last()
    expect([one.words, await countOf()]).toEqual(['Dressed Wen Sorrel', count + 1])
    const { id, version, takes: now } = await outfitOf('Wen Sorrel')
    await send('PUT', `outfits/${id}/takes/${now[0]!.id}`, { version, placements: takes[0]!.placements })
    expect(everything()).toEqual(before)
    const { done } = await page()
    // The version of the outfit went up, which is nothing anybody did.
    expect(done.filter(({ words }) => words === 'Dressed Wen Sorrel')).toEqual([])
  })

  test('of nothing is none: what came in again as it was says so', async () => {
    const csv = 'code,name,hex,family,finish\nc-again,Again,#C8CCCE,grey,solid'
    const { body: first } = await send('POST', 'import/colours', { csv })
    expect(first).toMatchObject({ entry: expect.any(String), byCopy: false })
    const count = await countOf()
    const { body: second } = await send('POST', 'import/colours', { csv })
    expect([second['written'], second['entry'], second['byCopy'], await countOf()]).toEqual([true, null, false, count])
  })

  test('of what is too much points to the copies; a table of prices has a way back of its own', async () => {
    const rows = Array.from({ length: 20_001 }, (_, i) => `c-${i},Colour ${i},#C8CCCE,grey,solid`)
    const { body: report } = await send('POST', 'import/colours', {
      csv: ['code,name,hex,family,finish', ...rows].join('\n'),
    })
    expect(report).toMatchObject({ entry: null, byCopy: true })
    const much = await last()
    expect(much).toMatchObject({ canTakeBack: false, copy: expect.stringContaining('before-import') })
    expect(much.words).toBe('Made 20001 colours: Colour 0, Colour 1 and 19999 more')
    const refused = await takeBack(much.id)
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringContaining('Settings, Copies')])
    const { code, currency } = (await first('sellers', 'sellers')) as { code: string; currency: string }
    const offers = async () => (await fetch(`${server.url}/api/export/offers.csv`)).text()
    const before = await offers()
    const brought = await send('POST', 'import/offers', {
      csv: `date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-30,${code},part,P-00001,new,40,${currency},3,1`,
    })
    expect(brought.body).toMatchObject({ written: true, rejects: [] })
    const table = await last()
    expect(table).toMatchObject({ words: 'Brought in a table of prices', canTakeBack: true })
    expect(await offers()).not.toBe(before)
    expect((await takeBack(table.id)).status).toBe(204)
    expect(await offers()).toBe(before)
  })

  test('tells browsers apart, and which of them asks', async () => {
    const ask = (cookie: string, method = 'GET', path = 'journal', body?: object) =>
      fetch(`${server.url}/api/${path}`, {
        method,
        headers: {
          cookie: `outfit-session=${cookie}`,
          'user-agent': 'Mozilla/5.0 Mobile',
          ...(body ? { 'content-type': 'application/json' } : {}),
        },
        ...(body ? { body: JSON.stringify(body) } : {}),
      })
    await ask('first', 'POST', 'bins', { name: 'From a phone', parent: null })
    const told = async (cookie: string) => ((await (await ask(cookie)).json()) as DonePage).done[0]!
    expect(await told('first')).toMatchObject({ words: 'Made bin From a phone', device: 'a phone', own: true })
    expect(await told('second')).toMatchObject({ device: 'a phone', own: false })
    // Nobody learns a session from it.
    expect(JSON.stringify((await page()).done)).not.toContain('first')
  })
})
