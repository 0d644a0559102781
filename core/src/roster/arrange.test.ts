import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { arrange, inShelfOrder, movesBack, movesTo, stepAlong } from './arrange.ts'

const stand = (text: string) => text.split(' ').map((one) => ({ id: one.slice(1), faction: one[0]! }))
const shown = (list: readonly { id: string; faction: string }[]) =>
  list.map(({ id, faction }) => faction + id).join(' ')

describe('a shelf', () => {
  test('keeps factions together in the order they first appear', () => {
    expect(shown(inShelfOrder(stand('A1 B2 A3')))).toBe('A1 A3 B2')
  })

  test('takes an outfit before another, to the end of a faction, or into a new one', () => {
    const shelf = stand('A1 A2 A3 B4')
    const moved = (outfit: string, faction: string, before: string | null) =>
      shown(arrange(shelf, [{ outfit, faction, before }]))
    expect(moved('3', 'A', '1')).toBe('A3 A1 A2 B4')
    expect(moved('1', 'A', null)).toBe('A2 A3 A1 B4')
    expect(moved('2', 'B', '4')).toBe('A1 A3 B2 B4')
    expect(moved('2', 'C', null)).toBe('A1 A3 B4 C2')
    // Who is to stand before somebody that is gone stands at the end.
    expect(moved('1', 'B', '9')).toBe('A2 A3 B4 B1')
    expect(moved('9', 'B', null)).toBe(shown(shelf))
  })

  test('is walked by keys, past the ends of factions', () => {
    const shelf = stand('A1 A2 B3 B4')
    const after = (id: string, by: -1 | 1) => {
      const move = stepAlong(shelf, id, by)
      return move && shown(arrange(shelf, [move]))
    }
    expect(after('1', 1)).toBe('A2 A1 B3 B4')
    expect(after('2', 1)).toBe('A1 B2 B3 B4')
    expect(after('3', -1)).toBe('A1 A2 A3 B4')
    expect(after('4', -1)).toBe('A1 A2 B4 B3')
    expect(after('4', 1)).toBeNull()
    expect(after('1', -1)).toBeNull()
  })

  test('loses nobody, and every arrangement is taken back', () => {
    const anyShelf = fc
      .uniqueArray(fc.nat(20), { minLength: 1, maxLength: 8 })
      .chain((ids) =>
        fc.tuple(...ids.map((id) => fc.constantFrom('A', 'B', 'C').map((faction) => ({ id: String(id), faction })))),
      )
    const anyMove = fc.record({
      outfit: fc.nat(20).map(String),
      faction: fc.constantFrom('A', 'B', 'C', 'D'),
      before: fc.option(fc.nat(20).map(String)),
    })
    fc.assert(
      fc.property(anyShelf, fc.array(anyMove, { maxLength: 6 }), (shelf, moves) => {
        const before = inShelfOrder(shelf)
        const after = arrange(shelf, moves)
        expect(after.map(({ id }) => id).sort()).toEqual(before.map(({ id }) => id).sort())
        expect(inShelfOrder(after)).toEqual(after)
        expect(
          arrange(after, movesTo(before))
            .map(({ id, faction }) => faction + id)
            .sort(),
        ).toEqual(before.map(({ id, faction }) => faction + id).sort())
        for (const faction of ['A', 'B', 'C'])
          expect(arrange(after, movesTo(before)).filter((one) => one.faction === faction)).toEqual(
            before.filter((one) => one.faction === faction),
          )
      }),
    )
  })
})

test('taking moves back leaves alone what was changed besides', () => {
  const at = (ids: string, faction: string) => [...ids].map((id) => ({ id, faction }))
  const before = [...at('abc', 'Bow'), ...at('de', 'Stern')]
  const moves = [{ outfit: 'b', faction: 'Stern', before: 'd' }]
  const after = arrange(before, moves)
  expect(arrange(after, movesBack(before, moves))).toEqual(before)
  const besides = arrange(after, [{ outfit: 'e', faction: 'Bow', before: 'a' }])
  expect(arrange(besides, movesBack(before, moves)).map(({ id }) => id)).toEqual(['e', 'a', 'b', 'c', 'd'])
})
