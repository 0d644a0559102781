import { Inject, Injectable, type OnModuleInit } from '@nestjs/common'
import { createHash, randomUUID } from 'node:crypto'
import { createReadStream, existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs'
import { rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import sharp from 'sharp'
import { DataSource } from 'typeorm'
import { PHOTO_LIMIT, PHOTO_TOO_LARGE } from '@outfit/core/tables'
import { notFound, Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { Writer } from '../base/writer.ts'
import { PhotoEntity } from '../schema/catalogue.ts'

/** Longest side kept, in pixels; the longest side and the most pixels that are unpacked at all. */
const LONGEST = 1600
const LONGEST_READ = 20_000
const MOST_PIXELS = 80_000_000
/** Pictures unpacked at a time, and the seconds each has. */
const AT_ONCE = 2
const SECONDS = 20

/** First bytes of the kinds of picture that are taken. */
const SIGNS: { name: string; is: (head: Buffer) => boolean }[] = [
  { name: 'png', is: (b) => b.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) },
  { name: 'jpeg', is: (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff },
  { name: 'webp', is: (b) => b.toString('latin1', 0, 4) === 'RIFF' && b.toString('latin1', 8, 12) === 'WEBP' },
]

/**
 * Photos by the SHA-256 of what is kept: sniffed, size-limited, turned upright, made no larger than needed and encoded
 * anew as WebP, so that nothing but pixels of a file that came in is ever served.
 */
@Injectable()
export class PhotoService implements OnModuleInit {
  private readonly folder: string
  private readonly busy = new Set<Promise<void>>()

  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    @Inject(SETTINGS) settings: Settings,
  ) {
    this.folder = join(settings.data, 'files')
  }

  onModuleInit(): void {
    mkdirSync(this.folder, { recursive: true })
    // What a kill left half written is nobody's.
    for (const name of readdirSync(this.folder))
      if (name.endsWith('.part')) rmSync(join(this.folder, name), { force: true })
  }

  /**
   * Keep a picture; its hash and its size as it is kept. 413 where it is too large (`announced` is the length its sender
   * tells), 415 where it is no picture or cannot be read. Nothing is kept then.
   */
  async take(body: Readable, announced: number | null): Promise<{ hash: string; width: number; height: number }> {
    if (announced !== null && announced > PHOTO_LIMIT) throw tooLarge()
    const chunks: Buffer[] = []
    let bytes = 0
    for await (const chunk of body as AsyncIterable<Buffer>) {
      bytes += chunk.length
      if (bytes > PHOTO_LIMIT) throw tooLarge()
      chunks.push(chunk)
    }
    const file = Buffer.concat(chunks)
    if (!SIGNS.some(({ is }) => is(file)))
      throw new Problem(415, 'The file is no PNG, JPEG or WebP picture, whatever its name says. Nothing was kept.', [
        { field: 'file', message: 'is no PNG, JPEG or WebP picture' },
      ])
    const { data, info } = await this.inTurn(() => encoded(file))
    const hash = createHash('sha256').update(data).digest('hex')
    const path = this.pathOf(hash)
    if (!existsSync(path)) {
      // Under its own name only when it is whole; the same picture may be taken twice at once, each with a file of its own.
      const part = `${path}.${randomUUID()}.part`
      await writeFile(part, data)
      await rename(part, path)
    }
    const { width, height } = info
    await this.writer.transaction((db) => db.save(PhotoEntity, { hash, width, height, bytes: data.length }))
    return { hash, width, height }
  }

  /** The bytes of a kept photo, as a stream. */
  async open(hash: string): Promise<Readable> {
    return createReadStream(await this.fileOf(hash))
  }

  /** Where the bytes of a kept photo are. */
  async fileOf(hash: string): Promise<string> {
    const known = /^[0-9a-f]{64}$/.test(hash) && (await this.database.getRepository(PhotoEntity).existsBy({ hash }))
    if (!known || !existsSync(this.pathOf(hash))) throw notFound('photo', hash)
    return this.pathOf(hash)
  }

  /** Run `work` when fewer than `AT_ONCE` others run. */
  private async inTurn<T>(work: () => Promise<T>): Promise<T> {
    while (this.busy.size >= AT_ONCE) await Promise.race(this.busy)
    const mine = work()
    const done = mine.then(
      () => undefined,
      () => undefined,
    )
    this.busy.add(done)
    try {
      return await mine
    } finally {
      this.busy.delete(done)
    }
  }

  private pathOf(hash: string): string {
    return join(this.folder, `${hash}.webp`)
  }
}

const tooLarge = () => new Problem(413, PHOTO_TOO_LARGE, [{ field: 'file', message: 'is too large' }])

/** The picture upright, no larger than needed, as WebP. */
async function encoded(file: Buffer) {
  const unreadable = (message: string, detail: string) =>
    new Problem(415, `${detail} Nothing was kept.`, [{ field: 'file', message }])
  try {
    // The header says how large it is; what would take long is not begun.
    const { width = 0, height = 0 } = await sharp(file, { limitInputPixels: false }).metadata()
    if (Math.max(width, height) > LONGEST_READ || width * height > MOST_PIXELS)
      throw unreadable(
        `is ${width} × ${height} pixels`,
        `The picture is ${width} × ${height} pixels; ${LONGEST_READ} a side and 80 million in all is the most.`,
      )
    return await sharp(file, { limitInputPixels: MOST_PIXELS })
      .timeout({ seconds: SECONDS })
      .rotate()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 86 })
      .toBuffer({ resolveWithObject: true })
  } catch (error) {
    if (error instanceof Problem) throw error
    throw /timeout/i.test((error as Error).message)
      ? unreadable('takes too long to read', `The picture takes longer than ${SECONDS} seconds to read.`)
      : unreadable('cannot be read', 'The picture cannot be read; it may be cut short.')
  }
}
