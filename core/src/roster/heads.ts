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

/**
 * A series with the head somebody has at one age, and another they have at a second. Where the first was stated from an
 * earlier age on it stays so, unless the second comes between; whoever is younger than all has the first of them.
 */
export function withHeadAt(series: readonly HeadOfAge[], one: HeadOfAge, other: HeadOfAge): HeadOfAge[] {
  const latest = [...series].sort((a, b) => b.from - a.from).find(({ from }) => from <= one.from)
  const stated = latest?.head === one.head ? latest.from : one.from
  const begins = other.from < one.from && stated <= other.from ? one.from : stated
  const others = series.filter(
    ({ from, head }) => head !== one.head && head !== other.head && from !== other.from && from !== begins,
  )
  const all = [...others, { ...one, from: begins }, other].sort((a, b) => a.from - b.from)
  return all.map((entry, i) => (i === 0 ? { ...entry, from: 0 } : entry))
}

/** Placements with another head in place of the one worn; turned stays only with the same head. */
export function withHead(placements: readonly Placement[], head: string): Placement[] {
  const worn = placements.find(({ slot }) => slot === 'head')
  if (worn?.part === head) return [...placements]
  const put: Placement = { slot: 'head', part: head, order: 0, turned: false }
  return worn ? placements.map((p) => (p === worn ? put : p)) : [...placements, put]
}
