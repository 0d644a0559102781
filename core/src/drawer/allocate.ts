/** What an outfit wants from the drawer: a part, once for each time it is listed. */
export interface Wish {
  outfit: string
  parts: readonly string[]
}

/**
 * Give owned parts to outfits in the order of the list, since a part can be on one figure only. The result says for each
 * outfit how many of each part it gets. O(total parts).
 */
export function allocateOwned(
  owned: ReadonlyMap<string, number>,
  wishes: readonly Wish[],
): Map<string, Map<string, number>> {
  const left = new Map(owned)
  return new Map(
    wishes.map(({ outfit, parts }) => {
      const given = new Map<string, number>()
      for (const part of parts) {
        const free = left.get(part) ?? 0
        if (free <= 0) continue
        left.set(part, free - 1)
        given.set(part, (given.get(part) ?? 0) + 1)
      }
      return [outfit, given] as const
    }),
  )
}
