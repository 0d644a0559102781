import { Inject, Injectable } from '@nestjs/common'
import { setTimeout as sleep } from 'node:timers/promises'
import { DataSource } from 'typeorm'
import type { Answered, Refreshed, RefreshProgress } from '@outfit/core/feed'
import { Changes } from '../base/changes.ts'
import { Problem } from '../base/problem.ts'
import { unrecorded } from '../base/doing.ts'
import type { Course } from '../jobs/jobsService.ts'
import { SellerEntity } from '../schema/market.ts'
import { SheetWriter } from '../market/sheetWriter.ts'
import { PATIENCE, type Patience } from './patience.ts'
import { FeedFault, MarketFeed, type FeedPage } from './marketFeed.ts'

/** Milliseconds after which it is told what lists have changed, while more of them come. */
const TOLD_EVERY = 5_000

/** What lists changed, told now and then: whoever looks on works all prices out anew each time they are told. */
class ChangedOffers {
  private things: Set<string> | null = new Set()
  private told = performance.now()

  constructor(private readonly changes: Changes) {}

  /** The things of a list that are offered otherwise now; null for any. */
  add(things: ReadonlySet<string> | null): void {
    if (things && this.things) for (const thing of things) this.things.add(thing)
    else this.things = null
    if (performance.now() - this.told > TOLD_EVERY) this.tell()
  }

  tell(): void {
    if (this.things?.size !== 0) this.changes.tellOffers(this.things)
    this.things = new Set()
    this.told = performance.now()
  }
}

/** Asks the market for today's lists. A list that does not come leaves the former one standing. */
@Injectable()
export class RefreshService {
  constructor(
    private readonly database: DataSource,
    private readonly feed: MarketFeed,
    private readonly sheets: SheetWriter,
    private readonly changes: Changes,
    @Inject(PATIENCE) private readonly patience: Patience,
  ) {}

  get market(): string | null {
    return this.feed.name
  }

  /** Refuse with 409 where no market can be asked. */
  demandMarket(): void {
    if (this.feed.name === null)
      throw new Problem(409, 'No market is connected. Bring offers in as tables, or type them in.')
  }

  /** Ask for the lists of all sellers, or some; what was written stays when it is cancelled. */
  async refresh(
    only: readonly string[] | null,
    { signal, report }: Pick<Course, 'signal' | 'report'>,
  ): Promise<Refreshed> {
    const at = new Date().toISOString()
    const listed = await this.patiently((own) => this.feed.sellers(own), signal)
    const known = new Map(
      (await this.database.getRepository(SellerEntity).find()).map((seller) => [seller.code, seller]),
    )
    const codes = listed.filter((code) => !only || only.includes(code)).sort()
    const answered: Answered[] = []
    const asking = new Map<string, number>()
    const changed = new ChangedOffers(this.changes)
    const tell = () =>
      report({
        done: answered.length,
        of: codes.length,
        asking: [...asking].map(([code, attempt]) => ({
          name: known.get(code)?.name ?? code,
          attempt,
          tries: this.patience.tries,
        })),
      } satisfies RefreshProgress)
    const queue = [...codes]
    const work = async () => {
      for (let code = queue.shift(); code !== undefined; code = queue.shift()) {
        signal.throwIfAborted()
        const seller = known.get(code)
        const skipped = !seller ? 'strange' : seller.standing === 'blocked' ? 'blocked' : null
        const attempt = (n: number) => {
          asking.set(code, n)
          tell()
        }
        answered.push(
          skipped
            ? { ...nothing(code), name: seller?.name ?? code, state: skipped }
            : { ...(await this.ask(code, signal, attempt, changed)), name: seller!.name },
        )
        asking.delete(code)
        tell()
      }
    }
    try {
      await Promise.all(Array.from({ length: this.patience.abreast }, work))
    } finally {
      changed.tell()
    }
    return { at, sellers: answered.sort((a, b) => (a.name < b.name ? -1 : 1)) }
  }

  private async ask(
    seller: string,
    signal: AbortSignal,
    attempt: (n: number) => void,
    offers: ChangedOffers,
  ): Promise<Omit<Answered, 'name'>> {
    const start = performance.now()
    const pages: string[] = []
    let requests = 0
    let reason: string | null = null
    let cursor: string | null = null
    const seen = new Set<string>()
    try {
      do {
        const page: FeedPage = await this.patiently(
          (own) => this.feed.page(seller, cursor, own),
          signal,
          (n) => {
            requests += 1
            attempt(n)
          },
        )
        pages.push(page.csv)
        cursor = page.next
        if (cursor !== null && seen.has(cursor)) throw new FeedFault('its pages go round in a circle', false)
        if (cursor !== null) seen.add(cursor)
        if (seen.size >= this.patience.pages)
          throw new FeedFault(`its list goes on after ${this.patience.pages} pages`, false)
      } while (cursor !== null)
    } catch (error) {
      if (!(error instanceof FeedFault)) throw error
      reason = error.message
    }
    // What the market says is nobody's act.
    const { whole, kept, rejected, rejects } = await unrecorded(() => this.sheets.write({ seller, pages, reason }))
    const told = { requests, ms: Math.round(performance.now() - start), rejected, rejects }
    if (!kept)
      return { ...nothing(seller), ...told, state: 'silent', reason: reason ?? 'no line of its list could be read' }
    offers.add(kept.changed)
    return {
      ...kept.outcome,
      ...told,
      state: whole ? 'whole' : 'partial',
      reason: reason ?? (rejected > 0 ? 'some lines could not be read' : null),
    }
  }

  /** Ask, and again after a pause where that may help. */
  private async patiently<T>(
    ask: (signal: AbortSignal) => Promise<T>,
    signal: AbortSignal,
    attempt?: (n: number) => void,
  ): Promise<T> {
    for (let n = 1; ; n++) {
      signal.throwIfAborted()
      attempt?.(n)
      // Held here until the answer is in: a signal made of AbortSignal.any and .timeout can be collected before its time.
      const own = new AbortController()
      const stop = () => own.abort()
      signal.addEventListener('abort', stop, { once: true })
      const timer = setTimeout(stop, this.patience.page)
      try {
        return await ask(own.signal)
      } catch (error) {
        signal.throwIfAborted()
        if (!(error instanceof FeedFault) || !error.passing || n >= this.patience.tries) throw error
        const pause = this.patience.pause * 2 ** (n - 1) * (0.75 + 0.5 * Math.random())
        await sleep(Math.min(this.patience.longest, Math.max(pause, error.waitMs ?? 0)), undefined, { signal })
      } finally {
        clearTimeout(timer)
        signal.removeEventListener('abort', stop)
      }
    }
  }
}

const nothing = (seller: string): Omit<Answered, 'name' | 'state'> => ({
  seller,
  date: '',
  lines: 0,
  fresh: 0,
  dearer: 0,
  cheaper: 0,
  gone: 0,
  reason: null,
  requests: 0,
  ms: 0,
  rejected: 0,
  rejects: [],
})
