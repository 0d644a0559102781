/** An assembly and one of the parts it comes apart into. */
export interface Inside {
  assembly: string
  part: string
}

/**
 * A way along which an assembly would contain itself, as codes whose last is the first again; null when there is none.
 * Depth-first search, O(pairs).
 */
export function cycleIn(pairs: readonly Inside[]): string[] | null {
  const inside = new Map<string, string[]>()
  for (const { assembly, part } of pairs) inside.set(assembly, [...(inside.get(assembly) ?? []), part])
  const done = new Set<string>()
  for (const start of inside.keys()) {
    // A stack of its own, since an import may nest deeper than the engine's.
    const way: { code: string; next: number }[] = done.has(start) ? [] : [{ code: start, next: 0 }]
    const onWay = new Set(way.map(({ code }) => code))
    while (way.length > 0) {
      const top = way[way.length - 1]!
      const child = inside.get(top.code)?.[top.next++]
      if (child === undefined) {
        done.add(top.code)
        onWay.delete(top.code)
        way.pop()
      } else if (onWay.has(child)) {
        const codes = way.map(({ code }) => code)
        return [...codes.slice(codes.indexOf(child)), child]
      } else if (!done.has(child)) {
        way.push({ code: child, next: 0 })
        onWay.add(child)
      }
    }
  }
  return null
}
