import { Inject, Injectable, type OnModuleInit } from '@nestjs/common'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { ulid } from 'ulid'
import { sheetOf, type Encoding, type Sheet } from '@outfit/core/intake'
import { notFound, Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { decode, encodingOf } from './decode.ts'
import { isZip, MOST_ROWS, sheetsOf, tooLong } from './workbook.ts'

/** Most a list of a person's own may weigh; larger ones are tables of a market, which stream. */
const MOST_BYTES = 10 * 1024 * 1024

/** A list as it was kept. */
export interface KeptList {
  id: string
  name: string
  hash: string
}

/** A list read into rows, with how. */
export interface OpenedList extends KeptList {
  sheet: Sheet
  /** null for a workbook, which has none. */
  encoding: Encoding | null
  /** Names of the sheets of a workbook; the one read, by its index. */
  sheets: string[]
  at: number
}

/** Lists that are being looked at: kept in a folder until the server starts anew. */
@Injectable()
export class IntakeFiles implements OnModuleInit {
  private readonly folder: string
  private readonly kept = new Map<string, KeptList>()
  /** The list opened last, since each answer to a question reads it again. */
  private last: { key: string; opened: OpenedList } | null = null

  constructor(@Inject(SETTINGS) settings: Settings) {
    this.folder = join(settings.data, 'uploads')
  }

  onModuleInit(): void {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 })
  }

  async take(name: string, body: Readable): Promise<KeptList> {
    const chunks: Buffer[] = []
    let bytes = 0
    for await (const chunk of body as AsyncIterable<Buffer>) {
      bytes += chunk.length
      if (bytes > MOST_BYTES)
        throw new Problem(
          413,
          `The file is larger than ${MOST_BYTES / 1024 / 1024} MB. Nothing was kept; bring it in as a table instead.`,
          [{ field: 'file', message: 'is too large' }],
        )
      chunks.push(chunk)
    }
    const all = Buffer.concat(chunks)
    if (all.length === 0)
      throw new Problem(400, 'The file is empty. Nothing was kept.', [{ field: 'file', message: 'is empty' }])
    const kept = { id: ulid(), name, hash: createHash('sha256').update(all).digest('hex') }
    writeFileSync(this.pathOf(kept.id), all, { mode: 0o600 })
    this.kept.set(kept.id, kept)
    return kept
  }

  /** Read a kept list into rows; of a workbook the sheet with most cells, unless another is named. */
  async open(id: string, { encoding, sheet }: { encoding?: Encoding; sheet?: number } = {}): Promise<OpenedList> {
    const kept = this.kept.get(id)
    if (!kept || !existsSync(this.pathOf(id))) throw notFound('list', id)
    const key = JSON.stringify([id, encoding, sheet])
    if (this.last?.key === key) return this.last.opened
    const bytes = readFileSync(this.pathOf(id))
    const opened = isZip(bytes) ? await this.workbook(kept, bytes, sheet) : this.text(kept, bytes, encoding)
    if (opened.sheet.rows.length === 0)
      throw new Problem(400, `${kept.name} has no rows. Nothing was written.`, [
        { field: 'file', message: 'has no rows' },
      ])
    this.last = { key, opened }
    return opened
  }

  forget(id: string): void {
    rmSync(this.pathOf(id), { force: true })
    this.kept.delete(id)
    this.last = null
  }

  private text(kept: KeptList, bytes: Buffer, said?: Encoding): OpenedList {
    const encoding = said ?? encodingOf(bytes)
    const text = decode(bytes, encoding)
    if (text.includes('\u0000'))
      throw new Problem(400, `${kept.name} is no text and no workbook. Nothing was written.`, [
        { field: 'file', message: 'is neither a text nor a workbook' },
      ])
    // Cells may have line breaks, but not that many.
    let lines = 0
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) lines += 1
    if (lines > 4 * MOST_ROWS) throw tooLong()
    const sheet = sheetOf(text)
    if (sheet.rows.length > MOST_ROWS) throw tooLong()
    return { ...kept, sheet, encoding, sheets: [], at: 0 }
  }

  private async workbook(kept: KeptList, bytes: Buffer, said?: number): Promise<OpenedList> {
    const sheets = await sheetsOf(bytes)
    const cells = sheets.map(({ sheet }) => sheet.rows.reduce((sum, row) => sum + row.cells.length, 0))
    const at = said !== undefined && sheets[said] ? said : cells.indexOf(Math.max(...cells))
    return { ...kept, sheet: sheets[at]!.sheet, encoding: null, sheets: sheets.map(({ name }) => name), at }
  }

  private pathOf(id: string): string {
    if (!/^\w+$/.test(id)) throw notFound('list', id)
    return join(this.folder, `${id}.list`)
  }
}
