import type { Basket, Seller, SourcingPlan, SourcingProblem } from './types.ts'

/** What a basket of a seller costs: the sum of its goods, the first band that holds it, handling. */
export function basketOf(
  seller: Seller,
  lines: readonly { offer: string; qty: number; price: number; weight: number }[],
): Basket & { amount: number; withinBands: boolean } {
  const goods = lines.reduce((sum, line) => sum + line.price * line.qty, 0)
  const { basis, bands } = seller.shipping
  const amount =
    basis === 'value' ? goods : lines.reduce((sum, line) => sum + line.qty * (basis === 'count' ? 1 : line.weight), 0)
  const band = bands.find(({ upTo }) => upTo === null || upTo >= amount - 1e-6)
  return {
    seller: seller.id,
    lines: lines.map(({ offer, qty }) => ({ offer, qty })),
    goods,
    shipping: (band ?? bands[bands.length - 1]!).price,
    handling: seller.handling,
    amount,
    withinBands: band !== undefined,
  }
}

/** Everything that follows from how many units of each offer are bought. */
export type Settlement = Pick<SourcingPlan, 'total' | 'baskets' | 'fills' | 'surplus' | 'unmet'>

/** Units that stay unmet. */
export const unmetIn = (settled: { unmet: readonly { qty: number }[] } | undefined): number =>
  settled ? settled.unmet.reduce((sum, { qty }) => sum + qty, 0) : Infinity

/** Fewest unmet units first, then the least total. */
export function isBetter(
  one: Pick<Settlement, 'total' | 'unmet'>,
  other: Pick<Settlement, 'total' | 'unmet'>,
): boolean {
  const [a, b] = [unmetIn(one), unmetIn(other)]
  return a < b || (a === b && one.total < other.total)
}

interface Source {
  from: string
  left: number
}

/**
 * Settle a purchase: fill the needs from the drawer and the bought parts at least penalty, credit what is left over and
 * add everything up. `units` are bought units by offer id.
 *
 * Filling is a transportation problem; it is solved exactly by successive shortest augmenting paths over
 * needs × accepted parts (Bellman–Ford, since moving a unit back has negative cost), each for as many units as it takes,
 * for each group of needs that share parts on its own: O(paths × needs × parts) of a group.
 */
export function settle(problem: SourcingProblem, units: ReadonlyMap<string, number>): Settlement {
  const sources = new Map<string, Source[]>()
  const supply = (part: string, from: string, qty: number) => {
    const list = sources.get(part) ?? []
    sources.set(part, list)
    list.push({ from, left: qty })
  }
  for (const { part, qty } of problem.owned) if (qty > 0) supply(part, 'owned', qty)
  for (const offer of problem.offers) {
    const bought = units.get(offer.id) ?? 0
    if (bought > 0) for (const { part, qty } of offer.yields) supply(part, offer.id, qty * bought)
  }
  const resale = new Map(problem.resale.map(({ part, price }) => [part, price]))
  const fill = cheapestFill(problem, sources, resale)

  const fills: SourcingPlan['fills'] = []
  const unmet: SourcingPlan['unmet'] = []
  let penalties = 0
  problem.needs.forEach((need, n) => {
    let open = need.qty
    for (const { part, penalty } of need.accept) {
      let qty = fill.get(`${n}|${part}`) ?? 0
      fill.delete(`${n}|${part}`)
      open -= qty
      penalties += qty * penalty
      for (const source of sources.get(part) ?? []) {
        const taken = Math.min(qty, source.left)
        if (taken === 0) continue
        source.left -= taken
        qty -= taken
        fills.push({ need: need.id, part, qty: taken, from: source.from })
      }
    }
    if (open > 0) unmet.push({ need: need.id, qty: open, why: '' })
  })

  const surplus = [...sources].flatMap(([part, list]) => {
    const qty = list.reduce((sum, { from, left }) => sum + (from === 'owned' ? 0 : left), 0)
    return qty > 0 ? [{ part, qty, credit: qty * (resale.get(part) ?? 0) }] : []
  })
  const linesOf = new Map<string, { offer: string; qty: number; price: number; weight: number }[]>()
  for (const { id, seller, price, weight } of problem.offers) {
    const qty = units.get(id) ?? 0
    if (qty === 0) continue
    const lines = linesOf.get(seller) ?? []
    linesOf.set(seller, lines)
    lines.push({ offer: id, qty, price, weight })
  }
  const baskets = problem.sellers.flatMap((seller) => {
    const lines = linesOf.get(seller.id)
    if (!lines) return []
    const { seller: id, goods, shipping, handling, lines: bought } = basketOf(seller, lines)
    return [{ seller: id, lines: bought, goods, shipping, handling }]
  })
  const spent = baskets.reduce((sum, { goods, shipping, handling }) => sum + goods + shipping + handling, 0)
  const credits = surplus.reduce((sum, { credit }) => sum + credit, 0)
  return { total: spent + penalties - credits, baskets, fills, surplus, unmet }
}

/** A unit for a need: units moved from part to part, which need that leaves open no longer, and which part is used. */
interface Path {
  start: number
  end: string
  /** Need, part, and whether one unit more or fewer of it. */
  moves: [number, string, 1 | -1][]
}

/** Needs, by their place, that share parts with one another. */
function groupsOf({ needs }: SourcingProblem, accepting: ReadonlyMap<string, readonly { need: number }[]>): number[][] {
  const seen = new Set<number>()
  return needs.flatMap((_, first) => {
    if (seen.has(first)) return []
    seen.add(first)
    const group = [first]
    for (const n of group)
      for (const { part } of needs[n]!.accept)
        for (const { need } of accepting.get(part) ?? []) {
          if (seen.has(need)) continue
          seen.add(need)
          group.push(need)
        }
    return [group]
  })
}

/** Units by `need index|part`: as many as possible, then at least penalty plus lost resale. */
function cheapestFill(
  problem: SourcingProblem,
  sources: ReadonlyMap<string, readonly Source[]>,
  resale: ReadonlyMap<string, number>,
): Map<string, number> {
  const fill = new Map<string, number>()
  const usedOf = new Map<string, number>()
  const owned = new Map<string, number>()
  const available = new Map<string, number>()
  for (const [part, list] of sources)
    for (const { from, left } of list) {
      available.set(part, (available.get(part) ?? 0) + left)
      if (from === 'owned') owned.set(part, (owned.get(part) ?? 0) + left)
    }
  /** What the next unit of a part costs beyond penalties: nothing while the drawer has it, then its lost resale. */
  const nextUnit = (part: string) => ((usedOf.get(part) ?? 0) < (owned.get(part) ?? 0) ? 0 : (resale.get(part) ?? 0))
  const open = problem.needs.map((need) => need.qty)
  const accepting = new Map<string, { need: number; penalty: number }[]>()
  problem.needs.forEach(({ accept }, need) => {
    for (const { part, penalty } of accept) {
      const list = accepting.get(part) ?? []
      accepting.set(part, list)
      list.push({ need, penalty })
    }
  })
  for (const group of groupsOf(problem, accepting))
    for (let path = cheapestPath(group); path; path = cheapestPath(group)) take(path)
  return fill

  function take({ moves, start, end }: Path): void {
    const used = usedOf.get(end) ?? 0
    // The path costs the same until a need is met, a unit to move back is gone, or the part is used up, or no longer owned.
    const own = owned.get(end) ?? 0
    const units = Math.min(
      open[start]!,
      (used < own ? own : available.get(end)!) - used,
      ...moves.flatMap(([n, part, change]) => (change < 0 ? [fill.get(`${n}|${part}`)!] : [])),
    )
    for (const [n, part, change] of moves) fill.set(`${n}|${part}`, (fill.get(`${n}|${part}`) ?? 0) + change * units)
    usedOf.set(end, used + units)
    open[start]! -= units
  }

  /**
   * Cheapest way to one more unit for any need that is still open: take a free unit, or take another need's and let that
   * one look on. Every open need starts at once, since which of them stay unmet matters when a part is scarce.
   */
  function cheapestPath(group: readonly number[]): Path | null {
    const cost = new Map<number, number>(group.flatMap((n): [number, number][] => (open[n]! > 0 ? [[n, 0]] : [])))
    const via = new Map<number, { need: number; part: string }>()
    for (let round = 0; round < group.length; round++) {
      let changed = false
      for (const [n, soFar] of [...cost]) {
        for (const { part, penalty } of problem.needs[n]!.accept) {
          for (const { need: m, penalty: back } of accepting.get(part) ?? []) {
            if (m === n || (fill.get(`${m}|${part}`) ?? 0) === 0) continue
            const through = soFar + penalty - back
            if (through < (cost.get(m) ?? Infinity) - 1e-9) {
              cost.set(m, through)
              via.set(m, { need: n, part })
              changed = true
            }
          }
        }
      }
      if (!changed) break
    }
    let best: { total: number; need: number; part: string } | null = null
    for (const [n, soFar] of cost)
      for (const { part, penalty } of problem.needs[n]!.accept) {
        if ((usedOf.get(part) ?? 0) >= (available.get(part) ?? 0)) continue
        const total = soFar + penalty + nextUnit(part)
        if (!best || total < best.total) best = { total, need: n, part }
      }
    if (!best) return null
    const moves: [number, string, 1 | -1][] = [[best.need, best.part, 1]]
    let start = best.need
    for (let step = via.get(start); step; step = via.get(start)) {
      moves.push([start, step.part, -1], [step.need, step.part, 1])
      start = step.need
    }
    return { start, end: best.part, moves }
  }
}
