import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { Validator } from '@seriousme/openapi-schema-validator'
import { getMetadataStorage } from 'class-validator'
import { readFileSync } from 'node:fs'
import type { RosterShelf } from '@outfit/core/shelf'
import { Contract, type Described } from '../test/described.ts'
import { startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
let document: Described & { openapi: string }
beforeAll(async () => {
  server = await startServer()
  document = (await (await fetch(`${server.url}/api/docs-json`)).json()) as typeof document
})
afterAll(() => server.stop())

const operations = () =>
  Object.entries(document.paths).flatMap(([path, item]) =>
    Object.entries(item).map(([method, operation]) => ({ route: `${method.toUpperCase()} ${path}`, ...operation })),
  )

describe('what the server says of itself', () => {
  test('is a valid OpenAPI document', async () => {
    const { valid, errors } = await new Validator().validate(document as never)
    expect({ valid, errors }).toEqual({ valid: true })
    expect(document.openapi).toBe('3.1.0')
  })

  test('names every address there is, with its body, and what it answers', () => {
    const listed = server
      .router()
      .stack.flatMap(({ route }) =>
        Object.keys(route?.methods ?? {}).map((method) => `${method.toUpperCase()} ${route!.path}`),
      )
      .filter((route) => route.includes('/api/') && !route.includes('/docs'))
      .map((route) => route.replace(/:(\w+)/g, '{$1}'))
    expect(listed.length).toBeGreaterThan(100)
    expect(
      operations()
        .map(({ route }) => route)
        .sort(),
    ).toEqual([...new Set(listed)].sort())
    const silent = operations().flatMap(({ route, responses }) =>
      Object.entries(responses)
        .filter(([status, { content }]) => /^20[0-3]$/.test(status) && !content)
        .map(([status]) => `${route} ${status}`),
    )
    expect(silent).toEqual([])
  })

  test('gives every class that checks a body a name of its own, which no answer has', () => {
    const { validationMetadatas } = getMetadataStorage() as unknown as {
      validationMetadatas: Map<{ name: string }, unknown>
    }
    const names = [...validationMetadatas.keys()].map(({ name }) => name)
    const { schemas } = JSON.parse(readFileSync(new URL('../../answers.json', import.meta.url), 'utf8')) as {
      schemas: object
    }
    expect(names.filter((name, i) => names.indexOf(name) !== i || name in schemas)).toEqual([])
  })

  test('holds of what no other test asks: entries looked up, entries taken away, and files', async () => {
    const status = async (path: string) => (await server.get(path)).status
    const [figure] = (await server.get<{ code: string }[]>('figures?text=a')).body
    const [print] = (await server.get<{ code: string }[]>('prints?kind=head')).body
    expect(await status(`figures/${figure!.code}`)).toBe(200)
    expect(await status(`prints/${print!.code}`)).toBe(200)
    expect(await status('releases')).toBe(200)
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const [roster] = rosters
    const [outfit] = roster!.outfits
    for (const kind of ['svg', 'png', 'pdf'])
      for (const picture of [
        `outfits/${outfit!.id}/card`,
        `rosters/${roster!.id}/line-up`,
        `rosters/${roster!.id}/sheet`,
      ])
        expect([picture, kind, await status(`${picture}.${kind}`)]).toEqual([picture, kind, 200])
    expect(await status(`rosters/${roster!.id}/page.html`)).toBe(200)
    expect(await status('drawer/labels.pdf')).toBe(200)
    const { part } = outfit!.placements.find(({ slot }) => slot === 'head')!
    const contents = [{ kind: 'part', code: part, qty: 1 }]
    for (const [table, entry] of [
      ['colours', { name: 'Test', hex: '#123456', family: 'blue', finish: 'solid' }],
      ['prints', { name: 'Test', kind: 'head', front: [], back: [], traits: {} }],
      ['figures', { name: 'Test', year: 2024, worn: [{ slot: 'head', part, order: 0 }] }],
      [
        'releases',
        { name: 'Test', kind: 'box', year: 2024, price: 100, currency: 'EUR', inProduction: true, contents, cases: [] },
      ],
    ] as const) {
      const { status: made, body } = await server.send<{ code: string }>('POST', `catalogue/${table}`, entry)
      expect([table, made, body]).toEqual([table, 201, expect.anything()])
      expect((await server.send('PUT', `catalogue/${table}/${body.code}`, { ...entry, was: entry })).status).toBe(200)
      expect((await server.send('DELETE', `catalogue/${table}/${body.code}`)).status).toBe(204)
    }
  })

  test('is held against what is sent and answered: what differs is named', async () => {
    const contract = new Contract(document)
    const { body } = await server.get('rosters')
    const exchange = { method: 'GET', path: 'rosters', status: 200, type: 'application/json; charset=utf-8', body }
    expect(contract.faultOf(exchange)).toBeNull()
    expect(contract.faultOf({ ...exchange, body: { ...body, more: 1 } })).toMatch(/"more"/)
    expect(contract.faultOf({ ...exchange, body: {} })).toMatch(/rosters/)
    expect(contract.faultOf({ ...exchange, status: 201 })).toMatch(/201, which is not described/)
    expect(contract.faultOf({ ...exchange, type: 'text/html' })).toMatch(/text\/html/)
    expect(contract.faultOf({ ...exchange, path: 'rosters?all=1' })).toMatch(/query has all/)
    expect(contract.faultOf({ ...exchange, status: 409, body: { error: 'no' } })).toMatch(/a problem/)
    const sent = { name: 'One', note: '', school: 'strict', budget: null }
    const made = { ...exchange, method: 'POST', status: 201, sent }
    expect(contract.faultOf({ ...made, sent: { ...sent, note: 3 } })).toMatch(/what was sent .*note/)
    expect(contract.faultOf({ ...made, sent: { ...sent, colour: 'red' } })).toMatch(/what was sent .*colour/)
  })
})
