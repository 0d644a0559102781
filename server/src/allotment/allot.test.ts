import { beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { groupsOf } from '@outfit/core/anatomy'
import type { Level, Placement, Slot } from '@outfit/core/catalogue'
import { allot, type AllotmentTerms, type Asking, shareOut, takeFrom } from '@outfit/core/allotment'
import { type Drawer } from '@outfit/core/drawer'
import type { SolveMilp } from '@outfit/core/solver'
import { loadHighsSolver } from '../solver/highsSolver.ts'

let solve: SolveMilp
beforeAll(async () => {
  solve = await loadHighsSolver()
})

const SLOTS: readonly Slot[] = ['torso', 'armRight', 'handRight', 'head', 'beside']
const placed = (slot: Slot, part: string, order = 0): Placement => ({ slot, part, order, turned: false })
const PRICES: Record<string, number | null> = { A: 100, B: 70, C: null, D: 5 }
const priceOf = (part: string) => PRICES[part]
const given = (drawer: Drawer, asking: readonly Asking[]) => allot(drawer, asking, { priceOf, solve })

const part = fc.constantFrom('A', 'B', 'C', 'D')
const anyDrawer = fc
  .record({
    loose: fc.dictionary(part, fc.integer({ min: 1, max: 2 }), { maxKeys: 2 }),
    donors: fc
      .array(
        fc.uniqueArray(fc.record({ slot: fc.constantFrom(...SLOTS), part }), { selector: (p) => p.slot, maxLength: 4 }),
        {
          maxLength: 2,
        },
      )
      .map((list) => list.map((pieces, i) => ({ code: `S${i}`, name: `Donor ${i}`, pieces }))),
    // Now and then a second one of the first.
    twin: fc.boolean(),
  })
  .map(({ loose, donors, twin }) => ({
    loose,
    donors: twin && donors[0] ? [donors[0], { ...donors[0], code: 'S9' }] : donors,
  }))
const anyAsking = fc.array(
  fc.record({
    level: fc.constantFrom<Level>(0, 1, 2, 3),
    placements: fc
      .uniqueArray(fc.record({ slot: fc.constantFrom(...SLOTS), part }), { selector: (p) => p.slot, maxLength: 4 })
      .map((list) => list.map(({ slot, part: code }) => placed(slot, code))),
  }),
  { minLength: 1, maxLength: 3 },
)

const listOf = ({ toBuy, unoffered, price, donors }: AllotmentTerms) => [toBuy, unoffered, price, donors]
const isLess = (a: number[], b: number[]) => {
  const at = a.findIndex((value, i) => value !== b[i])
  return at >= 0 && a[at]! < b[at]!
}

/** The best terms, by trying whatever could come off each donor for whomever. */
function everyAllotment(drawer: Drawer, asking: readonly Asking[]): number[] {
  const needs = asking.map(({ placements }) => placements.map((p) => p.part))
  let best: number[] | null = null
  const judge = (left: string[][], donors: number) => {
    const demand: Record<string, number> = {}
    for (const code of left.flat()) demand[code] = (demand[code] ?? 0) + 1
    const bought = Object.entries(demand).map(
      ([code, qty]) => [code, Math.max(0, qty - (drawer.loose[code] ?? 0))] as const,
    )
    const sum = (worth: (code: string) => number) => bought.reduce((all, [code, qty]) => all + worth(code) * qty, 0)
    const terms = [sum(() => 1), sum((c) => Number(PRICES[c] === null)), sum((c) => PRICES[c] ?? 0), donors]
    if (!best || isLess(terms, best)) best = terms
  }
  const visit = (
    donor: number,
    free: readonly number[],
    left: string[][],
    touched: number,
    isTouched: boolean,
  ): void => {
    const pieces = drawer.donors[donor]?.pieces
    if (!pieces) return judge(left, touched)
    const on = (next: number[] | null, then: string[][], used: boolean) =>
      next === null
        ? visit(
            donor + 1,
            (drawer.donors[donor + 1]?.pieces ?? []).map((_, i) => i),
            then,
            touched + Number(used),
            false,
          )
        : visit(donor, next, then, touched, used)
    on(null, left, isTouched)
    asking.forEach(({ level }, who) => {
      for (const group of groupsOf(pieces, level)) {
        const at = group.map((piece) => pieces.indexOf(piece))
        if (!at.every((i) => free.includes(i))) continue
        const after = [...left[who]!]
        const all = group.every(({ part: code }) => {
          const i = after.indexOf(code)
          if (i >= 0) after.splice(i, 1)
          return i >= 0
        })
        if (all)
          on(
            free.filter((i) => !at.includes(i)),
            left.with(who, after),
            true,
          )
      }
    })
  }
  visit(
    0,
    (drawer.donors[0]?.pieces ?? []).map((_, i) => i),
    needs,
    0,
    false,
  )
  return best!
}

describe('an allotment', () => {
  test('is the best of all there are', () => {
    fc.assert(
      fc.property(anyDrawer, anyAsking, (drawer, asking) => {
        const { terms, proven } = given(drawer, asking)
        expect(proven).toBe(true)
        expect(listOf(terms)).toEqual(everyAllotment(drawer, asking))
      }),
      { numRuns: 150 },
    )
  })

  test('gives nothing twice, and each outfit finds what it was given', () => {
    fc.assert(
      fc.property(anyDrawer, anyAsking, (drawer, asking) => {
        const { shares } = given(drawer, asking)
        const loose: Record<string, number> = {}
        const off: Record<string, number> = {}
        for (const { placements, sources, level, drawer: own } of shares) {
          placements.forEach(({ part: code }, i) => {
            const source = sources[i]
            if (source?.donor) off[`${source.donor} ${code}`] = (off[`${source.donor} ${code}`] ?? 0) + 1
            else if (source) loose[code] = (loose[code] ?? 0) + 1
          })
          const alone = takeFrom(own, placements, level).sources
          expect(alone.filter((s) => s === null).length).toBeLessThanOrEqual(sources.filter((s) => s === null).length)
        }
        for (const [code, qty] of Object.entries(loose)) expect(qty).toBeLessThanOrEqual(drawer.loose[code] ?? 0)
        for (const [key, qty] of Object.entries(off)) {
          const [donor, code] = key.split(' ')
          const has = drawer.donors.find((d) => d.code === donor)!.pieces.filter((p) => p.part === code).length
          expect(qty).toBeLessThanOrEqual(has)
        }
      }),
      { numRuns: 100 },
    )
  })

  test('a part a donor has twice goes off the place it was taken from', () => {
    // The head comes off for Ada; the sleeve stays with its torso for Bo, who takes less apart.
    const pieces = [
      { slot: 'head' as const, part: 'D' },
      { slot: 'torso' as const, part: 'A' },
      { slot: 'armRight' as const, part: 'D' },
    ]
    const drawer = { loose: {}, donors: ['S0', 'S9'].map((code) => ({ code, name: 'Donor', pieces })) }
    const asking: Asking[] = [
      { level: 3, placements: [placed('torso', 'D'), placed('handRight', 'D')] },
      { level: 2, placements: [placed('torso', 'D')] },
    ]
    for (const { drawer: own, placements, level, sources } of given(drawer, asking).shares)
      expect(takeFrom(own, placements, level).sources.filter((s) => s === null).length).toBeLessThanOrEqual(
        sources.filter((s) => s === null).length,
      )
  })

  test('buys less than first come, first served, where house rules differ', () => {
    // Ada may take the hand off the donor; Bo takes nothing apart. First come, Ada has the loose one.
    const drawer = {
      loose: { A: 1 },
      donors: [
        {
          code: 'S',
          name: 'Drummer',
          pieces: [
            { slot: 'handRight' as const, part: 'A' },
            { slot: 'torso' as const, part: 'B' },
          ],
        },
      ],
    }
    const asking: Asking[] = [
      { level: 2, placements: [placed('handRight', 'A')] },
      { level: 0, placements: [placed('handRight', 'A')] },
    ]
    expect(shareOut(drawer, asking).map(({ sources }) => sources)).toEqual([[{ donor: null }], [null]])
    expect(given(drawer, asking).shares.map(({ sources }) => sources)).toEqual([[{ donor: 'S' }], [{ donor: null }]])
  })

  test('the last one goes to who comes first, unless it was promised', () => {
    const drawer: Drawer = { loose: { A: 1 }, donors: [] }
    const ada: Asking = { level: 4, placements: [placed('head', 'A')] }
    const bo: Asking = { ...ada, promised: { A: 1 } }
    expect(given(drawer, [ada, ada]).shares.map(({ sources }) => sources)).toEqual([[{ donor: null }], [null]])
    const promised = given(drawer, [ada, bo])
    expect(promised.shares.map(({ sources }) => sources)).toEqual([[null], [{ donor: null }]])
    // Whom it went by finds none.
    expect(promised.shares[0]!.drawer.loose).toEqual({ A: 0 })
    const donor: Drawer = { loose: {}, donors: [{ code: 'S', name: 'S', pieces: [{ slot: 'head', part: 'A' }] }] }
    expect(given(donor, [ada, bo]).shares.map(({ sources }) => sources)).toEqual([[null], [{ donor: 'S' }]])
  })

  test('what stands on an outfit stays its own', () => {
    const standing = { A: 1, B: 1 }
    const asking: Asking[] = [
      { level: 4, placements: [placed('head', 'A'), placed('beside', 'B')] },
      { level: 4, placements: [placed('head', 'A')], standing },
    ]
    const { shares, terms } = given({ loose: {}, donors: [] }, asking)
    expect(shares.map(({ sources }) => sources)).toEqual([[null, null], [{ donor: null }]])
    expect(terms).toEqual({ toBuy: 2, unoffered: 0, price: 170, donors: 0 })
  })
})

test('a donor that gives as much as another is left where the other leaves nothing wanting', () => {
  const piece = (slot: 'torso' | 'head' | 'armRight' | 'handRight', part: string) => ({ slot, part })
  const drawer: Drawer = {
    loose: {},
    donors: [
      { code: 'S0', name: 'One', pieces: [piece('torso', 'D'), piece('head', 'C'), piece('armRight', 'A')] },
      { code: 'S1', name: 'Two', pieces: [piece('armRight', 'D'), piece('handRight', 'A'), piece('torso', 'C')] },
    ],
  }
  const { sources } = takeFrom(
    drawer,
    ['C', 'C', 'D', 'A'].map((part) => ({ part })),
    2,
  )
  expect(sources.map((source) => source?.donor)).toEqual(expect.arrayContaining(['S0', 'S1']))
  expect(sources).not.toContain(null)
})
