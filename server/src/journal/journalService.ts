import { Inject, Injectable, type OnModuleInit } from '@nestjs/common'
import type { Database } from 'better-sqlite3'
import { DataSource, IsNull, Not, type EntityManager } from 'typeorm'
import { takenBackInWords, type Device, type Done, type DonePage } from '@outfit/core/journal'
import { copiesIn, keptIn } from '../archive/kept.ts'
import { Changes } from '../base/changes.ts'
import { doing, type Doing } from '../base/doing.ts'
import { notFound, Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { today } from '../base/today.ts'
import { Writer } from '../base/writer.ts'
import { ActService } from '../drawer/actService.ts'
import { TakenLists } from '../intake/takenLists.ts'
import { JournalEntity, JournalRowEntity } from '../schema/journal.ts'
import { SettingsService } from '../settings/settingsService.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { Recorder, recordedTables, rowJson, type Recorded } from './recorder.ts'

const PAGE = 50

/** Tables rows are only ever added to; what they say is taken back by acts of the drawer (server/src/drawer). */
const ONLY_ADDED = new Set(['movement', 'act'])

/** Goes up with every write to a row, so that nobody takes what was put back for what they read before. */
const VERSION = 'version'

type Row = Record<string, unknown>

/** What was done in the last days, by whom, and its taking back. */
@Injectable()
export class JournalService implements OnModuleInit {
  constructor(
    @Inject(SETTINGS) private readonly own: Settings,
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly followers: TableFollowers,
    private readonly acts: ActService,
    private readonly lists: TakenLists,
    private readonly settings: SettingsService,
  ) {}

  onModuleInit(): void {
    this.writer.watch(new Recorder())
  }

  /** What was done, the newest first; `before` is the id of the last one seen, `device` the one that asks. */
  async page(before: string | null, device: string): Promise<DonePage> {
    const query = this.database
      .getRepository(JournalEntity)
      .createQueryBuilder('j')
      .orderBy('j.id', 'DESC')
      .limit(PAGE + 1)
    if (before !== null) query.where('j.id < :before', { before })
    const found = await query.getMany()
    const taken = await this.database
      .getRepository(JournalEntity)
      .find({ where: { undoes: Not(IsNull()) }, select: { id: true, undone: true } })
    const undoneBy = new Map(taken.map(({ id, undone }) => [id, undone]))
    // Taken back, done again, taken back once more: it stands after every second step.
    const stands = (undone: string | null): boolean => undone === null || !stands(undoneBy.get(undone) ?? null)
    const kept = new Set(keptIn(copiesIn(this.own.data)).map(({ name }) => name))
    return {
      more: found.length > PAGE,
      done: found.slice(0, PAGE).map(({ id, at, device: by, words, whole, undoes, undone, copy }): Done => ({
        ...{ id, at, words, undoes, undone },
        device: by.split(' #')[0] as Device,
        own: by === device,
        again: undone !== null && stands(undone),
        canTakeBack: whole && undone === null,
        copy: !whole && copy !== null && kept.has(copy) ? copy : null,
      })),
    }
  }

  /**
   * Put everything an entry changed back as it was. Refused with 409 as a whole where something of it was changed since,
   * where it was taken back already, or where not all of it is written down.
   */
  async takeBack(id: string): Promise<void> {
    const entry = await this.database.getRepository(JournalEntity).findOneBy({ id })
    if (!entry) throw notFound('entry', id)
    if (entry.undone !== null) throw new Problem(409, `This was taken back already: ${entry.words}.`)
    if (!entry.whole)
      throw new Problem(
        409,
        `${entry.words}: that was too much to be written down row by row. A copy of what was there before, where one is kept, is under Settings, Copies.`,
      )
    const who = doing() as Doing
    who.undoes = id
    who.words = takenBackInWords(entry.words)
    const rows = await this.database.getRepository(JournalRowEntity).find({
      where: { entry: id },
      order: { table: 'ASC', key: 'ASC' },
    })
    const list = rows.find(({ table, was }) => table === 'intake' && was === null)
    try {
      // A list knows its own way back, which minds what was bought and moved since.
      if (list) await this.lists.takeBack((JSON.parse(list.key) as [string])[0])
      else await this.writer.transaction((db) => this.restore(db, entry, rows))
    } catch (error) {
      if (/FOREIGN KEY/.test((error as Error).message)) throw inUse(entry.words)
      throw error
    } finally {
      await this.settings.onModuleInit()
      this.changes.tell('catalogue', 'drawer', 'market')
    }
    await this.writer.transaction(async (db) => {
      await db.update(JournalEntity, { id }, { undone: who.entry })
    })
  }

  private async restore(db: EntityManager, entry: JournalEntity, rows: readonly JournalRowEntity[]): Promise<void> {
    const connection = (await db.queryRunner!.connect()) as Database
    await db.query('PRAGMA defer_foreign_keys = ON')
    const tables = new Map(recordedTables(connection).map((table) => [table.name, table]))
    const own = rows.filter(({ table }) => !ONLY_ADDED.has(table))
    const put = own.map((row) => {
      const table = tables.get(row.table)
      if (!table) throw inUse(entry.words)
      return new PutBack(connection, table, row)
    })
    const changed = put.find((row) => !row.isAsMade)
    if (changed) throw inUse(entry.words, changed.name)
    for (const row of put) row.write()
    // What went along with it is of somebody who came later: what an outfit wears that was made then.
    const known = new Set(own.map(({ table, key }) => `${table} ${key}`))
    const along = (
      connection
        .prepare('SELECT "table", key, was FROM journal_row WHERE entry = ?')
        .all(doing()!.entry) as JournalRowEntity[]
    ).find(({ table, key }) => !known.has(`${table} ${key}`))
    if (along) throw inUse(entry.words, nameOf(along.was))
    // What was moved is moved back by an act of its own, the last first.
    for (const { key } of rows.filter(({ table, was }) => table === 'act' && was === null).reverse())
      await this.acts.takeBack(db, (JSON.parse(key) as [string])[0], today())
    const parts = rows.filter(({ table }) => table === 'part').map(({ key }) => (JSON.parse(key) as [string])[0])
    if (parts.length > 0) await this.followers.written(db, 'parts', parts)
  }
}

const inUse = (words: string, what?: string | null) =>
  new Problem(
    409,
    `${words}: ${what ? `${what} was changed or is in use` : 'something of it was changed or is in use'} since. Nothing was taken back.`,
  )

const nameOf = (json: string | null): string | null => {
  const { name, label, text } = (json === null ? {} : JSON.parse(json)) as {
    name?: string
    label?: string
    text?: string
  }
  return name ?? label ?? text ?? null
}

/** A row on its way back to what it was. */
class PutBack {
  private readonly current: Row | null
  private readonly where: string
  private readonly at: unknown[]

  constructor(
    private readonly db: Database,
    private readonly table: Recorded,
    private readonly row: JournalRowEntity,
  ) {
    this.where = table.key.map((column) => `"${column}" = ?`).join(' AND ')
    this.at = JSON.parse(row.key) as unknown[]
    const there = db
      .prepare(`SELECT ${rowJson(table, 't')} FROM "${table.name}" t WHERE ${this.where}`)
      .pluck()
      .get(...this.at) as string | undefined
    this.current = read(there ?? null)
  }

  get name(): string | null {
    return nameOf(this.row.now ?? this.row.was)
  }

  /** Whether nobody has changed it since. */
  get isAsMade(): boolean {
    return alike(this.current, read(this.row.now))
  }

  write(): void {
    const { db, table, where, at, current } = this
    const before = read(this.row.was)
    if (before === null) {
      db.prepare(`DELETE FROM "${table.name}" WHERE ${where}`).run(...at)
      return
    }
    if (VERSION in before && current) before[VERSION] = Number(current[VERSION]) + 1
    const columns = table.columns.filter((column) => column in before)
    const others = columns.filter((column) => !table.key.includes(column))
    const sets = others.map((column) => `"${column}" = excluded."${column}"`)
    db.prepare(
      `INSERT INTO "${table.name}" (${columns.map((column) => `"${column}"`).join(', ')})
       VALUES (${columns.map(() => '?').join(', ')})
       ON CONFLICT (${table.key.map((column) => `"${column}"`).join(', ')})
       DO ${sets.length === 0 ? 'NOTHING' : `UPDATE SET ${sets.join(', ')}`}`,
    ).run(...columns.map((column) => before[column]))
  }
}

const read = (json: string | null): Row | null => (json === null ? null : (JSON.parse(json) as Row))

/** Whether two states of a row say the same, whoever looked at it and however often it was written since. */
function alike(a: Row | null, b: Row | null): boolean {
  if (a === null || b === null) return a === b
  const names = Object.keys(b).filter((name) => name !== VERSION && name !== 'seen')
  return names.every((name) => JSON.stringify(a[name]) === JSON.stringify(b[name]))
}
