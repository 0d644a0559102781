import type { Part } from '../catalogue/index.ts'
import type { Counted } from './stocktake.ts'
import { piecesIn, unitsOf } from './units.ts'

/** What lies together: assemblies all of whose pieces are there, and the pieces that are left beside them. */
export interface Together {
  wholes: Counted[]
  rest: Counted[]
}

type Assembly = Pick<Part, 'code' | 'components'>

/**
 * Pieces of a bin as one finds them in it: put together to the assemblies there are, each condition for itself, those of most
 * pieces first, of equals those that lie there most often, then by code. Every piece is in one whole at most, so that the
 * pieces of what is told are just what lies there. O(assemblies log assemblies + pieces).
 */
export function together(lying: readonly Counted[], assemblies: readonly Assembly[]): Together {
  const left = new Map(lying.map((one) => [`${one.condition} ${one.part}`, { ...one }]))
  const of = (condition: string, part: string) => left.get(`${condition} ${part}`)?.qty ?? 0
  const wholes: Counted[] = []
  for (const condition of ['new', 'used'] as const) {
    const units = (one: Assembly) => unitsOf(one, (code) => of(condition, code))
    const found = assemblies
      .filter((one) => one.components.length > 0)
      .map((one) => ({ one, size: one.components.length, units: units(one) }))
      .filter((entry) => entry.units > 0)
      .sort((a, b) => b.size - a.size || b.units - a.units || (a.one.code < b.one.code ? -1 : 1))
    for (const { one } of found) {
      const qty = units(one)
      if (qty === 0) continue
      wholes.push({ part: one.code, condition, qty })
      for (const [part, times] of piecesIn(one)) left.get(`${condition} ${part}`)!.qty -= qty * times
    }
  }
  return { wholes, rest: [...left.values()].filter(({ qty }) => qty > 0) }
}
