import Database from 'better-sqlite3'
import { createHash, type Hash } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { open, readFile, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { ZipFile } from 'yazl'
import type { ArchiveReport } from '@outfit/core/archive'
import { DATABASE_FILES } from '../base/databaseFiles.ts'
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  archivedTables,
  fileMember,
  MANIFEST,
  quoted,
  schemaOf,
  tableMember,
  type ArchivedTable,
  type Course,
  type Manifest,
} from './manifest.ts'

/** Members bear no time of their own: the same data makes the same members. */
const NO_TIME = new Date('2000-01-01T00:00:00')

/** Text handed to the packer at a time, in characters. */
const CHUNK = 64 * 1024

/**
 * Write everything of a data folder as one ZIP (`outfit-archive`), while the folder is in use: the tables as they are at one
 * moment, a JSON Lines file each, and the pictures they speak of. `target` gets its name when it is whole; nothing of it
 * stays where that fails.
 */
export async function writeArchive(
  folder: string,
  target: string,
  { signal, report }: Course = {},
): Promise<Omit<ArchiveReport, 'name'>> {
  const db = new Database(join(folder, DATABASE_FILES[0]), { readonly: true, fileMustExist: true })
  const part = `${target}.part`
  try {
    // The first read of a transaction fixes what all of its reads see.
    db.exec('BEGIN')
    const schema = schemaOf(db)
    const tables = archivedTables(db)
    const countOf = ({ name }: ArchivedTable) =>
      db
        .prepare(`SELECT COUNT(*) FROM ${quoted(name)}`)
        .pluck()
        .get() as number
    const counts = Object.fromEntries(tables.map((table) => [table.name, countOf(table)]))
    const rows = Object.values(counts).reduce((sum, count) => sum + count, 0)
    const pictured = tables.some(({ name }) => name === 'photo')
    const photos = pictured ? (db.prepare('SELECT hash FROM photo ORDER BY hash').pluck().all() as string[]) : []
    const pathOf = (hash: string) => join(folder, 'files', `${hash}.webp`)

    const zip = new ZipFile()
    const members: Record<string, string> = {}
    const add = (name: string, stream: Readable, options = {}) =>
      new Promise<void>((resolve, reject) => {
        const hash: Hash = createHash('sha256')
        const through = new Transform({
          transform(chunk: Buffer, _encoding, done) {
            hash.update(chunk)
            done(null, chunk)
          },
          flush(done) {
            members[name] = hash.digest('hex')
            done()
          },
        })
        stream.once('error', reject)
        through.once('end', resolve)
        zip.addReadStream(stream.pipe(through), name, { mtime: NO_TIME, ...options })
      })
    const written = pipeline(zip.outputStream, createWriteStream(part, { mode: 0o600 }), signal ? { signal } : {})
    // Who waits for a member must not wait for ever when the disk is full.
    const failed = new Promise<never>((_, reject) => void written.catch(reject))
    failed.catch(() => undefined)
    let done = 0
    for (const table of tables) {
      const lines = linesOf(db, table, (count) => {
        done += count
        report?.({ words: `Writing ${table.name}`, done, of: rows })
      })
      await Promise.race([add(tableMember(table.name), Readable.from(lines, { objectMode: false })), failed])
    }
    const missing: string[] = []
    for (const [at, hash] of photos.entries()) {
      signal?.throwIfAborted()
      report?.({ words: 'Writing pictures', done: at, of: photos.length })
      const bytes = await readFile(pathOf(hash)).catch(() => null)
      // A picture the disk has spoilt must not make the whole archive one that is not brought back.
      if (!bytes || createHash('sha256').update(bytes).digest('hex') !== hash) missing.push(hash)
      // WebP is packed already.
      else await Promise.race([add(fileMember(hash), Readable.from([bytes]), { compress: false }), failed])
    }
    const manifest: Manifest = {
      format: ARCHIVE_FORMAT,
      version: ARCHIVE_VERSION,
      written: new Date().toISOString(),
      schema,
      counts: { tables: counts, files: photos.length - missing.length },
      members,
      missing,
    }
    zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`), MANIFEST, { mtime: NO_TIME })
    zip.end()
    await written
    const handle = await open(part, 'r')
    const { size } = await handle.stat()
    await handle.sync()
    await handle.close()
    await rename(part, target)
    return { rows, pictures: manifest.counts.files, bytes: size, missing: missing.length }
  } catch (error) {
    await rm(part, { force: true })
    throw error
  } finally {
    db.close()
  }
}

/** The rows of a table as JSON Lines, in chunks; each chunk gives way to whoever else waits for this thread. */
async function* linesOf(db: Database.Database, { name, columns, order }: ArchivedTable, told: (rows: number) => void) {
  const statement = db.prepare(`SELECT ${columns.map(quoted).join(', ')} FROM ${quoted(name)} ORDER BY ${order}`)
  let text = ''
  let rows = 0
  for (const row of statement.iterate()) {
    text += `${JSON.stringify(row)}\n`
    rows++
    if (text.length < CHUNK) continue
    yield text
    told(rows)
    text = ''
    rows = 0
    await new Promise(setImmediate)
  }
  if (text) yield text
  told(rows)
}
