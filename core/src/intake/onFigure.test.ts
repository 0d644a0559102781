import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { PART_KINDS, type PartKind } from '../catalogue/index.ts'
import { onFigure } from './onFigure.ts'

const one = (part: string, kind: PartKind, count = 1) => ({ part, kind, count, pieces: [] })

describe('a figure out of a list of its parts', () => {
  test('wears each where it is worn, two hands on two sides, and a pair by its pieces', () => {
    const pair = {
      part: 'legs',
      kind: 'leg-pair' as const,
      count: 1,
      pieces: [
        { slot: 'hips' as const, part: 'hips', kind: 'hips' as const },
        { slot: 'legRight' as const, part: 'right', kind: 'leg-right' as const },
        { slot: 'legLeft' as const, part: 'left', kind: 'leg-left' as const },
      ],
    }
    const { worn, left } = onFigure([one('face', 'head'), one('mitt', 'hand', 2), one('oar', 'held'), pair])
    expect(worn.map(({ slot, part }) => `${slot} ${part}`)).toEqual([
      'head face',
      'handRight mitt',
      'handLeft mitt',
      'heldRight oar',
      'hips hips',
      'legRight right',
      'legLeft left',
    ])
    expect(left).toEqual([])
  })

  test('leaves what no place is left for: a second head, a third hand', () => {
    const { worn, left } = onFigure([one('a', 'head'), one('b', 'head'), one('mitt', 'hand', 3)])
    expect(worn).toHaveLength(3)
    expect(left).toEqual([
      { part: 'b', count: 1 },
      { part: 'mitt', count: 1 },
    ])
  })

  test('loses nothing and puts nothing twice into one place', () => {
    const parts = fc.array(
      fc.record({
        part: fc.string({ minLength: 1, maxLength: 3 }),
        kind: fc.constantFrom(...PART_KINDS.filter((kind) => kind !== 'leg-pair' && kind !== 'dressed-torso')),
        count: fc.integer({ min: 0, max: 5 }),
        pieces: fc.constant([]),
      }),
      { maxLength: 12 },
    )
    fc.assert(
      fc.property(parts, (list) => {
        const { worn, left } = onFigure(list)
        const sum = (counts: readonly number[]) => counts.reduce((all, count) => all + count, 0)
        expect(worn.length + sum(left.map(({ count }) => count))).toBe(sum(list.map(({ count }) => count)))
        expect(new Set(worn.map(({ slot, order }) => `${slot} ${order}`)).size).toBe(worn.length)
      }),
    )
  })
})
