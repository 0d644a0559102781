import { expect, test } from '@jest/globals'
import { BadProblem } from '../sourcing/index.ts'
import { readRosterProblem } from './readRosterProblem.ts'

const outfit = (more: object = {}) => ({
  id: 'o1',
  slots: [
    { id: 'head', candidates: [{ id: 'c1', parts: [{ part: 'P1', qty: 1 }], score: 9000, face: 'F12' }] },
    { id: 'hands', candidates: [{ id: 'none', parts: [], score: 0 }] },
  ],
  pairs: [{ a: 'head', b: 'hands', off: [['c1', 'none', 3000]] }],
  ...more,
})
const problem = (more: object = {}) => ({
  format: 'outfit.roster-problem',
  version: 1,
  currency: 'EUR',
  worth: 40,
  outfits: [outfit()],
  sellers: [],
  offers: [],
  ...more,
})
const faultsOf = (value: unknown): string[] => {
  try {
    readRosterProblem(value)
    return []
  } catch (error) {
    return (error as BadProblem).faults.map(({ field, message }) => `${field}: ${message}`)
  }
}

test('what is left out has the default of the format', () => {
  const read = readRosterProblem(problem())
  expect(read.limits).toEqual({ parcels: null, arriveBy: null, budget: null, faces: null, seconds: 20, gap: 0.005 })
  expect([read.owned, read.resale, read.outfits[0]!.floor]).toEqual([[], [], 0])
  expect(read.outfits[0]!.slots[1]!.candidates[0]).toEqual({ id: 'none', parts: [], score: 0, face: null })
  expect(readRosterProblem({ ...problem(), limits: { faces: 'distinct' } }).limits.faces).toBe('distinct')
})

test.each<[object, string]>([
  [problem({ format: 'outfit.sourcing-problem' }), 'format: must be "outfit.roster-problem"'],
  [problem({ worth: 'much' }), 'worth: must be a whole number'],
  [problem({ outfits: [outfit(), outfit()] }), 'outfits[1].id: "o1" is used twice'],
  [problem({ outfits: [outfit({ floor: 'high' })] }), 'outfits[0].floor: must be a whole number'],
  [
    problem({ outfits: [outfit({ slots: [{ id: 'head', candidates: [] }], pairs: [] })] }),
    'outfits[0].slots[0].candidates: needs at least one candidate',
  ],
  [
    problem({ outfits: [outfit({ pairs: [{ a: 'head', b: 'feet', off: [] }] })] }),
    'outfits[0].pairs[0].b: there is no slot "feet"',
  ],
  [
    problem({ outfits: [outfit({ pairs: [{ a: 'head', b: 'hands', off: [['c2', 'none', 1]] }] })] }),
    'outfits[0].pairs[0].off[0][0]: slot "head" has no candidate "c2"',
  ],
  [
    problem({ outfits: [outfit({ pairs: [{ a: 'head', b: 'hands', off: [['c1', 'none']] }] })] }),
    'outfits[0].pairs[0].off[0]: must be a list of two choices and what they take off',
  ],
  [
    problem({ offers: [{ id: 'o', seller: 'S', price: 1, qty: 1, yields: [] }] }),
    'offers[0].seller: there is no seller "S"',
  ],
])('a fault is told by its field (%#)', (bad, fault) => {
  expect(faultsOf(bad)).toContain(fault)
})
