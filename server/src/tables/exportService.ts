import { Injectable } from '@nestjs/common'
import { once } from 'node:events'
import { PassThrough, type Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { EntityManager, ObjectLiteral } from 'typeorm'
import { columnsOf, TABLE_NAMES, writeTable, type TableName, type TableRow } from '@outfit/core/tables'
import { ZipFile } from 'yazl'
import { Databases } from '../base/database.ts'
import { LyingEntity } from '../schema/drawer.ts'
import { offeredOn } from '../schema/offeredOn.ts'
import type { OfferEntity } from '../schema/market.ts'
import { TABLE_TARGETS } from './tableTargets.ts'

/** Rows read and written at a time. */
const PAGE = 2000

/** Writes tables as CSV, in the columns and cells the import reads back, as they were at one moment. */
@Injectable()
export class ExportService {
  constructor(private readonly databases: Databases) {}

  /** Write a table as CSV into a stream, as it is at one moment. */
  write(table: TableName, out: Writable): Promise<void> {
    return this.databases.snapshot((db) => this.writeFrom(db, table, out))
  }

  /** All tables as one ZIP of CSV files, as they were at the same moment. */
  writeAll(out: Writable): Promise<void> {
    return this.databases.snapshot(async (db) => {
      const zip = new ZipFile()
      const sent = pipeline(zip.outputStream, out)
      const written = (async () => {
        for (const table of TABLE_NAMES) {
          const csv = new PassThrough()
          zip.addReadStream(csv, `${table}.csv`)
          await this.writeFrom(db, table, csv)
        }
        zip.end()
      })()
      await Promise.race([sent, written.then(() => sent)]).catch((error: unknown) => {
        // Where nobody reads on, nobody waits for the rest, and nobody is to be told.
        if (!out.destroyed) throw error
      })
    })
  }

  private async writeFrom(db: EntityManager, table: TableName, out: Writable): Promise<void> {
    let header = true
    for await (const rows of table === 'owned' ? this.owned(db) : this.pages(db, table)) {
      const csv = writeTable(table, rows as never)
      const text = header ? csv : csv.slice(csv.indexOf('\n') + 1)
      header = false
      if (!out.write(text)) await drained(out)
      // Nobody reads on, and the moment that is read from must not be kept for nobody.
      if (out.destroyed) return
    }
    if (header) out.write(writeTable(table, []))
    out.end()
  }

  /** Rows in the order of their key, without the columns an import makes itself. */
  private async *pages(db: EntityManager, table: TableName): AsyncGenerator<TableRow<TableName>[]> {
    const { entity } = TABLE_TARGETS[table]
    const { primaryColumns } = db.connection.getMetadata(entity)
    const order = Object.fromEntries(primaryColumns.map(({ propertyName }) => [propertyName, 'ASC' as const]))
    const names = columnsOf(table).map(({ name }) => name)
    const on = table === 'offers' ? await offeredOn(db) : null
    for (let skip = 0; ; skip += PAGE) {
      const rows = await db.getRepository<ObjectLiteral>(entity).find({ order, skip, take: PAGE })
      if (on) for (const row of rows) row['date'] = on(row as OfferEntity)
      if (rows.length > 0)
        yield rows.map((row) => Object.fromEntries(names.map((name) => [name, row[name] as unknown]))) as never
      if (rows.length < PAGE) return
    }
  }

  /** What lies in the bins today: the sum of movements, not the movements. */
  private async *owned(db: EntityManager): AsyncGenerator<TableRow<'owned'>[]> {
    const lying = await db.find(LyingEntity, { order: { part: 'ASC', bin: 'ASC' } })
    const date = new Date().toISOString().slice(0, 10)
    const rows = lying.map(({ part, bin, qty, condition }) => ({ part, bin, qty, condition, date, reason: 'export' }))
    if (rows.length > 0) yield rows
  }
}

/** Wait until more can be written, or nothing any more. */
async function drained(out: Writable): Promise<void> {
  const waiting = new AbortController()
  await Promise.race(['drain', 'close'].map((event) => once(out, event, { signal: waiting.signal })))
    .catch(() => undefined)
    .finally(() => waiting.abort())
}
