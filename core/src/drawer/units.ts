import type { Part } from '../catalogue/index.ts'

/** How many of a part there are, given the count of each atomic part: an assembly counts as often as its components allow. */
export function unitsOf(part: Pick<Part, 'code' | 'components'>, countOf: (code: string) => number): number {
  if (part.components.length === 0) return countOf(part.code)
  const needed = new Map<string, number>()
  for (const component of part.components) needed.set(component.part, (needed.get(component.part) ?? 0) + 1)
  return Math.min(...[...needed].map(([code, qty]) => Math.floor(countOf(code) / qty)))
}
