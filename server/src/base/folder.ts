import Database from 'better-sqlite3'
import {
  chmodSync,
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { DATABASE_FILES } from './databaseFiles.ts'
import { refusalOf, StartRefused } from './refusal.ts'
import { codeOf } from './storage.ts'
import { WORKSPACE_FILE } from './workspaceName.ts'

/** Who holds a folder, for those who find it held. */
interface Holder {
  pid: number
  since: string
  port: number
}

const LOCK = 'outfit.lock'
const HOLDER = 'in-use.json'

/** What stands in a data folder beside `outfit.…`. */
const OURS = new Set([
  HOLDER,
  'files',
  'fonts',
  'uploads',
  'set-aside',
  'copies',
  'restoring',
  'sample-world',
  'loading-sample-world',
])

export interface HeldFolder {
  /** Let the folder go; the end of the process does so, too, however it comes. */
  release(): void
}

/**
 * Hold a data folder for this process alone. The lock is SQLite's own on a file beside the database (`outfit.lock`, locked
 * exclusively as long as the process lives), which the operating system lets go of when the process ends in whatever way: it
 * cannot be stale. `in-use.json` says who holds it, for the sentence only.
 *
 * @throws StartRefused when another process, or another server of this one, holds it.
 */
export function holdFolder(folder: string, port: number): HeldFolder {
  const lock = join(folder, LOCK)
  let db: Database.Database | null = null
  try {
    // Only the account that owns the data may look into it. A folder that others use, too, stays as open as it is; our files
    // in it are closed all the same.
    const made = mkdirSync(folder, { recursive: true, mode: 0o700 }) !== undefined
    if (made || isOurs(folder)) chmodSync(folder, 0o700)
    db = new Database(lock, { timeout: 0 })
    chmodSync(lock, 0o600)
    db.pragma('journal_mode = DELETE')
    db.exec('BEGIN EXCLUSIVE')
    const holder: Holder = { pid: process.pid, since: new Date().toISOString(), port }
    writeFileSync(join(folder, HOLDER), JSON.stringify(holder), { mode: 0o600 })
  } catch (error) {
    db?.close()
    if (/^SQLITE_BUSY/.test(codeOf(error))) throw new StartRefused(heldBy(folder))
    throw refusalOf(error, lock) ?? error
  }
  const held = db
  return {
    release: () => {
      if (!held.open) return
      rmSync(join(folder, HOLDER), { force: true })
      held.close()
    },
  }
}

/** Whether a folder holds our data and nothing else. */
function isOurs(folder: string): boolean {
  const names = readdirSync(folder)
  return names.includes(DATABASE_FILES[0]) && names.every((name) => OURS.has(name) || name.startsWith('outfit.'))
}

function heldBy(folder: string): string {
  let who = 'another Outfit'
  try {
    const { pid, since, port } = JSON.parse(readFileSync(join(folder, HOLDER), 'utf8')) as Holder
    who = `the Outfit at port ${port} (process ${pid}, since ${since})`
  } catch {
    // It is just starting or ending; who it is does not matter.
  }
  return `${folder} is in use by ${who}. Nothing was changed; use that one, stop it, or give another folder with --data.`
}

/** Where a database is on its way aside: it gets its day and time when all of it is there. */
const MOVING = 'moving'

/**
 * Put a database aside under the day and time, so that another may begin; null when there is none. Where it went to. Cut
 * short, it is finished by the next call, which puts nothing else in the same place.
 */
export function setAside(folder: string, now = new Date()): string | null {
  const all = join(folder, 'set-aside')
  const moving = join(all, MOVING)
  const stamped = (): string => {
    const aside = join(all, now.toISOString().replace(/[:.]/g, '-'))
    renameSync(moving, aside)
    return aside
  }
  // One that was moved by a call cut short since; what stands in the folder now, another may have begun.
  const before = existsSync(join(moving, DATABASE_FILES[0])) ? stamped() : null
  if (!existsSync(join(folder, DATABASE_FILES[0]))) return before
  if (before) now = new Date(now.getTime() + 1)
  mkdirSync(moving, { recursive: true, mode: 0o700 })
  // Its log is brought home first where that can be: a database that is parted from its log is an older one.
  // What is no database any more is not opened, since that throws away the log it could be mended from.
  if (isDatabase(join(folder, DATABASE_FILES[0]))) {
    let db: Database.Database | null = null
    try {
      db = new Database(join(folder, DATABASE_FILES[0]))
      db.pragma('wal_checkpoint(TRUNCATE)')
    } catch {
      // Damaged inside, it is put aside as it is.
    } finally {
      db?.close()
    }
  }
  // The database itself goes last: as long as it is here, the call begins anew.
  for (const name of DATABASE_FILES.toReversed())
    if (existsSync(join(folder, name))) renameSync(join(folder, name), join(moving, name))
  // What is begun here is another workspace.
  rmSync(join(folder, WORKSPACE_FILE), { force: true })
  return stamped()
}

/** Whether a file begins as those of SQLite do (sqlite.org/fileformat2.html, 1.2). */
function isDatabase(file: string): boolean {
  const handle = openSync(file, 'r')
  try {
    const head = Buffer.alloc(15)
    readSync(handle, head, 0, 15, 0)
    return head.toString('latin1') === 'SQLite format 3'
  } finally {
    closeSync(handle)
  }
}
