import { Injectable } from '@nestjs/common'
import type { Aspect } from '@outfit/core/news'

export type { Aspect }

/**
 * Changes of the market of which it is known what they concern, and the things they concern in all but the last; whoever asks
 * after more of them looks at everything.
 */
const REMEMBERED = { changes: 100, things: 20_000 }

/** Counts changes by what they concern, so that what was worked out from the database knows when it is stale. */
@Injectable()
export class Changes {
  private readonly counts: Record<Aspect, number> = { catalogue: 0, drawer: 0, market: 0 }
  private readonly listeners: ((aspects: readonly Aspect[]) => void)[] = []
  private readonly replacedListeners: ((by: string | null) => void)[] = []

  /** Which things' offers the last changes of the market concern, as "kind code"; null for any. */
  private readonly offers: (ReadonlySet<string> | null)[] = []

  tell(...aspects: readonly Aspect[]): void {
    this.count(aspects, null)
  }

  /** The market changed, and of it only the offers of `things` ("kind code"); null for any. */
  tellOffers(things: ReadonlySet<string> | null): void {
    this.count(['market'], things)
  }

  /** How often the market changed. */
  get ofMarket(): number {
    return this.counts.market
  }

  /** The things whose offers may be others than when the market had changed `count` times; null where that may be any. */
  offersSince(count: number): ReadonlySet<string> | null {
    const since = this.counts.market - count
    if (since > this.offers.length) return null
    const things = new Set<string>()
    for (const own of this.offers.slice(this.offers.length - since)) {
      if (!own) return null
      for (const thing of own) things.add(thing)
    }
    return things
  }

  private count(aspects: readonly Aspect[], things: ReadonlySet<string> | null): void {
    for (const aspect of aspects) this.counts[aspect]++
    if (aspects.includes('market')) this.remember(things)
    for (const listener of this.listeners) listener(aspects)
  }

  private remember(things: ReadonlySet<string> | null): void {
    this.offers.push(things)
    const before = () => this.offers.slice(0, -1).reduce((sum, own) => sum + (own?.size ?? 0), 0)
    while (this.offers.length > REMEMBERED.changes || before() > REMEMBERED.things) this.offers.shift()
  }

  /** `listener` is told of what changed. */
  onTold(listener: (aspects: readonly Aspect[]) => void): void {
    this.listeners.push(listener)
  }

  /** All there was is another: windows are to be loaded anew, but for the one it was done in. */
  replaced(by: string | null): void {
    for (const listener of this.replacedListeners) listener(by)
  }

  onReplaced(listener: (by: string | null) => void): void {
    this.replacedListeners.push(listener)
  }

  /** `work` done once and again only after a change of one of the aspects. */
  keeping<T>(aspects: readonly Aspect[], work: () => Promise<T>): () => Promise<T> {
    let kept: { key: string; result: Promise<T> } | null = null
    return () => {
      const key = aspects.map((aspect) => this.counts[aspect]).join(' ')
      if (kept?.key === key) return kept.result
      const mine = { key, result: work() }
      kept = mine
      // A failure is not kept.
      mine.result.catch(() => kept === mine && (kept = null))
      return mine.result
    }
  }
}
