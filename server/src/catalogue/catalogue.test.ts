import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import { SLOTS, type Part } from '@outfit/core/catalogue'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

interface Page {
  items: { part: Part; owned: number; lowest: number | null }[]
  parts: { part: Part }[]
  next: string | null
}
interface Detail {
  part: Part
  bins: { bin: string; qty: number }[]
  figures: { code: string; qty: number }[]
  releases: { code: string; name: string; qty: number; loose: boolean }[]
  offers: { home: number; currency: string; price: number; stock: number }[]
}

let server: TestServer
let kinds: Map<string, string>
beforeAll(async () => {
  server = await startServer()
  const { body } = await server.get<{ moulds: { code: string; kind: string }[] }>('catalogue/basics')
  kinds = new Map(body.moulds.map(({ code, kind }) => [code, kind]))
})
afterAll(() => server.stop())

describe('candidates for a slot', () => {
  test.each([...SLOTS])('%s: only parts that fit, with the parts inside assemblies', async (slot) => {
    const { body } = await server.get<Page>(`parts?slot=${slot}&limit=500`)
    const accepted: readonly string[] = SLOT_FACTS[slot].accepts
    for (const { part } of body.items) expect(accepted).toContain(kinds.get(part.mould))
    const inside = new Set(body.parts.map(({ part }) => part.code))
    for (const { part } of body.items)
      for (const component of part.components) expect(inside.has(component.part)).toBe(true)
  })

  test('come page by page, each part once', async () => {
    const all = (await server.get<Page>('parts?slot=headgear&limit=500')).body.items.map(({ part }) => part.code)
    const seen: string[] = []
    let after = ''
    for (;;) {
      const { body } = await server.get<Page>(`parts?slot=headgear&limit=20&after=${after}`)
      seen.push(...body.items.map(({ part }) => part.code))
      if (body.next === null) break
      after = body.next
    }
    expect(seen).toEqual(all)
    expect(new Set(seen).size).toBe(seen.length)
  })

  test.each([
    ['slot=tail', 'slot'],
    ['slot=head&limit=0', 'limit'],
    ['slot=head&limit=many', 'limit'],
    ['slot=head&colour=red', 'colour'],
  ])('%s is refused by field', async (query, field) => {
    const { status, body } = await server.get<ProblemBody>(`parts?${query}`)
    expect([status, [...new Set(body.errors.map((error) => error.field))]]).toEqual([400, [field]])
  })
})

describe('one part', () => {
  test('agrees with the tray on what is owned and the lowest price', async () => {
    const { body } = await server.get<Page>('parts?slot=headgear&limit=500')
    for (const { part, owned, lowest } of body.items.slice(0, 25)) {
      const detail = (await server.get<Detail>(`parts/${part.code}`)).body
      expect(detail.bins.reduce((sum, { qty }) => sum + qty, 0)).toBe(owned)
      const buyable = detail.offers.filter(({ stock }) => stock > 0).map(({ home }) => home)
      expect(lowest).toBe(buyable.length > 0 ? Math.min(...buyable) : null)
    }
  })

  test('names the figures and releases that carry it, an assembly through its components too', async () => {
    const { items } = (await server.get<Page>('parts?slot=headgear&limit=500')).body
    const details = await Promise.all(items.map(({ part }) => server.get<Detail>(`parts/${part.code}`)))
    const carried = details.map(({ body }) => body).filter(({ figures }) => figures.length > 0)
    expect(carried.length).toBeGreaterThan(5)
    expect(carried.some(({ releases }) => releases.some(({ loose }) => !loose))).toBe(true)
    expect(details.some(({ body }) => body.figures.length === 0)).toBe(true)
  })

  test('foreign prices are shown beside their worth at home', async () => {
    const { items } = (await server.get<Page>('parts?slot=headgear&limit=500')).body
    const offers = (await Promise.all(items.map(({ part }) => server.get<Detail>(`parts/${part.code}`)))).flatMap(
      ({ body }) => body.offers,
    )
    const foreign = offers.filter(({ currency }) => currency === 'GBP')
    expect(foreign.length).toBeGreaterThan(0)
    for (const { home, price } of foreign) expect(home).toBe(Math.ceil(price * 1.1485 - 1e-9))
    for (const { home, price, currency } of offers) if (currency === 'EUR') expect(home).toBe(price)
  })

  test('comes with every part of its mould, so that one sees in which colours it was made', async () => {
    const { items } = (await server.get<Page>('parts?slot=handRight&limit=500')).body
    const mitts = (await server.get<Page>(`parts/${items[0]!.part.code}/mould`)).body.items
    expect(mitts).toEqual(items.filter(({ part }) => part.mould === items[0]!.part.mould))
    expect((await server.get('parts/P-NONE/mould')).status).toBe(404)
  })

  test('an unknown code is told', async () => {
    const { status, body } = await server.get<ProblemBody>('parts/P-NONE')
    expect([status, body.detail]).toEqual([404, 'There is no part P-NONE.'])
  })
})
