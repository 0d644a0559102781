import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { PART_ORDERS } from '@outfit/core/parts'
import { SHELF_KEYS } from '@outfit/core/catalogue'
import { isNarrowed, readQuestion, toggled, writeQuestion, type Question } from './question.ts'

const anyQuestion = fc.record<Question>(
  {
    text: fc.string({ minLength: 1 }),
    shelves: fc.subarray([...SHELF_KEYS], { minLength: 1 }),
    families: fc.subarray(['red', 'blue', 'skin'], { minLength: 1 }),
    yearFrom: fc.integer({ min: 1990, max: 2030 }),
    yearTo: fc.integer({ min: 1990, max: 2030 }),
    priceTo: fc.integer({ min: 1, max: 9999 }),
    owned: fc.constant(true),
    inProduction: fc.constant(true),
    order: fc.constantFrom(...PART_ORDERS.filter((order) => order !== 'common')),
  },
  { requiredKeys: [] },
)

test('a question survives its address', () => {
  fc.assert(
    fc.property(anyQuestion, (question) => {
      const address = writeQuestion(question).toString()
      expect(readQuestion(new URLSearchParams(address))).toEqual(question)
    }),
  )
})

test('an address typed by hand may be nonsense', () => {
  const search = new URLSearchParams('on=shoes,held&from=soon&order=best&price=-3&owned=perhaps')
  expect(readQuestion(search)).toEqual({ shelves: ['held'] })
})

test('an order narrows nothing', () => {
  expect(isNarrowed({ order: 'price' })).toBe(false)
  expect(isNarrowed({ order: 'price', owned: true })).toBe(true)
})

test('toggling twice is no change', () => {
  expect(toggled(toggled(['a', 'b'], 'c'), 'c')).toEqual(['a', 'b'])
  expect(toggled(undefined, 'a')).toEqual(['a'])
})
