import type Database from 'better-sqlite3'
import { IsIn, IsObject, IsString } from 'class-validator'
import { One, Whole } from '../base/fields.ts'
import type { ArchiveProgress } from '@outfit/core/archive'
import { StartRefused } from '../base/refusal.ts'

export const ARCHIVE_FORMAT = 'outfit-archive'
export const ARCHIVE_VERSION = 1
export const MANIFEST = 'manifest.json'

/** How a long work with archives is watched and stopped. */
export interface Course {
  signal?: AbortSignal
  report?: (progress: ArchiveProgress) => void
}

export class Counts {
  @IsObject() tables: Record<string, number>
  @Whole(0) files: number
}

/** What an archive says of itself; it is the last member, since it names what the others came to. */
export class Manifest {
  @IsIn([ARCHIVE_FORMAT]) format: string
  @Whole(1, ARCHIVE_VERSION) version: number
  /** When it was written, ISO. */
  @IsString() written: string
  /** Names of the steps that made the schema its tables have. */
  @IsString({ each: true }) schema: string[]
  /** Rows of each table, and pictures. */
  @One(() => Counts) counts: Counts
  /** SHA-256 of every other member, in hexadecimal. */
  @IsObject() members: Record<string, string>
  /** Pictures the tables speak of that were not there to be written. */
  @IsString({ each: true }) missing: string[]
}

export interface ArchivedTable {
  name: string
  columns: string[]
  /** ORDER BY of its rows: as they were written, or by key where rows have no place of their own. */
  order: string
}

/**
 * The tables that are archived, those that others refer to first. Left out is what is made from the rest: the index of words,
 * and the list of schema steps, which the manifest has.
 */
export function archivedTables(db: Database.Database): ArchivedTable[] {
  const rows = db.prepare('PRAGMA table_list').all() as { schema: string; name: string; type: string; wr: number }[]
  const names = rows
    .filter(({ schema, type }) => schema === 'main' && type === 'table')
    .filter(({ name }) => name !== 'migrations' && !/^(sqlite_(schema|stat)|part_text)/.test(name))
    .sort((a, b) => (a.name < b.name ? -1 : 1))
  const refersTo = ({ name }: { name: string }) =>
    (db.prepare(`SELECT "table" FROM pragma_foreign_key_list(?)`).pluck().all(name) as string[]).filter(
      (other) => other !== name,
    )
  const sorted: typeof names = []
  const visit = (table: (typeof names)[number], path: readonly string[]) => {
    if (sorted.includes(table) || path.includes(table.name)) return
    for (const other of refersTo(table)) {
      const found = names.find(({ name }) => name === other)
      if (found) visit(found, [...path, table.name])
    }
    sorted.push(table)
  }
  for (const table of names) visit(table, [])
  return sorted.map(({ name, wr }) => {
    const columns = db.prepare('SELECT name, pk FROM pragma_table_info(?)').all(name) as { name: string; pk: number }[]
    const key = columns.filter(({ pk }) => pk > 0).sort((a, b) => a.pk - b.pk)
    return {
      name,
      columns: columns.map((column) => column.name),
      order: wr ? key.map((column) => quoted(column.name)).join(', ') : 'rowid',
    }
  })
}

/** Names of the schema steps a database has gone through, in order. */
export function schemaOf(db: Database.Database): string[] {
  if (!db.prepare(`SELECT 1 FROM sqlite_master WHERE name = 'migrations'`).get())
    throw new StartRefused(`${db.name} is no database of Outfit.`)
  return db.prepare('SELECT name FROM migrations ORDER BY id').pluck().all() as string[]
}

/** The name of a table or column as SQL has it. */
export const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`

export const tableMember = (name: string): string => `tables/${name}.jsonl`
export const fileMember = (hash: string): string => `files/${hash}.webp`
