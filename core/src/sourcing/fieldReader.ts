import { MOST } from '../market/index.ts'

/** One fault of a problem: where, as a path such as `offers[3].price`, and what is wrong there. */
export interface ProblemFault {
  field: string
  message: string
}

/** After so many faults no more are looked for; nobody mends them all before asking again. */
const ENOUGH = 50

/** Thrown where a problem cannot be read; its message is one line. */
export class BadProblem extends Error {
  constructor(readonly faults: ProblemFault[]) {
    super(`${faults[0]!.field}: ${faults[0]!.message}${faults.length > 1 ? ` (and ${faults.length - 1} more)` : ''}`)
  }
}

export type Fields = Record<string, unknown>

/** Collects faults while reading values by path; every reader returns something usable so that reading can go on. */
export function fieldReader() {
  const faults: ProblemFault[] = []
  const fault = (field: string, message: string) => {
    faults.push({ field, message })
    if (faults.length >= ENOUGH) throw new BadProblem(faults)
  }
  const object = (value: unknown, field: string): Fields => {
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) return value as Fields
    fault(field, value === undefined ? 'is missing' : 'must be an object')
    return {}
  }
  const list = <T>(value: unknown, field: string, each: (entry: Fields, field: string) => T, optional = false): T[] => {
    if (value === undefined && optional) return []
    if (Array.isArray(value)) return value.map((entry, i) => each(object(entry, `${field}[${i}]`), `${field}[${i}]`))
    fault(field, value === undefined ? 'is missing' : 'must be a list')
    return []
  }
  const text = (value: unknown, field: string): string => {
    if (typeof value === 'string' && value !== '') return value
    fault(field, value === undefined ? 'is missing' : 'must be a text that is not empty')
    return ''
  }
  const number = (
    value: unknown,
    field: string,
    { least = 0, most = MOST.money as number, whole = true, otherwise = undefined as number | undefined } = {},
  ) => {
    if (value === undefined && otherwise !== undefined) return otherwise
    const bad = typeof value !== 'number' || !Number.isFinite(value) || (whole && !Number.isInteger(value))
    if (bad) fault(field, value === undefined ? 'is missing' : `must be a ${whole ? 'whole ' : ''}number`)
    else if (value < least) fault(field, `must not be ${least > 0 ? `below ${least}` : 'negative'}; it is ${value}`)
    else if (value > most) fault(field, `must not be above ${most}; it is ${value}`)
    else return value
    return least
  }
  const orNull = (value: unknown, field: string, most: number = MOST.money) =>
    value === null || value === undefined ? null : number(value, field, { most })
  /** The ids of a list, each of which may be used once. */
  const unique = (entries: readonly { id: string }[], field: string) => {
    const seen = new Set<string>()
    entries.forEach(({ id }, i) => {
      if (id && seen.has(id)) fault(`${field}[${i}].id`, `"${id}" is used twice`)
      seen.add(id)
    })
    return seen
  }
  /** Throw what faults were found. */
  const done = () => {
    if (faults.length) throw new BadProblem(faults)
  }
  return { fault, object, list, text, number, orNull, unique, done }
}
