import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import fc from 'fast-check'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { ClearReport, KeptArchive, SampleAmongOwn } from '@outfit/core/archive'
import type { DonePage } from '@outfit/core/journal'
import { DATABASE_FILES } from '../base/databaseFiles.ts'
import { jobEnd, loadedWorld, startServer, type TestServer } from '../test/testServer.ts'
import { archivedTables, quoted } from './manifest.ts'
import { withoutTriggers } from './readArchive.ts'
import { markSample, partFromSample, removeSample } from './sampleRows.ts'

const space = mkdtempSync(join(tmpdir(), 'outfit-sample-'))
afterAll(() => rmSync(space, { recursive: true, force: true }))

/** A copy of the sample world, with all of it marked as such. */
async function marked(name: string): Promise<Database.Database> {
  const data = join(space, name)
  cpSync(await loadedWorld(), data, { recursive: true })
  const db = new Database(join(data, DATABASE_FILES[0]))
  markSample(db)
  return db
}

function parted(db: Database.Database): number {
  db.exec('BEGIN')
  db.pragma('defer_foreign_keys = ON')
  withoutTriggers(db)
  const gone = removeSample(db, partFromSample(db)!)
  expect(db.pragma('foreign_key_check')).toEqual([])
  expect(
    db
      .prepare(
        `SELECT part, bin, condition, SUM(qty) AS qty FROM (
           SELECT part, to_bin AS bin, condition, qty FROM movement WHERE to_bin IS NOT NULL
           UNION ALL SELECT part, from_bin, condition, -qty FROM movement WHERE from_bin IS NOT NULL
         ) GROUP BY part, bin, condition HAVING SUM(qty) <> 0 ORDER BY part, bin, condition`,
      )
      .all(),
  ).toEqual(db.prepare('SELECT * FROM lying WHERE qty > 0 ORDER BY part, bin, condition').all())
  expect(db.prepare('SELECT COUNT(*) FROM lying WHERE qty < 0').pluck().get()).toBe(0)
  return gone
}

const rowsOf = (db: Database.Database, table: string) => db.prepare(`SELECT * FROM ${quoted(table)}`).all()
const filled = (db: Database.Database) =>
  archivedTables(db).flatMap(({ name }) => (rowsOf(db, name).length > 0 && name !== 'sqlite_sequence' ? [name] : []))

test('where nothing is one’s own all of it goes, and nothing is left', async () => {
  const db = await marked('alone')
  expect(partFromSample(db)!.stays.size).toBe(0)
  expect(parted(db)).toBeGreaterThan(30_000)
  expect(filled(db)).toEqual([])
  expect(partFromSample(db)).toBeNull()
  db.close()
})

test('whatever is one’s own stays as it was, and nothing hangs in the air', async () => {
  const db = await marked('random')
  // What a market of the sample told is never one's own.
  const all = db
    .prepare(`SELECT "table", key FROM sample_row WHERE "table" <> 'quote_sheet' OR key NOT LIKE '%"market"]'`)
    .all() as { table: string; key: string }[]
  const keysOf = new Map(
    [...new Set(all.map(({ table }) => table))].map((table) => {
      const columns = db.prepare('SELECT name FROM pragma_table_info(?) WHERE pk > 0 ORDER BY pk').pluck().all(table)
      return [table, `json_array(${(columns as string[]).map(quoted).join(', ')})`]
    }),
  )
  const rowOf = ({ table, key }: { table: string; key: string }) =>
    db.prepare(`SELECT * FROM ${quoted(table)} WHERE ${keysOf.get(table)} = ?`).get(key)
  fc.assert(
    fc.property(fc.array(fc.nat({ max: all.length - 1 }), { maxLength: 12 }), (picked) => {
      const own = [...new Set(picked)].map((at) => all[at]!)
      const before = own.map(rowOf)
      db.exec('SAVEPOINT trial')
      try {
        for (const { table, key } of own)
          db.prepare('DELETE FROM sample_row WHERE "table" = ? AND key = ?').run(table, key)
        db.pragma('defer_foreign_keys = ON')
        withoutTriggers(db)
        removeSample(db, partFromSample(db)!)
        expect(db.pragma('foreign_key_check')).toEqual([])
        expect(own.map(rowOf)).toEqual(before)
        expect(db.prepare('SELECT COUNT(*) FROM lying WHERE qty < 0').pluck().get()).toBe(0)
        // What is worn, quoted or held in a set is in the catalogue.
        for (const [table, column] of [
          ['placement', 'part'],
          ['quote', 'code'],
          ['release_content', 'code'],
        ] as const)
          expect(
            db
              .prepare(
                `SELECT COUNT(*) FROM ${table} WHERE ${column} NOT IN (SELECT code FROM part UNION SELECT code FROM figure UNION SELECT code FROM release)`,
              )
              .pluck()
              .get(),
          ).toBe(0)
      } finally {
        db.exec('ROLLBACK TO trial; RELEASE trial')
      }
    }),
    { numRuns: 10 },
  )
  db.close()
})

describe('in a workspace in use', () => {
  let server: TestServer
  beforeAll(async () => {
    server = await startServer()
    const db = new Database(join(server.data, DATABASE_FILES[0]))
    markSample(db)
    db.close()
  })
  afterAll(() => server.stop())
  const among = async () => (await server.get<{ sample: SampleAmongOwn | null }>('archives/sample')).body.sample
  const remove = async () => {
    const { job } = (await server.send<{ job: string }>('POST', 'archives/sample/removed')).body
    return { id: job, ...(await jobEnd(server, job)) }
  }

  test('own parts, bins and rosters stay with what they are made of, in one press, which can be taken back', async () => {
    const post = async <T>(path: string, body: object) => (await server.send<T>('POST', path, body)).body
    const csv = 'code,name,mould,colours\nOWN-1,My own cap,M-CAP-VISOR,moss'
    const [mould] = (
      await server.get<{ moulds: { code: string; kind: string }[] }>('catalogue/basics')
    ).body.moulds.filter(({ kind }) => kind === 'headgear')
    const { colours } = (await server.get<{ colours: { code: string }[] }>('catalogue/basics')).body
    const own = csv.replace('M-CAP-VISOR', mould!.code).replace('moss', colours[0]!.code)
    expect(await post('import/parts', { csv: own })).toMatchObject({ written: true })
    const { code } = await post<{ code: string }>('bins', { name: 'My own bin' })
    const things = [
      { kind: 'part', code: 'OWN-1', qty: 2 },
      { kind: 'part', code: 'P-00001', qty: 3 },
    ]
    await post('drawer/brought-in', { things, bin: code, together: false, condition: 'used', text: '' })
    await post('rosters', { name: 'My crew', note: '', school: 'open-bench', budget: null, dueOn: null })

    const told = (await among())!
    expect(told.stays).toEqual(expect.arrayContaining([{ table: 'mould', count: 2 }]))
    const job = await remove()
    expect(job.state).toBe('done')
    const report = (await server.get<{ result: ClearReport }>(`jobs/${job.id}`)).body.result
    expect(report.rows).toBeGreaterThan(30_000)
    expect(await among()).toBeNull()
    const { rosters } = (await server.get<{ rosters: { name: string }[] }>('rosters')).body
    expect(rosters.map(({ name }) => name)).toEqual(['My crew'])
    const { bins } = (await server.get<{ bins: { name: string; units: number }[] }>('drawer')).body
    expect(bins.map(({ name, units }) => [name, units])).toEqual([['My own bin', 5]])
    const found = (await server.get<{ items: { part: { code: string } }[] }>('parts/find?text=')).body
    expect(found.items.map(({ part }) => part.code).sort()).toEqual(['OWN-1', 'P-00001'])
    const copies = (await server.get<KeptArchive[]>('archives')).body
    expect(copies.map(({ name }) => name)).toContain(report.name)

    const [entry] = (await server.get<DonePage>('journal')).body.done
    expect(entry!.words).toBe('Took the sample world away')
    expect((await remove()).detail).toMatch(/no sample world/)
  })
})
