import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import type { DataSourceOptions } from 'typeorm'
import * as brief from '../brief/entities.ts'
import * as catalogue from '../catalogue/entities.ts'
import * as drawer from '../drawer/entities.ts'
import * as imports from '../import/entities.ts'
import * as jobs from '../jobs/entities.ts'
import * as later from '../later/entities.ts'
import * as market from '../market/entities.ts'
import * as roster from '../roster/entities.ts'
import { MIGRATIONS } from './migrations/index.ts'

export const ENTITIES = [brief, catalogue, drawer, imports, jobs, later, market, roster].flatMap((module) =>
  Object.values(module),
)

/** Large sorts, as of a million offers, have a second thread. */
const PRAGMAS = ['journal_mode = WAL', 'synchronous = FULL', 'foreign_keys = ON', 'busy_timeout = 5000', 'threads = 1']

interface Pragmas {
  pragma(statement: string): unknown
}

/**
 * The database of a data folder. Every acknowledged write is on the disk (WAL with synchronous FULL); the schema comes
 * from migrations alone.
 */
export function databaseIn(folder: string): DataSourceOptions {
  mkdirSync(folder, { recursive: true })
  return {
    type: 'better-sqlite3',
    database: join(folder, 'outfit.sqlite'),
    entities: ENTITIES,
    migrations: MIGRATIONS,
    migrationsRun: true,
    synchronize: false,
    prepareDatabase: (db: Pragmas) => {
      for (const pragma of PRAGMAS) db.pragma(pragma)
    },
  } as DataSourceOptions
}
