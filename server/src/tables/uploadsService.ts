import { Inject, Injectable, type OnModuleInit } from '@nestjs/common'
import { parse } from 'csv-parse'
import { isUtf8 } from 'node:buffer'
import { createReadStream, createWriteStream, existsSync, mkdirSync, rmSync } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { ulid } from 'ulid'
import { CSV_OPTIONS, delimiterOf, notCsv, TABLE_FILE_LIMIT, tableTooLarge } from '@outfit/core/tables'
import { notFound, Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { needsReader, plainRecords } from './plainRecords.ts'

/** Rows shown for the mapping. */
const SHOWN = 6

export interface Upload {
  upload: string
  bytes: number
  header: string[]
  /** The first rows under the header, as they stand in the file. */
  rows: string[][]
}

/** One record of a file with the line its end stands on. */
export interface FileRecord {
  record: string[]
  info: { lines: number }
}

/** Table files waiting to be read: kept in a folder until they were imported or the server starts anew. */
@Injectable()
export class UploadsService implements OnModuleInit {
  private readonly folder: string
  /** Uploads that can be read without a reader of quotes. */
  private readonly plain = new Set<string>()

  constructor(@Inject(SETTINGS) settings: Settings) {
    this.folder = join(settings.data, 'uploads')
  }

  onModuleInit(): void {
    rmSync(this.folder, { recursive: true, force: true })
    mkdirSync(this.folder, { recursive: true })
  }

  /** Keep a file that comes in, refusing what is too large or no UTF-8 while it comes; nothing of it stays then. */
  async take(body: Readable, announced: number | null): Promise<Upload> {
    if (announced !== null && announced > TABLE_FILE_LIMIT) throw tooLarge(announced)
    const upload = ulid()
    const path = this.pathOf(upload)
    let bytes = 0
    let line = 1
    let plain = true
    const decoder = new TextDecoder('utf-8', { fatal: true })
    const check = async function* (source: AsyncIterable<Buffer>) {
      for await (const chunk of source) {
        bytes += chunk.length
        if (bytes > TABLE_FILE_LIMIT) throw tooLarge(bytes)
        line += linesIn(decoder, chunk, line)
        plain &&= !needsReader(chunk)
        yield chunk
      }
      linesIn(decoder, null, line)
    }
    try {
      await pipeline(body, check, createWriteStream(path))
      const { header, rows } = await this.head(path)
      if (plain) this.plain.add(upload)
      return { upload, bytes, header, rows }
    } catch (error) {
      await rm(path, { force: true })
      throw error
    }
  }

  /** The records of a kept file, one after the other, header first. */
  async records(upload: string): Promise<AsyncIterable<FileRecord>> {
    this.demand(upload)
    const path = this.pathOf(upload)
    const delimiter = await this.delimiter(path)
    if (this.plain.has(upload)) return plainRecords(createReadStream(path, { encoding: 'utf8' }), delimiter)
    return createReadStream(path).pipe(parse({ ...CSV_OPTIONS, delimiter })) as AsyncIterable<FileRecord>
  }

  /** Refuse a name under which no file is kept. */
  demand(upload: string): void {
    if (!/^\w+$/.test(upload) || !existsSync(this.pathOf(upload))) throw notFound('uploaded file', upload)
  }

  /** Delete an upload; nothing where it is gone already. */
  async forget(upload: string): Promise<void> {
    await rm(this.pathOf(upload), { force: true })
    this.plain.delete(upload)
  }

  private pathOf(upload: string): string {
    return join(this.folder, `${upload}.csv`)
  }

  private async delimiter(path: string): Promise<string> {
    let start = ''
    for await (const chunk of createReadStream(path, { encoding: 'utf8', end: 65_535 })) start += chunk
    return delimiterOf(start)
  }

  private async head(path: string): Promise<{ header: string[]; rows: string[][] }> {
    const read: string[][] = []
    const source = createReadStream(path).pipe(
      parse({ ...CSV_OPTIONS, delimiter: await this.delimiter(path), to: SHOWN + 1 }),
    ) as AsyncIterable<FileRecord>
    try {
      for await (const { record } of source) read.push(record)
    } catch (error) {
      const { line, reason } = notCsv(error)
      throw new Problem(400, `Line ${line}: ${reason}. Nothing was kept.`, [{ field: `line ${line}`, message: reason }])
    }
    const [header, ...rows] = read
    if (!header)
      throw new Problem(400, 'The file is empty. Nothing was kept.', [{ field: 'file', message: 'is empty' }])
    return { header, rows }
  }
}

const tooLarge = (bytes: number) => new Problem(413, tableTooLarge(bytes), [{ field: 'file', message: 'is too large' }])

/** Line breaks in a chunk, after decoding it as UTF-8 (null: the end). Throws with the line where that fails. */
function linesIn(decoder: InstanceType<typeof TextDecoder>, chunk: Buffer | null, before: number): number {
  try {
    const text = chunk ? decoder.decode(chunk, { stream: true }) : decoder.decode()
    if (text.includes('\0')) throw new Error('has bytes no text has')
    return text.split('\n').length - 1
  } catch {
    const until = chunk ? brokenAfter(chunk) : 0
    const line = before + until
    throw new Problem(
      400,
      `The file is not UTF-8 text: line ${line} has bytes that are none. Save it as "CSV UTF-8" and try again. Nothing was kept.`,
      [{ field: `line ${line}`, message: 'is not UTF-8' }],
    )
  }
}

/** Line breaks in a chunk before its first bytes that are no UTF-8 text. */
function brokenAfter(chunk: Buffer): number {
  let lines = 0
  for (let from = 0; from < chunk.length;) {
    const end = chunk.indexOf(10, from)
    const piece = chunk.subarray(from, end < 0 ? chunk.length : end)
    if (piece.includes(0) || !isUtf8(piece)) return lines
    if (end < 0) break
    lines++
    from = end + 1
  }
  return lines
}
