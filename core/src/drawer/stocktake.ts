import type { Condition, Moved } from './acts.ts'

/** So many of a part in a condition. */
export interface Counted {
  part: string
  condition: Condition
  qty: number
}

/** A difference a stocktake found; `by` is above 0 for more than expected. */
export interface Difference {
  part: string
  condition: Condition
  expected: number
  counted: number
  by: number
}

const key = ({ part, condition }: Pick<Counted, 'part' | 'condition'>) => `${condition} ${part}`

/** Where a count of a bin differs from what should lie in it, in the order of codes. What was not counted is not there. */
export function differencesOf(expected: readonly Counted[], counted: readonly Counted[]): Difference[] {
  const found = new Map<string, Difference>()
  const at = ({ part, condition }: Counted) => {
    const known = found.get(key({ part, condition })) ?? { part, condition, expected: 0, counted: 0, by: 0 }
    found.set(key(known), known)
    return known
  }
  for (const one of expected) at(one).expected += one.qty
  for (const one of counted) at(one).counted += one.qty
  return [...found.values()]
    .map((one) => ({ ...one, by: one.counted - one.expected }))
    .filter(({ by }) => by !== 0)
    .sort((a, b) => (key(a) < key(b) ? -1 : 1))
}

/** The movements that make a bin hold what was counted. */
export const setRight = (bin: string, differences: readonly Difference[]): Moved[] =>
  differences.map(({ part, condition, by }) => ({
    part,
    condition,
    from: by < 0 ? bin : null,
    to: by > 0 ? bin : null,
    qty: Math.abs(by),
  }))
