import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { existsSync, readFileSync } from 'node:fs'
import { deflateSync } from 'node:zlib'
import { FILES, strangeField, tooMuch, USUAL } from '../base/bodies.ts'
import { runs } from '../test/runs.ts'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

/**
 * Milliseconds of processor time this thread has had: what others do meanwhile, and threads that collect garbage, are not in
 * it, so that a busy machine is not taken for a busy program. Where the system does not tell, the time that has passed.
 */
function threadTime(): number {
  const told = `/proc/self/task/${process.pid}/schedstat`
  return existsSync(told) ? Number(readFileSync(told, 'utf8').split(' ')[0]) / 1e6 : performance.now()
}

/** The longest the thread was busy with one thing, in milliseconds of its processor time, while `work` went on. */
async function longestTurn<T>(work: () => Promise<T>): Promise<{ result: T; longest: number }> {
  let longest = 0
  let last = threadTime()
  let on = true
  const look = () => {
    const now = threadTime()
    longest = Math.max(longest, now - last)
    last = now
    if (on) setImmediate(look)
  }
  look()
  const result = await work()
  on = false
  return { result, longest }
}
type Sent = [method: string, path: string, body: string]
const post = (path: string, body: string): Sent => ['POST', path, body]
const put = (path: string, body: string): Sent => ['PUT', path, body]
const many = (n: number, entry: (i: number) => string) => Array.from({ length: n }, (_, i) => entry(i)).join(',')

describe('small inputs that would take long', () => {
  test.each<[string, () => Sent, number]>([
    ['lists five million deep', () => post('rosters', '['.repeat(4_700_000) + ']'.repeat(4_700_000)), 413],
    ['the same where files come in', () => post('rosters/import', '['.repeat(4_700_000) + ']'.repeat(4_700_000)), 413],
    ['half a million unknown fields', () => post('rosters/import', `{${many(500_000, (i) => `"k${i}":1`)}}`), 413],
    ['half a million bad rows', () => put('bins', `{"bins":[${many(500_000, () => '{}')}]}`), 413],
    ['as many bad rows as fit', () => put('bins', `{"bins":[${many(3_900, () => '{"x":-1}')}]}`), 400],
    ['as many unknown fields as fit', () => post('rosters', `{${many(1000, (i) => `"k${i}":1`)}}`), 400],
    [
      '300,000 rosters with nothing in them',
      () => post('rosters/import', `{"rosters":[${many(300_000, () => '{}')}]}`),
      413,
    ],
    [
      '40,000 characters with nothing in them',
      () =>
        post(
          'rosters/import',
          `{"format":"outfit.rosters","version":1,"rosters":[{"name":"R","note":"","rules":"altered","currency":"EUR","characters":[${many(40_000, () => '{}')}]}]}`,
        ),
      400,
    ],
    [
      'a mapping 3,000 deep',
      () => put('mappings/bins/x', `{"columns":${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}}`),
      413,
    ],
    ['a mapping of objects', () => put('mappings/bins/x', '{"columns":{"code":{"a":1}}}'), 400],
    ['ten megabytes where one is taken', () => post('rosters', `{"name":"${'x'.repeat(10_000_000)}"}`), 413],
    [
      'ten megabytes of bad rows',
      () =>
        post(
          'import/colours',
          JSON.stringify({ csv: `code,name,hex,family,finish\n${`bad row${'.'.repeat(90)}\n`.repeat(100_000)}` }),
        ),
      200,
    ],
    [
      'a problem of nothing but offers',
      () => post('plans/problem', `{"problem":{"offers":[${many(90_000, () => '{}')}]}}`),
      400,
    ],
  ])('%s', async (_what, make, status) => {
    const [method, path, text] = make()
    const body = Buffer.from(text)
    const headers = { 'Content-Type': 'application/json' }
    const { result, longest } = await longestTurn(() => fetch(`${server.url}/api/${path}`, { method, headers, body }))
    const answer = await result.text()
    expect([result.status, answer.length < 300_000]).toEqual([status, true])
    if (status === 400) expect((JSON.parse(answer) as ProblemBody).errors.length).toBeLessThanOrEqual(51)
    // What would keep others waiting longer than a quarter of a second; twice that, since the test shares the thread.
    expect(longest).toBeLessThan(500)
  })
})

describe('a body', () => {
  test('is measured by what it holds, whatever stands in its texts', () => {
    const value = fc.jsonValue({ maxDepth: 6 })
    const measure = (json: unknown, depth = 1): { depth: number; nodes: number; entries: number; fields: number } => {
      if (typeof json !== 'object' || json === null) return { depth: depth - 1, nodes: 0, entries: 0, fields: 0 }
      const inside = Object.values(json).map((entry) => measure(entry, depth + 1))
      const count = Object.keys(json).length
      const most = (of: (one: (typeof inside)[number]) => number, own: number) => Math.max(own, ...inside.map(of))
      return {
        depth: most((one) => one.depth, depth),
        nodes: 1 + inside.reduce((sum, one) => sum + one.nodes, 0),
        entries: most((one) => one.entries, Array.isArray(json) ? count : 0),
        fields: most((one) => one.fields, Array.isArray(json) ? 0 : count),
      }
    }
    fc.assert(
      fc.property(value, (json) => {
        const bytes = Buffer.from(JSON.stringify(json))
        const limits = { bytes: 1, ...measure(json) }
        expect(tooMuch(bytes, limits)).toBeNull()
        for (const name of ['depth', 'nodes', 'entries', 'fields'] as const)
          if (limits[name] > (name === 'entries' || name === 'fields' ? 1 : 0))
            expect(tooMuch(bytes, { ...limits, [name]: limits[name] - 1 })).not.toBeNull()
      }),
      { numRuns: runs(300) },
    )
  })

  test('of a large file of ours is within them', async () => {
    const placements = Array.from({ length: 12 }, (_, order) => ({
      slot: 'neck',
      part: 'P-00001',
      order,
      turned: false,
    }))
    const takes = ['A', 'B', 'C'].map((label) => ({ label, chosen: label === 'A', placements }))
    const characters = Array.from({ length: 2_000 }, (_, i) => ({ name: `C${i}`, outfits: [{ name: `O${i}`, takes }] }))
    expect(tooMuch(Buffer.from(JSON.stringify({ rosters: [{ characters }] })), FILES)).toBeNull()
    expect(tooMuch(Buffer.from(JSON.stringify({ version: 1, placements: placements.slice(0, 60) })), USUAL)).toBeNull()
  })

  test('has no names that would change what it is, and no control characters', async () => {
    for (const text of ['{"__proto__":{"a":1}}', '{"name":{"constructor":1}}', '{"a":[{"\\u0070rototype":1}]}'])
      expect(strangeField(JSON.parse(text))?.message).toBe('is no name for a field')
    expect(strangeField({ a: ['ok', 'bell\u0007'] })).toEqual({
      field: 'a[1]',
      message: expect.stringContaining('control'),
    })
    expect(strangeField({ note: 'two\nlines\tand a tab' })).toBeNull()
    const answer = await server.send<ProblemBody>('POST', 'rosters', {
      name: 'Ring\u0007',
      note: '',
      school: 'altered',
    })
    expect([answer.status, answer.body.errors[0]?.field]).toEqual([400, 'name'])
  })
})

/** A PNG of one colour, as small as such a picture gets. */
function png(width: number, height: number): Uint8Array<ArrayBuffer> {
  const crc = (bytes: Buffer) => {
    let c = ~0
    for (const byte of bytes) {
      c ^= byte
      for (let k = 0; k < 8; k++) c = c & 1 ? (c >>> 1) ^ 0xedb88320 : c >>> 1
    }
    return ~c >>> 0
  }
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
    length.writeUInt32BE(data.length)
    sum.writeUInt32BE(crc(body))
    return Buffer.concat([length, body, sum])
  }
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width)
  head.writeUInt32BE(height, 4)
  head[8] = 1
  const rows = Buffer.alloc(height * (1 + Math.ceil(width / 8)))
  const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
  const picture = Buffer.concat([
    signature,
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ])
  return new Uint8Array(picture)
}

describe('pictures', () => {
  test('of a size nobody photographs are refused by their header', async () => {
    for (const [width, height] of [
      [1, 30_000_000],
      [20_001, 8],
      [18_000, 18_000],
    ] as const) {
      const file = png(width, height)
      const { result, longest } = await longestTurn(() => server.sendFile<ProblemBody>('photos', file))
      expect([result.status, result.body.errors[0]?.message]).toEqual([415, `is ${width} × ${height} pixels`])
      expect(longest).toBeLessThan(500)
    }
  })

  test('many at once are taken one after the other', async () => {
    const files = Array.from({ length: 8 }, (_, i) => png(3000 + i, 2000))
    const answers = await Promise.all(files.map((file) => server.sendFile<{ width: number }>('photos', file)))
    expect(answers.map(({ status }) => status)).toEqual(files.map(() => 201))
  })

  test('the same picture, sent many times at once, is kept once', async () => {
    for (let round = 0; round < 5; round += 1) {
      const file = png(40 + round, 30)
      const answers = await Promise.all(
        Array.from({ length: 12 }, () => server.sendFile<{ hash: string }>('photos', file)),
      )
      expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 201))
      expect(new Set(answers.map(({ body }) => body.hash)).size).toBe(1)
    }
  })
})
