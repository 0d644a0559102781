import { expect, test } from '@jest/globals'
import { Subgradient } from './subgradient.ts'

const OPTIONS = { stepScale: 1, stallRounds: 5, leastStepScale: 0.001 }

/**
 * Minimise 3x + 5y over x, y in [0, 1] with x + y ≥ 1 and y ≥ 0.5, both constraints priced: the value is 4, with x = y = 0.5.
 */
function bounded(rounds: number, begin: number[]) {
  const prices = Float64Array.from(begin)
  const search = new Subgradient(prices, new Float64Array(2), OPTIONS)
  let told = 0
  for (let round = 0; round < rounds && !search.spent; round++) {
    const [u, v] = [prices[0]!, prices[1]!]
    const [x, y] = [3 - u < 0 ? 1 : 0, 5 - u - v < 0 ? 1 : 0]
    const value = (3 - u) * x + (5 - u - v) * y + u + 0.5 * v
    expect(value).toBeLessThanOrEqual(4 + 1e-9)
    if (search.gains(value)) told = value
    if (!search.step(value, Float64Array.of(1 - x - y, 0.5 - y), 4)) break
  }
  return { bound: search.bound, told, prices: [...prices], spent: search.spent }
}

test('the bound rises to the value of the relaxation and never above it, from wherever it begins', () => {
  for (const begin of [
    [0, 0],
    [9, 9],
    [0, 40],
  ]) {
    const { bound, told, prices } = bounded(2000, begin)
    expect(bound).toBeGreaterThan(3.98)
    expect(bound).toBe(told)
    expect(Math.min(...prices)).toBeGreaterThanOrEqual(0)
  }
})

test('steps that gain nothing become smaller until they are spent', () => {
  const search = new Subgradient(Float64Array.of(1), new Float64Array(1), OPTIONS)
  let rounds = 0
  for (; !search.spent; rounds++) {
    search.gains(0)
    expect(search.step(0, Float64Array.of(1), 10)).toBe(true)
  }
  // Ten halvings from 1 to below 0.001, each after five rounds and the one that halves.
  expect(rounds).toBeGreaterThanOrEqual(50)
  expect(rounds).toBeLessThanOrEqual(61)
  // Nothing lacks where all that is left over costs nothing.
  const free = new Subgradient(Float64Array.of(0), new Float64Array(1), OPTIONS)
  free.gains(1)
  expect(free.step(1, Float64Array.of(-3), 10)).toBe(false)
})
