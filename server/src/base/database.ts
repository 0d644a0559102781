import type { OnApplicationShutdown } from '@nestjs/common'
import Database from 'better-sqlite3'
import { chmodSync, existsSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { DataSource, type DataSourceOptions, type EntityManager } from 'typeorm'
import * as ballot from '../schema/ballot.ts'
import * as brief from '../schema/brief.ts'
import * as browsers from '../schema/browsers.ts'
import * as catalogue from '../schema/catalogue.ts'
import * as drawer from '../schema/drawer.ts'
import * as errands from '../schema/errands.ts'
import * as imports from '../schema/tables.ts'
import * as intake from '../schema/intake.ts'
import * as journal from '../schema/journal.ts'
import * as jobs from '../schema/jobs.ts'
import * as later from '../schema/later.ts'
import * as made from '../schema/made.ts'
import * as market from '../schema/market.ts'
import * as roster from '../schema/roster.ts'
import * as settings from '../schema/settings.ts'
import { pragmasOfWriting, type Durability, type Place } from './connection.ts'
import { DATABASE_FILES } from './databaseFiles.ts'
import { MIGRATIONS } from '../schema/migrations/index.ts'
import { refusalOf, StartRefused } from './refusal.ts'

const ENTITIES = [
  ballot,
  brief,
  browsers,
  catalogue,
  drawer,
  errands,
  imports,
  intake,
  jobs,
  journal,
  later,
  made,
  market,
  roster,
  settings,
].flatMap((module) => Object.values(module))

interface Pragmas {
  pragma(statement: string): unknown
}

/** The database of a data folder, to be written; the schema comes from migrations alone. */
export function databaseIn(folder: string, durability: Durability = {}): DataSourceOptions {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  return {
    type: 'better-sqlite3',
    database: join(folder, DATABASE_FILES[0]),
    entities: ENTITIES,
    migrations: MIGRATIONS,
    migrationsRun: true,
    synchronize: false,
    prepareDatabase: (db: Pragmas) => {
      for (const pragma of pragmasOfWriting(durability)) db.pragma(pragma)
    },
  } as DataSourceOptions
}

/** The same to be read only: each statement sees what is committed, and nothing of a transaction under way. */
function readingIn(folder: string): DataSourceOptions {
  return {
    type: 'better-sqlite3',
    database: join(folder, DATABASE_FILES[0]),
    readonly: true,
    fileMustExist: true,
    entities: ENTITIES,
    synchronize: false,
    prepareDatabase: (db: Pragmas) => {
      for (const pragma of ['busy_timeout = 5000', 'threads = 1']) db.pragma(pragma)
    },
  } as DataSourceOptions
}

/**
 * The connections of a running server: one that writes (only `Writer` uses it) and one that everybody reads from. A write
 * under way is seen by nobody but itself.
 */
export class Databases implements OnApplicationShutdown {
  constructor(
    private readonly folder: string,
    readonly writing: DataSource,
    readonly reading: DataSource,
    private readonly durability: Durability,
  ) {}

  /** What a thread needs to write to the same database (`openForWriting`). */
  get place(): Place {
    return { folder: this.folder, durable: this.durability.durable ?? true }
  }

  /** Open the database of a folder, brought up to date. Throws `StartRefused` with one sentence where that cannot be. */
  static async open(folder: string, durability: Durability = {}): Promise<Databases> {
    const file = join(folder, DATABASE_FILES[0])
    try {
      refuseNewer(file)
      const writing = await new DataSource(databaseIn(folder, durability)).initialize()
      for (const name of DATABASE_FILES) if (existsSync(join(folder, name))) chmodSync(join(folder, name), 0o600)
      return new Databases(folder, writing, await new DataSource(readingIn(folder)).initialize(), durability)
    } catch (error) {
      throw refusalOf(error, file) ?? error
    }
  }

  /** Read with `work` from one moment of the database, whatever is written meanwhile. */
  async snapshot<T>(work: (db: EntityManager) => Promise<T>): Promise<T> {
    const own = await new DataSource(readingIn(this.folder)).initialize()
    try {
      await own.query('BEGIN')
      return await work(own.manager)
    } finally {
      await own.destroy()
    }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.reading.destroy()
    await this.writing.destroy()
  }
}

/** Refuse a database whose schema a newer program has changed: this one would write it wrongly. */
export function refuseNewer(file: string): void {
  if (!existsSync(file)) return
  const db = new Database(file, { readonly: true })
  try {
    const known = new Set(MIGRATIONS.map(({ name }) => name))
    const table = db.prepare(`SELECT 1 FROM sqlite_master WHERE name = 'migrations'`).get()
    const done = table ? (db.prepare('SELECT name FROM migrations').all() as { name: string }[]) : []
    const strange = done.find(({ name }) => !known.has(name))
    if (strange)
      throw new StartRefused(
        `${file} was written by a newer Outfit (${strange.name}). Nothing was changed; start it with that version.`,
      )
  } finally {
    db.close()
  }
}
