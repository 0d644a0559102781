import { AsyncLocalStorage } from 'node:async_hooks'

/** Who asked for what is being written, as far as it is to be told and taken back later. */
export interface Doing {
  /** The browser or program, in words. */
  device: string
  /** The window it was done in, as it calls itself; null for a program. */
  window: string | null
  /** The entry of the journal it is written down under; null until something was written. */
  entry: string | null
  /** Whether all of it is written down. What is too much, or has its own way back, is not. */
  whole: boolean
  /** What is done in words, where its rows do not tell. */
  words: string | null
  /** The archive of everything that was kept just before. */
  copy: string | null
  /** The entry this takes back. */
  undoes: string | null
}

const now = new AsyncLocalStorage<Doing | null>()

/** What is being done; null for what the program does by itself. */
export const doing = (): Doing | null => now.getStore() ?? null

/** Do `work`, and whatever it begins, in the name of somebody. */
export const doneBy = <T>(who: Pick<Doing, 'device'> & Partial<Doing>, work: () => T): T =>
  now.run({ window: null, entry: null, whole: true, words: null, copy: null, undoes: null, ...who }, work)

/** Do `work` without writing it down: it replaces everything, or is its own way back. */
export const unrecorded = <T>(work: () => T): T => now.run(null, work)

/** What is being done cannot be taken back from what is written down of it; `words` are what it is. */
export function notWhole(words: string): void {
  const who = doing()
  if (who) Object.assign(who, { whole: false, words })
}
