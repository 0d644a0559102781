import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import fc from 'fast-check'
import { createHash } from 'node:crypto'
import {
  cpSync,
  createWriteStream,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { DataSource } from 'typeorm'
import { openPromise } from 'yauzl'
import { ZipFile } from 'yazl'
import type { ArchiveReport, KeptArchive } from '@outfit/core/archive'
import { databaseIn } from '../base/database.ts'
import { MIGRATIONS } from '../schema/migrations/index.ts'
import { jobEnd, loadedSmallWorld, startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { ArchiveService } from './archiveService.ts'
import { archivedTables, quoted, type Manifest } from './manifest.ts'
import { BadArchive, unpackArchive } from './readArchive.ts'
import { writeArchive } from './writeArchive.ts'

const space = mkdtempSync(join(tmpdir(), 'outfit-archive-'))
afterAll(() => rmSync(space, { recursive: true, force: true }))
let made = 0
const place = (name: string) => join(space, `${made++}-${name}`)

type Members = Map<string, Buffer>

async function membersOf(file: string): Promise<Members> {
  const zip = await openPromise(file, { autoClose: false, lazyEntries: true })
  const members: Members = new Map()
  for await (const entry of zip.eachEntry()) {
    const chunks: Buffer[] = []
    for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer)
    members.set(entry.fileName, Buffer.concat(chunks))
  }
  zip.close()
  return members
}

const roster = (name: string) => ({ name, note: '', school: 'exchange-only', budget: null, dueOn: null })

/** All but what the archive says of itself. */
async function contentsOf(file: string): Promise<Record<string, string>> {
  const members = await membersOf(file)
  members.delete('manifest.json')
  return Object.fromEntries([...members].map(([name, bytes]) => [name, bytes.toString('latin1')]))
}

async function packed(members: Members): Promise<string> {
  const file = place('made.zip')
  const zip = new ZipFile()
  for (const [name, bytes] of members) zip.addBuffer(bytes, name)
  zip.end()
  await pipeline(zip.outputStream, createWriteStream(file))
  return file
}

const unpacked = (file: string) => unpackArchive(file, place('apart'), place('files'))

/** Every row of every table of a database. */
function rowsOf(file: string): Record<string, unknown[]> {
  const db = new Database(file, { readonly: true })
  const rows = archivedTables(db).map(({ name, order }): [string, unknown[]] => [
    name,
    db.prepare(`SELECT * FROM ${quoted(name)} ORDER BY ${order}`).all(),
  ])
  db.close()
  return Object.fromEntries(rows)
}

describe('the sample world', () => {
  let server: TestServer
  let file: string
  let members: Members
  beforeAll(async () => {
    server = await startServer()
    file = place('world.zip')
    await writeArchive(server.data, file)
    members = await membersOf(file)
  })
  afterAll(() => server.stop())

  test('is archived with everything in it, and each member with its sum', () => {
    const manifest = JSON.parse(members.get('manifest.json')!.toString()) as Manifest
    expect(manifest).toMatchObject({ format: 'outfit-archive', version: 1, missing: [] })
    expect(manifest.counts.tables['part']).toBeGreaterThan(500)
    expect(manifest.counts.files).toBe(readdirSync(join(server.data, 'files')).length)
    expect(Object.keys(manifest.members).sort()).toEqual(
      [...members.keys()].filter((n) => n !== 'manifest.json').sort(),
    )
    for (const [name, sum] of Object.entries(manifest.members))
      expect(createHash('sha256').update(members.get(name)!).digest('hex')).toBe(sum)
    for (const [name, count] of Object.entries(manifest.counts.tables))
      expect(members.get(`tables/${name}.jsonl`)!.toString().split('\n')).toHaveLength(count + 1)
  })

  test('comes back into an empty workspace, and its archive is the same to the byte', async () => {
    const other = await startServer({ world: false })
    try {
      const { body } = await other.sendFile<{ job: string }>('archives/restored', readFileSync(file) as never)
      expect((await jobEnd(other, body.job)).state).toBe('done')
      // Of nothing no copy is kept.
      expect((await other.get<KeptArchive[]>('archives')).body).toEqual([])
      const again = place('again.zip')
      await writeArchive(other.data, again)
      // That it was brought back is kept there as work that was done.
      expect({ ...(await contentsOf(again)), 'tables/job.jsonl': '' }).toEqual(await contentsOf(file))
      // It is found by words and stands on its shelves, though nothing was started anew.
      const found = await other.get<{ items: unknown[] }>('parts/find?text=lantern+clear')
      expect(found.body.items.length).toBeGreaterThan(0)
      const [mine, theirs] = [await server.get('rosters'), await other.get('rosters')]
      expect(theirs.body).toEqual(mine.body)
    } finally {
      await other.stop()
    }
  })

  test('takes the place of other data as a whole, which is kept and can be brought back', async () => {
    const other = await startServer({ world: false })
    try {
      await other.send('POST', 'rosters', roster('Mine alone'))
      const before = rowsOf(join(other.data, 'outfit.sqlite'))
      expect(before['roster']).toHaveLength(1)
      const { body } = await other.sendFile<{ job: string }>('archives/restored', readFileSync(file) as never)
      await jobEnd(other, body.job)
      expect(JSON.stringify((await other.get('rosters')).body)).not.toContain('Mine alone')
      const [kept] = (await other.get<KeptArchive[]>('archives')).body
      expect(kept).toMatchObject({ reason: 'before-restore' })
      const back = await other.send<{ job: string }>('POST', `archives/${kept!.name}/restored`)
      await jobEnd(other, back.body.job)
      // Neither of the two that were replaced is lost, however soon one came after the other.
      const reasons = (await other.get<KeptArchive[]>('archives')).body.map(({ reason }) => reason)
      expect(reasons).toEqual(['before-restore', 'before-restore'])
      const after = rowsOf(join(other.data, 'outfit.sqlite'))
      const journal = (after['journal'] as { words: string }[]).filter(
        ({ words }) => !words.startsWith('Brought a copy'),
      )
      expect({ ...after, job: [], journal }).toEqual({ ...before, job: [] })
      // Movements are still only ever added.
      const db = new Database(join(other.data, 'outfit.sqlite'))
      const triggers = db.prepare(`SELECT COUNT(*) FROM sqlite_master WHERE type = 'trigger'`).pluck().get()
      db.close()
      expect(triggers).toBeGreaterThanOrEqual(3)
    } finally {
      await other.stop()
    }
  })

  test('nothing written while it is brought back is lost: it is in the copy of what was there, or after it', async () => {
    const other = await startServer({ world: false })
    try {
      await other.send('POST', 'rosters', roster('First'))
      const { body } = await other.sendFile<{ job: string }>('archives/restored', readFileSync(file) as never)
      const second = await other.sendFile<{ job: string }>('archives/restored', readFileSync(file) as never)
      // Two at once would unpack into one folder.
      const refused = jobEnd(other, second.body.job)
      const made: string[] = []
      let over = false
      const end = jobEnd(other, body.job).finally(() => (over = true))
      for (let n = 0; !over; n++) {
        const name = `Meanwhile ${n}`
        if ((await other.send('POST', 'rosters', roster(name))).status === 201) made.push(name)
        // The server takes so many requests a minute.
        await new Promise((resolve) => setTimeout(resolve, 60))
      }
      expect((await end).state).toBe('done')
      expect(await refused).toMatchObject({ state: 'failed', detail: expect.stringMatching(/already/) })
      const [kept] = (await other.get<KeptArchive[]>('archives')).body
      const copy = (await membersOf(join(other.data, 'copies', kept!.name))).get('tables/roster.jsonl')!.toString()
      const now = JSON.stringify((await other.get('rosters')).body)
      expect(copy).toContain('"First"')
      expect(made.length).toBeGreaterThan(3)
      for (const name of made)
        expect([name, copy.includes(`"${name}"`) || now.includes(`"${name}"`)]).toEqual([name, true])
    } finally {
      await other.stop()
    }
  })

  test('is written as it was at one moment, whatever is written meanwhile', async () => {
    const other = place('moment.zip')
    const rosters = (await server.get<{ rosters: { name: string }[] }>('rosters')).body.rosters.length
    let asked: Promise<unknown> | null = null
    await writeArchive(server.data, other, {
      report: () => (asked ??= server.send('POST', 'rosters', roster('Meanwhile'))),
    })
    expect(await asked).toMatchObject({ status: 201 })
    const archived = (await membersOf(other)).get('tables/roster.jsonl')!.toString()
    expect(archived.trim().split('\n')).toHaveLength(rosters)
    expect(archived).not.toContain('Meanwhile')
  })
})

describe('a small world', () => {
  let server: TestServer
  let file: string
  let members: Members
  beforeAll(async () => {
    const data = mkdtempSync(join(space, 'small-'))
    cpSync(await loadedSmallWorld(), data, { recursive: true })
    server = await startServer({ data })
    file = place('small.zip')
    await writeArchive(server.data, file)
    members = await membersOf(file)
  })
  afterAll(() => server.stop())

  const altered = (change: (members: Members, manifest: Manifest) => void) => {
    const copy = new Map(members)
    const manifest = JSON.parse(copy.get('manifest.json')!.toString()) as Manifest
    change(copy, manifest)
    if (copy.has('manifest.json')) copy.set('manifest.json', Buffer.from(JSON.stringify(manifest)))
    return packed(copy)
  }
  const summed = (text: string) => createHash('sha256').update(text).digest('hex')

  test.each<[string, (members: Members, manifest: Manifest) => void, RegExp]>([
    ['a newer version', (_, manifest) => void (manifest.version = 2), /is of version 2, .* up to 1/],
    ['a newer schema', (_, manifest) => void manifest.schema.push('Later1'), /written by a newer Outfit \(Later1\)/],
    ['another format', (_, manifest) => void (manifest.format = 'other'), /no archive of Outfit/],
    ['no manifest', (all) => void all.delete('manifest.json'), /has no manifest\.json/],
    ['a table that is missing', (all) => void all.delete('tables/bin.jsonl'), /tables\/bin\.jsonl is missing/],
    [
      'a changed letter',
      (all) => {
        const text = all.get('tables/colour.jsonl')!.toString()
        all.set('tables/colour.jsonl', Buffer.from(text.replace('Tar', 'Tax')))
      },
      /tables\/colour\.jsonl is damaged/,
    ],
    [
      'a picture that is another',
      (all, { members: sums }) => {
        const name = Object.keys(sums).find((one) => one.startsWith('files/'))!
        all.set(name, Buffer.from('RIFF'))
      },
      /files\/[0-9a-f]{64}\.webp is damaged/,
    ],
    [
      'a line that is no row',
      (all, manifest) => {
        const text = `${all.get('tables/colour.jsonl')!.toString()}{"code":\n`
        all.set('tables/colour.jsonl', Buffer.from(text))
        manifest.members['tables/colour.jsonl'] = summed(text)
      },
      /tables\/colour\.jsonl, line \d+: .*JSON/,
    ],
    [
      'a row against the rules',
      (all, manifest) => {
        const text = all
          .get('tables/lying.jsonl')!
          .toString()
          .replace(/"qty":\d+/, '"qty":-1')
        all.set('tables/lying.jsonl', Buffer.from(text))
        manifest.members['tables/lying.jsonl'] = summed(text)
      },
      /tables\/lying\.jsonl, line 1: .*CHECK/,
    ],
    [
      'a row of something there is not',
      (all, manifest) => {
        const text = all
          .get('tables/lying.jsonl')!
          .toString()
          .replace(/"part":"[^"]+"/, '"part":"P-NONE"')
        all.set('tables/lying.jsonl', Buffer.from(text))
        manifest.members['tables/lying.jsonl'] = summed(text)
      },
      /tables\/lying\.jsonl speaks of something that tables\/part\.jsonl has not/,
    ],
    [
      'fewer rows than were written',
      (_, { counts }) => void counts.tables['bin']!++,
      /tables\/bin\.jsonl has \d+ rows/,
    ],
    ['a table nobody counted', (_, { counts }) => void delete counts.tables['bin'], /tables\/bin\.jsonl is missing/],
    ['counts of nothing', (_, manifest) => void (manifest.counts = {} as never), /manifest\.json: counts\.\w+/],
    ['a table of no name of ours', (_, { counts }) => void (counts.tables['bin; DROP'] = 1), /there is no table/],
  ])('with %s is refused in a sentence', async (_name, change, sentence) => {
    await expect(unpacked(await altered(change))).rejects.toThrow(sentence)
  })

  test('cut off or damaged anywhere is refused, and the workspace stays as it is', async () => {
    const bytes = readFileSync(file)
    const cut = place('cut.zip')
    writeFileSync(cut, bytes.subarray(0, bytes.length - 40))
    await expect(unpacked(cut)).rejects.toThrow(BadArchive)
    // Every byte of a member counts, wherever it is hit.
    for (const share of [0.02, 0.6]) {
      const hit = Buffer.from(bytes)
      for (let n = 0; n < 64; n++) hit[Math.floor(bytes.length * share) + n]! ^= 0x55
      const damaged = place('damaged.zip')
      writeFileSync(damaged, hit)
      await expect(unpacked(damaged)).rejects.toThrow(/Nothing was changed/)
    }
    const before = rowsOf(join(server.data, 'outfit.sqlite'))
    const { body } = await server.sendFile<{ job: string }>('archives/restored', readFileSync(cut) as never)
    const { state, detail } = await jobEnd(server, body.job)
    expect([state, detail]).toEqual(['failed', expect.stringMatching(/Nothing was changed/)])
    expect({ ...rowsOf(join(server.data, 'outfit.sqlite')), job: [] }).toEqual({ ...before, job: [] })
    expect(readdirSync(join(server.data, 'copies'))).toEqual([])
    expect(existsSync(join(server.data, 'restoring'))).toBe(false)
  })

  test('a picture that the disk has spoilt is told and left out, and the rest comes back', async () => {
    const data = place('spoilt')
    cpSync(server.data, data, { recursive: true })
    const [first, second] = readdirSync(join(data, 'files'))
    writeFileSync(join(data, 'files', first!), 'RIFF')
    rmSync(join(data, 'files', second!))
    const spoilt = place('spoilt.zip')
    const { pictures, missing } = await writeArchive(data, spoilt)
    expect([pictures, missing]).toEqual([readdirSync(join(server.data, 'files')).length - 2, 2])
    expect(await unpacked(spoilt)).toMatchObject({ pictures, missing: 2 })
  })

  test('is written, listed, taken away and deleted', async () => {
    const { job } = (await server.send<{ job: string }>('POST', 'archives')).body
    await jobEnd(server, job)
    const { result } = (await server.get<{ result: ArchiveReport }>(`jobs/${job}`)).body
    const [kept] = (await server.get<KeptArchive[]>('archives')).body
    expect(kept).toMatchObject({ name: result.name, bytes: result.bytes, reason: 'asked' })
    const bytes = await (await fetch(`${server.url}/api/archives/${kept!.name}`)).arrayBuffer()
    expect(bytes.byteLength).toBe(result.bytes)
    expect((await server.send('DELETE', `archives/${kept!.name}`)).status).toBe(204)
    expect((await server.get<ProblemBody>(`archives/${kept!.name}`)).status).toBe(404)
    for (const strange of ['..%2Foutfit.sqlite', 'outfit.sqlite'])
      expect((await server.get<ProblemBody>(`archives/${strange}`)).status).toBe(404)
  })
})

test('of the copies of days those that are no longer needed make room, and only those', async () => {
  const server = await startServer({ world: false })
  try {
    await server.send('POST', 'rosters', roster('Mine'))
    const archives = server.service(ArchiveService)
    expect(await archives.daily()).toBe(true)
    expect(await archives.daily()).toBe(false)
    const folder = join(server.data, 'copies')
    const [today] = readdirSync(folder)
    const named = (day: string, reason: string) => `outfit-${day}T120000Z-${reason}.zip`
    const old = ['2020-01-05', '2020-01-06', '2020-01-07'].flatMap((day) =>
      ['daily', 'asked'].map((r) => named(day, r)),
    )
    for (const name of [...old, 'letter.zip']) cpSync(join(folder, today!), join(folder, name))
    await archives.write('asked')
    const left = readdirSync(folder)
    expect(left).toEqual(expect.arrayContaining([today, 'letter.zip', named('2020-01-05', 'asked')]))
    // Days and weeks that had a copy are counted, so that of three days long ago all stay.
    expect(left.filter((name) => name.endsWith('daily.zip'))).toHaveLength(4)
    for (let day = 10; day < 30; day++) cpSync(join(folder, today!), join(folder, named(`2020-01-${day}`, 'daily')))
    await archives.write('asked')
    const kept = readdirSync(folder).filter((name) => name.endsWith('daily.zip'))
    expect(kept.length).toBeLessThan(12)
    expect(kept).toEqual(expect.arrayContaining([today, named('2020-01-29', 'daily')]))
    expect(readdirSync(folder).filter((name) => name.includes('asked'))).toHaveLength(5)
  } finally {
    await server.stop()
  }
})

test.each(MIGRATIONS.map((_, i) => i + 1))('a workspace of schema step %i comes back as of today', async (steps) => {
  const data = place('old')
  const options = { ...databaseIn(data, { durable: false }), entities: [], migrations: MIGRATIONS.slice(0, steps) }
  const old = await new DataSource(options as never).initialize()
  await old.query(
    `INSERT INTO colour (code, name, hex, family, finish) VALUES ('tar', 'Tar', '#232126', 'black', 'solid')`,
  )
  await old.destroy()
  const file = place('old.zip')
  expect((await writeArchive(data, file)).rows).toBeGreaterThan(0)
  const { database } = await unpacked(file)
  const db = new Database(database, { readonly: true })
  expect(db.prepare('SELECT code, name, hex FROM colour').all()).toEqual([{ code: 'tar', name: 'Tar', hex: '#232126' }])
  expect(db.prepare('SELECT COUNT(*) FROM migrations').pluck().get()).toBe(MIGRATIONS.length)
  db.close()
})

test('whatever text and numbers stand in it, it comes back as it was', async () => {
  const data = place('random')
  await (await new DataSource(databaseIn(data, { durable: false })).initialize()).destroy()
  const text = fc.oneof(fc.string({ unit: 'binary', maxLength: 40 }), fc.constantFrom('\u2028', '"\n"', 'a\r\nb', '{}'))
  const rate = fc.record({ from: text, to: text, rate: fc.double({ min: 1e-9, max: 1e9, noNaN: true }) })
  const numbered = fc.uniqueArray(rate, { maxLength: 8, selector: ({ from, to }) => `${from}\0${to}` })
  await fc.assert(
    fc.asyncProperty(fc.array(text, { maxLength: 6 }), numbered, async (names, rates) => {
      const db = new Database(join(data, 'outfit.sqlite'))
      db.exec('DELETE FROM colour; DELETE FROM rate')
      for (const [i, name] of names.entries())
        db.prepare('INSERT INTO colour (code, name, hex, family, finish) VALUES (?, ?, ?, ?, ?)').run(
          `${i}${name}`,
          name,
          '#000000',
          'black',
          'solid',
        )
      for (const one of rates)
        db.prepare(`INSERT INTO rate (date, from_currency, to_currency, rate) VALUES ('2026-01-01', ?, ?, ?)`).run(
          one.from,
          one.to,
          one.rate,
        )
      db.close()
      const file = place('random.zip')
      await writeArchive(data, file)
      const { database } = await unpacked(file)
      expect(rowsOf(database)).toEqual(rowsOf(join(data, 'outfit.sqlite')))
    }),
    { numRuns: 6 },
  )
})
