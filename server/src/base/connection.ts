import Database from 'better-sqlite3'
import { join } from 'node:path'
import { DATABASE_FILES } from './databaseFiles.ts'

export interface Durability {
  /** Every commit is on the disk before it is acknowledged. Off in tests that prove nothing of durability. */
  durable?: boolean
}

/** Large sorts, as of a million offers, have a second thread. */
const PRAGMAS = ['journal_mode = WAL', 'foreign_keys = ON', 'busy_timeout = 5000', 'threads = 1']

/** What is set on every connection that writes. */
export const pragmasOfWriting = ({ durable = true }: Durability): string[] => [
  ...PRAGMAS,
  `synchronous = ${durable ? 'FULL' : 'OFF'}`,
]

/** A database that is up to date, and how it is written. */
export interface Place extends Durability {
  folder: string
}

/** A connection for a thread of its own that writes. */
export function openForWriting({ folder, ...durability }: Place): Database.Database {
  const db = new Database(join(folder, DATABASE_FILES[0]), { fileMustExist: true })
  for (const pragma of pragmasOfWriting(durability)) db.pragma(pragma)
  return db
}
