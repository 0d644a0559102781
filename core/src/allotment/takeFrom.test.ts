import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { countParts, groupsOf, levelOf, type Piece } from '../anatomy/index.ts'
import type { Level, Placement, Slot } from '../catalogue/index.ts'
import type { Drawer } from '../drawer/index.ts'
import { freeIn, missingFrom, takeFrom } from './allocate.ts'

const SLOTS: readonly Slot[] = ['headgear', 'head', 'torso', 'armRight', 'handRight', 'hips', 'legRight']
const placed = (slot: Slot, part: string): Placement => ({ slot, part, order: 0, turned: false })
const piece = (slot: Slot, part: string): Piece => ({ slot, part })
const donor = (code: string, ...pieces: Piece[]) => ({ code, name: code, pieces })

const part = fc.constantFrom('A', 'B', 'C')
const pieces = fc.uniqueArray(fc.record({ slot: fc.constantFrom(...SLOTS), part }), {
  selector: (p) => p.slot,
  maxLength: 6,
})
const level = fc.constantFrom<Level>(0, 1, 2, 3, 4)

describe('how a thing comes apart', () => {
  test('every piece comes off once, and the further apart the smaller the groups', () => {
    fc.assert(
      fc.property(pieces, (all) => {
        let before = all.length > 0 ? 1 : 0
        for (const at of [0, 1, 2, 3, 4] as const) {
          const groups = groupsOf(all, at)
          expect(groups.flat().length).toBe(all.length)
          expect(new Set(groups.flat()).size).toBe(all.length)
          expect(groups.length).toBeGreaterThanOrEqual(before)
          before = groups.length
        }
        expect(groupsOf(all, 4).every((group) => group.length === 1)).toBe(true)
      }),
    )
  })

  test('groups at different levels lie within each other or apart', () => {
    fc.assert(
      fc.property(pieces, level, level, (all, one, other) => {
        for (const a of groupsOf(all, one))
          for (const b of groupsOf(all, other)) {
            const both = a.filter((p) => b.includes(p)).length
            expect([0, a.length, b.length]).toContain(both)
          }
      }),
    )
  })

  test('a piece stays joined until the level of its slot', () => {
    const torso = [piece('torso', 'T'), piece('armRight', 'A'), piece('handRight', 'H')]
    expect(groupsOf(torso, 1).map((group) => group.length)).toEqual([3])
    expect(groupsOf(torso, 2).map((group) => group.map(({ slot }) => slot))).toEqual([
      ['torso', 'armRight'],
      ['handRight'],
    ])
    expect(groupsOf(torso, 3).map((group) => group.length)).toEqual([1, 1, 1])
    expect(levelOf({ slot: 'torso', part: 'T', level: 1 })).toBe(1)
  })

  test('parts are counted', () => {
    expect([...countParts([piece('head', 'A'), piece('torso', 'B'), piece('hips', 'A')])]).toEqual([
      ['A', 2],
      ['B', 1],
    ])
  })
})

describe('what the drawer gives one outfit', () => {
  test('what is joined comes along though some of it lies loose, so that the rest is not bought', () => {
    const drawer: Drawer = {
      loose: { H: 1 },
      donors: [donor('S', piece('torso', 'T'), piece('armRight', 'A'), piece('handRight', 'H'))],
    }
    const wears = [placed('torso', 'T'), placed('armRight', 'A'), placed('handRight', 'H')]
    const { sources, left } = takeFrom(drawer, wears, 1)
    expect(sources).toEqual([{ donor: 'S' }, { donor: 'S' }, { donor: 'S' }])
    expect(left.loose).toEqual({ H: 1 })
    // Where hands come off, the loose one is taken and the donor keeps its own.
    expect(takeFrom(drawer, wears, 2).sources).toEqual([{ donor: 'S' }, { donor: 'S' }, { donor: null }])
    expect(missingFrom([...wears, placed('head', 'X')], drawer, 1)).toEqual([placed('head', 'X')])
  })

  test('of two donors the one that ends more shortages is taken apart, then the other', () => {
    const drawer: Drawer = {
      loose: {},
      donors: [donor('S1', piece('head', 'A')), donor('S2', piece('head', 'A'), piece('headgear', 'B'))],
    }
    const wears = [placed('head', 'A'), placed('headgear', 'B')]
    expect(takeFrom(drawer, wears, 1).sources).toEqual([{ donor: 'S2' }, { donor: 'S2' }])
    expect(takeFrom(drawer, [...wears, placed('beside', 'A')], 1).sources).toEqual([
      { donor: 'S2' },
      { donor: 'S2' },
      { donor: 'S1' },
    ])
  })

  test('only as many are taken off a donor as do not lie loose', () => {
    const drawer: Drawer = { loose: { A: 1 }, donors: [donor('S', piece('head', 'A'), piece('headgear', 'A'))] }
    const { sources, left } = takeFrom(drawer, [placed('head', 'A'), placed('beside', 'A')], 1)
    expect(sources.filter((source) => source?.donor === 'S')).toHaveLength(1)
    expect(left.donors[0]!.pieces).toHaveLength(1)
  })

  test('nothing is given that is not there, and nothing is lost', () => {
    const drawers = fc.record({
      loose: fc.dictionary(part, fc.integer({ min: 0, max: 2 })),
      donors: fc.array(pieces, { maxLength: 3 }).map((list) => list.map((all, i) => donor(`S${i}`, ...all))),
    })
    const total = ({ loose, donors }: Drawer) =>
      Object.values(loose).reduce((sum, qty) => sum + qty, 0) + donors.flatMap((one) => one.pieces).length
    fc.assert(
      fc.property(drawers, pieces, level, (drawer, worn, at) => {
        const wears = worn.map((one) => placed(one.slot, one.part))
        const { sources, left } = takeFrom(drawer, wears, at)
        expect(total(left)).toBe(total(drawer) - sources.filter((source) => source !== null).length)
        for (const [code, qty] of Object.entries(left.loose)) {
          expect(qty).toBeGreaterThanOrEqual(0)
          expect(qty).toBeLessThanOrEqual(drawer.loose[code] ?? 0)
        }
        // Whatever comes off a donor comes off in whole groups.
        for (const [i, one] of left.donors.entries()) {
          const before = drawer.donors.find(({ code }) => code === one.code)!
          expect(left.donors[i]!.pieces.every((p) => before.pieces.includes(p))).toBe(true)
          for (const group of groupsOf(before.pieces, at)) {
            const kept = group.filter((p) => one.pieces.includes(p)).length
            expect([0, group.length]).toContain(kept)
          }
        }
        // What is still missing lies loose nowhere.
        wears.forEach(({ part: code }, i) => {
          if (sources[i] === null) expect(left.loose[code] ?? 0).toBe(0)
        })
        const free = freeIn(drawer, 4)
        for (const [code, qty] of Object.entries(drawer.loose)) expect(free[code]).toBeGreaterThanOrEqual(qty)
      }),
    )
  })
})
