import { afterAll, beforeAll, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { SIDE_BY_SIDE } from '@outfit/core/show'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
let teo: OutfitDetail
beforeAll(async () => {
  server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const { id } = rosters.flatMap(({ outfits }) => outfits).find(({ name }) => name === 'Teo, tickets')!
  teo = (await server.get<OutfitDetail>(`outfits/${id}`)).body
})
afterAll(() => server.stop())

const compared = (kind: 'svg' | 'png', takes: string) =>
  fetch(`${server.url}/api/outfits/${teo.id}/compared.${kind}?takes=${takes}`)
const ids = (count: number) => teo.takes.slice(0, count).map(({ id }) => id)

test('takes side by side as SVG carry their fonts, their likeness and what is different', async () => {
  const answer = await compared('svg', ids(2).join())
  const svg = await answer.text()
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'image/svg+xml; charset=utf-8'])
  expect(svg).toContain('Take A, chosen')
  expect(svg).toContain('“The satchel alone tells what he does.”')
  expect(svg).toContain('Headgear: Close crop · Tar')
  expect(svg).not.toContain('Torso:')
  expect(svg.match(/Likeness \d+ of 100/g)).toHaveLength(2)
  expect(svg).toContain('@font-face')
  expect(svg).not.toMatch(/(href|src)="?http|url\(http/)
})

test('as PNG they are 300 dots an inch wide', async () => {
  const answer = await compared('png', ids(3).join())
  const { format, width } = await sharp(Buffer.from(await answer.arrayBuffer())).metadata()
  expect([format, width]).toEqual([
    'png',
    Math.round(((2 * SIDE_BY_SIDE.margin + 3 * SIDE_BY_SIDE.column) * 300) / 25.4),
  ])
})

test('they are printed as wide as is asked for', async () => {
  const { width } = await sharp(
    Buffer.from(await (await compared('png', `${ids(2).join()}&width=100`)).arrayBuffer()),
  ).metadata()
  expect(width).toBe(Math.round((100 * 300) / 25.4))
  expect(await (await compared('svg', `${ids(2).join()}&width=100`)).text()).toContain(
    '<svg xmlns="http://www.w3.org/2000/svg" width="100mm"',
  )
  expect((await compared('svg', `${ids(2).join()}&width=10`)).status).toBe(400)
})

test.each(['', 'one', 'a,b,c,d,e', 'a b,c'])('takes "%s" are refused by their field', async (takes) => {
  const answer = await compared('svg', encodeURIComponent(takes))
  expect(answer.status).toBe(400)
  expect(((await answer.json()) as ProblemBody).errors[0]!.field).toBe('takes')
})

test('a take of another outfit is not found', async () => {
  expect((await compared('svg', `${ids(1)[0]},NOPE`)).status).toBe(404)
})
