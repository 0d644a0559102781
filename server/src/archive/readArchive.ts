import Database from 'better-sqlite3'
import { createHash } from 'node:crypto'
import { createWriteStream, existsSync, mkdirSync, rmSync } from 'node:fs'
import { open as openFile, rename } from 'node:fs/promises'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { StringDecoder } from 'node:string_decoder'
import { DataSource } from 'typeorm'
import { openPromise, type Entry, type ZipFile } from 'yauzl'
import { PHOTO_LIMIT } from '@outfit/core/tables'
import { breathing } from '../base/breathe.ts'
import { databaseIn } from '../base/database.ts'
import { DATABASE_FILES } from '../base/databaseFiles.ts'
import { checked } from '../base/validation.ts'
import { MIGRATIONS } from '../schema/migrations/index.ts'
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  archivedTables,
  Manifest,
  MANIFEST,
  quoted,
  tableMember,
  type Course,
} from './manifest.ts'

/** Why an archive is not brought back: one sentence for the person. */
export class BadArchive extends Error {}

/** Bytes of a manifest and of all members unpacked, characters of one line; more is no archive of ours. */
const MANIFEST_LIMIT = 16 * 2 ** 20
const UNPACKED_LIMIT = 16 * 2 ** 30
const LINE_LIMIT = 32 * 2 ** 20

/** An archive that was checked through: a database of its tables in a folder apart, and its pictures put beside the others. */
export interface UnpackedArchive {
  /** A database with the schema of this program. */
  database: string
  rows: number
  pictures: number
  missing: number
}

/**
 * Check an archive through, member by member, and unpack it: its tables into a database in the folder `apart`, its pictures
 * into `files`, where a picture has the name of what it is. An older schema is brought up to this program's.
 *
 * @throws BadArchive which names the member that is damaged, or what else is wrong.
 */
export async function unpackArchive(
  file: string,
  apart: string,
  files: string,
  course: Course = {},
): Promise<UnpackedArchive> {
  const { signal, report } = course
  const zip = await openPromise(file, { autoClose: false, lazyEntries: true }).catch(() => {
    throw new BadArchive('The file is no ZIP archive, or it was cut off. Nothing was changed.')
  })
  try {
    const entries = await entriesOf(zip)
    const manifest = await manifestOf(zip, entries)
    rmSync(apart, { recursive: true, force: true })
    mkdirSync(apart, { recursive: true, mode: 0o700 })
    mkdirSync(files, { recursive: true })
    const done = MIGRATIONS.filter(({ name }) => manifest.schema.includes(name))
    const options = { ...databaseIn(apart, { durable: false }), migrations: done }
    const empty = await new DataSource(options as typeof options & { type: 'better-sqlite3' }).initialize()
    await empty.destroy()
    const database = join(apart, DATABASE_FILES[0])
    const db = new Database(database)
    try {
      db.pragma('foreign_keys = OFF')
      db.pragma('synchronous = OFF')
      await fill(db, zip, entries, manifest, course)
    } finally {
      db.close()
    }
    // What this program has changed since is done to it as to any older database.
    const current = await new DataSource(databaseIn(apart, { durable: false })).initialize()
    await current.destroy()
    let pictures = 0
    for (const name of Object.keys(manifest.members)) {
      if (!name.startsWith('files/')) continue
      signal?.throwIfAborted()
      report?.({ words: 'Bringing pictures back', done: pictures, of: manifest.counts.files })
      pictures++
      await bringPicture(zip, entries, name, manifest, files)
    }
    return {
      database,
      rows: Object.values(manifest.counts.tables).reduce((sum, count) => sum + count, 0),
      pictures,
      missing: manifest.missing.length,
    }
  } finally {
    zip.close()
  }
}

async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>()
  let bytes = 0
  try {
    for await (const entry of zip.eachEntry()) {
      bytes += entry.uncompressedSize
      entries.set(entry.fileName, entry)
    }
  } catch {
    throw new BadArchive('The list of members is damaged. Nothing was changed.')
  }
  if (bytes > UNPACKED_LIMIT)
    throw new BadArchive('Unpacked, the archive would be larger than 16 GB. Nothing was changed.')
  return entries
}

async function manifestOf(zip: ZipFile, entries: ReadonlyMap<string, Entry>): Promise<Manifest> {
  const entry = entries.get(MANIFEST)
  if (!entry || entry.uncompressedSize > MANIFEST_LIMIT)
    throw new BadArchive(`The file has no ${MANIFEST}: it is no archive of Outfit. Nothing was changed.`)
  let said: unknown
  try {
    const chunks: Buffer[] = []
    for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer)
    said = JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch {
    throw new BadArchive(`${MANIFEST} is damaged. Nothing was changed.`)
  }
  const { format, version } = (said ?? {}) as Partial<Manifest>
  if (format !== ARCHIVE_FORMAT) throw new BadArchive('The file is no archive of Outfit. Nothing was changed.')
  if (typeof version === 'number' && version > ARCHIVE_VERSION)
    throw new BadArchive(
      `The archive is of version ${version}, and this Outfit knows versions up to ${ARCHIVE_VERSION}. Bring it back with a newer one. Nothing was changed.`,
    )
  const { instance, faults } = checked(Manifest, said, '')
  if (faults.length > 0)
    throw new BadArchive(`${MANIFEST}: ${faults[0]!.field} ${faults[0]!.message}. Nothing was changed.`)
  const known = new Set(MIGRATIONS.map(({ name }) => name))
  const strange = instance.schema.find((name) => !known.has(name))
  if (strange !== undefined)
    throw new BadArchive(
      `The archive was written by a newer Outfit (${strange}). Bring it back with that one. Nothing was changed.`,
    )
  return instance
}

/** The lines of a member; refused at its end where it is not what the manifest says. */
async function* linesOf(zip: ZipFile, entry: Entry, sum: string, name: string): AsyncGenerator<string> {
  const hash = createHash('sha256')
  const decoder = new StringDecoder('utf8')
  let text = ''
  try {
    for await (const chunk of await zip.openReadStreamPromise(entry)) {
      hash.update(chunk as Buffer)
      const lines = (text + decoder.write(chunk as Buffer)).split('\n')
      text = lines.pop()!
      if (text.length > LINE_LIMIT) break
      yield* lines
    }
  } catch {
    // What cannot be unpacked has another sum, too.
    hash.update('damaged')
  }
  if (text !== '' || hash.digest('hex') !== sum) throw new BadArchive(`${name} is damaged. Nothing was changed.`)
}

async function fill(
  db: Database.Database,
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  { members, counts }: Manifest,
  { signal, report }: Course,
): Promise<void> {
  const triggers = withoutTriggers(db)
  db.exec('BEGIN')
  const breath = breathing()
  const all = Object.values(counts.tables).reduce((sum, count) => sum + count, 0)
  let done = 0
  const known = new Map(archivedTables(db).map((table) => [table.name, table]))
  // Rows a new schema brings along are not those of the archive.
  for (const { name } of [...known.values()].reverse()) db.exec(`DELETE FROM ${quoted(name)}`)
  const forgotten = [...known.keys()].find((name) => !(name in counts.tables))
  if (forgotten) throw new BadArchive(`${tableMember(forgotten)} is missing. Nothing was changed.`)
  for (const [name, count] of Object.entries(counts.tables)) {
    const member = tableMember(name)
    const entry = entries.get(member)
    const table = known.get(name)
    const sum = members[member]
    if (!table) throw new BadArchive(`${member}: there is no table ${name}. Nothing was changed.`)
    if (!entry || sum === undefined) throw new BadArchive(`${member} is missing. Nothing was changed.`)
    if (name === 'sqlite_sequence') db.exec('DELETE FROM sqlite_sequence')
    const columns = table.columns
    const insert = db.prepare(
      `INSERT INTO ${quoted(name)} (${columns.map(quoted).join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
    )
    let row = 0
    try {
      for await (const line of linesOf(zip, entry, sum, member)) {
        signal?.throwIfAborted()
        row++
        const values = JSON.parse(line) as Record<string, unknown>
        insert.run(columns.map((column) => values[column] ?? null))
        if (++done % 1000 === 0) report?.({ words: `Reading ${name}`, done, of: all })
        await breath()
      }
    } catch (error) {
      if (error instanceof BadArchive || signal?.aborted) throw error
      throw new BadArchive(`${member}, line ${row}: ${(error as Error).message}. Nothing was changed.`)
    }
    if (row !== count)
      throw new BadArchive(`${member} has ${row} rows where ${count} were written. Nothing was changed.`)
  }
  db.exec('COMMIT')
  const [lost] = db.pragma('foreign_key_check') as { table: string; parent: string }[]
  if (lost)
    throw new BadArchive(
      `${tableMember(lost.table)} speaks of something that ${tableMember(lost.parent)} has not. Nothing was changed.`,
    )
  for (const trigger of triggers) db.exec(trigger)
}

/** Take all triggers off a database; what made them. */
export function withoutTriggers(db: Database.Database): string[] {
  const triggers = db.prepare(`SELECT name, sql FROM sqlite_master WHERE type = 'trigger'`).all() as {
    name: string
    sql: string
  }[]
  for (const { name } of triggers) db.exec(`DROP TRIGGER ${quoted(name)}`)
  return triggers.map(({ sql }) => sql)
}

async function bringPicture(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  name: string,
  { members }: Manifest,
  folder: string,
): Promise<void> {
  const [, hash] = /^files\/([0-9a-f]{64})\.webp$/.exec(name) ?? []
  const entry = entries.get(name)
  if (hash === undefined || members[name] !== hash) throw new BadArchive(`${name} is no picture. Nothing was changed.`)
  if (!entry) throw new BadArchive(`${name} is missing. Nothing was changed.`)
  if (entry.uncompressedSize > PHOTO_LIMIT) throw new BadArchive(`${name} is too large. Nothing was changed.`)
  const path = join(folder, `${hash}.webp`)
  if (existsSync(path)) return
  const sum = createHash('sha256')
  const counted = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      sum.update(chunk)
      done(null, chunk)
    },
  })
  const part = `${path}.part`
  try {
    await pipeline(await zip.openReadStreamPromise(entry), counted, createWriteStream(part, { mode: 0o600 }))
    if (sum.digest('hex') !== hash) throw new Error('not what it was')
  } catch {
    rmSync(part, { force: true })
    throw new BadArchive(`${name} is damaged. Nothing was changed.`)
  }
  const handle = await openFile(part, 'r')
  await handle.sync()
  await handle.close()
  await rename(part, path)
}
