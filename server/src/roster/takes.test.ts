import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
let id: string
beforeAll(async () => {
  server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  id = rosters.flatMap(({ outfits }) => outfits).find(({ name }) => name === 'Odile, skipper')!.id
})
afterAll(() => server.stop())

type Saved = ProblemBody & { version: number; take: string; label: string }
const now = async () => (await server.get<OutfitDetail>(`outfits/${id}`)).body
const take = async (label: string) => (await now()).takes.find((t) => t.label === label)!
const send = async (method: 'POST' | 'PUT' | 'DELETE', path: string, body: object = {}) =>
  server.send<Saved>(method, `outfits/${id}/${path}`, { version: (await now()).version, ...body })

describe('takes', () => {
  test('are copied, or made of placements, under the next free letter or a name', async () => {
    const b = await take('B')
    const copy = await send('POST', 'takes', { from: b.id })
    expect([copy.status, copy.body.label]).toEqual([201, 'C'])
    expect((await take('C')).placements).toEqual(b.placements)
    const placements = b.placements.filter(({ slot }) => slot !== 'beside')
    const made = await send('POST', 'takes', { placements, label: 'without the otter' })
    expect(made.body.label).toBe('without the otter')
    expect((await take('without the otter')).placements).toEqual(expect.arrayContaining(placements))
    expect((await send('POST', 'takes', { from: 'NOPE' })).status).toBe(404)
    const wrong = await send('POST', 'takes', {
      placements: [{ slot: 'head', part: 'P-NONE', order: 0, turned: false }],
    })
    expect([wrong.status, wrong.body.errors[0]!.field]).toEqual([400, 'placements[0].part'])
  })

  test('are renamed, but two never share a name', async () => {
    const { id: c } = await take('C')
    expect((await send('PUT', `takes/${c}/label`, { label: 'B' })).body.errors[0]!.field).toBe('label')
    expect((await send('PUT', `takes/${c}/label`, { label: 'windy day' })).status).toBe(200)
    expect((await take('windy day')).id).toBe(c)
    expect((await send('PUT', `takes/${c}/label`, { label: '' })).status).toBe(400)
  })

  test('are chosen with a reason and voted for, one voice each', async () => {
    const [a, b] = [await take('A'), await take('B')]
    expect((await send('PUT', 'chosen', { take: a.id, reason: 'The hair moves.' })).status).toBe(200)
    expect(await take('A')).toMatchObject({ chosen: true, reason: 'The hair moves.' })
    for (const voter of ['Jonah', 'Marit']) await send('PUT', 'votes', { voter, take: a.id })
    await send('PUT', 'votes', { voter: 'Jonah', take: b.id })
    expect([(await take('A')).voters, (await take('B')).voters]).toEqual([['Marit'], ['Jonah']])
    await send('PUT', 'votes', { voter: 'Jonah', take: null })
    expect((await take('B')).voters).toEqual([])
    expect((await send('PUT', 'votes', { voter: '', take: a.id })).status).toBe(400)
    expect((await send('PUT', 'votes', { voter: 'Jonah', take: 'NOPE' })).status).toBe(404)
  })

  test('have pins that are wanted as they are, until they are stuck back', async () => {
    const b = await take('B')
    const accepted = { pin: 'skin-agrees handRight handLeft', cause: 'Hazel on Fawn, ΔE 13', reason: 'Tanned' }
    expect((await send('PUT', `takes/${b.id}/accepted`, accepted)).status).toBe(200)
    await send('PUT', `takes/${b.id}/accepted`, { ...accepted, reason: 'Gloves of leather' })
    expect((await take('B')).accepted).toEqual([{ ...accepted, reason: 'Gloves of leather' }])
    expect((await take('A')).accepted).toEqual([])
    await send('PUT', `takes/${b.id}/accepted`, { ...accepted, reason: '' })
    expect((await take('B')).accepted).toEqual([])
    expect((await send('PUT', 'takes/NOPE/accepted', accepted)).status).toBe(404)
    expect((await send('PUT', `takes/${b.id}/accepted`, { ...accepted, pin: '' })).body.errors[0]!.field).toBe('pin')
  })

  test('are removed with their votes, except for the chosen one; a stale write is refused', async () => {
    const [a, gone] = [await take('A'), await take('windy day')]
    await send('PUT', 'votes', { voter: 'Jonah', take: gone.id })
    const chosen = await send('DELETE', `takes/${a.id}`)
    expect([chosen.status, chosen.body.detail]).toEqual([
      409,
      'Take A is the chosen one. Choose another first; nothing was removed.',
    ])
    expect((await send('DELETE', `takes/${gone.id}`, { version: 1 })).status).toBe(409)
    expect((await send('DELETE', `takes/${gone.id}`)).status).toBe(200)
    expect((await now()).takes.map(({ label }) => label)).toEqual(['A', 'B', 'without the otter'])
    expect((await now()).takes.flatMap(({ voters }) => voters)).toEqual(['Marit'])
  })
})
