import { In, type EntityManager } from 'typeorm'
import { ComponentEntity } from '../schema/catalogue.ts'

/** Parts looked up at a time; a statement takes some thirty thousand. */
const HEAP = 10_000

/**
 * What lies in the drawer when some parts do: those that are made of others lie there as their pieces, each with how often
 * it is in the whole; all others as themselves.
 */
export async function componentsIn(
  db: EntityManager,
  parts: readonly string[],
): Promise<(part: string) => [piece: string, times: number][]> {
  const inside = new Map<string, Map<string, number>>()
  const codes = [...new Set(parts)]
  for (let from = 0; from < codes.length; from += HEAP)
    for (const { assembly, part } of await db.findBy(ComponentEntity, {
      assembly: In(codes.slice(from, from + HEAP)),
    })) {
      const own = inside.get(assembly) ?? new Map<string, number>()
      inside.set(assembly, own.set(part, (own.get(part) ?? 0) + 1))
    }
  return (part) => [...(inside.get(part) ?? [[part, 1] as const])].map(([piece, times]) => [piece, times])
}
