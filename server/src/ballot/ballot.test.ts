import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { createHash } from 'node:crypto'
import { answerText, type BallotAnswer } from '@outfit/core/ballot'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import type { AnswersBrought, BallotListed, BallotWithAnswers } from './ballotService.ts'

let server: TestServer
let ferry: RosterShelf
beforeAll(async () => {
  server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  ferry = rosters.find(({ name }) => name === 'Ferry people')!
})
afterAll(() => server.stop())

const make = async (more: object = {}) =>
  server.send<{ id: string } & ProblemBody>('POST', `rosters/${ferry.id}/ballots`, {
    title: 'Who is most like a ferry?',
    question: '',
    way: 'pairs',
    ...more,
  })
const answer = (ballot: string, more: Partial<BallotAnswer>) =>
  answerText(ballot, {
    ...{
      voter: 'aaaaaaaaaa',
      name: 'Ada',
      at: '2026-12-01T10:00:00.000Z',
      pairs: [{ better: 0, worse: 1 }],
      stars: [],
    },
    ...more,
  })

test('a ballot keeps what stood on it, is a file that runs nothing but its own script, and counts each answer once', async () => {
  const { status, body } = await make()
  expect(status).toBe(201)
  const { id } = body
  const dressed = ferry.outfits.filter(({ placements }) => placements.length > 0)
  const first = (await server.get<BallotWithAnswers>(`ballots/${id}`)).body
  expect(first.ballot.candidates.map(({ id: own }) => own)).toEqual(dressed.map(({ id: own }) => own))
  expect(first.parts.length).toBeGreaterThan(10)

  const page = await fetch(`${server.url}/api/ballots/${id}/ballot.html`)
  const html = await page.text()
  expect(page.headers.get('content-disposition')).toContain('Who is most like a ferry')
  const [, hash] = /script-src 'sha256-([^']+)'/.exec(html)!
  const [, script] = /<script>(.*?)<\/script>/s.exec(html)!
  expect(createHash('sha256').update(script!).digest('base64')).toBe(hash)
  expect(html).not.toMatch(/https?:\/\/(?!www\.w3\.org)/)
  for (const { name } of dressed) expect(html).toContain(name)

  const text = `Hi!\n${answer(id, {})}\n${answer(id, { voter: 'bbbbbbbbbb', name: '', pairs: [{ better: 1, worse: 0 }] })}\n${answer('other', { voter: 'cccccccccc', name: 'Cy' })}`
  const came = await server.send<AnswersBrought>('POST', `ballots/${id}/answers`, { text })
  expect(came.body).toEqual({
    taken: 2,
    again: [],
    instead: [],
    older: [],
    refused: ['Answer 3 of Cy is to another ballot.'],
  })
  const again = await server.send<AnswersBrought>('POST', `ballots/${id}/answers`, {
    text: answer(id, {}) + answer(id, { pairs: [{ better: 1, worse: 0 }], at: '2026-12-02T10:00:00.000Z' }),
  })
  expect(again.body).toMatchObject({ taken: 0, again: ['Ada'], instead: ['Ada'] })
  const { answers } = (await server.get<BallotWithAnswers>(`ballots/${id}`)).body
  expect(answers.map(({ voter, pairs }) => [voter, pairs]).sort()).toEqual([
    ['aaaaaaaaaa', [{ better: 1, worse: 0 }]],
    ['bbbbbbbbbb', [{ better: 1, worse: 0 }]],
  ])
  expect((await server.get<BallotListed[]>(`rosters/${ferry.id}/ballots`)).body).toMatchObject([{ id, answers: 2 }])
  expect((await server.send('DELETE', `ballots/${id}/answers/bbbbbbbbbb`)).status).toBe(204)
  expect((await server.send('DELETE', `ballots/${id}/answers/bbbbbbbbbb`)).status).toBe(404)

  // Removed and put back, it has its answers.
  await server.send('DELETE', `ballots/${id}`)
  expect((await server.get<BallotListed[]>(`rosters/${ferry.id}/ballots`)).body).toEqual([])
  await server.send('PUT', `ballots/${id}/back`)
  expect((await server.get<BallotListed[]>(`rosters/${ferry.id}/ballots`)).body).toMatchObject([{ id, answers: 1 }])
})

test('takes of one outfit can be voted on; of one nobody can', async () => {
  const outfit = ferry.outfits.find(({ name }) => name === 'Odile, skipper')!
  const { body } = await make({ outfit: outfit.id, way: 'stars' })
  const { ballot } = (await server.get<BallotWithAnswers>(`ballots/${body.id}`)).body
  expect(ballot.candidates.length).toBeGreaterThan(1)
  expect(ballot.candidates[0]!.name).toMatch(/^Take /)
  const stars = (favourite: number) => ballot.candidates.map((_, i) => (i === favourite ? 5 : 2))
  const text = [
    answer(body.id, { stars: stars(1), pairs: [] }),
    answer(body.id, { voter: 'bbbbbbbbbb', name: '', stars: stars(0), pairs: [] }),
    answer(body.id, { voter: 'cccccccccc', name: 'Cy', stars: ballot.candidates.map(() => 3), pairs: [] }),
  ].join('')
  await server.send('POST', `ballots/${body.id}/answers`, { text })
  // Nobody without a name, and nobody who is for several, has a voice.
  expect((await server.send('POST', `ballots/${body.id}/voices`)).body).toEqual({ voices: 1 })
  const { takes } = (await server.get<OutfitDetail>(`outfits/${outfit.id}`)).body
  expect(takes.find(({ id }) => id === ballot.candidates[1]!.id)!.voters).toContain('Ada')
  const alone = await make({ outfits: [ferry.outfits[0]!.id] })
  expect([alone.status, alone.body.detail]).toEqual([
    409,
    'Two that are dressed are needed at least to choose between.',
  ])
  expect((await make({ outfits: ['nobody'] })).status).toBe(404)
  expect((await make({ title: '' })).status).toBe(400)
})

test('goes with its roster, and comes back with it', async () => {
  const { body } = await make()
  await server.send('POST', `ballots/${body.id}/answers`, { text: answer(body.id, {}) })
  const { body: gone } = await server.send<{ removed: string }>('DELETE', `rosters/${ferry.id}`)
  expect((await server.get(`ballots/${body.id}`)).status).toBe(404)
  expect((await server.send('POST', `removed/${gone.removed}`)).status).toBeLessThan(300)
  expect((await server.get<BallotWithAnswers>(`ballots/${body.id}`)).body.answers).toHaveLength(1)
})
