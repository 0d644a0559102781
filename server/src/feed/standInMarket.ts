import { parse } from 'csv-parse/sync'
import { existsSync, readFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { CSV_OPTIONS, rowReader, writeTable, type TableRow } from '@outfit/core/tables'
import { chance, sheetOfDay } from '@outfit/core/feed'
import { dateAfter, daysBetween } from '@outfit/core/base'

/** How often, of a hundred requests, a seller's list fails in a way; `garbled` is of a hundred lines. */
interface Moods {
  /** Never answers. */
  silent?: number
  /** Says it is too busy. */
  busy?: number
  /** Breaks off. */
  cut?: number
  /** Answers late. */
  slow?: number
  garbled?: number
}

export interface StandInWorld {
  seed: number
  /** The day whose lists the offers are. */
  day: string
  /** Weeks of history before that day. */
  weeks: number
  moods: Readonly<Record<string, Moods>>
  offers: readonly TableRow<'offers'>[]
}

/** A slow answer takes so long, in milliseconds. */
const SLOW = 1500
/** A busy service asks to be left alone for so many seconds. */
const BUSY = 1
/** A list has at the most so many pages, of no fewer lines. */
const PAGES = 20
const FEWEST = 120
/** Lists kept for their next pages, more than are asked for at a time. */
const KEPT = 8

const FILE = 'market.json'

/** Whether a world brings a made-up market along. */
export const hasStandIn = (world: string): boolean => existsSync(join(world, FILE))

/** Read the made-up market of a world: the lists of its offers' newest day, and market.json; null where it has none. */
export function readStandIn(world: string): StandInWorld | null {
  if (!hasStandIn(world)) return null
  const { seed, weeks, moods } = JSON.parse(readFileSync(join(world, FILE), 'utf8')) as Omit<
    StandInWorld,
    'day' | 'offers'
  >
  const [header = [], ...records] = parse(readFileSync(join(world, 'offers.csv'), 'utf8'), {
    ...CSV_OPTIONS,
    info: false,
  }) as unknown as string[][]
  const read = rowReader('offers', header, {})
  const rejects: never[] = []
  const all = records.flatMap((record, i) => (read(record, i + 2, rejects) as TableRow<'offers'> | null) ?? [])
  const day = all.reduce((newest, { date }) => (date > newest ? date : newest), '')
  return { seed, weeks, moods, day, offers: all.filter(({ date }) => date === day) }
}

/**
 * A market that ships with us: a small service on the own machine with the manners of a real one. Its lists drift from day to
 * day by a seed; now and then a seller's list does not come, breaks off, comes late or garbled.
 */
export class StandInMarket {
  private readonly bySeller = new Map<string, TableRow<'offers'>[]>()
  /** Requests so far of each seller; what goes wrong is drawn anew for each. */
  private readonly asked = new Map<string, number>()
  /** The lists drawn last: each is asked for page by page. */
  private readonly lately = new Map<string, TableRow<'offers'>[]>()
  private server: Server | null = null
  private listening: Promise<string> | null = null

  constructor(
    private readonly world: StandInWorld,
    private readonly today: () => string,
  ) {
    for (const offer of world.offers)
      if (!this.bySeller.get(offer.seller)?.push(offer)) this.bySeller.set(offer.seller, [offer])
  }

  get sellers(): string[] {
    return [...this.bySeller.keys()].sort()
  }

  /** Its address; the first to ask starts it, on a free port of this machine alone. */
  url(): Promise<string> {
    this.listening ??= new Promise((resolve, reject) => {
      const server = createServer((request, response) => this.answer(request, response))
      this.server = server
      server.once('error', reject)
      server.listen(0, '127.0.0.1', () => resolve(`http://127.0.0.1:${(server.address() as AddressInfo).port}`))
      server.unref()
    })
    return this.listening
  }

  stop(): void {
    this.server?.closeAllConnections()
    this.server?.close()
    this.server = null
    this.listening = null
  }

  /** A seller's list of a day. */
  sheet(seller: string, date: string): TableRow<'offers'>[] {
    const key = `${seller} ${date}`
    const kept = this.lately.get(key)
    if (kept) return kept
    const { day, seed } = this.world
    const drawn = sheetOfDay(this.bySeller.get(seller) ?? [], seller, daysBetween(day, date), seed)
    const sheet = drawn.map((line) => ({ ...line, date }))
    this.lately.set(key, sheet)
    if (this.lately.size > KEPT) this.lately.delete(this.lately.keys().next().value!)
    return sheet
  }

  /** The lists of the weeks before its day, the oldest first, without those a seller's silence lost. */
  past(): { seller: string; date: string; lines: TableRow<'offers'>[] }[] {
    const { day, seed, moods, weeks } = this.world
    const back = Array.from({ length: weeks }, (_, i) => weeks - i)
    return back.flatMap((week) =>
      this.sellers
        .filter((seller, i) => chance(seed + i, -week) * 200 >= (moods[seller]?.silent ?? 0))
        .map((seller) => ({
          seller,
          date: dateAfter(day, -7 * week),
          lines: this.sheet(seller, dateAfter(day, -7 * week)),
        })),
    )
  }

  private answer(request: IncomingMessage, response: ServerResponse): void {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://market')
    if (pathname === '/sellers') return this.json(response, { sellers: this.sellers })
    const seller = decodeURIComponent(/^\/sheets\/([^/]+)$/.exec(pathname)?.[1] ?? '')
    if (!this.bySeller.has(seller)) return this.status(response, 404)
    const mood = this.moodOf(seller)
    if (mood === 'silent') return
    if (mood === 'busy') return this.status(response, 503, { 'Retry-After': String(BUSY) })
    const send = () => this.send(response, seller, Number(searchParams.get('page') ?? 0), mood === 'cut')
    if (mood === 'slow') setTimeout(send, SLOW).unref()
    else send()
  }

  private moodOf(seller: string): 'silent' | 'busy' | 'cut' | 'slow' | null {
    const n = (this.asked.get(seller) ?? 0) + 1
    this.asked.set(seller, n)
    let left = chance(this.world.seed + this.sellers.indexOf(seller), n) * 100
    const moods = this.world.moods[seller] ?? {}
    for (const mood of ['silent', 'busy', 'cut', 'slow'] as const) {
      left -= moods[mood] ?? 0
      if (left < 0) return mood
    }
    return null
  }

  private send(response: ServerResponse, seller: string, page: number, cut: boolean): void {
    const all = this.sheet(seller, this.today())
    const size = Math.max(FEWEST, Math.ceil(all.length / PAGES))
    const lines = writeTable('offers', all.slice(page * size, (page + 1) * size))
      .trimEnd()
      .split('\n')
    const { garbled = 0 } = this.world.moods[seller] ?? {}
    const csv = lines
      .map((text, i) =>
        i > 0 && chance(this.world.seed ^ 0xbad, page * size + i) * 100 < garbled ? garble(text, i) : text,
      )
      .join('\n')
    const more = (page + 1) * size < all.length
    response.writeHead(200, {
      'Content-Type': 'text/csv; charset=utf-8',
      ...(more ? { Link: `</sheets/${encodeURIComponent(seller)}?page=${page + 1}>; rel="next"` } : {}),
    })
    if (!cut) return void response.end(csv)
    response.write(csv.slice(0, csv.length / 2))
    setTimeout(() => response.destroy(), 20).unref()
  }

  private json(response: ServerResponse, body: unknown): void {
    response.writeHead(200, { 'Content-Type': 'application/json' })
    response.end(JSON.stringify(body))
  }

  private status(response: ServerResponse, status: number, headers: Record<string, string> = {}): void {
    response.writeHead(status, headers)
    response.end()
  }
}

/** A line as it comes out of a broken printer: no price, another currency, or half of it. */
function garble(line: string, n: number): string {
  const cells = line.split(',')
  if (n % 3 === 0) cells[5] = '-1'
  else if (n % 3 === 1) cells[6] = '???'
  else return cells.slice(0, 4).join(',')
  return cells.join(',')
}
