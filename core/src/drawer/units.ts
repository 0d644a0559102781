import type { Part, Placement } from '../catalogue/index.ts'

/** How many of a part there are, given the count of each atomic part: an assembly counts as often as its components allow. */
export function unitsOf(part: Pick<Part, 'code' | 'components'>, countOf: (code: string) => number): number {
  if (part.components.length === 0) return countOf(part.code)
  const needed = new Map<string, number>()
  for (const component of part.components) needed.set(component.part, (needed.get(component.part) ?? 0) + 1)
  return Math.min(...[...needed].map(([code, qty]) => Math.floor(countOf(code) / qty)))
}

/** Placements the drawer does not give: the first units of each part are its, as far as they are free. */
export function missingFrom(placements: readonly Placement[], free: Readonly<Record<string, number>>): Placement[] {
  const left: Record<string, number> = { ...free }
  return placements.filter(({ part }) => {
    left[part] = (left[part] ?? 0) - 1
    return left[part]! < 0
  })
}
