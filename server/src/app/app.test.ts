import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { request } from 'node:http'
import { sampleOutfits, startServer, type TestServer } from '../test/testServer.ts'
import { readSettings } from '../base/settings.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

/** A request with headers that fetch would not let through. */
function ask(
  headers: Record<string, string>,
  method = 'GET',
  body = '',
): Promise<{ status: number; body: string; headers: Record<string, unknown> }> {
  return new Promise((resolve, reject) => {
    const call = request(`${server.url}/api/health`, { method, headers }, (response) => {
      let text = ''
      response.on('data', (chunk) => (text += chunk))
      response.on('end', () => resolve({ status: response.statusCode!, body: text, headers: response.headers }))
    })
    call.on('error', reject)
    call.end(body)
  })
}

test('health says what is loaded', async () => {
  const { status, body } = await server.get('health')
  expect(status).toBe(200)
  expect(body).toMatchObject({ status: 'ok', outfits: sampleOutfits() })
  expect(body['parts']).toBeGreaterThanOrEqual(180)
  expect(body['offers']).toBeGreaterThanOrEqual(600)
})

test('no address is swallowed by one before it that takes any word in its place', () => {
  const { stack } = server.router()
  const routes = stack.flatMap(({ route }) =>
    route ? Object.keys(route.methods).map((method) => ({ method, words: route.path.split('/') })) : [],
  )
  expect(routes.length).toBeGreaterThan(100)
  const swallows = (one: string[], other: string[]) =>
    one.length === other.length && one.every((word, i) => word.startsWith(':') || word === other[i])
  const swallowed = routes.flatMap((late, i) =>
    routes
      .slice(0, i)
      .filter(({ method, words }) => method === late.method && swallows(words, late.words))
      .map(({ words }) => `${late.method} ${late.words.join('/')} behind ${words.join('/')}`),
  )
  expect(swallowed).toEqual([])
})

describe('who may talk to it', () => {
  test('another host name is refused, against rebinding', async () => {
    const { status, body, headers } = await ask({ host: 'elsewhere.example' })
    expect(status).toBe(403)
    expect(headers['content-type']).toContain('application/problem+json')
    expect(body).toContain('local host names only')
  })

  test('a page from elsewhere is refused, one from here is not', async () => {
    expect((await ask({ origin: 'https://elsewhere.example' })).status).toBe(403)
    expect((await ask({ origin: 'null' })).status).toBe(403)
    expect((await ask({ origin: server.url })).status).toBe(200)
  })

  test('a page of another port of this machine is one from elsewhere, whatever it asks', async () => {
    const { port } = new URL(server.url)
    const other = `http://127.0.0.1:${Number(port) === 65535 ? 65534 : Number(port) + 1}`
    for (const method of ['GET', 'POST']) {
      expect((await ask({ origin: other }, method)).status).toBe(403)
      expect((await ask({ origin: `http://localhost:${port}` }, method)).status).toBe(403)
      // Pictures and forms of another page carry no origin, but what the browser knows of them.
      for (const site of ['cross-site', 'same-site'])
        expect((await ask({ 'sec-fetch-site': site }, method)).status).toBe(403)
    }
    for (const site of ['same-origin', 'none']) expect((await ask({ 'sec-fetch-site': site })).status).toBe(200)
  })

  test('an address is the same in any case of letters', async () => {
    for (const path of ['/API/rates', '/Api/rates', '/%61pi/rates'])
      expect([
        path,
        (await fetch(`${server.url}${path}`, { headers: { 'sec-fetch-site': 'cross-site' } })).status,
      ]).toEqual([path, 403])
  })

  test('a body must be of a kind that no form sends', async () => {
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x', '']) {
      const headers: Record<string, string> = type ? { 'content-type': type } : {}
      expect((await ask({ ...headers, 'content-length': '2' }, 'POST', '{}')).status).toBe(415)
    }
  })

  test('requests are counted by session: who uses up an address leaves the page that has one alone', async () => {
    const own = await startServer({ world: false })
    const page = await fetch(own.url, { redirect: 'manual' })
    const [cookie = ''] = page.headers.getSetCookie()
    expect(cookie).toMatch(/^outfit-session=[\w-]+; Path=\/; HttpOnly; SameSite=Strict$/)
    const as = (headers: Record<string, string>) => fetch(`${own.url}/api/rates`, { headers })
    const mine = { cookie: cookie.split(';')[0]! }
    let last = 200
    for (let n = 0; n < 1300 && last === 200; n++) last = (await as({})).status
    expect(last).toBe(429)
    expect((await as({ cookie: 'outfit-session=made-up' })).status).toBe(429)
    expect((await as(mine)).status).toBe(200)
    // What a browser says comes from another page is refused before it counts.
    for (let n = 0; n < 1300; n++) await as({ ...mine, 'sec-fetch-site': 'cross-site' })
    expect((await as(mine)).status).toBe(200)
    await own.stop()
  })

  test('answers carry a strict content policy', async () => {
    const { headers } = await ask({})
    expect(headers['content-security-policy']).toContain("default-src 'self'")
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'")
    expect(headers['x-content-type-options']).toBe('nosniff')
    for (const given of [headers, (await ask({ host: 'elsewhere.example' })).headers])
      expect(given['x-powered-by']).toBeUndefined()
  })
})

describe('problems', () => {
  test('an address that leads nowhere is a 404 problem', async () => {
    const { status, type, body } = await server.get('nowhere')
    expect(status).toBe(404)
    expect(type).toContain('application/problem+json')
    expect(body).toMatchObject({ type: 'about:blank', title: 'Not Found', status: 404, errors: [] })
  })

  test('a body that is no JSON is refused', async () => {
    const response = await fetch(`${server.url}/api/plans`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{"outfit":',
    })
    expect(response.status).toBe(400)
    expect(response.headers.get('content-type')).toContain('application/problem+json')
  })

  test('an unknown field is named', async () => {
    const { status, body } = await server.send('POST', 'plans', { outfit: 'x', colour: 'red' })
    expect(status).toBe(400)
    expect(body['errors']).toEqual([{ field: 'colour', message: expect.stringContaining('colour') }])
  })
})

test('the interface for programs is described', async () => {
  const page = await fetch(`${server.url}/api/docs`)
  expect(page.status).toBe(200)
  const { body } = await server.get<{ openapi: string; paths: Record<string, unknown> }>('docs-json')
  expect(body.openapi).toMatch(/^3/)
  expect(Object.keys(body.paths)).toEqual(
    expect.arrayContaining([
      '/api/health',
      '/api/rosters',
      '/api/parts',
      '/api/plans',
      '/api/import/{table}',
      '/api/outfits/{id}/card.{kind}',
    ]),
  )
})

describe('the command line', () => {
  test('has defaults', () => {
    expect(readSettings([])).toMatchObject({ port: 4310, web: null, world: null, market: null })
    // A world brings its market along, unless another is named.
    const { world, market } = readSettings(['--world', 'w'])
    expect(market).toBe(world)
    expect(readSettings(['--world', 'w', '--market', 'https://prices.test']).market).toBe('https://prices.test')
    expect(readSettings(['--port', '0', '--data', '/x/y'])).toMatchObject({ port: 0, data: '/x/y' })
  })

  test.each([
    ['0.0.0.0', { address: '0.0.0.0', port: null }],
    ['192.168.1.5:4400', { address: '192.168.1.5', port: 4400 }],
    ['[::]:4400', { address: '::', port: 4400 }],
  ])('listens for other devices at %s', (listen, told) => {
    expect(readSettings(['--listen', listen]).listen).toEqual(told)
  })

  test.each(['', ':4400', '0.0.0.0:0', '0.0.0.0:99999', 'a b'])('is told what is wrong about --listen %s', (listen) => {
    expect(() => readSettings(['--listen', listen])).toThrow(/--listen must be an address/)
  })

  test('refuses what it does not know, by name', () => {
    expect(() => readSettings(['--port', 'many'])).toThrow('--port must be a number from 0 to 65535; it is many.')
    expect(() => readSettings(['--colour', 'red'])).toThrow(/--colour/)
  })
})
