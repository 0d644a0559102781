import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { KeptAnswer } from '@outfit/core/browsers'
import type { ArchiveReport } from '@outfit/core/archive'
import type { DonePage } from '@outfit/core/journal'
import { jobEnd, startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer({ world: false })
})
afterAll(() => server.stop())

const [DESK, LAPTOP] = ['desk-0001', 'laptop-0001']
const of = async (browser: string) => (await server.get<KeptAnswer>(`browsers/${browser}/kept`)).body
const keep = (browser: string, workspace: string, set: object, gone: string[] = []) =>
  server.send<ProblemBody>('PUT', `browsers/${browser}/kept`, { workspace, set, gone })
const job = async (path: string) => {
  const { id, state } = await server
    .send<{ job: string }>('POST', path)
    .then(async ({ body }) => ({ id: body.job, ...(await jobEnd(server, body.job)) }))
  expect(state).toBe('done')
  return id
}

test('what a browser keeps comes back with a copy, to it and to a browser nobody knew', async () => {
  const { workspace, kept } = await of(DESK)
  expect(kept).toBeNull()
  const draft = { 'outfit.draft.1': '{"version":3}', 'outfit.tray': '{}' }
  expect((await keep(DESK, workspace, draft)).status).toBe(204)
  expect(await of(DESK)).toEqual({ workspace, kept: draft })
  // Browsers do not see each other's as long as nothing was brought back.
  expect((await of(LAPTOP)).kept).toBeNull()
  await server.send('POST', 'rosters', { name: 'Crew', note: '', school: 'open-bench', budget: null, dueOn: null })
  const { name } = (await server.get<{ result: ArchiveReport }>(`jobs/${await job('archives')}`)).body.result
  expect((await keep(DESK, workspace, { 'outfit.tray': '{"mix":true}' }, ['outfit.draft.1'])).status).toBe(204)
  expect((await of(DESK)).kept).toEqual({ 'outfit.tray': '{"mix":true}' })
  await job(`archives/${name}/restored`)
  const back = await of(DESK)
  expect(back.kept).toEqual(draft)
  expect(back.workspace).not.toBe(workspace)
  expect((await of(LAPTOP)).kept).toEqual(draft)
  // What a page still says of the workspace before is not taken for this one's.
  expect((await keep(DESK, workspace, { 'outfit.tray': 'late' })).status).toBe(409)
  expect(await of(DESK)).toEqual(back)
})

test('is nothing that was done, and nothing anybody would have to clear', async () => {
  const { workspace } = await of(LAPTOP)
  const before = (await server.get<DonePage>('journal')).body.done.length
  await keep(LAPTOP, workspace, { 'outfit.tray': '{}' })
  expect((await server.get<DonePage>('journal')).body.done).toHaveLength(before)
})

test.each([
  ['set', { other: 'x' }, DESK],
  ['set.outfit.x', { 'outfit.x': 4 }, DESK],
  ['browser', {}, 'no'],
])('what is wrong about %s is refused', async (field, set, browser) => {
  const { status, body } = await keep(browser, 'w', set)
  expect([status, body.errors[0]!.field]).toEqual([400, field])
})
