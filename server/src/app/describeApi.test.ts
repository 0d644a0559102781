import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { Validator } from '@seriousme/openapi-schema-validator'
import { getMetadataStorage } from 'class-validator'
import { readFileSync } from 'node:fs'
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
