import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cycleIn, type Inside } from './assemblyCycles.ts'

const pairs = (text: string): Inside[] => text.split(' ').map((pair) => ({ assembly: pair[0]!, part: pair[1]! }))

test('a chain and a diamond are no cycle', () => {
  expect(cycleIn(pairs('ab bc cd'))).toBeNull()
  expect(cycleIn(pairs('ab ac bd cd'))).toBeNull()
  expect(cycleIn([])).toBeNull()
})

test('a cycle is told as the way round', () => {
  expect(cycleIn(pairs('aa'))).toEqual(['a', 'a'])
  expect(cycleIn(pairs('ab ba'))).toEqual(['a', 'b', 'a'])
  expect(cycleIn(pairs('xa ab bc ca'))).toEqual(['a', 'b', 'c', 'a'])
})

test('what it finds is a cycle, and what only points to later codes has none', () => {
  const letter = fc.constantFrom(...'abcdefg')
  fc.assert(
    fc.property(fc.array(fc.record({ assembly: letter, part: letter }), { maxLength: 14 }), (list) => {
      const cycle = cycleIn(list)
      if (cycle) {
        expect(cycle[0]).toBe(cycle[cycle.length - 1])
        for (let i = 1; i < cycle.length; i++)
          expect(list.some(({ assembly, part }) => assembly === cycle[i - 1] && part === cycle[i])).toBe(true)
      }
      expect(cycleIn(list.filter(({ assembly, part }) => assembly < part))).toBeNull()
    }),
  )
})

test('nesting as deep as a file may be does not overflow', () => {
  const deep = Array.from({ length: 50_000 }, (_, i) => ({ assembly: `n${i}`, part: `n${i + 1}` }))
  expect(cycleIn(deep)).toBeNull()
  expect(cycleIn([...deep, { assembly: 'n50000', part: 'n0' }])).toHaveLength(50_002)
})
