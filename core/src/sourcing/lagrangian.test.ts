import { describe, expect, test } from '@jest/globals'
import { offer, problem, seller } from '../test/problem.ts'
import { lagrangianBound } from './lagrangian.ts'
import type { SourcingProblem } from './types.ts'

const priced = (given: SourcingProblem, upper: number, fewest = 0) =>
  lagrangianBound(given, { fewest, upper, rounds: 400 })

describe('the bound by prices', () => {
  test('of one seller is what it costs', () => {
    const given = problem(['A', 'B'], {
      sellers: [seller('s', 200, { handling: 30 })],
      offers: [offer('a', 's', 'A', 100), offer('b', 's', 'B', 50)],
    })
    expect(priced(given, 380).bound).toBeCloseTo(380, 0)
  })

  test('of falling shipping knows that a small parcel pays the dear band', () => {
    const bands = [
      { upTo: 999, price: 400 },
      { upTo: null, price: 0 },
    ]
    const given = problem(['A'], {
      sellers: [seller('s', 0, { shipping: { basis: 'value', bands } })],
      offers: [offer('a', 's', 'A', 100, { qty: 1 })],
    })
    expect(priced(given, 500).bound).toBeCloseTo(500, 0)
  })

  test('counts what may stay unmet as nothing', () => {
    const given = problem(['A', 'Z'], { sellers: [seller('s', 100)], offers: [offer('a', 's', 'A', 70)] })
    const { bound } = priced(given, 170, 1)
    expect(bound).toBeLessThanOrEqual(170 + 1e-6)
    expect(bound).toBeGreaterThan(0)
  })

  test('takes what is owned for free', () => {
    const given = problem(['A'], {
      sellers: [seller('s', 100)],
      offers: [offer('a', 's', 'A', 70)],
      owned: [{ part: 'A', qty: 1 }],
    })
    expect(priced(given, 0).bound).toBeLessThanOrEqual(1e-6)
  })

  test('rules out a seller and an offer that are far too dear, and none of the best plan', () => {
    const given = problem(['A', 'B'], {
      sellers: [seller('near', 100), seller('far', 900)],
      offers: [
        offer('a', 'near', 'A', 50),
        offer('b', 'near', 'B', 60),
        offer('bb', 'near', 'B', 700),
        offer('c', 'far', 'A', 40),
      ],
    })
    const { withSeller, withOffer } = priced(given, 210)
    expect(withSeller[0]).toBeLessThanOrEqual(210 + 1e-6)
    expect(withSeller[1]).toBeGreaterThan(210)
    expect([...withOffer].map((bound) => bound <= 210 + 1e-6)).toEqual([true, true, false, false])
  })

  test('stops when it is told to', () => {
    const given = problem(['A'], { sellers: [seller('s', 100)], offers: [offer('a', 's', 'A', 70)] })
    expect(lagrangianBound(given, { fewest: 0, upper: 170, rounds: 400, late: () => true }).bound).toBe(-Infinity)
  })
})
