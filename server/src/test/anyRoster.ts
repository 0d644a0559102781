import fc from 'fast-check'
import type { RosterProblem } from '@outfit/core/wardrobe'
import { anyProblem } from './anyProblem.ts'
import { everyPurchase } from './everyPurchase.ts'

/** Any small roster problem of the published format: two outfits, up to three choices a slot, and a market of any kind. */
export function anyRoster(): fc.Arbitrary<RosterProblem> {
  const whole = (min: number, max: number) => fc.integer({ min, max })
  const candidate = fc.record({
    parts: fc.array(fc.record({ part: fc.constantFrom('A', 'B', 'C'), qty: fc.constantFrom(1, 1, 1, 2) }), {
      maxLength: 2,
    }),
    score: whole(0, 60).map((points) => points * 997),
    face: fc.constantFrom(null, null, 'F', 'G'),
  })
  const slot = fc.array(candidate, { minLength: 1, maxLength: 3 })
  const outfit = fc.record({
    floor: fc.constantFrom(0, 0, 20_000, 60_000),
    slots: fc.array(slot, { minLength: 1, maxLength: 2 }),
    off: fc.array(fc.tuple(whole(0, 2), whole(0, 2), whole(-2, 9)), { maxLength: 4 }),
  })
  return fc
    .record({
      market: anyProblem(),
      outfits: fc.array(outfit, { minLength: 1, maxLength: 2 }),
      worth: fc.constantFrom(0, 1, 3, 40),
      faces: fc.constantFrom(null, 'distinct' as const),
    })
    .map(({ market, outfits, worth, faces }) => ({
      format: 'outfit.roster-problem',
      version: 1,
      currency: 'EUR',
      worth,
      outfits: outfits.map(({ floor, slots, off }, o) => ({
        id: `o${o}`,
        floor,
        slots: slots.map((candidates, s) => ({
          id: `s${s}`,
          candidates: candidates.map((one, c) => ({ id: `c${c}`, ...one })),
        })),
        pairs:
          slots.length < 2
            ? []
            : [
                {
                  a: 's0',
                  b: 's1',
                  off: off.map(([a, b, points]): [string, string, number] => [
                    `c${a % slots[0]!.length}`,
                    `c${b % slots[1]!.length}`,
                    points * 1000,
                  ]),
                },
              ],
      })),
      owned: market.owned,
      sellers: market.sellers,
      offers: market.offers,
      resale: market.resale,
      limits: { ...market.limits, faces, seconds: 20 },
    }))
}

/**
 * The oracle of roster problems: every choice for every slot, and every purchase for each, by the words of docs/formats.md
 * and with nothing of the planner's code. Null where nothing keeps all that must be kept.
 */
export function everyRoster(problem: RosterProblem): number | null {
  const { outfits, worth, limits } = problem
  const chosen: Record<string, string>[] = outfits.map(() => ({}))
  const slots = outfits.flatMap(({ slots: own }, o) => own.map((slot) => ({ o, slot })))
  const bought = new Map<string, number | null>()
  let best: number | null = null
  const judge = () => {
    let missed = 0
    const wearers = new Map<string, Set<number>>()
    const parts = new Map<string, number>()
    for (const [o, { floor, slots: own, pairs }] of outfits.entries()) {
      let likeness = 0
      for (const { id, candidates } of own) {
        const { score, face, parts: taken } = candidates.find((one) => one.id === chosen[o]![id])!
        likeness += score
        if (face !== null) wearers.set(face, (wearers.get(face) ?? new Set()).add(o))
        for (const { part, qty } of taken) parts.set(part, (parts.get(part) ?? 0) + qty)
      }
      for (const { a, b, off } of pairs)
        for (const [x, y, points] of off) if (chosen[o]![a] === x && chosen[o]![b] === y) likeness -= points
      if (likeness < floor) return
      missed += Math.round((worth * (100_000 - likeness)) / 1000)
    }
    if (limits.faces === 'distinct' && [...wearers.values()].some((who) => who.size > 1)) return
    const key = JSON.stringify([...parts].sort())
    if (!bought.has(key)) {
      const needs = [...parts].map(([part, qty]) => ({ id: part, qty, accept: [{ part, penalty: 0 }] }))
      const { unmet, total } = everyPurchase({ ...problem, format: 'outfit.sourcing-problem', needs, limits })
      bought.set(key, unmet === 0 ? total : null)
    }
    const total = bought.get(key)!
    if (total !== null && (best === null || total + missed < best)) best = total + missed
  }
  const choose = (i: number) => {
    if (i === slots.length) return judge()
    const { o, slot } = slots[i]!
    for (const { id } of slot.candidates) {
      chosen[o]![slot.id] = id
      choose(i + 1)
    }
  }
  choose(0)
  return best
}
