import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import fc from 'fast-check'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { EntityManager } from 'typeorm'
import { MappingEntity } from '../schema/tables.ts'
import { runs } from '../test/runs.ts'
import { Databases } from './database.ts'
import { codeOf } from './storage.ts'
import { Writer } from './writer.ts'

const data = mkdtempSync(join(tmpdir(), 'outfit-writer-'))
let databases: Databases
let writer: Writer
/** The connection that writes, as the driver has it. */
let connection: Database.Database
beforeAll(async () => {
  databases = await Databases.open(data, { durable: false })
  writer = new Writer(databases)
  connection = (await databases.writing.createQueryRunner().connect()) as Database.Database
})
afterAll(async () => {
  await databases.onApplicationShutdown()
  rmSync(data, { recursive: true, force: true })
})

const error = (code: string) => Object.assign(new Error(code), { code })
let rows = 0
const row = () => `row ${rows++}`
const insert = (db: EntityManager, name: string, columns: Record<string, string> = {}) =>
  db.insert(MappingEntity, { tableName: 'bins', name, columns })
/** What another program finds in the file. */
function inTheFile(): string[] {
  const other = new Database(join(data, 'outfit.sqlite'), { readonly: true })
  try {
    return (other.prepare('SELECT name FROM mapping').pluck().all() as string[]).sort()
  } finally {
    other.close()
  }
}
/** Do something instead of the next statement of this text on the connection. */
function insteadOf(statement: string, happen: (go: () => void) => void): () => void {
  const exec = connection.exec.bind(connection)
  connection.exec = (sql) => {
    if (sql === statement) happen(() => exec(sql))
    else exec(sql)
    return connection
  }
  return () => void (connection.exec = exec)
}

/** Ways a write can end, each with the row it would write. */
const WAYS: Record<string, (name: string) => Promise<unknown>> = {
  'goes well': (name) => writer.transaction((db) => insert(db, name)),
  'is refused by its own work': (name) =>
    writer.transaction(async (db) => {
      await insert(db, name)
      throw new Error('not like this')
    }),
  'has a nested save that is refused, and goes on': (name) =>
    writer.transaction(async (db) => {
      await insert(db, name)
      await db.transaction((inner) => insert(inner, name)).catch(() => undefined)
    }),
  'finds the disk full at COMMIT, and SQLite has rolled back': (name) => {
    const restore = insteadOf('COMMIT', () => {
      connection.prepare('ROLLBACK').run()
      throw error('SQLITE_FULL')
    })
    return writer.transaction((db) => insert(db, name)).finally(restore)
  },
  'finds the file locked at COMMIT, and the transaction stands': (name) => {
    const restore = insteadOf('COMMIT', () => {
      throw error('SQLITE_BUSY')
    })
    return writer.transaction((db) => insert(db, name)).finally(restore)
  },
  'finds the disk full in a statement': (name) => {
    const pages = connection.pragma('page_count', { simple: true }) as number
    connection.pragma(`max_page_count = ${pages}`)
    return writer
      .transaction((db) => insert(db, name, { text: 'x'.repeat(200_000) }))
      .finally(() => connection.pragma('max_page_count = 1073741823'))
  },
  'is rolled back beneath its work, which does not notice': (name) =>
    writer.transaction(async (db) => {
      await insert(db, name)
      connection.prepare('ROLLBACK').run()
    }),
}

describe('a write', () => {
  test('is in the file when it was acknowledged and never otherwise, after any row of failures', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom(...Object.keys(WAYS)), { minLength: 1, maxLength: 12 }),
        async (ways) => {
          const before = inTheFile()
          const acknowledged: string[] = []
          for (const way of ways) {
            const name = row()
            await WAYS[way]!(name).then(
              () => acknowledged.push(name),
              () => undefined,
            )
            expect(connection.inTransaction).toBe(false)
          }
          const name = row()
          await WAYS['goes well']!(name)
          expect(inTheFile()).toEqual([...before, ...acknowledged, name].sort())
        },
      ),
      { numRuns: runs(60) },
    )
  })

  test('says what kept it from being written', async () => {
    const told = async (way: string) => codeOf(await WAYS[way]!(row()).catch((failure: unknown) => failure))
    expect(await told('finds the disk full at COMMIT, and SQLite has rolled back')).toBe('SQLITE_FULL')
    expect(await told('finds the disk full in a statement')).toBe('SQLITE_FULL')
    await expect(WAYS['is rolled back beneath its work, which does not notice']!(row())).rejects.toThrow('rolled back')
  })

  test('waits for a program that holds the file, and lets others go on meanwhile', async () => {
    const other = new Database(join(data, 'outfit.sqlite'))
    other.exec('BEGIN IMMEDIATE')
    let turns = 0
    const turning = setInterval(() => turns++, 5)
    setTimeout(() => other.exec('COMMIT'), 300)
    const name = row()
    await writer.transaction((db) => insert(db, name))
    clearInterval(turning)
    other.close()
    expect(inTheFile()).toContain(name)
    expect(turns).toBeGreaterThan(5)
  })

  test('is seen by nobody before it is committed', async () => {
    const count = async () => {
      const [{ n }] = (await databases.reading.query('SELECT COUNT(*) AS n FROM mapping')) as [{ n: number }]
      return n
    }
    const before = await count()
    await writer.transaction(async (db) => {
      await insert(db, row())
      expect(await count()).toBe(before)
    })
    expect(await count()).toBe(before + 1)
  })

  test('cannot be made past the writer', async () => {
    await expect(databases.reading.query('DELETE FROM mapping')).rejects.toMatchObject({
      driverError: { code: 'SQLITE_READONLY' },
    })
  })

  test('is not in a snapshot that began before it', async () => {
    const seen = await databases.snapshot(async (db) => {
      const before = await db.count(MappingEntity)
      await writer.transaction((mine) => insert(mine, row()))
      return [before, await db.count(MappingEntity)]
    })
    expect(seen[1]).toBe(seen[0])
    expect(await databases.reading.getRepository(MappingEntity).count()).toBe(seen[0]! + 1)
  })
})
