import { Injectable } from '@nestjs/common'

export type Aspect = 'catalogue' | 'drawer' | 'market'

/** Counts changes by what they concern, so that what was worked out from the database knows when it is stale. */
@Injectable()
export class Changes {
  private readonly counts: Record<Aspect, number> = { catalogue: 0, drawer: 0, market: 0 }

  tell(...aspects: readonly Aspect[]): void {
    for (const aspect of aspects) this.counts[aspect]++
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
