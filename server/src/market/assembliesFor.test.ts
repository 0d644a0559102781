import { afterAll, beforeAll, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DataSource } from 'typeorm'
import type { Level } from '@outfit/core/catalogue'
import { costToFinish, wholesAmong } from '@outfit/core/prices'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { startServer, type TestServer } from '../test/testServer.ts'
import { MarketService } from './marketService.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

test('what some parts cost comes to the same with the few assemblies looked at as with all there are', async () => {
  const [market, catalogue] = [server.service(MarketService), server.service(CatalogueService)]
  const rows = (await server
    .service(DataSource)
    .query('SELECT c.part, COUNT(*) AS n FROM component c GROUP BY c.part ORDER BY n DESC, c.part')) as {
    part: string
    n: number
  }[]
  // Those that are in many assemblies, as mitts are, and some that are in few.
  const parts = [...rows.slice(0, 8), ...rows.slice(-8)].map(({ part }) => part)
  const lowest = await market.lowest()
  const price = (code: string) => lowest.get(code)
  const all = await catalogue.assembliesOf(parts)
  let [fewer, cheaper] = [0, 0]
  const list = fc.array(fc.constantFrom(...parts), { minLength: 1, maxLength: 6 })
  await fc.assert(
    fc.asyncProperty(list, fc.integer({ min: 0, max: 5 }), async (wanted, level) => {
      const few = await market.assembliesFor(wanted)
      const costs = (assemblies: typeof few, bought: readonly string[]) =>
        costToFinish(bought, price, wholesAmong(assemblies, price, level as Level, bought))
      // Outfits of a shelf ask together, and each for itself of what was looked at for all.
      for (const bought of [wanted, wanted.slice(0, 2)]) expect(costs(few, bought)).toEqual(costs(all, bought))
      if (few.length < all.length) fewer += 1
      const [whole, single] = [costs(all, wanted), costs([], wanted)]
      if (whole.unsold < single.unsold || whole.money < single.money) cheaper += 1
    }),
    { numRuns: 150 },
  )
  // Neither would be tested by lists that no assembly has anything for.
  expect(fewer).toBeGreaterThan(0)
  expect(cheaper).toBeGreaterThan(0)
})

test('all assemblies built on a torso are looked at, for sale or not', async () => {
  const [row] = (await server
    .service(DataSource)
    .query(`SELECT part, COUNT(*) AS n FROM component WHERE slot = 'torso' GROUP BY part ORDER BY n DESC LIMIT 1`)) as {
    part: string
    n: number
  }[]
  expect(await server.service(MarketService).assembliesFor([row!.part])).toHaveLength(row!.n)
})
