import { Injectable } from '@nestjs/common'
import type { Aspect } from '@outfit/core/news'

export type { Aspect }

/** Counts changes by what they concern, so that what was worked out from the database knows when it is stale. */
@Injectable()
export class Changes {
  private readonly counts: Record<Aspect, number> = { catalogue: 0, drawer: 0, market: 0 }
  private readonly listeners: ((aspects: readonly Aspect[]) => void)[] = []
  private readonly replacedListeners: ((by: string | null) => void)[] = []

  tell(...aspects: readonly Aspect[]): void {
    for (const aspect of aspects) this.counts[aspect]++
    for (const listener of this.listeners) listener(aspects)
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
