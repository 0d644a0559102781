import { describe, expect, test } from '@jest/globals'
import { offer, problem, seller } from '../test/problem.ts'
import { BadProblem } from './fieldReader.ts'
import { readProblem } from './readProblem.ts'
import type { SourcingProblem } from './types.ts'

const good = (): SourcingProblem =>
  problem(['A'], {
    sellers: [seller('s', 100)],
    offers: [offer('a', 's', 'A', 50)],
    limits: { parcels: 2, arriveBy: null, budget: null, seconds: 3, gap: 0.01 },
  })

/** A problem that may be spoilt in any way. */
type Draft = any // oxlint-disable-line typescript/no-explicit-any

/** Faults of the good problem after a change, as "field: message". */
function faultsAfter(change: (draft: Draft) => void): string[] {
  const draft = JSON.parse(JSON.stringify(good())) as Draft
  change(draft)
  try {
    readProblem(draft)
    return []
  } catch (error) {
    if (!(error instanceof BadProblem)) throw error
    return error.faults.map(({ field, message }) => `${field}: ${message}`)
  }
}

test('a good problem is read as it stands', () => {
  expect(readProblem(JSON.parse(JSON.stringify(good())))).toEqual(good())
})

test('what may be left out has its default', () => {
  const { limits: _limits, resale: _resale, owned: _owned, ...rest } = good()
  const bare = { ...rest, offers: [{ id: 'a', seller: 's', price: 5, qty: 1, yields: [{ part: 'A', qty: 1 }] }] }
  expect(readProblem(bare)).toMatchObject({
    owned: [],
    resale: [],
    offers: [{ multiple: 1, weight: 0 }],
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0.005 },
  })
})

describe('faults name their field', () => {
  test.each<[string, (draft: Draft) => void, string]>([
    ['a missing price', (d) => delete d.offers[0].price, 'offers[0].price: is missing'],
    ['a negative quantity', (d) => (d.needs[0].qty = -1), 'needs[0].qty: must not be negative; it is -1'],
    ['a broken quantity', (d) => (d.offers[0].qty = 1.5), 'offers[0].qty: must be a whole number'],
    ['an unknown seller', (d) => (d.offers[0].seller = 'x'), 'offers[0].seller: '],
    ['an unknown format', (d) => (d.format = 'other'), 'format: must be "outfit.sourcing-problem"'],
    ['a newer version', (d) => (d.version = 2), 'version: must be 1'],
    ['no needs', (d) => delete d.needs, 'needs: is missing'],
    ['needs that are no list', (d) => (d.needs = 7), 'needs: must be a list'],
    ['a seller that is no object', (d) => (d.sellers = ['s']), 'sellers[0]: must be an object'],
    ['an unknown basis', (d) => (d.sellers[0].shipping.basis = 'size'), 'sellers[0].shipping.basis: must be one of'],
    ['no bands', (d) => (d.sellers[0].shipping.bands = []), 'sellers[0].shipping.bands: needs at least one band'],
    [
      'falling bands',
      (d) =>
        (d.sellers[0].shipping.bands = [
          { upTo: 9, price: 1 },
          { upTo: 9, price: 2 },
        ]),
      'sellers[0].shipping.bands[1].upTo: must be above',
    ],
    ['an id used twice', (d) => d.offers.push(d.offers[0]), 'offers[1].id: "a" is used twice'],
    [
      'an empty part',
      (d) => (d.needs[0].accept[0].part = ''),
      'needs[0].accept[0].part: must be a text that is not empty',
    ],
    ['a step of none', (d) => (d.offers[0].multiple = 0), 'offers[0].multiple: must not be below 1; it is 0'],
    ['a negative limit', (d) => (d.limits.budget = -5), 'limits.budget: must not be negative'],
  ])('%s', (_name, change, expected) => {
    const faults = faultsAfter(change)
    expect(faults.some((fault) => fault.startsWith(expected)) ? expected : faults).toBe(expected)
  })

  test('all of them are found at once, the first is in the message', () => {
    const faults = faultsAfter((d: Draft) => {
      delete d.currency
      d.offers[0].price = -2
    })
    expect(faults).toEqual(['currency: is missing', 'offers[0].price: must not be negative; it is -2'])
    expect(() => readProblem('nonsense')).toThrow(/^format: .* \(and \d+ more\)$|^problem: must be an object/)
  })
})

test('numbers no seller comes near are refused by name, not worked with', () => {
  const given = (change: object) => ({
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: [{ id: 'n', qty: 1, accept: [{ part: 'A' }] }],
    sellers: [{ id: 's', shipping: { basis: 'value', bands: [{ upTo: null, price: 0 }] } }],
    offers: [{ id: 'o', seller: 's', price: 1, qty: 1, yields: [{ part: 'A', qty: 1 }] }],
    ...change,
  })
  const offer = { id: 'o', seller: 's', price: 1, qty: 1, yields: [{ part: 'A', qty: 1 }] }
  for (const [change, message] of [
    [{ needs: [{ id: 'n', qty: 1e308, accept: [] }] }, 'needs[0].qty: must not be above 1000000; it is 1e+308'],
    [{ offers: [{ ...offer, qty: 1_000_001 }] }, 'offers[0].qty: must not be above 1000000; it is 1000001'],
    [{ offers: [{ ...offer, weight: 1e7 }] }, 'offers[0].weight: must not be above 1000000; it is 10000000'],
    [{ owned: [{ part: 'A', qty: 9e15 }] }, 'owned[0].qty: must not be above 1000000; it is 9000000000000000'],
    [{ limits: { seconds: 1e9 } }, 'limits.seconds: must not be above 3600; it is 1000000000'],
  ] as const)
    expect(() => readProblem(given(change))).toThrow(message)
  expect(() => readProblem(given({ offers: [{ ...offer, qty: 1_000_000 }] }))).not.toThrow()
})
