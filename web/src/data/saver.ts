/** How far what is worked on has got: kept, on its way, waiting for the server, refused, or in conflict with another writer. */
export type SaveState = 'saved' | 'saving' | 'unsaved' | 'offline' | 'refused' | 'conflict'

/** What was changed and not yet acknowledged, kept in the browser so that neither a reload nor a lost server loses it. */
export interface Draft<T> {
  /** The version it was changed from. */
  version: number
  value: T
  /** What the server may have without anybody else having written: what it had then, and what was sent and never answered. */
  ours: T[]
}

/** Where something is kept that one person works on and others may change too. */
export interface Kept<T> {
  /** Name of its draft in the browser. */
  key: string
  /** Write it over a version. */
  send(value: T, version: number): Promise<{ version: number } | { status: number | string; detail: string }>
  /** What the server has now; null where it does not say. */
  load(): Promise<{ version: number; value: T } | null>
  isSame(a: T, b: T): boolean
}

/** Changes that come closer together than `pause` are saved at once; a silent server is asked again after `retry`. In milliseconds. */
export interface Waits {
  pause: number
  retry: number
}

const MOST_OURS = 20

export function findDraft<T>(key: string): Draft<T> | null {
  try {
    type Kept = Partial<Draft<T>> & { placements?: T; brief?: T }
    const found = JSON.parse(localStorage.getItem(key) ?? 'null') as Kept | null
    // Drafts of a take and of a brief were kept under these names before both were kept alike.
    const value = found?.value ?? found?.placements ?? found?.brief
    if (found?.version === undefined || value === undefined) return null
    return { version: found.version, value, ours: found.ours ?? [] }
  } catch {
    return null
  }
}

const inOrder = (_key: string, value: unknown) =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value

/** Whether two things say the same as JSON, whatever the order of their fields. */
export const sameJson = (a: unknown, b: unknown): boolean => JSON.stringify(a, inOrder) === JSON.stringify(b, inOrder)

export const dropDraft = (key: string): void => localStorage.removeItem(key)

/**
 * Saves one thing whenever it changes: one write at a time, each over the version the one before it made; again and again while
 * the server does not answer; never over what somebody else wrote. A write whose answer was lost looks like somebody else's:
 * it is known again by what was sent.
 */
export class Saver<T> {
  save: SaveState = 'saved'
  /** What is not acknowledged yet. */
  private latest: { value: T } | null = null
  private ours: T[]
  private timer: ReturnType<typeof setTimeout> | undefined
  private isWriting = false
  private isLeft = false
  private hasEnded = false

  /** `base` is what the server had at the version; with a draft in the browser, the draft's own is taken. */
  constructor(
    private readonly kept: Kept<T>,
    public version: number,
    base: T,
    private readonly waits: Waits,
    private readonly told: (save: SaveState, detail: string) => void,
  ) {
    const draft = findDraft<T>(kept.key)
    this.ours = draft?.ours ?? [base]
    this.version = draft?.version ?? version
  }

  /** Keep what it is now, and save it a moment later. */
  keep(value: T): void {
    this.latest = { value }
    this.isLeft = false
    this.keepDraft()
    // Until it is settled whose is to stay, nothing is sent.
    if (this.save === 'conflict') return
    this.move('unsaved')
    this.soon(this.waits.pause)
  }

  /** Save at once what waits for a moment without changes; a server that does not answer is not asked again. */
  leave(): void {
    this.isLeft = true
    if (this.timer !== undefined) void this.write()
  }

  /** Leave what is not saved to the draft, and touch that no more. */
  end(): void {
    this.hasEnded = true
    clearTimeout(this.timer)
  }

  /** After a conflict: go on from what the server has, with what is here written over it or with theirs, which it answers. */
  async settle(mine: boolean): Promise<T | null> {
    const fresh = await this.kept.load()
    if (!fresh) return null
    this.version = fresh.version
    this.ours = [fresh.value]
    this.save = 'unsaved'
    if (mine && this.latest) {
      this.keepDraft()
      void this.write()
      return this.latest.value
    }
    this.acknowledged()
    return fresh.value
  }

  /** The server was seen to have this. Whether its version is ours to write over: nobody else has changed it. */
  saw(version: number, value: T): boolean {
    const known = this.ours.some((own) => this.kept.isSame(own, value))
    if (known && version > this.version) this.version = version
    return known
  }

  /** Somebody else changed it and nothing of it waits here: go on from theirs. Whether that was so. */
  follows(version: number, value: T): boolean {
    if (this.save !== 'saved' || this.latest || this.isWriting || version <= this.version) return false
    this.version = version
    this.ours = [value]
    return true
  }

  private soon(wait: number): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.write(), wait)
  }

  private async write(): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    // The write that is under way goes on with what came meanwhile.
    if (this.isWriting) return
    this.isWriting = true
    try {
      while (this.latest && !(await this.sent(this.latest))) if (this.hasEnded) return
    } finally {
      this.isWriting = false
    }
  }

  /** Send it; whether that is all for now. */
  private async sent(now: { value: T }): Promise<boolean> {
    // Whoever goes on from the draft knows what may be on its way.
    this.ours = [...this.ours, now.value].slice(-MOST_OURS)
    this.keepDraft()
    this.move('saving')
    const answer = await this.kept.send(now.value, this.version)
    if ('version' in answer) return this.isThere(answer.version, now.value)
    if (answer.status === 409) {
      const theirs = await this.kept.load()
      if (theirs && this.ours.some((own) => this.kept.isSame(own, theirs.value)))
        return this.isThere(theirs.version, theirs.value)
      this.move('conflict', answer.detail)
      return true
    }
    if (typeof answer.status === 'number' && answer.status < 500 && answer.status !== 429) {
      // What was typed meanwhile may be taken.
      if (this.latest !== now) return false
      this.move('refused', answer.detail)
      return true
    }
    this.move('offline')
    if (!this.hasEnded && !this.isLeft) this.soon(this.waits.retry)
    return true
  }

  /** The server has this; whether it is the newest. */
  private isThere(version: number, value: T): boolean {
    this.version = version
    this.ours = [value]
    if (!this.latest || this.kept.isSame(this.latest.value, value)) {
      this.acknowledged()
      return true
    }
    this.keepDraft()
    this.move('unsaved')
    return false
  }

  private acknowledged(): void {
    this.latest = null
    if (!this.hasEnded) dropDraft(this.kept.key)
    this.move('saved')
  }

  private keepDraft(): void {
    if (!this.latest || this.hasEnded) return
    const draft: Draft<T> = { version: this.version, value: this.latest.value, ours: this.ours }
    try {
      localStorage.setItem(this.kept.key, JSON.stringify(draft))
    } catch {
      // The browser has no room left: it goes to the server all the same.
    }
  }

  private move(save: SaveState, detail = ''): void {
    this.save = save
    if (!this.hasEnded) this.told(save, detail)
  }
}
