import { Injectable } from '@nestjs/common'
import { DataSource, type EntityManager, type ObjectLiteral } from 'typeorm'
import {
  missingColumns,
  notCsv,
  PartGuesser,
  rowReader,
  sparseRowReader,
  type Corrections,
  type ImportReport,
  type Mapping,
  type Reject,
  type TableName,
  type TableRow,
} from '@outfit/core/tables'
import { Changes } from '../base/changes.ts'
import { doing } from '../base/doing.ts'
import { Writer } from '../base/writer.ts'
import { ColourEntity, MouldEntity, PrintEntity } from '../schema/catalogue.ts'
import { recordsIn } from './plainRecords.ts'
import { RowChecker } from './rowChecker.ts'
import { TABLE_TARGETS } from './tableTargets.ts'
import { writeRows } from './tableWriter.ts'
import { TableFollowers, type CollectedRows } from './tableFollowers.ts'
import { UploadsService, type FileRecord } from './uploadsService.ts'

export interface ImportOptions {
  mapping?: Mapping
  /** Write nothing when any row is rejected; true unless said otherwise. */
  strict?: boolean
  /** Only look: write nothing at all. */
  dry?: boolean
  /** For offers: the lists are all their sellers have, so that what they do not name is gone. */
  whole?: boolean
  /** It fills a workspace that holds nothing of anybody yet: there is nothing to copy before. */
  first?: boolean
  /** For parts: guess what a row leaves empty from its name, with corrections in bulk. */
  guess?: Corrections | null
}

/** What a long import tells and listens to. */
export interface Course {
  signal?: AbortSignal
  report?: (progress: { rows: number }) => void
}

/** Rejected rows and guesses told one by one; a file of nonsense would otherwise fill the screen and the memory. */
const MOST_REJECTS = 1000
const MOST_GUESSES = 200
const SAMPLE = 8
/** Rows read between two signs of life. */
const BREATH = 2000

/**
 * Brings CSV tables into the database. Rows with an unknown code or a duplicate key are rejected with line and reason;
 * with `strict` any reject stops the whole import. What is written is written in one transaction, streaming, so that a
 * large file needs little memory and a cancel or a crash leaves nothing behind.
 */
@Injectable()
export class ImportService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly uploads: UploadsService,
    private readonly followers: TableFollowers,
    private readonly changes: Changes,
  ) {}

  /** A table given as text. */
  importTable(table: TableName, csv: string, options: ImportOptions = {}): Promise<ImportReport> {
    return this.run(table, recordsIn(csv), options, {})
  }

  /** A table uploaded before. */
  async importUpload(upload: string, table: TableName, options: ImportOptions, course: Course): Promise<ImportReport> {
    const report = await this.run(table, await this.uploads.records(upload), options, course)
    if (report.written) await this.uploads.forget(upload)
    return report
  }

  private async run(
    table: TableName,
    records: Iterable<FileRecord> | AsyncIterable<FileRecord>,
    options: ImportOptions,
    course: Course,
  ): Promise<ImportReport> {
    if (options.dry) return this.read(this.database.manager, table, records, options, course, null)
    const { aspects } = TABLE_TARGETS[table]
    try {
      const report = await this.writer.transaction(async (db) => {
        // A row may name another of its table that comes later; all must be there in the end.
        await db.query('PRAGMA defer_foreign_keys = ON')
        const codes: string[] = []
        const kept = await this.followers.keeperOf(table)?.begin(db)
        const report = await this.read(db, table, records, options, course, { codes, kept })
        if (report.taken === 0 || (options.strict !== false && report.rejected > 0)) throw new NotWritten(report)
        if (!options.first) await this.followers.much(report.taken)
        await kept?.keep({ source: 'table', whole: options.whole ?? false })
        const fulfilled = await this.followers.written(db, table, codes)
        return { ...report, written: true, fulfilled }
      })
      const who = doing()
      return {
        ...report,
        entry: who?.whole ? who.entry : null,
        byCopy: who !== null && !who.whole && who.copy !== null,
      }
    } catch (error) {
      if (error instanceof NotWritten) return { ...error.report, taken: 0 }
      throw error
    } finally {
      // Also after a failure: what was read meanwhile saw rows that are gone again.
      this.changes.tell(...aspects)
    }
  }

  /** Read all records; with `written` write what is good there. */
  private async read(
    db: EntityManager,
    table: TableName,
    records: Iterable<FileRecord> | AsyncIterable<FileRecord>,
    { mapping = {}, guess = null }: ImportOptions,
    { signal, report: tell }: Course,
    written: Written | null,
  ): Promise<ImportReport> {
    const report = nothing(table)
    const checker = await RowChecker.open(db, table)
    const common = written ? await TABLE_TARGETS[table].open?.(db) : undefined
    const guesser = table === 'parts' && guess ? await this.guesser(db, guess) : null
    let readRow: ((record: readonly string[], line: number, rejects: Reject[]) => unknown) | null = null
    let waiting: { line: number; row: ObjectLiteral }[] = []
    let prints: ObjectLiteral[] = []
    const rejects: Reject[] = []
    const flush = async () => {
      if (written) {
        await writeRows(db, PrintEntity, prints)
        const { entity, spread } = TABLE_TARGETS[table]
        const good = waiting.map(({ row }) => (common ? { ...row, ...common } : row))
        const rows = spread ? await spread(db, good) : good
        if (written.kept) await written.kept.collect(rows)
        else await writeRows(db, entity, rows)
        // Only parts are looked up again by their codes; a million offers would fill the memory with them.
        if (table === 'parts') for (const row of rows) written.codes.push(row['code'] as string)
      }
      waiting = []
      prints = []
      report.rejected += rejects.length
      report.rejects.push(...rejects.splice(0).slice(0, Math.max(0, MOST_REJECTS - report.rejects.length)))
    }
    try {
      for await (const { record, info } of records) {
        if (signal?.aborted) throw new Error('cancelled')
        if (!readRow) {
          const missing = missingColumns(table, record, mapping, guesser ? ['mould', 'colours'] : [])
          if (missing.length > 0) return { ...report, rejects: missing, rejected: missing.length }
          readRow = guesser ? sparseRowReader(record, mapping) : rowReader(table, record, mapping)
          continue
        }
        report.rows += 1
        const read = readRow(record, info.lines, rejects)
        const filled = read && guesser ? guesser.fill(read as never, info.lines, rejects) : null
        if (filled?.print) checker.know(filled.print)
        const row = (guesser ? filled?.part : read) as TableRow<TableName> | null | undefined
        const good = row ? checker.check(row as never, info.lines, rejects) : null
        if (good) {
          waiting.push({ line: info.lines, row: good })
          if (filled?.print) prints.push(filled.print)
          report.taken += 1
          if (report.sample.length < SAMPLE) report.sample.push(row as Record<string, unknown>)
        }
        if (report.rows % BREATH === 0) {
          // Whether components and trays are good shows only when all of them are known.
          if (table !== 'components' && table !== 'bins') await flush()
          tell?.({ rows: report.rows })
          await new Promise(setImmediate)
        }
      }
    } catch (error) {
      if (signal?.aborted || !isCsvFault(error)) throw error
      rejects.push(notCsv(error))
    }
    if (!readRow) rejects.push({ line: 1, column: null, reason: 'the file is empty' })
    else if (report.rows === 0) rejects.push({ line: 1, column: null, reason: 'the file has a header and no rows' })
    const before = rejects.length
    checker.finish(rejects)
    const late = new Set(rejects.slice(before).map(({ line }) => line))
    waiting = waiting.filter(({ line }) => !late.has(line))
    report.taken -= late.size
    await flush()
    report.rejects.sort((a, b) => a.line - b.line)
    report.guesses = guesser?.groups.slice(0, MOST_GUESSES) ?? []
    return report
  }

  private async guesser(db: EntityManager, corrections: Corrections): Promise<PartGuesser> {
    const [colours, moulds] = await Promise.all([
      db.find(ColourEntity, { order: { code: 'ASC' } }),
      db.find(MouldEntity, { order: { code: 'ASC' } }),
    ])
    return new PartGuesser(colours, moulds, corrections)
  }
}

/** Where good rows go. */
interface Written {
  /** Codes of parts that were written. */
  codes: string[]
  /** Takes the rows of a table that is not kept as it stands. */
  kept: CollectedRows | undefined
}

/** Rolls a transaction back with what was found. */
class NotWritten extends Error {
  constructor(readonly report: ImportReport) {
    super('not written')
  }
}

const nothing = (table: TableName): ImportReport => ({
  table,
  rows: 0,
  taken: 0,
  rejects: [],
  rejected: 0,
  written: false,
  sample: [],
  guesses: [],
  fulfilled: [],
  entry: null,
  byCopy: false,
})

const isCsvFault = (error: unknown) => String((error as { code?: string }).code ?? '').startsWith('CSV_')
