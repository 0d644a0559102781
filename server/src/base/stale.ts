import { Problem } from './problem.ts'

/** Fields of an entry as whoever changes it read them. */
export type Read = Readonly<Record<string, unknown>>

/**
 * Refuse a change of an entry by somebody who read it before another changed it: of the fields that were read, `now` must
 * hold the same. 428 where it is not said what was read, 409 with what there is now where it differs.
 */
export function refuseStale(what: string, was: Read | undefined, now: Read): void {
  if (was === undefined)
    throw new Problem(
      428,
      `${what}: say in "was" what you read of it, so that nobody's change is lost. Nothing was written.`,
      [{ field: 'was', message: 'is missing' }],
    )
  const changed = Object.keys(was).filter((field) => field in now && alike(was[field]) !== alike(now[field]))
  if (changed.length > 0)
    throw new Problem(
      409,
      `${what} was changed meanwhile (${changed.join(', ')}). Nothing was written.`,
      changed.map((field) => ({ field, message: 'was changed meanwhile' })),
      { current: now },
    )
}

/** A text equal for equal values, whatever the order of fields; null and undefined are the same nothing. */
export function alike(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(alike).join()}]`
  if (typeof value !== 'object' || value === null) return JSON.stringify(value ?? null)
  return `{${Object.entries(value)
    .filter(([, entry]) => entry !== undefined && entry !== null)
    .map(([name, entry]) => `${JSON.stringify(name)}:${alike(entry)}`)
    .sort()
    .join()}}`
}
