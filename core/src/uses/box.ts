import type { Part } from '../catalogue/index.ts'

/** What lies together in a box: a figure, an assembly, or a loose part, piece by piece. */
export type Unit = readonly { slot: string; part: string }[]

/** How many of each piece some units have. */
export const stockOf = (units: readonly Unit[]): Map<string, number> =>
  units.flat().reduce((stock, { part }) => stock.set(part, (stock.get(part) ?? 0) + 1), new Map<string, number>())

/** Of some parts those that units have: single pieces, and wholes one unit has all pieces of in their places. O(parts × units). */
export function partsIn(units: readonly Unit[], parts: readonly Part[]): Part[] {
  const places = units.map((unit) => new Set(unit.map(({ slot, part }) => `${slot} ${part}`)))
  const pieces = stockOf(units)
  return parts.filter(({ code, components }) =>
    components.length === 0
      ? pieces.has(code)
      : places.some((unit) => components.every(({ slot, part }) => unit.has(`${slot} ${part}`))),
  )
}

/** How many of a part a stock has: of a whole as many as its rarest piece allows. */
export function inStock({ code, components }: Part, stock: ReadonlyMap<string, number>): number {
  if (components.length === 0) return stock.get(code) ?? 0
  const needed = stockOf([components])
  return Math.min(...[...needed].map(([part, qty]) => Math.floor((stock.get(part) ?? 0) / qty)))
}
