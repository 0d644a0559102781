import { groupBy } from '../base/index.ts'
import type { Bin, Lying } from './contents.ts'

/** A stop on the way along the parts box: a bin and what to take out of it. */
export interface Stop {
  bin: string
  parts: { part: string; qty: number }[]
}

/** Bins by the way one walks along them: row by row as they are laid out, trays right after the bin they are in. */
export function walkingOrder<B extends Bin>(bins: readonly B[]): B[] {
  const place = ({ x, y }: B) => [y ?? Infinity, x ?? Infinity] as const
  const codes = new Set(bins.map(({ code }) => code))
  const trays = groupBy(bins, (bin) => (bin.parent && codes.has(bin.parent) ? bin.parent : null))
  const { compare } = new Intl.Collator('en', { numeric: true })
  const inside = (parent: string | null): B[] =>
    (trays.get(parent) ?? [])
      .sort((a, b) => {
        const [ay, ax] = place(a)
        const [by, bx] = place(b)
        if (ay !== by) return ay - by
        if (ax !== bx) return ax - bx
        return compare(a.code, b.code)
      })
      .flatMap((bin) => [bin, ...inside(bin.code)])
  return inside(null)
}

/**
 * Which bins to take parts from so that few have to be opened: what lies in one bin only decides first, then the bin that
 * has most of the rest, and so on (the greedy cover, at most a logarithm worse than the fewest). Stops come in walking
 * order; `short` is what no bin has. O(needs × bins).
 */
export function gather(
  needs: Readonly<Record<string, number>>,
  lying: readonly Lying[],
  bins: readonly Bin[],
): { stops: Stop[]; short: Record<string, number> } {
  const left = new Map(Object.entries(needs).filter(([, qty]) => qty > 0))
  const order = walkingOrder(bins)
  const rank = new Map(order.map(({ code }, i) => [code, i]))
  const held = new Map<string, Map<string, number>>()
  for (const { part, bin, qty } of lying) {
    if (!left.has(part) || !rank.has(bin)) continue
    const contents = held.get(bin) ?? new Map<string, number>()
    held.set(bin, contents.set(part, (contents.get(part) ?? 0) + qty))
  }
  const stops = new Map<string, Stop>()
  const open = (bin: string) => {
    const contents = held.get(bin)!
    const taken = [...contents].flatMap(([part, qty]) => {
      const use = Math.min(qty, left.get(part) ?? 0)
      if (use === 0) return []
      left.set(part, left.get(part)! - use)
      return [{ part, qty: use }]
    })
    held.delete(bin)
    if (taken.length > 0) stops.set(bin, { bin, parts: taken })
  }
  const only = [...left.keys()].flatMap((part) => {
    const having = [...held].filter(([, contents]) => contents.has(part))
    return having.length === 1 ? [having[0]![0]] : []
  })
  for (const bin of new Set(only)) open(bin)
  for (;;) {
    let best: { bin: string; gain: number } | null = null
    for (const [bin, contents] of held) {
      let gain = 0
      for (const [part, qty] of contents) gain += Math.min(qty, left.get(part) ?? 0)
      const isBetter = !best || gain > best.gain || (gain === best.gain && rank.get(bin)! < rank.get(best.bin)!)
      if (gain > 0 && isBetter) best = { bin, gain }
    }
    if (!best) break
    open(best.bin)
  }
  return {
    stops: [...stops.values()].sort((a, b) => rank.get(a.bin)! - rank.get(b.bin)!),
    short: Object.fromEntries([...left].filter(([, qty]) => qty > 0)),
  }
}
