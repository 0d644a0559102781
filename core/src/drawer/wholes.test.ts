import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Counted } from './stocktake.ts'
import { piecesIn } from './units.ts'
import { together } from './wholes.ts'

const whole = (code: string, ...parts: string[]) => ({
  code,
  components: parts.map((part, i) => ({
    slot: (['hips', 'legRight', 'legLeft'] as const)[i % 3]!,
    part,
    level: 1 as const,
  })),
})
const used = (part: string, qty: number): Counted => ({ part, qty, condition: 'used' })

test('three of each piece are three pairs, and a leg too many lies beside them', () => {
  const pair = whole('PAIR', 'HIPS', 'RIGHT', 'LEFT')
  expect(together([used('HIPS', 3), used('LEFT', 4), used('RIGHT', 3)], [pair])).toEqual({
    wholes: [used('PAIR', 3)],
    rest: [used('LEFT', 1)],
  })
  // New and used ones do not make a pair; a whole of two equal pieces takes two.
  const mixed: Counted[] = [used('HIPS', 1), used('LEFT', 1), { part: 'RIGHT', qty: 1, condition: 'new' }]
  expect(together(mixed, [pair]).wholes).toEqual([])
  expect(together([used('MITT', 5)], [whole('TWO', 'MITT', 'MITT')])).toEqual({
    wholes: [used('TWO', 2)],
    rest: [used('MITT', 1)],
  })
})

test('whatever lies there, the pieces of what is told are what lies there, and no whole is left to be made', () => {
  const codes = ['A', 'B', 'C', 'D', 'E']
  const lying = fc.uniqueArray(
    fc.record({
      part: fc.constantFrom(...codes),
      condition: fc.constantFrom<'new' | 'used'>('new', 'used'),
      qty: fc.integer({ min: 1, max: 9 }),
    }),
    { selector: ({ part, condition }) => `${part} ${condition}` },
  )
  const assemblies = fc.array(fc.array(fc.constantFrom(...codes), { minLength: 1, maxLength: 4 }), { maxLength: 5 })
  fc.assert(
    fc.property(lying, assemblies, (there, lists) => {
      const all = lists.map((parts, i) => whole(`W${i}`, ...parts))
      const { wholes, rest } = together(there, all)
      const sum = new Map<string, number>()
      const add = (part: string, condition: string, qty: number) =>
        sum.set(`${part} ${condition}`, (sum.get(`${part} ${condition}`) ?? 0) + qty)
      for (const { part, condition, qty } of rest) add(part, condition, qty)
      for (const { part, condition, qty } of wholes)
        for (const [piece, times] of piecesIn(all.find(({ code }) => code === part)!))
          add(piece, condition, qty * times)
      expect([...sum].sort()).toEqual(there.map(({ part, condition, qty }) => [`${part} ${condition}`, qty]).sort())
      expect(together(rest, all).wholes).toEqual([])
      expect(together([...there].reverse(), [...all].reverse())).toEqual({
        wholes,
        rest: expect.arrayContaining(rest) as unknown,
      })
    }),
  )
})
