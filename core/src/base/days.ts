const DAY = 24 * 60 * 60 * 1000

/** Days from one date to another; below 0 where it lies before. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to.slice(0, 10)}T00:00:00Z`) - Date.parse(`${from.slice(0, 10)}T00:00:00Z`)) / DAY)

/** A date so many days after another. */
export const dateAfter = (date: string, days: number): string =>
  new Date(Date.parse(`${date.slice(0, 10)}T00:00:00Z`) + days * DAY).toISOString().slice(0, 10)
