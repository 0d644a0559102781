/** Parts going from one place to another; null is the world outside the drawer. `qty` is positive. */
export interface Movement {
  part: string
  from: string | null
  to: string | null
  qty: number
}

/** What lies where: count by part and bin, as the sum of movements. Throws when a bin would go below zero. O(n). */
export function onHandByBin(movements: readonly Movement[]): Map<string, Map<string, number>> {
  const places = new Map<string, Map<string, number>>()
  const add = (part: string, bin: string, by: number) => {
    const bins = places.get(part) ?? new Map<string, number>()
    places.set(part, bins)
    const count = (bins.get(bin) ?? 0) + by
    if (count < 0) throw new Error(`Bin ${bin} would hold ${count} of ${part}. Check what was moved out of it.`)
    if (count === 0) bins.delete(bin)
    else bins.set(bin, count)
  }
  for (const { part, from, to, qty } of movements) {
    if (from !== null) add(part, from, -qty)
    if (to !== null) add(part, to, qty)
  }
  return places
}
