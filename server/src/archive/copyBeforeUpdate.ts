import Database from 'better-sqlite3'
import { existsSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { DATABASE_FILES } from '../base/databaseFiles.ts'
import { MIGRATIONS } from '../schema/migrations/index.ts'
import { copiesIn, newName } from './kept.ts'
import { archivedTables, quoted, schemaOf } from './manifest.ts'
import { writeArchive } from './writeArchive.ts'

/**
 * A copy of a data folder that an older program wrote, before this one brings its tables up to date; its name, or null where
 * nothing is to be changed or nothing is there. Call it while the folder is held and its database closed.
 */
export async function copyBeforeUpdate(data: string): Promise<string | null> {
  const file = join(data, DATABASE_FILES[0])
  if (!existsSync(file)) return null
  const db = new Database(file, { readonly: true })
  try {
    const done = new Set(schemaOf(db))
    if (done.size === 0 || MIGRATIONS.every(({ name }) => done.has(name))) return null
    const holds = archivedTables(db).some(
      ({ name }) => db.prepare(`SELECT 1 FROM ${quoted(name)} LIMIT 1`).get() !== undefined,
    )
    if (!holds) return null
  } finally {
    db.close()
  }
  const folder = copiesIn(data)
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const name = newName(folder, 'before-update')
  await writeArchive(data, join(folder, name))
  return name
}
