import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { jobEnd, startServer, type TestServer } from '../test/testServer.ts'

interface Refusal {
  detail: string
  errors?: { field: string }[]
}

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

test('lowest prices of parts, figures and releases are told, null where nobody sells', async () => {
  const things = ['release:Q-108', 'figure:F-0026', 'part:NOPE']
  const { status, body } = await server.get<{ prices: Record<string, number | null> }>(
    `prices?things=${things.join(',')}`,
  )
  expect([status, Object.keys(body.prices)]).toEqual([200, things])
  expect(body.prices['release:Q-108']).toBeGreaterThan(0)
  expect(body.prices['part:NOPE']).toBeNull()
})

test('what is no kind and code is refused by name', async () => {
  const { status, body } = await server.get<{ detail: string; errors: { field: string }[] }>(
    'prices?things=part:P-00001,bogus',
  )
  expect([status, body.errors[0]!.field]).toEqual([400, 'things'])
  expect(body.detail).toContain('"bogus"')
})

describe('sellers', () => {
  interface Told {
    code: string
    name: string
    currency: string
    offers: number
    newest: string | null
    standing: string
    shippingBands: object[]
  }
  const sellers = async () => (await server.get<{ sellers: Told[] }>('sellers')).body.sellers
  const body = {
    name: 'Pebble Post',
    country: 'Weir Bank',
    currency: 'EUR',
    minimum: 200,
    handling: 10,
    arrivesInDays: 4,
    rating: null,
    shippingBasis: 'count',
    shippingBands: [
      { upTo: 10, price: 250 },
      { upTo: null, price: 400 },
    ],
    notes: 'answers letters',
    standing: 'favoured',
  }

  test('are told by name, with how much they offer and since when', async () => {
    const names = (await sellers()).map(({ name }) => name)
    expect(names).toEqual([...names].sort())
    const whistle = (await sellers()).find(({ code }) => code === 'tin-whistle')!
    expect(whistle).toMatchObject({ name: 'Tin Whistle Parts', newest: '2026-11-23', standing: 'none' })
    expect(whistle.offers).toBeGreaterThan(100)
  })

  test('are made, changed, and taken out while they have neither offers nor parcels', async () => {
    expect((await server.send('PUT', 'sellers/pebble-post', body)).status).toBe(204)
    expect(
      (await server.send('PUT', 'sellers/pebble-post', { ...body, name: 'Pebble & Post', was: body })).status,
    ).toBe(204)
    expect((await sellers()).find(({ code }) => code === 'pebble-post')).toMatchObject({
      name: 'Pebble & Post',
      shippingBands: body.shippingBands,
      standing: 'favoured',
      offers: 0,
    })
    expect((await server.send('DELETE', 'sellers/pebble-post')).status).toBe(204)
    const { status, body: told } = await server.send<Refusal>('DELETE', 'sellers/tin-whistle')
    expect([status, told.detail]).toEqual([409, expect.stringContaining('Block the seller instead')])
    expect((await server.send('DELETE', 'sellers/nobody')).status).toBe(404)
  })

  test.each([
    [
      'overlapping bands',
      {
        shippingBands: [
          { upTo: 10, price: 1 },
          { upTo: 5, price: 1 },
        ],
      },
      'shippingBands[1]',
    ],
    ['no bands', { shippingBands: [] }, 'shippingBands[0]'],
    ['a negative minimum', { minimum: -1 }, 'minimum'],
    ['a currency nobody pays in', { currency: 'XQX' }, 'currency'],
    ['a currency without a rate', { currency: 'NOK' }, 'currency'],
    ['a rating out of five that is six', { rating: 6 }, 'rating'],
  ])('%s is refused by field', async (_, change, field) => {
    const { status, body: told } = await server.send<Refusal>('PUT', 'sellers/pebble-post', { ...body, ...change })
    expect(status).toBe(400)
    expect(told.errors!.map((error) => error.field)).toContain(field)
    expect((await sellers()).some(({ code }) => code === 'pebble-post')).toBe(false)
  })

  test('one that is blocked is in no plan and names no lowest price', async () => {
    const price = async () =>
      (await server.get<{ prices: Record<string, number> }>('prices?things=figure:F-0026')).body.prices[
        'figure:F-0026'
      ]!
    const before = await price()
    const all = (await server.get<{ sellers: (typeof body & { code: string })[] }>('sellers')).body.sellers
    for (const { code, ...rest } of all) {
      const { offers: _offers, newest: _newest, ...seller } = rest as typeof rest & { offers: number; newest: string }
      if (code !== 'old-cooperage')
        expect(
          (await server.send('PUT', `sellers/${code}`, { ...seller, standing: 'blocked', was: seller })).status,
        ).toBe(204)
    }
    expect(await price()).not.toBe(before)
    const { rosters } = (await server.get<{ rosters: { outfits: { id: string; name: string }[] }[] }>('rosters')).body
    const { id } = rosters.flatMap(({ outfits }) => outfits).find(({ name }) => name === 'Bram, engines')!
    const { job } = (await server.send<{ job: string }>('POST', 'plans', { outfit: id })).body
    await jobEnd(server, job)
    const { problem } = (await server.get<{ problem: { offers: { seller: string }[] } }>(`plans/${job}`)).body
    expect([...new Set(problem.offers.map(({ seller }) => seller))]).toEqual(['old-cooperage'])
  })
})

describe('rates', () => {
  const rates = async () => (await server.get<{ rates: { date: string; from: string }[] }>('rates')).body.rates

  test('are put in, changed and taken out by their day', async () => {
    const before = (await rates()).length
    const rate = { date: '2026-11-24', from: 'NOK', to: 'EUR', rate: 0.085 }
    expect((await server.send('PUT', 'rates', rate)).status).toBe(204)
    expect((await server.send('PUT', 'rates', { ...rate, rate: 0.086 })).status).toBe(204)
    expect((await rates())[0]).toEqual({ ...rate, rate: 0.086 })
    expect((await server.send('DELETE', 'rates/2026-11-24/NOK/EUR')).status).toBe(204)
    expect((await rates()).length).toBe(before)
  })

  test('one that prices hang on stays; nonsense is refused', async () => {
    const [first, ...others] = (await rates()).filter(({ from }) => from === 'GBP')
    for (const { date } of others) await server.send('DELETE', `rates/${date}/GBP/EUR`)
    const { status, body } = await server.send<Refusal>('DELETE', `rates/${first!.date}/GBP/EUR`)
    expect([status, body.detail]).toEqual([409, expect.stringContaining('sells in GBP')])
    expect((await server.send('PUT', 'rates', { date: '2026-11-24', from: 'EUR', to: 'EUR', rate: 1 })).status).toBe(
      400,
    )
    expect((await server.send('PUT', 'rates', { date: 'today', from: 'NOK', to: 'EUR', rate: 1 })).status).toBe(400)
    expect((await server.send('DELETE', 'rates/2020-01-01/NOK/EUR')).status).toBe(404)
  })
})
