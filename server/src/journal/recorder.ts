import type { Database } from 'better-sqlite3'
import { monotonicFactory } from 'ulid'
import { inWords, type TableChange } from '@outfit/core/journal'
import { doing, type Doing } from '../base/doing.ts'
import type { Watch } from '../base/writer.ts'
import { namesSql } from './names.ts'

const ulid = monotonicFactory()

/** Tables nobody takes back by their rows: worked out from others, the journal itself, or with a way back of their own. */
const UNRECORDED =
  /^(sqlite_.*|migrations|part_text.*|journal.*|job|lying|offer|quote|quote_sheet|intake_row|intake_answer|shown|mapping|browser_kept|sample_row|errand_tick)$/

/** Columns in which a row may differ without anything having been done: what somebody has looked at, and how often it was written. */
const MARKS = ['seen', 'version'].map((column) => `'$.${column}'`).join(', ')

/** Rows kept of one entry; of more, a copy of everything is kept before it (`Doing.copy`). */
const MOST_ROWS = 20_000
/** How long entries are kept, in days, and within how many minutes the same on one device is one entry. */
const DAYS = 14
const MINUTES = 10
/** Tables that are saved by themselves as somebody works, change by change. */
const SAVED_AS_ONE_WORKS = new Set(['outfit', 'placement', 'brief', 'roster', 'bin', 'reference', 'promise', 'setting'])

/** A recorded table: its columns, and which of them are its key. */
export interface Recorded {
  name: string
  columns: readonly string[]
  key: readonly string[]
}

const quoted = (name: string) => `"${name}"`
/** A row of a table as a JSON object. */
export const rowJson = ({ columns }: Recorded, row: string) =>
  `json_object(${columns.map((column) => `'${column}', ${row}.${quoted(column)}`).join(', ')})`
const keyJson = ({ key }: Recorded, row: string) =>
  `json_array(${key.map((column) => `${row}.${quoted(column)}`).join(', ')})`

/** The tables whose rows are written down. */
export function recordedTables(db: Database): Recorded[] {
  const names = db.prepare(`SELECT name FROM sqlite_master WHERE type = 'table'`).pluck().all() as string[]
  return names
    .filter((name) => !UNRECORDED.test(name))
    .map((name) => {
      const columns = db.prepare('SELECT name, pk FROM pragma_table_info(?)').all(name) as {
        name: string
        pk: number
      }[]
      const key = columns.filter(({ pk }) => pk > 0).sort((a, b) => a.pk - b.pk)
      return { name, columns: columns.map((column) => column.name), key: key.map((column) => column.name) }
    })
}

/**
 * Writes down every row a transaction changes in the name of somebody, as it was and as it is, by triggers that only the
 * writing connection has. What somebody does within one request is one entry, and so is what is saved as they work.
 */
export class Recorder implements Watch {
  begin(db: Database): void {
    const who = doing()
    if (!who) return
    if (!db.prepare(`SELECT 1 FROM temp.sqlite_master WHERE name = 'journal_now'`).get()) this.prepare(db)
    who.entry ??= ulid()
    db.prepare('DELETE FROM temp.journal_now').run()
    db.prepare('INSERT INTO temp.journal_now VALUES (?)').run(who.entry)
  }

  end(db: Database): void {
    const who = doing()
    if (!who?.entry) return
    db.prepare('DELETE FROM temp.journal_now').run()
    const rows = this.rowsOf(db, who.entry)
    if (rows === 0 && who.whole) {
      // Nothing that could be taken back was done.
      who.entry = null
      return
    }
    if (rows > MOST_ROWS) who.whole = false
    this.keep(db, who)
  }

  /** How many rows an entry changed; none are kept where all that differs are marks. */
  private rowsOf(db: Database, entry: string): number {
    db.prepare('DELETE FROM journal_row WHERE entry = ? AND was IS now').run(entry)
    const [rows, told] = db
      .prepare(
        `SELECT COUNT(*), COALESCE(SUM(json_remove(was, ${MARKS}) IS NOT json_remove(now, ${MARKS})), 0)
         FROM journal_row WHERE entry = ?`,
      )
      .raw()
      .get(entry) as [number, number]
    if (told > 0) return rows
    db.prepare('DELETE FROM journal_row WHERE entry = ?').run(entry)
    return 0
  }

  private keep(db: Database, who: Doing): void {
    const at = new Date().toISOString()
    const words = who.words ?? inWords(changesOf(db, who.entry!))
    if (!who.whole) {
      // A list that was brought in has a way back of its own, however much it brought.
      db.prepare(`DELETE FROM journal_row WHERE entry = ? AND NOT ("table" = 'intake' AND was IS NULL)`).run(who.entry)
      who.whole = db.prepare('SELECT 1 FROM journal_row WHERE entry = ?').get(who.entry) !== undefined
    }
    const before = this.goesOn(db, who, words, at)
    if (before !== null) {
      db.prepare(
        `INSERT INTO journal_row SELECT ?, "table", key, was, now FROM journal_row WHERE entry = ?
         ON CONFLICT (entry, "table", key) DO UPDATE SET now = excluded.now`,
      ).run(before, who.entry)
      db.prepare('DELETE FROM journal_row WHERE entry = ?').run(who.entry)
      who.entry = before
      // Whoever goes back to where they began has done nothing.
      if (this.rowsOf(db, before) === 0) {
        db.prepare('DELETE FROM journal WHERE id = ?').run(before)
        who.entry = null
        return
      }
    }
    db.prepare(
      `INSERT INTO journal (id, at, device, words, whole, undoes, copy) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON CONFLICT (id) DO UPDATE SET
         at = excluded.at, words = excluded.words, whole = MIN(whole, excluded.whole), copy = COALESCE(copy, excluded.copy)`,
    ).run(who.entry, at, who.device, words, Number(who.whole), who.undoes, who.copy)
    const oldest = new Date(Date.now() - DAYS * 86_400_000).toISOString()
    const old = 'SELECT id FROM journal WHERE at < ?'
    db.prepare(`DELETE FROM journal_row WHERE entry IN (${old})`).run(oldest)
    db.prepare('DELETE FROM journal WHERE at < ?').run(oldest)
  }

  /** The entry this goes on with: the last one, where it is the same said on the same device a moment ago. */
  private goesOn(db: Database, who: Doing, words: string, at: string): string | null {
    if (!who.whole || who.undoes !== null) return null
    const tables = db
      .prepare('SELECT DISTINCT "table" FROM journal_row WHERE entry = ?')
      .pluck()
      .all(who.entry) as string[]
    if (!tables.every((table) => SAVED_AS_ONE_WORKS.has(table))) return null
    const last = db.prepare('SELECT * FROM journal ORDER BY id DESC LIMIT 1').get() as
      | {
          id: string
          at: string
          device: string
          words: string
          whole: number
          undoes: string | null
          undone: string | null
        }
      | undefined
    if (!last || last.id === who.entry || last.device !== who.device || last.words !== words) return null
    if (!last.whole || last.undoes !== null || last.undone !== null) return null
    return Date.parse(at) - Date.parse(last.at) < MINUTES * 60_000 ? last.id : null
  }

  private prepare(db: Database): void {
    db.exec('CREATE TEMP TABLE journal_now (entry TEXT NOT NULL)')
    const put = (key: string, was: string, now: string) =>
      `INSERT INTO journal_row (entry, "table", key, was, now)
         SELECT entry, $table, ${key}, ${was}, ${now} FROM journal_now WHERE true
         ON CONFLICT (entry, "table", key) DO UPDATE SET now = excluded.now;`
    for (const table of recordedTables(db)) {
      const on = (event: string, body: string) =>
        db.exec(
          `CREATE TEMP TRIGGER ${quoted(`journal_${event}_${table.name}`)} AFTER ${event} ON main.${quoted(table.name)}
           WHEN EXISTS (SELECT 1 FROM journal_now) BEGIN ${body.replaceAll('$table', `'${table.name}'`)} END`,
        )
      const [was, now] = [rowJson(table, 'OLD'), rowJson(table, 'NEW')]
      on('INSERT', put(keyJson(table, 'NEW'), 'NULL', now))
      // A row whose key changes is gone under the one and made under the other.
      on('UPDATE', put(keyJson(table, 'OLD'), was, 'NULL') + put(keyJson(table, 'NEW'), 'NULL', now))
      on('DELETE', put(keyJson(table, 'OLD'), was, 'NULL'))
    }
  }
}

/** What happened to the rows of an entry, table by table. */
function changesOf(db: Database, entry: string): TableChange[] {
  const counts = db
    .prepare(
      `SELECT "table", SUM(was IS NULL) AS made, SUM(was IS NOT NULL AND now IS NOT NULL) AS changed, SUM(now IS NULL) AS gone
       FROM journal_row WHERE entry = ? GROUP BY "table"`,
    )
    .all(entry) as { table: string; made: number; changed: number; gone: number }[]
  return counts.map((count) => {
    const first = db
      .prepare(`SELECT COALESCE(now, was) FROM journal_row WHERE entry = ? AND "table" = ? ORDER BY key LIMIT 1`)
      .pluck()
      .get(entry, count.table) as string
    const sql = namesSql(count.table)
    const names = sql ? (db.prepare(sql).pluck().all({ entry, table: count.table }) as string[]) : []
    return { ...count, names, first: JSON.parse(first) as Record<string, unknown> }
  })
}
