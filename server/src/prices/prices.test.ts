import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { OutfitPrices, PricePoint, Target, ThingPrices } from '@outfit/core/prices'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())
const thing = async (kind: string, code: string) => (await server.get<ThingPrices>(`prices/of/${kind}/${code}`)).body
const shelves = async () => (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
const quote = (seller: string, offer: object) => server.send<ProblemBody>('PUT', `sellers/${seller}/offers`, offer)
const offerOf = { kind: 'part', thing: 'P-00066', condition: 'new', stock: 3, multiple: 1 }

describe('the price page of a thing', () => {
  test('has half a year of weeks, each in order from lowest to highest', async () => {
    const { series, thing: of } = await thing('part', 'P-00066')
    expect(of.name).toBe('Felt hat with hair, Oak')
    const [any, fresh, used] = series.map(({ points }) => points) as [PricePoint[], PricePoint[], PricePoint[]]
    expect([any.length, any[0]!.date, any.at(-1)!.date]).toEqual([26, '2026-06-01', '2026-11-23'])
    for (const { low, q1, median, q3, high } of any)
      expect([low, q1, median, q3, high]).toEqual([low, q1, median, q3, high].sort((a, b) => a - b))
    const n = (points: readonly PricePoint[], date: string) => points.find((one) => one.date === date)?.n ?? 0
    for (const { date, n: both } of any) expect(n(fresh, date) + n(used, date)).toBe(both)
  })

  test('tells the offers of today, the cheapest first, as the market has them', async () => {
    const { offers, lowest, series } = await thing('part', 'P-00066')
    expect(offers.map(({ home }) => home)).toEqual(offers.map(({ home }) => home).sort((a, b) => a - b))
    expect([offers[0]!.home, offers.length]).toEqual([lowest, series[0]!.points.at(-1)!.n])
  })

  test('sets a figure against its parts and against what brings all of it', async () => {
    const { against, lowest } = await thing('figure', 'F-0022')
    expect(against!.wholes.find(({ code }) => code === 'F-0022')!.cost).toBe(lowest)
    expect(against!.singly.sum).toBeGreaterThan(0)
    for (const { brings } of against!.wholes) expect(brings).toBe(against!.singly.parts)
    expect(against!.wholes.length).toBeGreaterThan(0)
    expect((await thing('release', 'Q-101')).against!.singly.parts).toBeGreaterThan(5)
    expect((await thing('part', 'P-00066')).against).toBeNull()
  })

  test('tells what was paid', async () => {
    const { parcels } = (
      await server.get<{
        parcels: { lines: { kind: string; code: string; qty: number }[]; cancelledOn: string | null }[]
      }>('parcels')
    ).body
    const line = parcels.find(({ cancelledOn }) => cancelledOn === null)!.lines.find(({ qty }) => qty > 0)!
    const { paid } = await thing(line.kind, line.code)
    expect(paid.reduce((sum, { qty }) => sum + qty, 0)).toBeGreaterThanOrEqual(line.qty)
  })

  test('leaves out whom one never buys from', async () => {
    const sellers = (await server.get<{ sellers: Record<string, unknown>[] }>('sellers')).body.sellers
    const { code, offers: _offers, newest: _newest, ...terms } = sellers.find((one) => one['code'] === 'rope-walk')!
    const before = (await thing('part', 'P-00066')).offers
    expect(before.map(({ seller }) => seller)).toContain(code)
    await server.send('PUT', `sellers/${String(code)}`, { ...terms, standing: 'blocked', was: terms })
    const { offers, series, lowest } = await thing('part', 'P-00066')
    expect(offers.map(({ seller }) => seller)).toEqual(before.map(({ seller }) => seller).filter((one) => one !== code))
    expect(series[0]!.points.at(-1)!.low).toBe(lowest)
    await server.send('PUT', `sellers/${String(code)}`, { ...terms, was: {} })
  })

  test('is none of what is not known', async () => {
    expect((await server.get('prices/of/part/P-NONE')).status).toBe(404)
    expect((await server.get('prices/of/colour/tar')).status).toBe(404)
  })
})

describe('offers by hand', () => {
  test('are a quote sheet of one line, and take the place of what the line asked', async () => {
    const before = (await thing('part', 'P-00066')).offers.find(({ seller }) => seller === 'tin-whistle')!
    expect((await quote('tin-whistle', { ...offerOf, price: 99 })).status).toBe(204)
    const after = (await thing('part', 'P-00066')).offers.filter(({ seller }) => seller === 'tin-whistle')
    expect(after.map(({ condition, price }) => [condition, price])).toContainEqual(['new', 99])
    expect(after.length).toBe(before.condition === 'new' ? 1 : 2)
    const { sheets } = (
      await server.get<{ sheets: { source: string; lines: number; whole: boolean }[] }>('sellers/tin-whistle/offers')
    ).body
    expect(sheets[0]).toMatchObject({ source: 'hand', lines: 1, whole: false })
    // Stock 0 says it is gone.
    await quote('tin-whistle', { ...offerOf, price: 99, stock: 0 })
    const gone = (await thing('part', 'P-00066')).offers.filter(({ seller }) => seller === 'tin-whistle')
    expect(gone.some(({ condition }) => condition === 'new')).toBe(false)
  })

  test('explain a price nobody else would ask', async () => {
    const sellers = ['lock-nine', 'old-cooperage', 'wet-dock', 'third-bridge']
    for (const [i, seller] of sellers.entries()) await quote(seller, { ...offerOf, price: 200 + i })
    await quote('tin-whistle', { ...offerOf, price: 4000 })
    const odd = (await thing('part', 'P-00066')).offers.filter(({ outlier }) => outlier)
    expect(odd.map(({ seller }) => seller)).toEqual(['tin-whistle'])
    expect(odd[0]!.outlier!.times).toBeGreaterThan(10)
  })

  test.each([
    [{ thing: 'P-NONE' }, 'thing', 'is not known'],
    [{ stock: 1, multiple: 2 }, 'stock', 'below the pack size'],
    [{ price: -1 }, 'price', ''],
    [{ condition: 'worn' }, 'condition', ''],
  ])('%j is refused by its field', async (wrong, field, words) => {
    const { status, body } = await quote('tin-whistle', { ...offerOf, price: 100, ...wrong })
    expect([status, body.errors[0]!.field]).toEqual([400, field])
    expect(body.detail).toContain(words)
  })

  test('of nobody known are refused', async () => {
    expect((await quote('nobody', { ...offerOf, price: 100 })).status).toBe(404)
  })

  test('are told a page at a time', async () => {
    const all: string[] = []
    let after = ''
    for (let pages = 0; pages < 9; pages++) {
      const { offers, next, count } = (
        await server.get<{ offers: { id: string }[]; next: string | null; count: number }>(
          `sellers/lock-nine/offers?after=${after}`,
        )
      ).body
      all.push(...offers.map(({ id }) => id))
      if (next === null) {
        expect([all.length, new Set(all).size]).toEqual([count, count])
        return
      }
      after = next
    }
    throw new Error('It does not end.')
  })
})

describe('the price page of an outfit and of a roster', () => {
  test('adds up what is still to be bought, and says what makes it', async () => {
    const [roster] = await shelves()
    const outfits = roster!.outfits.filter(({ toBuy }) => toBuy > 0)
    const pages = await Promise.all(
      outfits.map(async ({ id }) => (await server.get<OutfitPrices>(`prices/outfits/${id}`)).body),
    )
    for (const [i, page] of pages.entries()) {
      expect(page.singly.parts).toBe(outfits[i]!.toBuy)
      expect(page.bySlot.shares.reduce((sum, { cost }) => sum + cost, 0)).toBe(page.singly.sum)
      for (const { saves, singly, leftWorth, cost } of page.wholes) expect(saves).toBe(singly + leftWorth - cost)
    }
    const whole = (await server.get<OutfitPrices>(`prices/rosters/${roster!.id}`)).body
    expect(whole.singly.sum).toBe(pages.reduce((sum, { singly }) => sum + singly.sum, 0))
    expect(whole.byOutfit.shares.reduce((sum, { cost }) => sum + cost, 0)).toBe(whole.singly.sum)
    const last = whole.series[0]!.points.at(-1)!
    expect(last.low).toBeLessThanOrEqual(last.median)
  })

  test('adds up all it wears when asked', async () => {
    const outfit = (await shelves())[0]!.outfits.find(({ toBuy }) => toBuy > 0)!
    const [wanted, all] = await Promise.all(
      ['', '?all=yes'].map(
        async (query) => (await server.get<OutfitPrices>(`prices/outfits/${outfit.id}${query}`)).body,
      ),
    )
    expect([all!.singly.parts, wanted!.singly.parts < all!.singly.parts]).toEqual([all!.worn, true])
    expect((await server.get('prices/outfits/none')).status).toBe(404)
  })
})

describe('prices waited for', () => {
  const targets = async () => (await server.get<{ targets: Target[] }>('prices/targets')).body.targets

  test('are met once somebody asks so little, told until read, and open again when prices rise', async () => {
    const now = (await thing('part', 'P-00002')).lowest!
    expect((await server.send('PUT', 'prices/targets/part/P-00002', { price: now - 10 })).status).toBe(204)
    expect(await targets()).toEqual([expect.objectContaining({ code: 'P-00002', now, metOn: null })])
    const cheap = { kind: 'part', thing: 'P-00002', condition: 'new', stock: 1, multiple: 1 }
    await quote('old-cooperage', { ...cheap, price: now - 20 })
    expect(await targets()).toEqual([
      expect.objectContaining({
        now: now - 20,
        metOn: expect.stringMatching(/^\d{4}-/),
        metPrice: now - 20,
        seen: false,
      }),
    ])
    await server.send('POST', 'prices/targets/seen')
    expect((await targets())[0]!.seen).toBe(true)
    await quote('old-cooperage', { ...cheap, price: now + 500 })
    expect((await targets())[0]).toMatchObject({ metOn: null, seen: false })
    expect((await server.send('DELETE', 'prices/targets/part/P-00002')).status).toBe(204)
    expect(await targets()).toEqual([])
  })

  test('can be of an outfit and of a roster', async () => {
    const [roster] = await shelves()
    const outfit = roster!.outfits.find(({ toBuy }) => toBuy > 0)!
    for (const path of [`outfit/${outfit.id}`, `roster/${roster!.id}`])
      expect((await server.send('PUT', `prices/targets/${path}`, { price: 1_000_000 })).status).toBe(204)
    const told = await targets()
    expect(told.map(({ name }) => name).sort()).toEqual([outfit.name, roster!.name].sort())
    for (const { now, metOn } of told) expect(metOn !== null).toBe(now !== null)
  })

  test('of an outfit that has all it wears are not met by costing nothing', async () => {
    const done = (await shelves()).flatMap(({ outfits }) => outfits).find(({ toBuy }) => toBuy === 0)!
    await server.send('PUT', `prices/targets/outfit/${done.id}`, { price: 500 })
    expect((await targets()).find(({ code }) => code === done.id)).toMatchObject({ now: null, metOn: null })
  })

  test('of nothing known, or of no price, are refused', async () => {
    expect((await server.send('PUT', 'prices/targets/part/P-NONE', { price: 5 })).status).toBe(404)
    expect((await server.send('PUT', 'prices/targets/hat/P-00002', { price: 5 })).status).toBe(400)
    expect((await server.send('PUT', 'prices/targets/part/P-00002', { price: -5 })).status).toBe(400)
    expect((await server.send('DELETE', 'prices/targets/part/P-00002')).status).toBe(404)
  })
})
