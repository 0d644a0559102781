import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { waysToGet, type Bringer } from './waysToGet.ts'

const offer = (code: string, price: number, yields: Record<string, number>, more: Partial<Bringer> = {}): Bringer => ({
  kind: 'part',
  code,
  name: code,
  sellerName: 'Lock 9 Loft',
  condition: 'new',
  price,
  multiple: 1,
  yields: Object.entries(yields).map(([part, qty]) => ({ part, qty })),
  ...more,
})
const need = (parts: Record<string, number>) => Object.entries(parts).map(([part, qty]) => ({ part, qty }))
const lowest = new Map([
  ['a', 100],
  ['b', 40],
])

test('the cheapest way comes first, each thing once by its cheapest offer', () => {
  const ways = waysToGet(
    need({ a: 1 }),
    [offer('a', 150, { a: 1 }), offer('a', 120, { a: 1 }), offer('F', 110, { a: 1, b: 2 }, { kind: 'figure' })],
    lowest,
  )
  expect(ways.map(({ kind, code, cost }) => [kind, code, cost])).toEqual([
    ['figure', 'F', 110],
    ['part', 'a', 120],
  ])
})

test('what is left over is told with its worth, and what nobody sells singly is counted apart', () => {
  const [way] = waysToGet(need({ a: 1 }), [offer('F', 300, { a: 2, b: 3, c: 1 }, { kind: 'figure' })], lowest)
  expect(way).toMatchObject({
    left: [
      { part: 'a', qty: 1 },
      { part: 'b', qty: 3 },
      { part: 'c', qty: 1 },
    ],
    leftWorth: 100 + 3 * 40,
    leftUnpriced: 1,
  })
})

test('packs cost all their units and leave the others over', () => {
  const [way] = waysToGet(need({ b: 1 }), [offer('b', 30, { b: 1 }, { multiple: 4 })], lowest)
  expect(way).toMatchObject({ cost: 120, left: [{ part: 'b', qty: 3 }], leftWorth: 120 })
})

describe('an assembly', () => {
  test('is only brought by what brings all of it', () => {
    const ways = waysToGet(
      need({ t: 1, h: 2 }),
      [offer('half', 10, { t: 1, h: 1 }), offer('whole', 90, { t: 1, h: 2 }), offer('box', 500, { t: 3, h: 6 })],
      lowest,
    )
    expect(ways.map(({ code }) => code)).toEqual(['whole', 'box'])
    expect(ways[0]!.left).toEqual([])
  })
})

test('what is needed and what is left over are what was bought, for any offers', () => {
  const parts = ['a', 'b', 'c', 'd']
  const amounts = fc.dictionary(fc.constantFrom(...parts), fc.integer({ min: 1, max: 4 }), { noNullPrototype: true })
  fc.assert(
    fc.property(
      amounts.filter((needed) => Object.keys(needed).length > 0),
      fc.array(fc.tuple(amounts, fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1, max: 3 })), { maxLength: 8 }),
      (needed, list) => {
        const offers = list.map(([yields, price, multiple], i) => offer(`o${i}`, price, yields, { multiple }))
        const ways = waysToGet(need(needed), offers, lowest)
        for (const way of ways) {
          const bought = offers.find(({ code }) => code === way.code)!
          for (const part of parts) {
            const had = (bought.yields.find((y) => y.part === part)?.qty ?? 0) * bought.multiple
            const left = way.left.find((l) => l.part === part)?.qty ?? 0
            expect(left + (needed[part] ?? 0)).toBe(had)
          }
        }
        const costs = ways.map(({ cost }) => cost)
        expect(costs).toEqual([...costs].sort((a, b) => a - b))
      },
    ),
  )
})
