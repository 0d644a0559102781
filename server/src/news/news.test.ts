import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { WINDOW_HEADER, type News } from '@outfit/core/news'
import { startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer({ world: false })
})
afterAll(() => server.stop())

/** The first thing that is told once `act` was done; null where nothing is within a moment. */
async function toldOf(act: () => Promise<unknown>): Promise<News | null> {
  const stop = new AbortController()
  const { body } = await fetch(`${server.url}/api/news/events`, { signal: stop.signal })
  await act()
  const timer = setTimeout(() => stop.abort(), 1500)
  try {
    for await (const chunk of body!.pipeThrough(new TextDecoderStream())) {
      const [, data] = /^data: (\{.*\})$/m.exec(chunk) ?? []
      if (data !== undefined) return JSON.parse(data) as News
    }
  } catch {
    // Nothing was told.
  } finally {
    clearTimeout(timer)
    stop.abort()
  }
  return null
}

const as = (window: string, method: string, path: string, body: object) =>
  fetch(`${server.url}/api/${path}`, {
    method,
    headers: { 'Content-Type': 'application/json', [WINDOW_HEADER]: window },
    body: JSON.stringify(body),
  })

test('what is written is told to every window, with the one it was done in', async () => {
  const roster = { name: 'Crew', note: '', school: 'open-bench', budget: null, dueOn: null }
  expect(await toldOf(() => as('mine', 'POST', 'rosters', roster))).toMatchObject({ by: 'mine', replaced: false })
  const colours = { csv: 'code,name,hex,family,finish\ntar,Tar,#232126,black,solid' }
  expect(await toldOf(() => as('mine', 'POST', 'import/colours', colours))).toMatchObject({
    by: 'mine',
    aspects: ['catalogue'],
  })
  // Of several windows at once everybody asks again.
  const both = () =>
    Promise.all([
      as('mine', 'POST', 'rosters', { ...roster, name: 'A' }),
      as('theirs', 'POST', 'rosters', { ...roster, name: 'B' }),
    ])
  expect(await toldOf(both)).toMatchObject({ by: null })
})

test('that everything is another is told, and what a browser keeps for itself is not', async () => {
  expect(await toldOf(() => as('mine', 'PUT', 'settings/home', { currency: 'JPY' }))).toMatchObject({
    by: 'mine',
    replaced: true,
  })
  const { workspace } = (await server.get<{ workspace: string }>('browsers/desk-0001/kept')).body
  const kept = { workspace, set: { 'outfit.tray': '{}' }, gone: [] }
  expect(await toldOf(() => as('mine', 'PUT', 'browsers/desk-0001/kept', kept))).toBeNull()
  expect(await toldOf(() => server.get('rosters'))).toBeNull()
})
