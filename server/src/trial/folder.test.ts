import { afterAll, describe, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { LONG } from '../test/runs.ts'
import { askJson, cutShort, endsBuilt, startBuilt } from '../test/builtServer.ts'
import { smallWorld } from '../test/smallWorld.ts'
import { sampleOutfits, WORLD as WHOLE } from '../test/testServer.ts'

/** How much there is to bring matters to nobody but the clock. */
const WORLD = LONG ? WHOLE : smallWorld()

/** All that could be done to a folder at the start. */
const ALL = ['--fresh', '--world', WORLD]

const folders: string[] = []
const folder = () => {
  const path = mkdtempSync(join(tmpdir(), 'outfit-folder-'))
  folders.push(path)
  return path
}
afterAll(() => folders.forEach((path) => rmSync(path, { recursive: true, force: true })))

const ROSTER = { note: '', school: 'exchange-only', budget: null, dueOn: null }
const rosters = async (url: string) =>
  (await askJson<{ rosters: { name: string }[] }>(`${url}/api/rosters`)).body.rosters.map(({ name }) => name)
const make = async (url: string, name: string) =>
  (await askJson(`${url}/api/rosters`, 'POST', { ...ROSTER, name })).status
/** One sentence, which is the last thing said; no stack. */
const sentence = (said: string) => {
  expect(said).not.toMatch(/\n\s+at /)
  return said.trim()
}

describe('a data folder', () => {
  test('is held by one program: a second start ends at once, and takes nothing from the first', async () => {
    const data = folder()
    const first = await startBuilt(data)
    expect(await make(first.url, 'Kept')).toBe(201)
    for (const more of LONG ? [[], ['--world', WORLD], ['--fresh'], ALL] : [ALL]) {
      const { code, said } = await endsBuilt('--port', '0', '--data', data, ...more)
      expect([code, sentence(said)]).toEqual([
        2,
        expect.stringMatching(/is in use by the Outfit at port \d+ \(process \d+/),
      ])
    }
    expect(await rosters(first.url)).toEqual(['Kept'])
    await first.end()
    // Killed, it holds nothing any more.
    const again = await startBuilt(data)
    expect(await rosters(again.url)).toEqual(['Kept'])
    await again.end('SIGTERM')
  })

  test('is not touched where the port is taken', async () => {
    const data = folder()
    const other = createServer().listen(0, '127.0.0.1')
    await new Promise((resolve) => other.once('listening', resolve))
    const { port } = other.address() as AddressInfo
    const { code, said } = await endsBuilt('--port', String(port), '--data', data, '--fresh', '--world', WORLD)
    other.close()
    expect([code, sentence(said)]).toEqual([2, expect.stringContaining(`Port ${port} is in use`)])
    expect(readdirSync(data)).toEqual([])
  })

  test('is for the account that owns it', async () => {
    const data = join(folder(), 'data')
    const server = await startBuilt(data)
    expect(statSync(data).mode & 0o777).toBe(0o700)
    for (const name of readdirSync(data).filter((one) => statSync(join(data, one)).isFile()))
      expect([name, statSync(join(data, name)).mode & 0o077]).toEqual([name, 0])
    await server.end()
  })

  test('that others use too stays as open as it is, and our files in it are closed', async () => {
    const data = folder()
    chmodSync(data, 0o777)
    writeFileSync(join(data, 'letter.txt'), 'not ours')
    const server = await startBuilt(data)
    expect(statSync(data).mode & 0o777).toBe(0o777)
    expect(statSync(join(data, 'outfit.sqlite')).mode & 0o077).toBe(0)
    await server.end()
  })

  test('begun anew keeps what was there aside', async () => {
    const data = folder()
    const first = await startBuilt(data)
    expect(await make(first.url, 'Before')).toBe(201)
    await first.end()
    const second = await startBuilt(data, '--fresh')
    expect(await rosters(second.url)).toEqual([])
    await second.end()
    const [aside] = readdirSync(join(data, 'set-aside'))
    const db = new Database(join(data, 'set-aside', aside!, 'outfit.sqlite'), { readonly: true })
    expect(db.prepare('SELECT name FROM roster').pluck().all()).toEqual(['Before'])
    db.close()
  })

  test.each([
    ['of a newer version', (file: string) => newer(file), /was written by a newer Outfit \(Later2000000000000\)/],
    ['that is garbage', (file: string) => writeFileSync(file, 'no database '.repeat(500)), /damaged or no database/],
    ['that is a folder', (file: string) => mkdirSync(file), /cannot be read and written/],
  ])('with a database %s is refused in one sentence, and left as it is', async (_, prepare, words) => {
    const data = folder()
    const file = join(data, 'outfit.sqlite')
    prepare(file)
    const before = statSync(file).size
    for (const more of LONG ? [[], ['--world', WORLD]] : [['--world', WORLD]]) {
      const { code, said } = await endsBuilt('--port', '0', '--data', data, ...more)
      expect([code, sentence(said)]).toEqual([2, expect.stringMatching(words)])
    }
    expect(statSync(file).size).toBe(before)
  })

  test('is refused where the command line is wrong', async () => {
    for (const port of ['many', '70000', '-1', '1.5', ''])
      expect((await endsBuilt(`--port=${port}`, '--data', folder())).code).toBe(2)
    expect(sentence((await endsBuilt('--data=')).said)).toContain('--data must name a folder')
    const { code, said } = await endsBuilt('--colour', 'red')
    expect([code, sentence(said)]).toEqual([2, expect.stringContaining('--colour')])
  })
})

describe('the sample world', () => {
  test('is brought only where nothing of anybody is, and an own roster outlives any kill while it would be', async () => {
    const data = folder()
    const first = await startBuilt(data)
    expect(await make(first.url, 'Mine')).toBe(201)
    await first.end()
    for (const after of LONG ? [400, 700, 900, 1100, 1300, 1600, 2000, 3000] : [700])
      await cutShort({ after }, data, '--world', WORLD)
    const again = await startBuilt(data, '--world', WORLD)
    expect(await rosters(again.url)).toEqual(['Mine'])
    await again.end()
  })

  test('cut short leaves nothing half there: the next start has all of it; what an earlier version left is put aside', async () => {
    const data = folder()
    const first = await startBuilt(data)
    expect(await make(first.url, 'Made meanwhile')).toBe(201)
    await first.end()
    const mark = join(data, 'loading-sample-world')
    writeFileSync(mark, '')
    // In the short form counted from when the world begins to be brought.
    const since = join(data, 'sample-world')
    const moments = LONG ? [500, 900, 1300, 1700, 2100, 2500, 3000, 3500, 4000, 5000] : [150]
    for (const after of moments) {
      await cutShort(LONG ? { after } : { after, since }, data, '--world', WORLD)
      // Killed before it came so far, what the earlier version left stands as it was.
      if (!existsSync(join(data, 'outfit.sqlite')) || existsSync(mark)) continue
      const db = new Database(join(data, 'outfit.sqlite'), { readonly: true })
      expect(db.prepare('SELECT COUNT(*) FROM outfit').pluck().get()).toBe(sampleOutfits(WORLD))
      db.close()
    }
    const again = await startBuilt(data, '--world', WORLD)
    const health = (await askJson(`${again.url}/api/health`)).body
    expect(health).toMatchObject({ status: 'ok', outfits: sampleOutfits(WORLD) })
    expect(existsSync(join(data, 'sample-world'))).toBe(false)
    expect(await rosters(again.url)).not.toContain('Made meanwhile')
    await again.end()
    expect(readdirSync(join(data, 'set-aside'))).toHaveLength(1)
  })
})

function newer(file: string): void {
  const db = new Database(file)
  db.exec(`CREATE TABLE migrations (id INTEGER PRIMARY KEY, timestamp BIGINT, name TEXT)`)
  db.exec(`INSERT INTO migrations (timestamp, name) VALUES (2000000000000, 'Later2000000000000')`)
  db.close()
}
