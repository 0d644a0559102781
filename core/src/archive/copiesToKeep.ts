import { dateAfter } from '../base/index.ts'

/** Days, weeks and months of which a copy is kept. */
export const KEPT = { days: 7, weeks: 4, months: 12 } as const

/** Monday of the week of a day. */
function weekOf(day: string): string {
  const weekday = (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7
  return dateAfter(day, -weekday)
}

/**
 * Which of some automatic copies are kept: the newest of each of the last 7 days, 4 weeks and 12 months that have one, as
 * counted from the newest of all. Times are ISO; equal ones are one. O(n log n).
 */
export function copiesToKeep(times: readonly string[]): Set<string> {
  const newestFirst = [...new Set(times)].sort().reverse()
  const keep = new Set<string>()
  const dayOf = (time: string) => time.slice(0, 10)
  for (const [most, spanOf] of [
    [KEPT.days, dayOf],
    [KEPT.weeks, (time: string) => weekOf(dayOf(time))],
    [KEPT.months, (time: string) => time.slice(0, 7)],
  ] as const) {
    const seen = new Set<string>()
    for (const time of newestFirst) {
      const span = spanOf(time)
      if (seen.has(span)) continue
      if (seen.size === most) break
      seen.add(span)
      keep.add(time)
    }
  }
  return keep
}

/** So many copies are kept of each reason a program has to write one by itself, but for those of days. */
export const KEPT_BEFORE = 5
