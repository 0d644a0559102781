import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Later } from '@outfit/core/roster'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const list = async () => (await server.get<Later[]>('later')).body
const entry = async (note: RegExp) => (await list()).find((later) => note.test(later.note))!
const make = (body: object) => server.send<ProblemBody & { id: string }>('POST', 'later', body)

test('the sample list has a recolour, an offer and a note, none answered', async () => {
  const entries = await list()
  expect(entries.map(({ outfitName, waitsFor, answer }) => [outfitName, waitsFor, answer])).toEqual([
    ['Teo, tickets', null, null],
    ['Bram, engines', 'Oilskin hat, Bottle', null],
    ['Odile at twelve', 'Low bun in Copper', null],
  ])
})

test('a part made in the colour answers, also when it comes by import', async () => {
  const csv = 'code,name,mould,colours\nP-90001,Low bun,M-LBUN,copper'
  await server.send('POST', 'import/parts', { csv })
  const bun = await entry(/low bun/)
  expect([bun.answer, bun.answerName]).toEqual(['P-90001', 'Low bun, Copper'])
  expect(bun.answeredAt).not.toBeNull()
})

test('an offer answers when its price is low enough', async () => {
  const offer = (price: number) =>
    `date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-23,lock-nine,part,P-00057,used,${price},EUR,2,1`
  await server.send('POST', 'import/offers', { csv: offer(700) })
  expect((await entry(/The hat/)).answer).toBeNull()
  await server.send('POST', 'import/offers', { csv: offer(600) })
  expect((await entry(/The hat/)).answer).toBe('P-00057')
})

test('what is there already is not waited for; faults are told by their field', async () => {
  const there = await make({ note: 'A tail in Copper', like: 'P-00001', colour: 'tar' })
  expect([there.status, there.body.errors[0]!.field]).toEqual([409, 'colour'])
  expect((await make({ note: 'x', like: 'P-00001' })).body.errors[0]!.field).toBe('colour')
  expect((await make({ note: '' })).body.errors[0]!.field).toBe('note')
  expect((await make({ note: 'x', outfit: 'NOPE' })).status).toBe(404)
  expect((await make({ note: 'x', part: 'NOPE' })).status).toBe(404)
})

test('entries are ticked off, and dropped', async () => {
  const { id } = (await make({ note: 'Try the shawl over the vest' })).body
  expect((await server.send('PUT', `later/${id}`, { done: true })).status).toBe(204)
  expect((await entry(/shawl/)).done).toBe(true)
  expect((await server.send('DELETE', `later/${id}`)).status).toBe(204)
  expect(await entry(/shawl/)).toBeUndefined()
  expect((await server.send('PUT', `later/${id}`, { done: true })).status).toBe(404)
})
