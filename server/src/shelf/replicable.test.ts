import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Replicability } from '@outfit/core/market'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const outfitNamed = async (name: string) => {
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const { id } = rosters.flatMap(({ outfits }) => outfits).find((outfit) => outfit.name === name)!
  return (await server.get<OutfitDetail>(`outfits/${id}`)).body
}

test('a take is told where a stranger finds it, agreeing with the offers of its parts', async () => {
  const bram = await outfitNamed('Bram, engines')
  const take = bram.takes.find(({ chosen }) => chosen)!
  const found = (await server.get<Replicability>(`outfits/${bram.id}/takes/${take.id}/replicable`)).body
  let low = 0
  for (const { part } of take.placements) {
    const { offers } = (await server.get<{ offers: { home: number }[] }>(`parts/${part}`)).body
    if (offers.length > 0) low += Math.min(...offers.map(({ home }) => home))
  }
  expect(found.low).toBe(low)
  expect(found.middle).toBeGreaterThanOrEqual(found.low)
  expect(found.sources.length).toBeGreaterThan(0)
  expect(found.common).toBeGreaterThan(0)
  expect(found.common).toBeLessThanOrEqual(1)
})

test('an unknown take is told', async () => {
  const { id } = await outfitNamed('Bram, engines')
  expect((await server.get(`outfits/${id}/takes/NOPE/replicable`)).status).toBe(404)
})
