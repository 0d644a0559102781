import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fromBuffer, type Entry, type ZipFile } from 'yauzl'
import { CLEARABLE, LARGE_IMPORT, type ClearReport, type KeptArchive } from '@outfit/core/archive'
import type { DonePage } from '@outfit/core/journal'
import { TABLE_NAMES } from '@outfit/core/tables'
import { DATABASE_FILES } from '../base/databaseFiles.ts'
import { jobEnd, loadedWorld, startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { copyBeforeUpdate } from './copyBeforeUpdate.ts'
import { copiesIn, keptIn, newName } from './kept.ts'
import { archivedTables, quoted } from './manifest.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const copies = async () => (await server.get<KeptArchive[]>('archives')).body
const clear = async (what: string[]) => {
  const { status, body } = await server.send<{ job: string } & ProblemBody>('POST', 'archives/cleared', { what })
  if (status !== 202) return { status, body, job: null }
  return { status, body, job: { id: body.job, ...(await jobEnd(server, body.job)) } }
}
const done = async () => (await server.get<DonePage>('journal')).body.done
const bringBack = async (name: string) => {
  const { body } = await server.send<{ job: string }>('POST', `archives/${name}/restored`)
  expect((await jobEnd(server, body.job)).state).toBe('done')
}
const filled = () => {
  const db = new Database(join(server.data, DATABASE_FILES[0]), { readonly: true })
  const names = archivedTables(db).filter(
    ({ name }) => db.prepare(`SELECT 1 FROM ${quoted(name)} LIMIT 1`).get() !== undefined,
  )
  db.close()
  return names.flatMap(({ name }) => (name === 'job' ? [] : name)).sort()
}

describe('clearing', () => {
  test('is refused where what stays speaks of what would go, and nothing is changed', async () => {
    const before = filled()
    const { job } = await clear(['catalogue'])
    expect(job).toMatchObject({ state: 'failed' })
    expect(job!.detail).toMatch(/Rosters and The drawer would speak of what is gone/)
    expect(filled()).toEqual(before)
    expect(await copies()).toEqual([])
    expect((await clear(['everything'])).status).toBe(400)
    expect((await clear([])).status).toBe(400)
  })

  test('takes prices alone away, after a copy of all there was', async () => {
    const { job } = await clear(['prices'])
    expect(job!.state).toBe('done')
    const report = (await server.get<{ result: ClearReport }>(`jobs/${job!.id}`)).body.result
    expect(report.rows).toBeGreaterThan(30_000)
    expect((await copies()).find(({ name }) => name === report.name)).toMatchObject({ reason: 'before-clearing' })
    for (const table of ['offer', 'quote', 'quote_sheet']) expect(filled()).not.toContain(table)
    // Nothing is for sale any more, and nothing that was worked out before says otherwise.
    const { rosters } = (await server.get<{ rosters: { outfits: { toCome: { money: number } }[] }[] }>('rosters')).body
    expect(rosters.flatMap(({ outfits }) => outfits).every(({ toCome }) => toCome.money === 0)).toBe(true)
    expect(filled()).toContain('seller')
  })

  test('takes everything away but settings, and the copy brings it back', async () => {
    await server.send('PUT', 'settings', { maker: 'Ada' })
    const before = filled()
    // One of the pictures came just now.
    const files = join(server.data, 'files')
    const pictures = readdirSync(files)
    expect(pictures.length).toBeGreaterThan(5)
    for (const name of pictures.slice(1)) utimesSync(join(files, name), new Date(0), new Date(0))
    expect((await clear([...CLEARABLE])).job!.state).toBe('done')
    expect(readdirSync(files)).toEqual(pictures.slice(0, 1))
    expect(filled().filter((name) => !['setting', 'sqlite_sequence', 'journal'].includes(name))).toEqual([])
    // Acts of the drawer are only ever added again.
    expect((await server.send('POST', 'bins', { name: 'New' })).status).toBe(201)
    const [copy] = (await copies()).filter(({ reason }) => reason === 'before-clearing')
    // What was done says by which copy it is taken back.
    const [, cleared] = await done()
    expect(cleared).toMatchObject({
      words: 'Cleared prices, parcels, rosters, the drawer, sellers and the catalogue',
      ...{ canTakeBack: false, copy: copy!.name },
    })
    await bringBack(cleared!.copy!)
    expect(filled()).toEqual(before)
    expect(readdirSync(files)).toEqual(pictures)
    // Bringing it back has a copy of its own to go back by, for as long as that is kept.
    const [back] = await done()
    expect(back).toMatchObject({ words: 'Brought a copy of everything back', canTakeBack: false })
    await bringBack(back!.copy!)
    expect((await done()).map(({ words }) => words).slice(0, 2)).toEqual([
      'Brought a copy of everything back',
      'Made bin New',
    ])
    await server.send('DELETE', `archives/${(await done())[0]!.copy}`)
    expect((await done())[0]).toMatchObject({ canTakeBack: false, copy: null })
  })
})

test('of copies of one second, whatever they were made for, the later is listed first', () => {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-names-'))
  const reasons = ['before-clearing', 'asked', 'before-clearing', 'daily', 'before-import'] as const
  const written = Array.from({ length: 12 }, (_, i) => {
    const name = newName(folder, reasons[i % reasons.length]!, new Date(Date.UTC(2026, 10, 30, 12, 0, 0, i)))
    writeFileSync(join(folder, name), '')
    return name
  })
  const last = newName(folder, 'asked', new Date('2026-11-30T12:00:01Z'))
  writeFileSync(join(folder, last), '')
  expect(last).toBe('outfit-2026-11-30T120001Z-asked.zip')
  expect(keptIn(folder).map(({ name }) => name)).toEqual([last, ...written.reverse()])
  rmSync(folder, { recursive: true })
})

test('a table of more than a thousand rows is brought in after a copy, a smaller one without', async () => {
  const csv = (rows: number) =>
    `code,name,hex,family,finish\n${Array.from({ length: rows }, (_, i) => `own-${rows}-${i},Own ${rows} ${i},#${(i + 4096).toString(16).padStart(6, '0')},grey,solid`).join('\n')}`
  const before = () => copies().then((all) => all.filter(({ reason }) => reason === 'before-import').length)
  await server.send('POST', 'import/colours', { csv: csv(LARGE_IMPORT) })
  expect(await before()).toBe(0)
  const { body } = await server.send<{ written: boolean }>('POST', 'import/colours', { csv: csv(LARGE_IMPORT + 1) })
  expect([body.written, await before()]).toEqual([true, 1])
  // One that is refused needs none.
  await server.send('POST', 'import/colours', { csv: `${csv(LARGE_IMPORT + 2)}\n,,,,` })
  expect(await before()).toBe(1)
})

test('the first large table of an empty workspace is taken back by a copy of nothing', async () => {
  const other = await startServer({ world: false })
  try {
    const rows = Array.from(
      { length: 20_001 },
      (_, i) => `o-${i},Own ${i},#${(i + 4096).toString(16).padStart(6, '0')},grey,solid`,
    )
    const csv = ['code,name,hex,family,finish', ...rows].join('\n')
    const { body } = await other.send<{ byCopy: boolean }>('POST', 'import/colours', { csv })
    expect(body.byCopy).toBe(true)
    const [entry] = (await other.get<DonePage>('journal')).body.done
    const { body: started } = await other.send<{ job: string }>('POST', `archives/${entry!.copy}/restored`)
    expect((await jobEnd(other, started.job)).state).toBe('done')
    const { colours } = (await other.get<{ colours: { code: string }[] }>('catalogue/basics')).body
    expect(colours.some(({ code }) => code.startsWith('o-'))).toBe(false)
  } finally {
    await other.stop()
  }
})

test('what an older program kept is copied before it is brought up to date', async () => {
  expect(await copyBeforeUpdate(mkdtempSync(join(tmpdir(), 'outfit-none-')))).toBeNull()
  const data = mkdtempSync(join(tmpdir(), 'outfit-old-'))
  cpSync(await loadedWorld(), data, { recursive: true })
  expect(await copyBeforeUpdate(data)).toBeNull()
  const db = new Database(join(data, DATABASE_FILES[0]))
  db.exec(`DROP TABLE setting; DELETE FROM migrations WHERE name LIKE 'Settings%'`)
  db.close()
  const name = await copyBeforeUpdate(data)
  expect(keptIn(copiesIn(data)).map((one) => [one.name, one.reason])).toEqual([[name, 'before-update']])
  const back = await startServer({ world: false })
  try {
    const sent = readFileSync(join(copiesIn(data), name!))
    const { body } = await back.sendFile<{ job: string }>('archives/restored', sent as never)
    expect((await jobEnd(back, body.job)).state).toBe('done')
    expect((await back.get<{ rosters: unknown[] }>('rosters')).body.rosters.length).toBeGreaterThan(3)
  } finally {
    await back.stop()
  }
})

test('who leaves while all tables are sent disturbs nobody', async () => {
  for (let i = 0; i < 5; i++) {
    const leaving = new AbortController()
    const response = await fetch(`${server.url}/api/export/tables.zip`, { signal: leaving.signal })
    await response.body!.getReader().read()
    leaving.abort()
  }
  expect((await server.get<string>('export/colours.csv')).status).toBe(200)
})

test('all tables come as one ZIP of the same CSV files as one by one', async () => {
  const bytes = Buffer.from(await (await fetch(`${server.url}/api/export/tables.zip`)).arrayBuffer())
  const zip = await new Promise<ZipFile>((resolve, reject) =>
    fromBuffer(bytes, { lazyEntries: true }, (error, found) => (error ? reject(error) : resolve(found))),
  )
  const texts = new Map<string, string>()
  await new Promise<void>((resolve, reject) => {
    zip.on('end', resolve)
    zip.on('entry', (entry: Entry) =>
      zip.openReadStream(entry, async (error, stream) => {
        if (error) return reject(error)
        const chunks: Buffer[] = []
        for await (const chunk of stream) chunks.push(chunk as Buffer)
        texts.set(entry.fileName, Buffer.concat(chunks).toString())
        zip.readEntry()
      }),
    )
    zip.readEntry()
  })
  expect([...texts.keys()]).toEqual(TABLE_NAMES.map((table) => `${table}.csv`))
  for (const table of TABLE_NAMES)
    expect(texts.get(`${table}.csv`)).toBe((await server.get<string>(`export/${table}.csv`)).body)
})
