import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { startServer, type TestServer } from '../test/testServer.ts'

/** Two people read the same, one writes, then the other: the second is told, and nothing of the first is lost. */
let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

interface Stale {
  status: number
  detail: string
  errors: { field: string }[]
  current: Record<string, unknown>
}
const put = (path: string, body: object) => server.send<Stale>('PUT', path, body)
const SELLER = {
  ...{ name: 'Pebble Post', country: 'Weir Bank', currency: 'EUR', minimum: 0, handling: 0, arrivesInDays: 3 },
  ...{
    rating: null,
    shippingBasis: 'value',
    shippingBands: [{ upTo: null, price: 400 }],
    notes: null,
    standing: 'none',
  },
}
const MOULD = {
  ...{ name: 'Own cap', kind: 'headgear', silhouette: 'deck-cap', neckThickness: 0, height: 4, mass: 1 },
  ...{ connections: ['crown'], covers: ['hair'], traits: { hat: 'yes' } },
}

describe('a stale write', () => {
  test('of a seller is refused, with what there is now, and goes through once that was read', async () => {
    expect((await put('sellers/pebble', SELLER)).status).toBe(204)
    const noted = { ...SELLER, notes: 'answers letters' }
    expect((await put('sellers/pebble', { ...noted, was: SELLER })).status).toBe(204)
    const late = await put('sellers/pebble', { ...SELLER, minimum: 500, was: SELLER })
    expect([late.status, late.body.errors.map(({ field }) => field)]).toEqual([409, ['notes']])
    expect(late.body.current).toMatchObject({ notes: 'answers letters', minimum: 0 })
    expect((await put('sellers/pebble', { ...SELLER, minimum: 500 })).status).toBe(428)
    expect((await put('sellers/pebble', { ...noted, minimum: 500, was: late.body.current })).status).toBe(204)
  })

  test('of an entry of the catalogue is refused, whichever field it was', async () => {
    const { code } = (await server.send<{ code: string }>('POST', 'catalogue/moulds', MOULD)).body
    expect((await put(`catalogue/moulds/${code}`, { ...MOULD, traits: { hat: 'no' }, was: MOULD })).status).toBe(200)
    const late = await put(`catalogue/moulds/${code}`, { ...MOULD, mass: 2, was: MOULD })
    expect([late.status, late.body.errors.map(({ field }) => field)]).toEqual([409, ['traits']])
    const basics = (await server.get<{ moulds: { code: string }[] }>('catalogue/basics')).body
    expect(basics.moulds.find((mould) => mould.code === code)).toMatchObject({ traits: { hat: 'no' }, mass: 1 })
    // An import is somebody else, too.
    const csv = `code,name,kind,silhouette,neckThickness,height,mass,traits\n${code},Other cap,headgear,deck-cap,0,4,1,hat=no`
    expect((await server.send<{ written: boolean }>('POST', 'import/moulds', { csv })).body.written).toBe(true)
    const after = await put(`catalogue/moulds/${code}`, { ...MOULD, was: { ...MOULD, traits: { hat: 'no' } } })
    expect([after.status, after.body.errors.map(({ field }) => field)]).toEqual([
      409,
      ['name', 'connections', 'covers'],
    ])
  })

  test('of what belongs to an entry is refused by the rows, in whatever order they were read', async () => {
    type Detail = { figure?: object; worn: { slot: string; part: string; order: number }[]; name: string; year: number }
    const read = (await server.get<Detail>('figures/F-0001')).body
    const { name, year } = read
    const worn = read.worn.map(({ slot, part, order }) => ({ slot, part, order }))
    const was = { name, year, photo: null, worn }
    const bare = worn.slice(1)
    const turned = { ...was, worn: [...worn].reverse() }
    expect((await put('catalogue/figures/F-0001', { name, year, photo: null, worn: bare, was: turned })).status).toBe(
      200,
    )
    const late = await put('catalogue/figures/F-0001', { ...was, name: 'Other name', was })
    expect([late.status, late.body.errors.map(({ field }) => field)]).toEqual([409, ['worn']])
  })

  test('of a bin is refused where the same was changed, and merges where it was not', async () => {
    const { code } = (await server.send<{ code: string }>('POST', 'bins', { name: 'Beaks', parent: null })).body
    expect((await put(`bins/${code}`, { name: 'Bills', was: { name: 'Beaks' } })).status).toBe(204)
    expect((await put(`bins/${code}`, { name: 'Snouts', was: { name: 'Beaks' } })).status).toBe(409)
    const place = { x: 3, y: 40, w: 2, h: 2 }
    expect((await put(`bins/${code}`, { ...place, was: { x: null, y: null, w: null, h: null } })).status).toBe(204)
    expect((await put(`bins/${code}`, { name: 'Snouts', was: {} })).status).toBe(428)
    const { bin } = (await server.get<{ bin: object }>(`bins/${code}`)).body
    expect(bin).toMatchObject({ name: 'Bills', ...place })
  })

  test('of a mapping kept by name is refused', async () => {
    const first = { code: 'Nummer' }
    expect((await put('mappings/bins/box', { columns: first })).status).toBe(204)
    expect((await put('mappings/bins/box', { columns: { code: 'No' } })).status).toBe(428)
    expect((await put('mappings/bins/box', { columns: { code: 'No' }, was: first })).status).toBe(204)
    expect((await put('mappings/bins/box', { columns: { code: 'Nr' }, was: first })).status).toBe(409)
  })
})
