import type { Placement } from '../catalogue/index.ts'

/** The head a character has from an age on, in years. */
export interface HeadOfAge {
  from: number
  head: string
}

/** The head a character is stated to have at an age; null where nothing is stated for it. */
export function statedHead(series: readonly HeadOfAge[], years: number | null): string | null {
  if (years === null) return null
  return [...series].sort((a, b) => b.from - a.from).find(({ from }) => from <= years)?.head ?? null
}

/** Whether two outfits of one character may have different heads because a series by age says so. */
export function headsAgree(
  series: readonly HeadOfAge[],
  one: { head: string; years: number | null },
  other: { head: string; years: number | null },
): boolean {
  if (one.head === other.head) return true
  return statedHead(series, one.years) === one.head && statedHead(series, other.years) === other.head
}

/** Placements with another head in place of the one worn; turned stays only with the same head. */
export function withHead(placements: readonly Placement[], head: string): Placement[] {
  const worn = placements.find(({ slot }) => slot === 'head')
  if (worn?.part === head) return [...placements]
  const put: Placement = { slot: 'head', part: head, order: 0, turned: false }
  return worn ? placements.map((p) => (p === worn ? put : p)) : [...placements, put]
}
