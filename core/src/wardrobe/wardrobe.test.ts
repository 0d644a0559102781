import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { offer, seller } from '../test/problem.ts'
import { buyAfter } from './buyAfter.ts'
import { LookTree } from './lookTree.ts'
import { planOrBetter, planRoster } from './planRoster.ts'
import { needsOf } from './rosterModel.ts'
import { settle } from '../sourcing/index.ts'
import { settleRoster } from './settleRoster.ts'
import { supplyOf } from './supply.ts'
import { missedWorth, type RosterProblem } from './types.ts'
import { Wardrobe } from './wardrobe.ts'

/** A random roster: pairs in a ring, so that some lie outside every tree; faces, floors, bundles, several parts. */
function anyRoster(seed: number, slotCount = 4): RosterProblem {
  const random = seeded(seed)
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1))
  const part = () => `P${whole(0, 8)}`
  return {
    format: 'outfit.roster-problem',
    version: 1,
    currency: 'EUR',
    worth: 40,
    outfits: Array.from({ length: 3 }, (_, o) => {
      const slots = Array.from({ length: slotCount }, (_, s) => ({
        id: `s${s}`,
        candidates: Array.from({ length: whole(1, 4) }, (_, c) => ({
          id: `c${c}`,
          parts: Array.from({ length: whole(0, 2) }, () => ({ part: part(), qty: whole(1, 2) })),
          score: whole(0, 25) * 1000,
          face: random() < 0.3 ? `F${whole(0, 2)}` : null,
        })),
      }))
      const pairs = slots.map(({ id, candidates }, s) => {
        const other = slots[(s + 1) % slotCount]!
        return {
          a: id,
          b: other.id,
          off: candidates.flatMap((a) =>
            other.candidates
              .filter(() => random() < 0.4)
              .map((b): [string, string, number] => [a.id, b.id, whole(-1, 9) * 500]),
          ),
        }
      })
      return { id: `o${o}`, floor: whole(0, 1) * 40_000, slots, pairs }
    }),
    owned: [{ part: 'P1', qty: 1 }],
    sellers: [
      seller('s', 200, { handling: 20 }),
      seller('t', 150, {
        shipping: {
          basis: 'count',
          bands: [
            { upTo: 3, price: 150 },
            { upTo: null, price: 400 },
          ],
        },
      }),
    ],
    offers: [
      ...Array.from({ length: 9 }, (_, p) => offer(`a${p}`, 's', `P${p}`, whole(20, 90), { qty: 3 })),
      ...Array.from({ length: 5 }, (_, p) => offer(`b${p}`, 't', `P${p}`, whole(20, 90), { qty: 2 })),
      offer('box', 't', 'P0', 160, { qty: 2, yields: ['P0', 'P2', 'P7'].map((id) => ({ part: id, qty: 1 })) }),
    ],
    resale: [{ part: 'P2', price: 10 }],
    limits: { parcels: null, arriveBy: null, budget: null, faces: 'distinct', seconds: 1, gap: 0 },
  }
}

const wardrobeOf = (problem: RosterProblem) => new Wardrobe(problem, supplyOf(problem), () => false)

describe('a plan and the ways it is shown beside', () => {
  const nothing = () => ({ status: 'unknown' as const, values: null, value: Infinity, bound: -Infinity })
  /** A plan that had no time at all, and one that had plenty, of a thousand looks at the clock. */
  const planned = (problem: RosterProblem, tick: number) => {
    let time = 0
    return planRoster(problem, { solve: nothing, now: () => (time += tick) })
  }
  const problems = Array.from({ length: 30 }, (_, seed) => {
    const problem = anyRoster(seed + 1)
    return { ...problem, outfits: problem.outfits.map((outfit) => ({ ...outfit, floor: 0 })) }
  })

  test('it is never worse than one that keeps everything, and then it is that one', () => {
    let [taken, stayed] = [0, 0]
    for (const problem of problems) {
      const [hasty, good] = [planned(problem, 0.6), planned(problem, 0.0005)]
      if (good.status === 'impossible') continue
      // As settled from its own choices and purchases, without anything of the search.
      const units = new Map(good.baskets.flatMap(({ lines }) => lines.map(({ offer: id, qty }) => [id, qty])))
      const choices = good.outfits.map((outfit) => outfit.choices)
      const other = settleRoster(problem, choices, units)
      expect(other.faults).toEqual([])
      const best = planOrBetter(problem, hasty, [null, other])
      expect(best.value).toBe(hasty.status === 'impossible' ? other.value : Math.min(hasty.value, other.value))
      expect(best.bound).toBeLessThanOrEqual(best.value)
      expect(planOrBetter(problem, hasty, [null, { ...other, faults: ['a face is worn twice'] }])).toBe(hasty)
      if (best === hasty) stayed += 1
      else {
        taken += 1
        expect([best.outfits, best.spending]).toEqual([good.outfits, good.spending])
      }
    }
    expect([taken > 0, stayed > 0]).toEqual([true, true])
  })

  test('choices that are given are bought as they are; one that is no candidate is none', () => {
    for (const problem of problems.slice(0, 8)) {
      const first = problem.outfits.map(({ slots }) =>
        Object.fromEntries(slots.map(({ id, candidates }) => [id, candidates[0]!.id])),
      )
      let time = 0
      const options = { solve: nothing, now: () => (time += 0.001) }
      const bought = buyAfter(problem, options, first)
      if (bought) expect(bought.outfits.map(({ choices }) => choices)).toEqual(first)
      expect(buyAfter(problem, options, [{ ...first[0]!, s0: 'gone' }, ...first.slice(1)])).toBeNull()
    }
  })
})

describe('the account of a wardrobe', () => {
  test('is right after any changes, and whatever is taken back leaves no trace', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const problem = anyRoster(seed)
      const wardrobe = wardrobeOf(problem)
      const random = seeded(seed)
      const pick = (count: number) => Math.floor(random() * count)
      wardrobe.places.forEach(({ choices }, place) => wardrobe.choose(place, pick(choices.length)))
      for (let step = 0; step < 60; step++) {
        const mark = wardrobe.mark()
        const before = { cost: wardrobe.cost, choice: wardrobe.choice.slice(), fill: wardrobe.ledger.fill.slice() }
        const place = pick(wardrobe.places.length)
        if (random() < 0.5) wardrobe.choose(place, pick(wardrobe.places[place]!.choices.length))
        else if (wardrobe.exchange(place)) expect(wardrobe.cost).toBeLessThan(before.cost)
        if (random() < 0.5) continue
        wardrobe.rollback(mark)
        expect(wardrobe.cost).toBeCloseTo(before.cost, 2)
        expect([wardrobe.choice, wardrobe.ledger.fill]).toEqual([before.choice, before.fill])
      }
      // What is filled and what is missing is what the choices take; each need comes to the ledger's own account.
      const needs = needsOf(wardrobe, wardrobe.choice)
      const wanted = new Map(needs.map(({ id, qty }) => [id, qty]))
      wardrobe.supply.needs.forEach(({ id }, need) => {
        const filled = wardrobe.ledger.ways[need]!.reduce((sum, { at }) => sum + wardrobe.ledger.fill[at]!, 0)
        expect(filled + wardrobe.ledger.missing[need]!).toBe(wanted.get(id) ?? 0)
      })
      const settled = settle({ ...wardrobe.supply, needs }, wardrobe.ledger.units())
      if (settled.unmet.length === 0) expect(settled.total).toBeLessThanOrEqual(wardrobe.ledger.cost + 0.01)
    }
  })

  test('counts faces worn by several outfits once each, and floors that are not reached', () => {
    const problem = anyRoster(7)
    const wardrobe = wardrobeOf(problem)
    const random = seeded(7)
    for (let round = 0; round < 200; round++) {
      const place = Math.floor(random() * wardrobe.places.length)
      wardrobe.choose(place, Math.floor(random() * (wardrobe.places[place]!.choices.length + 1)) - 1)
      const wearers = new Map<number, Set<number>>()
      wardrobe.choice.forEach((choice, at) => {
        const { outfit, choices } = wardrobe.places[at]!
        const face = choice < 0 ? -1 : choices[choice]!.face
        if (face >= 0) wearers.set(face, (wearers.get(face) ?? new Set()).add(outfit))
      })
      const twice = [...wearers.values()].reduce((sum, who) => sum + who.size - 1, 0)
      const plain = problem.outfits.reduce((sum, _, i) => sum + missedWorth(problem.worth, wardrobe.likeness[i]!), 0)
      const below = problem.outfits.reduce((sum, { floor }, i) => {
        const short = floor - wardrobe.likeness[i]!
        return sum + (short > 0 ? 1e9 * (1 + short / 1e5) : 0)
      }, 0)
      expect(wardrobe.missedCost).toBeCloseTo(plain + below + twice * 1e9, 2)
    }
  })
})

describe('the tree of an outfit', () => {
  /** The least of all choices at given costs, with each choice forced. */
  function everyLook(wardrobe: Wardrobe, outfit: number, costs: readonly Float64Array[], rate: number) {
    const places = wardrobe.placesOf[outfit]!
    const least = costs.map((own) => new Float64Array(own.length).fill(Infinity))
    const chosen: number[] = []
    const choose = (i: number) => {
      if (i < places.length) {
        for (let c = 0; c < costs[i]!.length; c++) {
          chosen[i] = c
          choose(i + 1)
        }
        return
      }
      let sum = 0
      places.forEach((place, k) => {
        sum += costs[k]![chosen[k]!]!
        for (const { place: other, width, off } of wardrobe.places[place]!.beside)
          if (other > place) sum += rate * off[chosen[k]! * width + chosen[places.indexOf(other)]!]!
      })
      chosen.forEach((c, k) => (least[k]![c] = Math.min(least[k]![c]!, sum)))
    }
    choose(0)
    return least
  }

  test.each([
    ['a chain', 2],
    ['a ring', 4],
  ])('of %s is exact, or a bound where pairs lie outside it', (_, slotCount) => {
    for (let seed = 1; seed <= 60; seed++) {
      const wardrobe = wardrobeOf(anyRoster(seed, slotCount))
      const random = seeded(seed)
      const tree = new LookTree(wardrobe, 0)
      const places = wardrobe.placesOf[0]!
      const costs = places.map((place) => tree.costOf(place).map(() => Math.floor(random() * 500)))
      places.forEach((place, k) => tree.costOf(place).set(costs[k]!))
      const rate = 0.04
      const chosen = new Int32Array(wardrobe.places.length)
      const found = tree.solve(rate, chosen)
      const all = everyLook(wardrobe, 0, costs, rate)
      const truth = Math.min(...all[0]!)
      if (tree.exact) expect(found).toBeCloseTo(truth, 6)
      else expect(found).toBeLessThanOrEqual(truth + 1e-6)
      const rises = tree.rises(rate)
      places.forEach((place, k) =>
        all[k]!.forEach((forced, c) => {
          const told = found + rises.get(place)![c]!
          if (tree.exact) expect(told).toBeCloseTo(forced, 6)
          else expect(told).toBeLessThanOrEqual(forced + 1e-6)
        }),
      )
    }
  })
})
