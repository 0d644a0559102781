import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { createHash } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import { PHOTO_LIMIT } from '@outfit/core/tables'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { PartEntity, PhotoEntity } from '../schema/catalogue.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

type Saved = { code: string; made: boolean; fulfilled: { part: string }[] }
const make = async (table: string, body: object) => (await server.send<Saved>('POST', `catalogue/${table}`, body)).body
/** Whatever was read before, so that each test says only what it is about. */
const put = (table: string, code: string, body: object) =>
  server.send<Saved & ProblemBody>('PUT', `catalogue/${table}/${code}`, { was: {}, ...body })
const refusal = async (table: string, body: object) => {
  const answer = await server.send<ProblemBody>('POST', `catalogue/${table}`, body)
  return [answer.status, ...answer.body.errors.map(({ field }) => field)]
}

const HAT = { name: 'Own hat', mould: 'M-DECK', colours: ['tar'], print: null, year: 2026, photo: null, components: [] }
const COLOUR = { name: 'Own Teal', hex: '#2A7F7F', family: 'green', finish: 'solid' }
const PRINT = {
  name: 'Own jacket',
  kind: 'torso',
  front: [{ kind: 'jacket', colour: 'wine' }],
  back: [],
  traits: { garment: 'jacket' },
}
const MOULD = {
  name: 'Own cap',
  kind: 'headgear',
  silhouette: 'deck-cap',
  neckThickness: 0,
  height: 4,
  mass: 1,
  connections: ['crown'],
  covers: ['hair'],
  traits: { hat: 'yes' },
}

describe('making', () => {
  test('colour, mould, print and part find free codes and can be used at once', async () => {
    const colour = await make('colours', COLOUR)
    const mould = await make('moulds', MOULD)
    const print = await make('prints', PRINT)
    expect([colour, mould, print].every(({ made }) => made)).toBe(true)
    const hat = await make('parts', { ...HAT, mould: mould.code, colours: [colour.code] })
    const torso = await make('parts', { ...HAT, name: 'Own torso', mould: 'M-TORSO', print: print.code })
    const { body } = await server.get<{ part: object; prints: object[] }>(`parts/${torso.code}`)
    expect(body.prints).toEqual([expect.objectContaining({ code: print.code, front: PRINT.front })])
    expect((await server.get<{ part: object }>(`parts/${hat.code}`)).body.part).toMatchObject({ name: 'Own hat' })
    const found = await server.get<{ items: { part: { code: string } }[] }>('parts/find?text=own+cap+teal')
    expect(found.body.items.map(({ part }) => part.code)).toEqual([hat.code])
  })

  test('a family of colours is known by what it is called in other languages', async () => {
    const { code } = await make('colours', { ...COLOUR, name: 'Own Peach', family: 'Hautfarben' })
    await put('colours', code, { ...COLOUR, name: 'Own Peach', family: 'peau' })
    const { colours } = (await server.get<{ colours: { code: string; family: string }[] }>('catalogue/basics')).body
    expect(colours.find((colour) => colour.code === code)?.family).toBe('skin')
  })

  test('two entries never get the same code', async () => {
    const [one, two] = await Promise.all([make('parts', HAT), make('parts', HAT)])
    expect(one.code).not.toBe(two.code)
  })

  test('a figure and a release with it are carried at once', async () => {
    const { code: hat } = await make('parts', HAT)
    const figure = await make('figures', {
      name: 'Own keeper',
      year: 2026,
      photo: null,
      worn: [{ slot: 'headgear', part: hat, order: 0 }],
    })
    const release = await make('releases', {
      name: 'Own box',
      kind: 'box',
      year: 2026,
      price: 1999,
      currency: 'EUR',
      inProduction: true,
      photo: null,
      contents: [
        { kind: 'figure', code: figure.code, qty: 2 },
        { kind: 'part', code: hat, qty: 1 },
      ],
      cases: [],
    })
    const { body } = await server.get<{ figures: object[]; releases: object[] }>(`parts/${hat}`)
    expect(body.figures).toEqual([{ code: figure.code, name: 'Own keeper', year: 2026, qty: 1 }])
    expect(body.releases).toEqual([
      { code: release.code, name: 'Own box', kind: 'box', year: 2026, qty: 3, loose: false, packs: null },
    ])
    const opened = await server.get<{ contents: object[]; figures: { worn: object[] }[] }>(`releases/${release.code}`)
    expect(opened.body.contents).toHaveLength(2)
    expect(opened.body.figures[0]!.worn).toHaveLength(1)
    expect((await server.get<{ releases: object[] }>(`figures/${figure.code}`)).body.releases).toHaveLength(1)
  })

  test('a blind pack tells in how many packs of a case it is', async () => {
    const { code: hat } = await make('parts', HAT)
    const worn = [{ slot: 'headgear', part: hat, order: 0 }]
    const rare = await make('figures', { name: 'Rare', year: 2026, photo: null, worn })
    const { code } = await make('releases', {
      name: 'Packs',
      kind: 'blind pack',
      year: 2026,
      price: 450,
      currency: 'EUR',
      inProduction: true,
      photo: null,
      contents: [],
      cases: [
        { kind: 'figure', code: rare.code, qty: 1 },
        { kind: 'figure', code: 'F-0001', qty: 11 },
      ],
    })
    const { body } = await server.get<{ releases: object[] }>(`parts/${hat}`)
    expect(body.releases).toEqual([expect.objectContaining({ code, qty: 1, packs: 12 })])
  })
})

describe('refused by field, with nothing written', () => {
  const RELEASE = {
    name: 'x',
    kind: 'box',
    year: 2026,
    price: 100,
    currency: 'EUR',
    inProduction: true,
    photo: null,
    contents: [],
    cases: [],
  }
  test.each<[string, string, object, (number | string)[]]>([
    ['no name', 'parts', { ...HAT, name: '' }, [400, 'name']],
    ['an unknown mould', 'parts', { ...HAT, mould: 'M-NONE' }, [400, 'mould']],
    ['an unknown colour', 'parts', { ...HAT, colours: ['tar', 'plaid'] }, [400, 'colours']],
    ['no colour', 'parts', { ...HAT, colours: [] }, [400, 'colours']],
    ['an unknown print', 'parts', { ...HAT, print: 'D-NONE' }, [400, 'print']],
    ['a photo nobody sent', 'parts', { ...HAT, photo: 'a'.repeat(64) }, [400, 'photo']],
    ['a field nobody knows', 'parts', { ...HAT, weight: 3 }, [400, 'weight']],
    [
      'a component nobody knows',
      'parts',
      { ...HAT, components: [{ slot: 'torso', part: 'P-NONE' }] },
      [400, 'components[0].part'],
    ],
    [
      'a slot nobody knows',
      'parts',
      { ...HAT, components: [{ slot: 'tail', part: 'P-00001' }] },
      [400, 'components[0].slot'],
    ],
    ['a print for another kind', 'parts', { ...HAT, print: 'D-TORSO-QUAY-JACKET' }, [400, 'print']],
    ['a shade that is none', 'colours', { ...COLOUR, hex: 'teal' }, [400, 'hex']],
    ['a finish nobody draws', 'colours', { ...COLOUR, finish: 'fur' }, [400, 'finish']],
    ['a silhouette nobody draws', 'moulds', { ...MOULD, silhouette: 'mystery' }, [400, 'silhouette']],
    ['a negative mass', 'moulds', { ...MOULD, mass: -1 }, [400, 'mass']],
    ['a layer of another kind', 'prints', { ...PRINT, back: [{ kind: 'brows' }] }, [400, 'back']],
    ['a figure without parts', 'figures', { name: 'x', year: 2026, photo: null, worn: [] }, [400, 'worn']],
    [
      'a part in a slot it does not fit',
      'figures',
      { name: 'x', year: 2026, photo: null, worn: [{ slot: 'head', part: 'P-00001', order: 0 }] },
      [400, 'worn[0].slot'],
    ],
    ['a price below nothing', 'releases', { ...RELEASE, price: -1 }, [400, 'price']],
    ['a currency of two letters', 'releases', { ...RELEASE, currency: 'EU' }, [400, 'currency']],
    [
      'contents nobody knows',
      'releases',
      { ...RELEASE, contents: [{ kind: 'figure', code: 'F-NONE', qty: 1 }] },
      [400, 'contents[0].code'],
    ],
  ])('%s', async (_name, table, body, expected) => {
    const before = await server.count(PartEntity)
    expect(await refusal(table, body)).toEqual(expected)
    expect(await server.count(PartEntity)).toBe(before)
  })

  test('a code that would leave its address', async () => {
    expect((await put('parts', '.hidden', HAT)).status).toBe(400)
    expect((await put('parts', 'with%20space', HAT)).body.errors[0]!.field).toBe('code')
  })
})

describe('changing', () => {
  test('replaces the entry and its own rows, and the words it is found by', async () => {
    const { code } = await make('parts', { ...HAT, components: [{ slot: 'torso', part: 'P-00001' }] })
    const { body } = await put('parts', code, { ...HAT, name: 'Renamed bonnet', components: [] })
    expect(body.made).toBe(false)
    const { part } = (await server.get<{ part: { components: object[] } }>(`parts/${code}`)).body
    expect(part).toMatchObject({ name: 'Renamed bonnet', components: [] })
    const total = async (text: string) => (await server.get<{ total: number }>(`parts/find?text=${text}`)).body.total
    expect(await total('renamed+bonnet')).toBe(1)
  })

  test('a mould, print or colour changes the words of every part with it', async () => {
    const total = async (text: string) => (await server.get<{ total: number }>(`parts/find?text=${text}`)).body.total
    const mould = await make('moulds', MOULD)
    await make('parts', { ...HAT, mould: mould.code })
    expect(await total('zeppelin')).toBe(0)
    await put('moulds', mould.code, { ...MOULD, name: 'Zeppelin cap' })
    expect(await total('zeppelin')).toBe(1)
  })

  test('what is in use keeps its kind', async () => {
    const mould = await make('moulds', MOULD)
    const print = await make('prints', { ...PRINT, kind: 'headgear', front: [] })
    const hat = await make('parts', { ...HAT, mould: mould.code, print: print.code })
    const figure = { name: 'Own figure', year: 2026, photo: null }
    await make('figures', { ...figure, worn: [{ slot: 'headgear', part: hat.code, order: 0 }] })
    const field = async (table: string, code: string, body: object) => {
      const answer = await put(table, code, body)
      return [answer.status, answer.body.errors[0]?.field]
    }
    expect(await field('moulds', mould.code, { ...MOULD, kind: 'held', silhouette: 'oar' })).toEqual([400, 'kind'])
    expect(await field('prints', print.code, PRINT)).toEqual([400, 'kind'])
    expect(await field('parts', hat.code, { ...HAT, mould: 'M-TORSO' })).toEqual([400, 'mould'])
    expect((await put('parts', hat.code, { ...HAT, mould: 'M-DECK' })).status).toBe(200)
    const spare = await make('moulds', MOULD)
    expect((await put('moulds', spare.code, { ...MOULD, kind: 'held', silhouette: 'oar' })).status).toBe(200)
  })

  test('an assembly that would contain itself is refused', async () => {
    const { code } = await make('parts', HAT)
    const answer = await put('parts', code, { ...HAT, components: [{ slot: 'torso', part: code }] })
    expect([answer.status, answer.body.errors[0]!.field]).toEqual([400, 'components[0].part'])
  })
})

describe('removing', () => {
  test('what nothing uses goes, and is not found any more', async () => {
    const { code } = await make('parts', { ...HAT, name: 'Vanishing hat' })
    expect((await server.send('DELETE', `catalogue/parts/${code}`)).status).toBe(204)
    expect((await server.get(`parts/${code}`)).status).toBe(404)
    expect((await server.get<{ total: number }>('parts/find?text=vanishing')).body.total).toBe(0)
    expect((await server.send('DELETE', `catalogue/parts/${code}`)).status).toBe(404)
  })

  test('what is in use stays', async () => {
    const colour = await server.send<ProblemBody>('DELETE', 'catalogue/colours/tar')
    expect([colour.status, colour.body.detail.startsWith('tar is in use')]).toEqual([409, true])
    // A colour that only a layer of a print has is in use as well.
    const thread = await make('colours', { ...COLOUR, name: 'Own Thread' })
    const print = await make('prints', {
      ...PRINT,
      name: 'Sewn jacket',
      front: [{ kind: 'jacket', colour: thread.code }],
    })
    expect((await server.send('DELETE', `catalogue/colours/${thread.code}`)).status).toBe(409)
    expect((await server.send('DELETE', `catalogue/prints/${print.code}`)).status).toBe(204)
    expect((await server.send('DELETE', `catalogue/colours/${thread.code}`)).status).toBe(204)
    const mould = await server.send<ProblemBody>('DELETE', 'catalogue/moulds/M-DECK')
    expect([mould.status, mould.body.detail]).toEqual([
      409,
      'M-DECK is in use: parts, prints, figures, outfits or the drawer know it. Nothing was changed.',
    ])
    expect((await server.get<{ total: number }>('parts/find?text=deck+cap')).body.total).toBeGreaterThan(0)
  })
})

describe('photos', () => {
  const picture = (width: number, height: number, as: 'png' | 'jpeg' | 'webp') =>
    sharp({ create: { width, height, channels: 3, background: '#2F5D8A' } })
      [as]()
      .toBuffer()
  const send = async (bytes: Buffer | string) =>
    server.sendFile<{ hash: string; width: number; height: number } & ProblemBody>(
      'photos',
      typeof bytes === 'string' ? bytes : new Uint8Array(bytes),
    )

  test.each(['png', 'jpeg', 'webp'] as const)('%s is taken, encoded anew, and served by its hash', async (as) => {
    const { status, body } = await send(await picture(80, 60, as))
    expect([status, body.width, body.height]).toEqual([201, 80, 60])
    const response = await fetch(`${server.url}/api/photos/${body.hash}`)
    expect(response.headers.get('content-type')).toBe('image/webp')
    const bytes = Buffer.from(await response.arrayBuffer())
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(body.hash)
    expect((await sharp(bytes).metadata()).format).toBe('webp')
  })

  test('a large one is made no larger than needed, the same one is kept once', async () => {
    const large = await picture(3000, 1500, 'jpeg')
    const [one, two] = [await send(large), await send(large)]
    expect([one.body.width, one.body.height, one.body.hash]).toEqual([1600, 800, two.body.hash])
    expect(readdirSync(join(server.data, 'files')).filter((name) => name.startsWith(one.body.hash))).toHaveLength(1)
  })

  test('a text called .png, a cut picture and nothing at all are refused', async () => {
    const before = await server.count(PhotoEntity)
    for (const bytes of ['I am a text, whatever my name says', (await picture(80, 60, 'png')).subarray(0, 40), ''])
      expect((await send(bytes)).status).toBe(415)
    expect((await send('GIF89a')).body.errors).toEqual([{ field: 'file', message: 'is no PNG, JPEG or WebP picture' }])
    expect(await server.count(PhotoEntity)).toBe(before)
  })

  test('more than ten megabytes are refused', async () => {
    const { status, body } = await send(Buffer.alloc(PHOTO_LIMIT + 1, 0xff))
    expect([status, body.errors[0]!.message]).toEqual([413, 'is too large'])
  })

  test('a part keeps its photo through an import that does not speak of it', async () => {
    const { hash } = (await send(await picture(40, 40, 'png'))).body
    const { code } = await make('parts', { ...HAT, photo: hash })
    await server.send('POST', 'import/parts', { csv: `code,name,mould,colours\n${code},Newer name,M-DECK,tar` })
    const { body } = await server.get<{ part: object }>(`parts/${code}`)
    expect(body.part).toMatchObject({ name: 'Newer name', photo: hash })
  })

  test('no photo is found under a name that is none', async () => {
    for (const hash of ['0'.repeat(64), 'x', '..%2Foutfit.sqlite'])
      expect((await server.get(`photos/${hash}`)).status).toBe(404)
  })
})
