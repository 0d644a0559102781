import { Injectable, type OnModuleDestroy } from '@nestjs/common'
import { Subject, type Observable } from 'rxjs'
import type { Aspect, News } from '@outfit/core/news'
import { Changes } from '../base/changes.ts'
import { doing } from '../base/doing.ts'
import { Writer } from '../base/writer.ts'

/** What is written within so many milliseconds is told at once. */
const HEAP = 250

/** Tells every window, on whatever device, that something was written. */
@Injectable()
export class NewsService implements OnModuleDestroy {
  private readonly told = new Subject<News>()
  private heap: { aspects: Set<Aspect>; by: Set<string | null>; replaced: boolean } | null = null
  private timer: NodeJS.Timeout | undefined

  constructor(writer: Writer, changes: Changes) {
    writer.onWritten(() => {
      const who = doing()
      // What nobody did by name (what browsers keep, copies) is of no view.
      if (who) this.add(who.window)
    })
    changes.onTold((aspects) => this.add(doing()?.window ?? null, aspects))
    changes.onReplaced((by) => this.add(by, [], true))
  }

  private add(by: string | null, aspects: readonly Aspect[] = [], replaced = false): void {
    this.heap ??= { aspects: new Set(), by: new Set(), replaced: false }
    this.heap.by.add(by)
    for (const aspect of aspects) this.heap.aspects.add(aspect)
    this.heap.replaced ||= replaced
    if (this.timer) return
    this.timer = setTimeout(() => this.tell(), HEAP)
    this.timer.unref()
  }

  private tell(): void {
    this.timer = undefined
    const { aspects, by, replaced } = this.heap!
    this.heap = null
    this.told.next({ by: by.size === 1 ? [...by][0]! : null, aspects: [...aspects], replaced })
  }

  /** What is written from now on. */
  stream(): Observable<News> {
    return this.told
  }

  onModuleDestroy(): void {
    clearTimeout(this.timer)
    this.told.complete()
  }
}
