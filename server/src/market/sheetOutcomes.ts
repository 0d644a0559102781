import type { SheetOutcome } from '@outfit/core/feed'

export const newcomer = (seller: string, date: string, lines: number): SheetOutcome => ({
  seller,
  date,
  lines,
  fresh: lines,
  dearer: 0,
  cheaper: 0,
  gone: 0,
})

export type Counted = Omit<SheetOutcome, 'date'>
export type Gone = Pick<SheetOutcome, 'seller' | 'gone'>

/** What came of a day's sheets: what their lines say, and what they do not name any more. */
export const outcomesOf = (
  date: string,
  sellers: readonly Named[],
  read: readonly Counted[],
  unnamed: readonly Gone[],
): SheetOutcome[] =>
  sellers.map(({ seller }) => {
    const own = read.find((one) => one.seller === seller) ?? { lines: 0, fresh: 0, dearer: 0, cheaper: 0, gone: 0 }
    const gone = own.gone + (unnamed.find((one) => one.seller === seller)?.gone ?? 0)
    return { ...own, seller, date, gone }
  })

/** A seller of a day's sheets: whether there were any before, whether of that day, and whether none is later. */
export interface Named {
  seller: string
  lines: number
  known: number
  again: number
  newest: number
}
