import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Part, Wish } from '@outfit/core/catalogue'
import type { PartFacets } from '@outfit/core/parts'
import type { WayToGet } from '@outfit/core/prices'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import type { ImportReport } from '@outfit/core/tables'

let server: TestServer
let parts: Part[]
beforeAll(async () => {
  server = await startServer()
  parts = []
  for (let offset = 0; ; offset += 200) {
    const { body } = await server.get<Found>(`parts/find?order=code&limit=200&offset=${offset}`)
    parts.push(...body.items.map(({ part }) => part))
    if (parts.length >= body.total) break
  }
})
afterAll(() => server.stop())

interface Found {
  total: number
  items: { part: Part; owned: number; lowest: number | null }[]
  facets: PartFacets
}
const find = async (query: string) => (await server.get<Found>(`parts/find?${query}`)).body
const named = (name: string, mould: string) => parts.find((part) => part.name === name && part.mould === mould)!
const bring = async (table: string, csv: string) =>
  (await server.send<ImportReport>('POST', `import/${table}`, { csv })).body

describe('the finder', () => {
  test('knows every part once', () => {
    expect(new Set(parts.map(({ code }) => code)).size).toBe(parts.length)
    expect(parts.map(({ code }) => code)).toEqual(parts.map(({ code }) => code).sort())
  })

  test.each([
    ['hair, short, side parting, dark', 'Side parting'],
    ['tied hair copper', 'Swept pony tail'],
    ['deck cap', 'Deck cap'],
    ['coat slate', 'Warden coat'],
    ['P-00031', 'Swept pony tail'],
    ['LANTERN clear', 'Hook lantern'],
  ])('"%s" finds %s', async (text, expected) => {
    const { items, total } = await find(`text=${encodeURIComponent(text)}&limit=200`)
    expect(items.map(({ part }) => part.name)).toContain(expected)
    expect(total).toBeLessThan(parts.length / 2)
  })

  test('words typed by halves find what whole words find, and more words never find more', async () => {
    const [half, whole, more] = await Promise.all(
      ['lant', 'lantern', 'lantern clear'].map((text) => find(`text=${text}`)),
    )
    expect(half!.total).toBeGreaterThanOrEqual(whole!.total)
    expect(whole!.total).toBeGreaterThanOrEqual(more!.total)
    expect(more!.total).toBeGreaterThan(0)
  })

  test('signs a query language would know are only signs', async () => {
    for (const text of ['"', "' OR 1=1 --", 'NEAR(', 'a AND', '* - ^', '(hat'])
      expect((await server.get(`parts/find?text=${encodeURIComponent(text)}`)).status).toBe(200)
  })

  test('those whose own name was typed come first', async () => {
    const { items } = await find('text=coat')
    expect(items[0]!.part.name.toLowerCase()).toContain('coat')
  })

  test('facets narrow, and say beforehand how far', async () => {
    const all = await find('text=')
    for (const shelf of ['headgear', 'torso', 'held'] as const)
      expect((await find(`shelves=${shelf}`)).total).toBe(all.facets.shelves[shelf])
    expect((await find('families=blue,red')).total).toBe(all.facets.families['blue']! + all.facets.families['red']!)
    expect((await find('owned=yes')).total).toBe(all.facets.owned)
    expect((await find('inProduction=yes')).total).toBe(all.facets.inProduction)
    expect((await find('priceTo=100')).total).toBe(all.facets.prices[1])
    const years = await find('yearFrom=2019&yearTo=2019')
    expect(years.total).toBe(all.facets.years[2019])
    for (const { part } of years.items) expect(part.year).toBe(2019)
  })

  test('orders by price with what nobody sells last', async () => {
    const { items } = await find('order=price&limit=200')
    const prices = items.map(({ lowest }) => lowest ?? Infinity)
    expect(prices).toEqual([...prices].sort((a, b) => a - b))
  })

  test.each([
    ['shelves=shoes', 'shelves'],
    ['limit=1000', 'limit'],
    ['offset=-1', 'offset'],
    ['yearFrom=soon', 'yearFrom'],
    ['owned=perhaps', 'owned'],
    ['order=best', 'order'],
    ['colour=red', 'colour'],
  ])('%s is refused by field', async (query, field) => {
    const { status, body } = await server.get<ProblemBody>(`parts/find?${query}`)
    expect([status, body.errors.map((error) => error.field)]).toEqual([400, expect.arrayContaining([field])])
  })

  test('knows what the drawer and the market learn meanwhile', async () => {
    const { code } = parts.find((part) => part.name === 'Hook hand')!
    const [before] = (await find(`text=${code}`)).items
    await bring('owned', `part,bin,qty,date,reason\n${code},B1,5,2026-11-01,found`)
    const [after] = (await find(`text=${code}`)).items
    expect(after!.owned).toBe(before!.owned + 5)
    await bring(
      'offers',
      `date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-23,tin-whistle,part,${code},new,1,EUR,3,1`,
    )
    expect((await find(`text=${code}`)).items[0]!.lowest).toBe(1)
  })
})

describe('ways to get a part', () => {
  const ways = async (code: string) =>
    (await server.get<{ ways: WayToGet[]; parts: Part[] }>(`parts/${code}/ways`)).body

  test('come cheapest first and tell what is left over, with the parts to draw it', async () => {
    const { ways: found, parts: known } = await ways(named('Swept pony tail', 'M-TAIL').code)
    expect(found.length).toBeGreaterThan(1)
    const costs = found.map(({ cost }) => cost)
    expect(costs).toEqual([...costs].sort((a, b) => a - b))
    const codes = new Set(known.map(({ code }) => code))
    for (const { left } of found) for (const { part } of left) expect(codes.has(part)).toBe(true)
    const figure = found.find(({ kind }) => kind === 'figure')!
    expect(figure.left.length).toBeGreaterThan(3)
  })

  test('of a mitt are many and few are told', async () => {
    const { ways: found } = await ways(named('Mitt', 'M-HAND').code)
    expect(found.length).toBeGreaterThan(0)
    expect(found.length).toBeLessThanOrEqual(8)
  })

  test('never count on a blind pack', async () => {
    for (const part of parts.filter((_, i) => i % 40 === 0))
      for (const { kind, code } of (await ways(part.code)).ways) expect([kind, code]).not.toEqual(['release', 'Q-108'])
  })

  test('of no part there are none', async () => {
    expect((await server.get('parts/P-NONE/ways')).status).toBe(404)
    expect((await server.get('parts/P-NONE/goes-with')).status).toBe(404)
  })
})

test('what goes with a part comes with prices and everything to draw it', async () => {
  const torso = parts.find((part) => part.name === 'Warden coat' && part.components.length > 0)!
  const { body } = await server.get<{
    groups: { label: string; matches: { code: string; reasons: string[] }[] }[]
    items: { part: Part }[]
    parts: { part: Part }[]
  }>(`parts/${torso.code}/goes-with`)
  expect(body.groups.map(({ label }) => label)).toEqual(['Legs'])
  expect(body.groups[0]!.matches[0]!.reasons).toContain('carries the coat on')
  const known = new Map(body.items.map(({ part }) => [part.code, part]))
  const inside = new Set(body.parts.map(({ part }) => part.code))
  for (const { code } of body.groups[0]!.matches)
    for (const component of known.get(code)!.components) expect(inside.has(component.part)).toBe(true)
})

describe('wishes', () => {
  const all = async () => (await server.get<Wish[]>('wishes')).body
  const wish = (part: string, colour: string) =>
    server.send<{ id: string } & ProblemBody>('POST', 'wishes', { part, colour })

  test('are kept once, named, and dropped', async () => {
    const { code } = named('Swept pony tail', 'M-TAIL')
    const { status, body } = await wish(code, 'lagoon')
    expect(status).toBe(201)
    expect(await all()).toEqual([
      expect.objectContaining({ id: body.id, name: 'Swept pony tail in Lagoon', fulfilledBy: null, seen: false }),
    ])
    expect((await wish(code, 'lagoon')).body.detail).toBe('That is wished for already.')
    await server.send('DELETE', `wishes/${body.id}`)
    expect(await all()).toEqual([])
  })

  test('for what exists, or of what nobody knows, are refused', async () => {
    const part = named('Swept pony tail', 'M-TAIL')
    const { status, body } = await wish(part.code, part.colours[0]!)
    expect([status, body.detail]).toEqual([409, `That exists: it is part ${part.code}.`])
    expect((await wish('P-NONE', 'tar')).status).toBe(404)
    expect((await wish(part.code, 'plaid')).status).toBe(404)
    expect(await all()).toEqual([])
  })

  test('come true with the import that brings the part, which says so, and are news until they were seen', async () => {
    const printed = named('Quay jacket', 'M-TORSO')
    await wish(printed.code, 'coral')
    const plain = await bring('parts', 'code,name,mould,colours\nW-1,Torso,M-TORSO,coral')
    expect(plain.fulfilled).toEqual([])
    const right = await bring('parts', `code,name,mould,colours,print\nW-2,Quay jacket,M-TORSO,coral,${printed.print}`)
    expect(right.fulfilled).toEqual([{ wish: expect.any(String), part: 'W-2' }])
    expect((await all())[0]).toMatchObject({ fulfilledBy: 'W-2', seen: false })
    await server.send('POST', 'wishes/seen')
    expect((await all())[0]).toMatchObject({ fulfilledBy: 'W-2', seen: true })
  })

  test('come true with a part made by hand', async () => {
    const hair = named('Two plaits', 'M-PLAIT')
    await wish(hair.code, 'plum-skin')
    const { body } = await server.send<{ code: string; fulfilled: object[] }>('POST', 'catalogue/parts', {
      name: 'Two plaits',
      mould: 'M-PLAIT',
      colours: ['plum-skin'],
      print: null,
      year: 2026,
      photo: null,
      components: [],
    })
    expect(body.fulfilled).toEqual([{ wish: expect.any(String), part: body.code }])
  })
})
