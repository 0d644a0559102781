import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { allocateOwned } from './allocate.ts'
import { onHandByBin, type Movement } from './onHand.ts'

const move = (part: string, from: string | null, to: string | null, qty: number): Movement => ({ part, from, to, qty })
const counts = (movements: Movement[]) =>
  [...onHandByBin(movements)].flatMap(([part, bins]) => [...bins].map(([bin, qty]) => `${part} ${bin} ${qty}`))

describe('on hand', () => {
  test('is the sum of movements; empty places are not listed', () => {
    expect(counts([move('A', null, 'B1', 3), move('A', 'B1', 'B2', 2), move('A', 'B1', null, 1)])).toEqual(['A B2 2'])
  })

  test('undoing by reversal brings back what was', () => {
    const before = [move('A', null, 'B1', 3), move('C', null, 'B1', 1)]
    expect(counts([...before, move('A', 'B1', 'B2', 2), move('A', 'B2', 'B1', 2)])).toEqual(counts(before))
  })

  test('no place ever holds less than nothing', () => {
    expect(() => onHandByBin([move('A', null, 'B1', 1), move('A', 'B1', 'B2', 2)])).toThrow('Bin B1 would hold -1 of A')
    const bins = fc.constantFrom(null, 'B1', 'B2')
    const movement = fc.record({
      part: fc.constantFrom('A', 'C'),
      from: bins,
      to: bins,
      qty: fc.integer({ min: 1, max: 4 }),
    })
    fc.assert(
      fc.property(fc.array(movement, { maxLength: 30 }), (wanted) => {
        const kept: Movement[] = []
        for (const next of wanted) {
          try {
            onHandByBin([...kept, next])
            kept.push(next)
          } catch {
            // Refused, as it would have gone below zero.
          }
        }
        const places = onHandByBin(kept)
        let held = 0
        for (const place of places.values())
          for (const qty of place.values()) {
            expect(qty).toBeGreaterThan(0)
            held += qty
          }
        const flow = kept.reduce((sum, m) => sum + (m.to === null ? 0 : m.qty) - (m.from === null ? 0 : m.qty), 0)
        expect(held).toBe(flow)
      }),
    )
  })
})

describe('allocation', () => {
  test('a part can be on one figure only: earlier outfits come first', () => {
    const given = allocateOwned(new Map([['A', 2]]), [
      { outfit: 'one', parts: ['A', 'B'] },
      { outfit: 'two', parts: ['A', 'A'] },
    ])
    expect([...given.get('one')!]).toEqual([['A', 1]])
    expect([...given.get('two')!]).toEqual([['A', 1]])
  })

  test('never gives more than there is, nor more than was asked', () => {
    const owned = fc.dictionary(fc.constantFrom('A', 'B', 'C'), fc.nat(4))
    const wishes = fc.array(fc.array(fc.constantFrom('A', 'B', 'C', 'D'), { maxLength: 6 }), { maxLength: 5 })
    fc.assert(
      fc.property(owned, wishes, (stock, lists) => {
        const given = allocateOwned(
          new Map(Object.entries(stock)),
          lists.map((parts, i) => ({ outfit: String(i), parts })),
        )
        for (const part of ['A', 'B', 'C', 'D']) {
          const asked = lists.flat().filter((p) => p === part).length
          const got = [...given.values()].reduce((sum, parts) => sum + (parts.get(part) ?? 0), 0)
          expect(got).toBe(Math.min(asked, stock[part] ?? 0))
        }
      }),
    )
  })
})
