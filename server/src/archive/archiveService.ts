import { Inject, Injectable, Logger, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common'
import Database from 'better-sqlite3'
import { createReadStream, createWriteStream, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { DataSource, type EntityManager } from 'typeorm'
import { ulid } from 'ulid'
import {
  CLEARABLE_NAMES,
  copiesToKeep,
  KEPT_BEFORE,
  type ArchiveReason,
  type ArchiveReport,
  type Clearable,
  type ClearReport,
  type KeptArchive,
  type RestoreReport,
  type SampleAmongOwn,
} from '@outfit/core/archive'
import { listed } from '@outfit/core/base'
import { breathing } from '../base/breathe.ts'
import { Changes } from '../base/changes.ts'
import { notFound } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { doing, unrecorded, type Doing } from '../base/doing.ts'
import { nameAnew } from '../base/workspaceName.ts'
import { Writer } from '../base/writer.ts'
import { JournalEntity } from '../schema/journal.ts'
import { SettingsService } from '../settings/settingsService.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { clearTables, StillNeeded } from './clearing.ts'
import { copiesIn, keptIn, newName, readName } from './kept.ts'
import { archivedTables, quoted, type Course } from './manifest.ts'
import { partFromSample, removeSample } from './sampleRows.ts'
import { BadArchive, unpackArchive, withoutTriggers } from './readArchive.ts'
import { writeArchive } from './writeArchive.ts'

/** Milliseconds a picture nothing speaks of is left alone: it may be on its way to somebody. */
const YOUNG = 3_600_000
/** Where in a data folder an archive is unpacked before any of it counts; nobody's data, whatever is found there. */
const APART = 'restoring'

/** Milliseconds after the start, and between two looks whether a day has begun. */
const FIRST_COPY = 2 * 60_000
const EVERY_COPY = 60 * 60_000

/** How the name of an archive ends that was sent and is not brought back yet. */
const INCOMING = '.incoming'

/** Archives of the whole workspace: written, listed, brought back. */
@Injectable()
export class ArchiveService implements OnModuleInit, OnApplicationShutdown {
  private readonly log = new Logger('archive')
  private readonly folder: string
  private timers: NodeJS.Timeout[] = []
  /** There is one folder to unpack into. */
  private restoring = false

  constructor(
    @Inject(SETTINGS) private readonly settings: Settings,
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly followers: TableFollowers,
    private readonly wishes: SettingsService,
  ) {
    this.folder = copiesIn(settings.data)
    // Of nothing too: it is how the first large list is taken back.
    followers.beforeMuch(async () => {
      const { name } = await this.write('before-import')
      const who = doing()
      if (who) who.copy = name
    })
  }

  /** What was cut short by the end of the program is nobody's. */
  onModuleInit(): void {
    rmSync(join(this.settings.data, APART), { recursive: true, force: true })
    if (!existsSync(this.folder)) return
    for (const name of readdirSync(this.folder))
      if (name.endsWith(INCOMING) || name.endsWith('.zip.part')) this.drop(join(this.folder, name))
  }

  /**
   * Write everything as it is now. Copies of days that are no longer needed make room afterwards; what somebody saved, and
   * what was there before something was brought back, stays until somebody deletes it.
   */
  async write(reason: ArchiveReason, course: Course = {}): Promise<ArchiveReport> {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 })
    const name = newName(this.folder, reason)
    const written = await writeArchive(this.settings.data, join(this.folder, name), course)
    const daily = this.list().filter((one) => one.reason === 'daily')
    const keep = copiesToKeep(daily.map(({ at }) => at))
    for (const one of daily) if (!keep.has(one.at)) this.forget(one.name)
    if (reason === 'before-import' || reason === 'before-clearing')
      for (const one of this.list()
        .filter((one) => one.reason === reason)
        .slice(KEPT_BEFORE))
        this.forget(one.name)
    return { name, ...written }
  }

  /** Archives of the data folder, the newest first. */
  list(): KeptArchive[] {
    return keptIn(this.folder)
  }

  /** The bytes of a kept archive, to be taken away. 404 where there is none of that name. */
  open(name: string): Readable {
    return createReadStream(this.pathOf(name))
  }

  /** Where a kept archive lies. 404 where there is none of that name, or the name is none of ours. */
  pathOf(name: string): string {
    const path = join(this.folder, name)
    if (!readName(name) || !existsSync(path)) throw notFound('archive', name)
    return path
  }

  /** Delete a kept archive. 404 where there is none. */
  forget(name: string): void {
    rmSync(this.pathOf(name))
  }

  /** Keep an archive that comes in; where it lies. Nothing of it stays when it does not come whole. */
  async take(body: Readable): Promise<string> {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 })
    const path = join(this.folder, `${ulid()}${INCOMING}`)
    try {
      await pipeline(body, createWriteStream(path, { mode: 0o600 }))
    } catch (error) {
      this.drop(path)
      throw error
    }
    return path
  }

  /** Take away what was uploaded to be restored; nothing where it is gone already. */
  drop(path: string): void {
    rmSync(path, { force: true })
  }

  /** From now on, a copy of each day on which the program runs. One that fails is told in the log and tried again. */
  keepDaily(): void {
    const keep = () =>
      void this.daily().catch((error: unknown) => this.log.error(`The copy of the day could not be written: ${error}`))
    // Not at once: who starts the program wants to work.
    this.timers = [setTimeout(keep, FIRST_COPY), setInterval(keep, EVERY_COPY)]
    for (const timer of this.timers) timer.unref()
  }

  onApplicationShutdown(): void {
    for (const timer of this.timers) clearTimeout(timer)
  }

  /** A copy of today, unless there is one, nothing to keep, or nobody wishes for any; whether one was written. */
  async daily(): Promise<boolean> {
    const today = new Date().toISOString().slice(0, 10)
    if (this.list().some(({ at, reason }) => reason === 'daily' && at.startsWith(today))) return false
    if (!(await this.wishes.all()).dailyCopies || !(await this.holdsAnything())) return false
    await this.write('daily')
    return true
  }

  /** Whether anybody has put anything into the workspace; what was done with archives themselves does not count. */
  private async holdsAnything(): Promise<boolean> {
    const { databaseConnection } = this.database.driver as unknown as { databaseConnection: Database.Database }
    return archivedTables(databaseConnection)
      .filter(({ name }) => name !== 'job' && name !== 'sqlite_sequence' && name !== 'browser_kept')
      .some(({ name }) => databaseConnection.prepare(`SELECT 1 FROM ${quoted(name)} LIMIT 1`).get() !== undefined)
  }

  /**
   * Put what an archive holds in the place of everything there is, after a copy of that. The archive is checked through
   * first; then everything is replaced in one transaction, so that whatever happens there is the one or the other. The copy
   * is taken within it, when nobody else writes, so that nothing written meanwhile is in neither.
   */
  async restore(file: string, course: Course = {}): Promise<RestoreReport> {
    if (this.restoring) throw new BadArchive('A copy is being brought back already. Wait until that has ended.')
    this.restoring = true
    const apart = join(this.settings.data, APART)
    try {
      const { database, ...told } = await unpackArchive(file, apart, join(this.settings.data, 'files'), course)
      return { name: await this.replace(database, told.rows, course), ...told }
    } finally {
      rmSync(apart, { recursive: true, force: true })
      this.restoring = false
    }
  }

  /**
   * Delete everything of some things, after a copy of all that is there. Refused where what stays speaks of what would go,
   * with nothing changed.
   */
  async clear(what: readonly Clearable[], course: Course = {}): Promise<ClearReport> {
    const words = `Cleared ${inWords(what).toLowerCase()}`
    const report = await this.away(words, (db) => clearTables(db, what), course).catch((error: unknown) => {
      if (!(error instanceof StillNeeded)) throw error
      // A job tells a sentence and no more.
      throw new Error(`${inWords(error.by)} would speak of what is gone. Clear that too. Nothing was changed.`)
    })
    // What is being typed in browsers speaks of what is gone.
    if (what.includes('catalogue')) nameAnew(this.settings.data, false)
    return report
  }

  /** What of the sample world would go and stay, were it taken away now; null where none came into this workspace. */
  sample(): SampleAmongOwn | null {
    const { databaseConnection } = this.database.driver as unknown as { databaseConnection: Database.Database }
    const parting = partFromSample(databaseConnection)
    if (!parting) return null
    const goes = [...parting.goes.values()].reduce((sum, keys) => sum + keys.length, 0)
    const stays = [...parting.stays].map(([table, count]) => ({ table, count }))
    return { goes, stays: stays.sort((a, b) => b.count - a.count) }
  }

  /** Take the sample world away, after a copy of all that is there; what is one's own, and what that rests on, stays. */
  withoutSample(course: Course = {}): Promise<ClearReport> {
    const remove = (db: Database.Database) => {
      const parting = partFromSample(db)
      if (!parting) throw new Error('There is no sample world in this workspace. Nothing was changed.')
      return removeSample(db, parting)
    }
    return this.away('Took the sample world away', remove, course)
  }

  /** Delete what `remove` deletes, after a copy of all that is there, in one transaction. */
  private async away(words: string, remove: (db: Database.Database) => number, course: Course): Promise<ClearReport> {
    const report: ClearReport = { name: null, rows: 0 }
    const who = doing()
    await unrecorded(() =>
      this.writer.transaction(async (db) => {
        const target = (await db.queryRunner!.connect()) as Database.Database
        target.pragma('defer_foreign_keys = ON')
        const triggers = withoutTriggers(target)
        report.rows = remove(target)
        for (const trigger of triggers) target.exec(trigger)
        await this.followers.afresh(db)
        // What others see, and the copy holds, is there until this is committed.
        if (await this.holdsAnything()) report.name = (await this.write('before-clearing', course)).name
        await writeDown(db, who, words, report.name)
      }),
    )
    this.changes.tell('catalogue', 'drawer', 'market')
    this.changes.replaced(who?.window ?? null)
    await this.sweepPictures()
    return report
  }

  /** Pictures nothing speaks of any more go. */
  private async sweepPictures(): Promise<void> {
    const folder = join(this.settings.data, 'files')
    if (!existsSync(folder)) return
    const rows = (await this.database.query('SELECT hash FROM photo')) as { hash: string }[]
    const known = new Set(rows.map(({ hash }) => `${hash}.webp`))
    for (const name of readdirSync(folder)) {
      const path = join(folder, name)
      if (!known.has(name) && Date.now() - statSync(path).mtimeMs > YOUNG) rmSync(path, { force: true })
    }
  }

  /** The name of the copy of what was there; null where there was nothing. */
  private async replace(database: string, all: number, course: Course): Promise<string | null> {
    const { signal, report } = course
    const source = new Database(database, { readonly: true })
    let kept: string | null = null
    const who = doing()
    try {
      await unrecorded(() =>
        this.writer.transaction(async (db) => {
          if (await this.holdsAnything()) kept = (await this.write('before-restore', course)).name
          const target = (await db.queryRunner!.connect()) as Database.Database
          const tables = archivedTables(source)
          const breath = breathing()
          let done = 0
          target.pragma('defer_foreign_keys = ON')
          const triggers = withoutTriggers(target)
          // Those that refer to others go first and come last.
          for (const { name } of [...tables].reverse()) target.exec(`DELETE FROM ${quoted(name)}`)
          for (const { name, columns, order } of tables) {
            if (name === 'sqlite_sequence') target.exec('DELETE FROM sqlite_sequence')
            const list = columns.map(quoted).join(', ')
            const insert = target.prepare(
              `INSERT INTO ${quoted(name)} (${list}) VALUES (${columns.map(() => '?').join(', ')})`,
            )
            for (const row of source
              .prepare(`SELECT ${list} FROM ${quoted(name)} ORDER BY ${order}`)
              .raw()
              .iterate()) {
              insert.run(row as unknown[])
              if (++done % 1000 !== 0) continue
              signal?.throwIfAborted()
              report?.({ words: 'Putting it in place', done, of: all })
              await breath()
            }
          }
          for (const trigger of triggers) target.exec(trigger)
          await this.followers.afresh(db)
          await writeDown(db, who, 'Brought a copy of everything back', kept)
        }),
      )
    } finally {
      source.close()
    }
    nameAnew(this.settings.data, true)
    this.changes.replaced(who?.window ?? null)
    this.changes.tell('catalogue', 'drawer', 'market')
    return kept
  }
}

/** Write down what replaced so much that only a copy of what was there takes it back; of nothing there is nothing to take back. */
async function writeDown(db: EntityManager, who: Doing | null, words: string, copy: string | null): Promise<void> {
  if (!who || copy === null) return
  const told = { id: ulid(), at: new Date().toISOString(), device: who.device, words }
  await db.insert(JournalEntity, { ...told, whole: false, undoes: null, undone: null, copy })
}

const inWords = (what: readonly Clearable[]) =>
  what.length === 0 ? 'Something' : listed(what.map((one) => CLEARABLE_NAMES[one]))
