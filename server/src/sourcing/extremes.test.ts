import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cheapestOfEach, planSourcing, readProblem, settle, type SourcingProblem } from '@outfit/core/sourcing'
import { MOST } from '@outfit/core/market'
import { anyProblem } from '../test/anyProblem.ts'
import { runs } from '../test/runs.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'

/** Any problem, with its numbers driven to the ends of what the format takes. */
const extreme = (): fc.Arbitrary<SourcingProblem> => {
  const upTo = (most: number) =>
    fc.oneof(fc.constant(most), fc.integer({ min: 1, max: most }), fc.integer({ min: 1, max: 9 }))
  const wild = fc.record({
    need: upTo(MOST.qty),
    stock: upTo(MOST.qty),
    price: fc.oneof(fc.constant(0), upTo(MOST.money)),
    multiple: upTo(MOST.pack),
    yielded: upTo(MOST.pack),
    weight: upTo(MOST.weight),
    minimum: fc.oneof(fc.constant(0), upTo(MOST.money)),
    band: upTo(MOST.band),
    resale: upTo(MOST.money),
  })
  return fc.tuple(anyProblem(), fc.array(wild, { minLength: 8, maxLength: 8 })).map(([problem, all]) => {
    const at = (i: number) => all[i % all.length]!
    return {
      ...problem,
      needs: problem.needs.map((need, i) => ({ ...need, qty: at(i).need })),
      owned: problem.owned.map((own, i) => ({ ...own, qty: at(i + 3).stock })),
      sellers: problem.sellers.map((seller, i) => ({
        ...seller,
        minimum: at(i).minimum,
        shipping: {
          ...seller.shipping,
          bands: seller.shipping.bands.map((band) => (band.upTo === null ? band : { ...band, upTo: at(i + 1).band })),
        },
      })),
      offers: problem.offers.map((offer, i) => ({
        ...offer,
        price: at(i).price,
        qty: at(i).stock,
        multiple: at(i + 2).multiple,
        weight: at(i + 4).weight,
        yields: offer.yields.map((one, y) => ({ ...one, qty: at(i + y).yielded })),
      })),
      resale: problem.resale.map((one, i) => ({ ...one, price: at(i + 5).resale })),
      limits: { ...problem.limits, seconds: 0.3 },
    }
  })
}

test('whatever the numbers, a plan comes within its seconds and one more, and adds up', async () => {
  const solve = await loadHighsSolver()
  fc.assert(
    fc.property(extreme(), (given) => {
      const problem = readProblem(given)
      // Processor time, so that a busy machine is not taken for a loop that does not end.
      const begun = process.cpuUsage()
      const plan = planSourcing(problem, { solve, now: () => performance.now() / 1000 })
      const used = process.cpuUsage(begun)
      expect((used.user + used.system) / 1e6).toBeLessThan(problem.limits.seconds + 1)
      const units = new Map(plan.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty] as const)))
      expect(settle(problem, units).total).toBe(plan.total)
      expect(plan.bound).toBeLessThanOrEqual(plan.total)
      cheapestOfEach(problem)
    }),
    { numRuns: runs(60) },
  )
})
