import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { doneOf, errandId, mergeTicks, type ErrandTick, type TickChange } from './index.ts'

const id = fc.constantFrom('bin B1 P-1', 'bin B1 P-2', 'seller a P-1')
const at = fc.integer({ min: 0, max: 9 }).map((n) => `2026-12-01T00:00:0${n}.000Z`)
const got = fc.integer({ min: 0, max: 3 })
const change = fc.record({ id, got, at, was: got }) as fc.Arbitrary<TickChange>
const byId = (ticks: readonly ErrandTick[]) => Object.fromEntries(ticks.map((tick) => [tick.id, tick.got]))

describe('ticks of several devices', () => {
  test('come to the same in whatever order the devices come', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 6 }), fc.array(change, { maxLength: 6 }), (one, other) => {
        const first = mergeTicks(mergeTicks([], one).ticks, other).ticks
        const second = mergeTicks(mergeTicks([], other).ticks, one).ticks
        expect(byId(second)).toEqual(byId(first))
      }),
    )
  })

  test('said twice change nothing and collide with nobody', () => {
    fc.assert(
      fc.property(fc.uniqueArray(change, { maxLength: 3, selector: (one) => one.id }), (changes) => {
        const { ticks } = mergeTicks([], changes)
        expect(mergeTicks(ticks, changes)).toEqual({ ticks, collisions: [] })
      }),
    )
  })

  test('collide where somebody else said another thing meanwhile, and what was said last stays', () => {
    const kept = [{ id: 'x', got: 1, at: '2026-12-01T10:00:00.000Z' }]
    const late = { id: 'x', got: 2, was: 0, at: '2026-12-01T11:00:00.000Z' }
    expect(mergeTicks(kept, [late])).toEqual({
      ticks: [{ id: 'x', got: 2, at: late.at }],
      collisions: [{ id: 'x', mine: 2, theirs: 1, stays: 2 }],
    })
    expect(mergeTicks(kept, [{ ...late, at: '2026-12-01T09:00:00.000Z' }])).toEqual({
      ticks: kept,
      collisions: [{ id: 'x', mine: 2, theirs: 1, stays: 1 }],
    })
    // Who knew of it collides with nothing, nor who says the same.
    expect(mergeTicks(kept, [{ ...late, was: 1 }]).collisions).toEqual([])
    expect(mergeTicks(kept, [{ ...late, got: 1 }]).collisions).toEqual([])
  })
})

test('an errand is done once all of its pieces are there', () => {
  const errand = {
    id: errandId({ kind: 'bin', code: 'B1' }, 'P-1'),
    part: 'P-1',
    name: 'Mitt',
    colour: 'Fawn',
    qty: 2,
    forWhom: [],
    price: null,
  }
  const stops = [{ kind: 'bin' as const, code: 'B1', name: 'Hands', errands: [errand] }]
  expect(doneOf(stops, () => 1)).toEqual({ done: 0, all: 1 })
  expect(doneOf(stops, (of) => (of === 'bin B1 P-1' ? 2 : 0))).toEqual({ done: 1, all: 1 })
})
