import type { Token } from './phrases.ts'
import type { Taken } from './readDescription.ts'

/** What the words of a text were taken as. */
export class TakenWords {
  /** By token. */
  private readonly takenAt = new Map<number, Taken>()

  constructor(private readonly tokens: readonly Token[]) {}

  mark(token: number, wishes: readonly number[], understood = true): void {
    const there = this.takenAt.get(token)
    if (there) {
      there.wishes = [...new Set([...there.wishes, ...wishes])]
      there.understood = understood
      return
    }
    const { from, to } = this.tokens[token]!
    this.takenAt.set(token, { from, to, wishes: [...wishes], understood })
  }

  fail(token: number): void {
    this.mark(token, [], false)
  }

  entriesOf(i: number, length: number): Taken[] {
    return [...Array(length).keys()].flatMap((n) => this.takenAt.get(i + n) ?? [])
  }

  /** Neighbouring words that say the same, as one stretch. */
  joined(): Taken[] {
    const all = [...this.takenAt].sort(([a], [b]) => a - b)
    const found: Taken[] = []
    let before = -2
    for (const [token, taken] of all) {
      const last = found.at(-1)
      const same =
        last &&
        token === before + 1 &&
        !this.tokens[before]!.ends &&
        last.understood === taken.understood &&
        (taken.wishes.some((wish) => last.wishes.includes(wish)) ||
          (taken.wishes.length === 0 && last.wishes.length === 0))
      if (same) {
        last.to = taken.to
        last.wishes = [...new Set([...last.wishes, ...taken.wishes])]
        if (taken.mended !== undefined) last.mended = taken.mended
      } else found.push({ ...taken })
      before = token
    }
    for (const taken of found) taken.wishes.sort((a, b) => a - b)
    return found
  }

  /** The wishes a word says. */
  wishesOf(token: number): readonly number[] {
    return this.takenAt.get(token)?.wishes ?? []
  }

  /** Some wishes are gone, others have new numbers; who said nothing else is not understood any more. */
  renumber(gone: ReadonlySet<number>, kept: (list: readonly number[]) => number[]): void {
    for (const taken of this.takenAt.values()) {
      if (taken.wishes.some((one) => gone.has(one))) taken.understood = taken.wishes.some((one) => !gone.has(one))
      taken.wishes = kept(taken.wishes)
    }
  }
}
