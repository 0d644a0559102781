import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { startServer, type TestServer } from '../test/testServer.ts'

/** What is being written is seen by nobody before it is written, and by nobody ever where it is not. */
let server: TestServer
beforeAll(async () => {
  server = await startServer({ world: false })
})
afterAll(() => server.stop())

const colours = async () => {
  const { body } = await server.get<{ colours: object[] }>('catalogue/basics')
  const csv = (await server.get<string>('export/colours.csv')).body
  return [body.colours.length, csv.trim().split('\n').length - 1]
}
const table = (from: number, count: number, last: string) =>
  `code,name,hex,family,finish\n${Array.from({ length: count }, (_, i) => `c${from + i},Colour ${from + i},#101010,grey,solid`).join('\n')}\n${last}`

test('a strict import that is rejected at its last row is seen by nobody while it goes on', async () => {
  await server.send('POST', 'import/colours', { csv: table(0, 50, '') })
  expect(await colours()).toEqual([50, 50])
  const importing = server.send<{ written: boolean }>('POST', 'import/colours', { csv: table(50, 30_000, 'bad,row') })
  let [looks, done] = [0, false]
  void importing.then(() => (done = true))
  while (!done) {
    expect(await colours()).toEqual([50, 50])
    looks++
  }
  expect((await importing).body.written).toBe(false)
  expect(looks).toBeGreaterThan(2)
  expect(await colours()).toEqual([50, 50])
})

test('a good one is seen whole or not at all', async () => {
  const importing = server.send<{ written: boolean }>('POST', 'import/colours', { csv: table(50, 30_000, '') })
  const seen = new Set<string>()
  let done = false
  void importing.then(() => (done = true))
  while (!done) seen.add(String((await colours())[1]))
  expect((await importing).body.written).toBe(true)
  seen.add(String((await colours())[1]))
  expect([...seen].sort()).toEqual(['30050', '50'])
})
