import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { replicability, replicabilityInWords, type PartSupply } from './replicability.ts'

const part = (
  name: string,
  sellers: string[],
  prices: number[] = sellers.map(() => 100),
  more: Partial<PartSupply> = {},
) => ({
  name,
  qty: 1,
  sellers,
  prices,
  carriers: 1,
  ...more,
})
const money = (minor: number) => `€${(minor / 100).toFixed(2)}`

test('names the fewest sellers, the common share, what it costs and where to look first', () => {
  const found = replicability([
    part('Bun', ['Ada', 'Bo', 'Cy'], [80, 100, 120]),
    part('Mitt', ['Ada', 'Bo'], [10, 30], { qty: 2, carriers: 9 }),
    part('Hat', ['Bo'], [400]),
    part('Coat', ['Cy'], []),
    part('Heron', [], []),
  ])
  expect(found).toEqual({
    sources: ['Bo', 'Cy'],
    common: 0.5,
    low: 80 + 20 + 400,
    middle: 100 + 20 + 400,
    unsold: ['Heron'],
    inside: ['Coat'],
    hardest: { name: 'Hat', sellers: 1 },
  })
  expect(replicabilityInWords(found, money)).toEqual([
    'Bo and Cy together have all that is sold.',
    '50 % of its parts are common.',
    'Bought singly the rest costs from €5.00, at middling prices €5.20, before shipping.',
    'Coat comes only inside something larger.',
    'Heron is for sale nowhere: look for a swap, or choose the nearest.',
    'Look for Hat first: one seller has it.',
  ])
})

test('of nothing everything is had', () => {
  const none = replicability([])
  expect(none).toMatchObject({ sources: [], common: 1, low: 0, hardest: null })
  expect(replicabilityInWords(none, money)).toEqual(['Nobody sells any of it today.', '100 % of its parts are common.'])
  expect(replicabilityInWords(replicability([part('Bun', ['Ada'])]), money)[0]).toBe('Ada alone has all of it.')
})

test('no smaller set of sellers would do', () => {
  const names = ['a', 'b', 'c', 'd', 'e']
  const lists = fc.array(fc.uniqueArray(fc.constantFrom(...names), { minLength: 1 }), { maxLength: 7 })
  fc.assert(
    fc.property(lists, (sellers) => {
      const { sources } = replicability(sellers.map((list, i) => part(`p${i}`, list)))
      const covers = (set: readonly string[]) => sellers.every((list) => list.some((seller) => set.includes(seller)))
      const subsets = names.reduce<string[][]>((all, name) => [...all, ...all.map((set) => [...set, name])], [[]])
      expect(covers(sources)).toBe(true)
      expect(sources).toHaveLength(Math.min(...subsets.filter(covers).map((set) => set.length)))
    }),
  )
})
