import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { request as ask, type IncomingHttpHeaders } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { NetworkState } from '@outfit/core/access'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { Access } from './access.ts'
import { addressesHere, hostsHere } from './hosts.ts'
import { Network } from './network.ts'
import { Throttle } from './throttle.ts'

const SECRET = 'four quiet lamps burn'

interface Answer {
  status: number
  headers: IncomingHttpHeaders
  body: ProblemBody & Record<string, unknown>
}

/** A request by the line for other devices, with any headers. */
function send(
  port: number,
  method: string,
  path: string,
  headers: Record<string, string> = {},
  body?: object,
): Promise<Answer> {
  const text = body ? JSON.stringify(body) : ''
  const length = body ? { 'content-type': 'application/json', 'content-length': String(Buffer.byteLength(text)) } : {}
  return new Promise((resolve, reject) => {
    const call = ask(
      { host: '127.0.0.1', port, method, path, agent: false, headers: { ...length, ...headers } },
      (response) => {
        let all = ''
        response.on('data', (chunk) => (all += chunk))
        response.on('end', () =>
          resolve({
            status: response.statusCode!,
            headers: response.headers,
            body: (all.startsWith('{') ? JSON.parse(all) : { text: all }) as Answer['body'],
          }),
        )
      },
    )
    call.on('error', reject)
    call.end(text)
  })
}

describe('the door', () => {
  let server: TestServer
  let port: number
  let host: string
  const door = (body: object) => server.send<NetworkState & ProblemBody>('PUT', 'access/network', body)
  beforeAll(async () => {
    server = await startServer({ world: false })
    // A test has no network: what stands for it is the loopback address, by its name there.
    server.service(Network).use({ address: '127.0.0.1' })
  })
  afterAll(() => server.stop())

  test('is opened by a passphrase of twelve letters, and no shorter one', async () => {
    expect((await door({ open: true })).body.errors[0]).toMatchObject({ field: 'passphrase' })
    for (const passphrase of ['short', ' padded      ', 'é'.repeat(11)])
      expect((await door({ open: true, passphrase })).body.errors[0]).toMatchObject({ field: 'passphrase' })
    const { status, body } = await door({ open: true, passphrase: SECRET })
    expect([status, body.hosts]).toEqual([200, ['127.0.0.1']])
    port = body.port!
    host = `127.0.0.1:${port}`
    expect(body.addresses).toEqual([`http://${host}`])
    // The passphrase itself stands nowhere.
    const file = join(server.data, 'outfit.access')
    expect(readFileSync(file, 'utf8')).not.toContain('lamps')
    expect(statSync(file).mode & 0o077).toBe(0)
  })

  test('lets nobody further who has not said it', async () => {
    expect((await send(port, 'GET', '/api/access', { host })).body).toEqual({ here: false, entered: false })
    for (const [method, path] of [
      ['GET', '/api/rosters'],
      ['GET', '/api/access/network'],
      ['GET', '/api/news/events'],
      ['GET', '/api/docs-json'],
      ['GET', '/api/archives'],
      ['PUT', '/api/access/network'],
      ['POST', '/api/access'],
      ['GET', '/API/rosters'],
      ['GET', '/api//rosters'],
      ['GET', '/%61pi/rosters'],
      ['GET', '/%'],
      ['GET', '/api'],
    ] as const)
      expect([path, (await send(port, method, path, { host })).status]).toEqual([path, 401])
  })

  test('gives a device a token of its own, which holds until it is put out', async () => {
    // A token somebody brings along is never made theirs.
    const fixed = await send(
      port,
      'POST',
      '/api/access/entered',
      { host, cookie: 'outfit-device=chosen-by-another' },
      { passphrase: SECRET },
    )
    expect(fixed.status).toBe(204)
    const [cookie = ''] = fixed.headers['set-cookie']!.filter((one) => one.startsWith('outfit-device'))
    expect(cookie).toMatch(/^outfit-device=[\w-]{43}; Max-Age=\d+; Path=\/; Expires=[^;]+; HttpOnly; SameSite=Strict$/)
    expect((await send(port, 'GET', '/api/rosters', { host, cookie: 'outfit-device=chosen-by-another' })).status).toBe(
      401,
    )
    const mine = { host, cookie: cookie.split(';')[0]! }
    expect((await send(port, 'GET', '/api/rosters', mine)).status).toBe(200)
    // The door itself is opened and closed at the machine alone.
    expect((await send(port, 'PUT', '/api/access/network', mine, { open: false })).status).toBe(403)
    const { devices } = (await send(port, 'GET', '/api/access/network', mine)).body as unknown as NetworkState
    expect(devices).toEqual([expect.objectContaining({ device: 'a program', own: true })])
    // Saying it again makes another token, and the one before is nobody's.
    const again = await send(port, 'POST', '/api/access/entered', mine, { passphrase: SECRET })
    const other = { host, cookie: again.headers['set-cookie']![0]!.split(';')[0]! }
    expect((await send(port, 'GET', '/api/rosters', mine)).status).toBe(401)
    expect((await send(port, 'GET', '/api/rosters', other)).status).toBe(200)
    const [left] = ((await send(port, 'GET', '/api/access/network', other)).body as unknown as NetworkState).devices
    expect((await server.send('DELETE', `access/devices/${left!.id}`)).status).toBe(204)
    expect((await send(port, 'GET', '/api/rosters', other)).status).toBe(401)
    expect((await server.send('DELETE', `access/devices/${left!.id}`)).status).toBe(404)
  })

  test('is closed to other names, other pages and forms, whatever they carry', async () => {
    const entered = await send(port, 'POST', '/api/access/entered', { host }, { passphrase: SECRET })
    const mine = { host, cookie: entered.headers['set-cookie']![0]!.split(';')[0]! }
    // A page whose name was pointed here (DNS rebinding), and this machine's own names by the wrong line.
    for (const name of ['evil.example', `evil.example:${port}`, 'localhost', `127.0.0.1.evil.example:${port}`])
      expect([name, (await send(port, 'GET', '/api/rosters', { ...mine, host: name })).status]).toEqual([name, 403])
    for (const origin of ['https://evil.example', `http://127.0.0.1:${port + 1}`, `https://${host}`, 'null'])
      expect((await send(port, 'GET', '/api/rosters', { ...mine, origin })).status).toBe(403)
    expect((await send(port, 'GET', '/api/rosters', { ...mine, origin: `http://${host}` })).status).toBe(200)
    for (const site of ['cross-site', 'same-site'])
      expect((await send(port, 'GET', '/api/rosters', { ...mine, 'sec-fetch-site': site })).status).toBe(403)
    const form = { ...mine, 'content-type': 'application/x-www-form-urlencoded', 'content-length': '2' }
    expect((await send(port, 'POST', '/api/rosters', form)).status).toBe(415)
    // And the line of this machine knows no names but its own.
    expect((await fetch(`${server.url}/api/rosters`)).status).toBe(200)
  })

  test('keeps who tries out passphrases waiting, also many at the same time', async () => {
    const tries = await Promise.all(
      Array.from({ length: 12 }, (_, n) =>
        send(port, 'POST', '/api/access/entered', { host }, { passphrase: `guess number ${n}` }),
      ),
    )
    const told = tries.map(({ status }) => status)
    expect(told.filter((status) => status === 403).length).toBeLessThanOrEqual(5)
    expect(told.filter((status) => status === 429).length).toBeGreaterThanOrEqual(7)
    for (let n = 0; n < 5; n++) await send(port, 'POST', '/api/access/entered', { host }, { passphrase: `slower ${n}` })
    // Then not even the right one is looked at.
    const late = await send(port, 'POST', '/api/access/entered', { host }, { passphrase: SECRET })
    expect(late.status).toBe(429)
    expect(Number(late.headers['retry-after'])).toBeGreaterThan(200)
    expect(late.body.detail).toMatch(/Wait \d minutes/)
  })

  test('closes, and another passphrase puts everybody out', async () => {
    expect((await door({ open: false })).body).toMatchObject({ port: null, addresses: [], hasPassphrase: true })
    await expect(send(port, 'GET', '/api/access', { host })).rejects.toThrow()
    const { devices, hasPassphrase } = (await door({ open: false, passphrase: 'five other lamps burn' })).body
    expect([devices, hasPassphrase]).toEqual([[], true])
  })
})

describe('who was let in', () => {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-access-'))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  test('stays so across starts, for thirty idle days, and half a year at most', async () => {
    let now = Date.parse('2026-01-01')
    const clock = () => now
    const access = new Access(folder, clock)
    await access.setPassphrase(SECRET)
    const token = (await access.enter('a', SECRET, 'a phone', null))!
    const [own] = access.devices(token)
    expect(own).toMatchObject({ device: 'a phone', own: true })
    const DAY = 86_400_000
    for (let day = 0; day < 6; day++) {
      now += 29 * DAY
      expect([day, new Access(folder, clock).knows(token)]).toEqual([day, true])
    }
    now += 7 * DAY
    expect(new Access(folder, clock).knows(token)).toBe(false)
    expect(await access.enter('a', 'another passphrase', 'a phone', null)).toBeNull()
    const second = (await access.enter('a', SECRET, 'a phone', null))!
    now += 31 * DAY
    expect(access.knows(second)).toBe(false)
  })

  test('is nobody where the file was spoilt', () => {
    writeFileSync(join(folder, 'outfit.access'), '{"passphrase":')
    expect(new Access(folder).hasPassphrase).toBe(false)
  })
})

test('too many tries of all together keep everybody waiting, and time lets them try again', async () => {
  let now = 0
  const throttle = new Throttle(() => now)
  for (let n = 0; n < 40; n++) await throttle.tried(`address ${n}`, () => Promise.resolve(false))
  expect(throttle.wait('somebody else')).toBe(300)
  now += 301_000
  expect(throttle.wait('somebody else')).toBe(0)
})

test('addresses of a home come first, and none of this machine alone', () => {
  const one = (address: string, family: 'IPv4' | 'IPv6', internal = false) => ({ address, family, internal }) as never
  expect(
    addressesHere({
      lo: [one('127.0.0.1', 'IPv4', true)],
      a: [one('fe80::1', 'IPv6'), one('2001:db8::5', 'IPv6'), one('203.0.113.9', 'IPv4')],
      b: [one('192.168.1.5', 'IPv4')],
    }),
  ).toEqual(['192.168.1.5', '203.0.113.9', '[2001:db8::5]'])
  expect([hostsHere('192.168.1.5'), hostsHere('fd00::1')]).toEqual([['192.168.1.5'], ['[fd00::1]']])
  // Who listens by IPv4 alone is not told to be called by an address of the other kind.
  expect(hostsHere('0.0.0.0').filter((host) => host.startsWith('['))).toEqual([])
})
