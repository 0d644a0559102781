import { describe, expect, test } from '@jest/globals'
import {
  apartByComing,
  arrivingFor,
  looseUsed,
  originsOf,
  shareOut,
  spareLoose,
  spareWhen,
  standsBuilt,
  takenBy,
} from '../allotment/index.ts'
import { contentsOf } from './contents.ts'

const bins = [
  { code: 'B1', name: 'Hats', figure: null },
  { code: 'B2', name: 'Attic', figure: null },
  { code: 'S1', name: 'Drummer', figure: 'F-1' },
]
const pieces = [
  { slot: 'head' as const, part: 'H' },
  { slot: 'handLeft' as const, part: 'M' },
  { slot: 'handRight' as const, part: 'M' },
]
const contents = (...lying: [part: string, bin: string, qty: number][]) =>
  contentsOf(
    bins,
    lying.map(([part, bin, qty]) => ({ part, bin, qty })),
    (figure) => (figure === 'F-1' ? pieces : []),
  )

describe('what the drawer has', () => {
  test('is loose by part, with the bin most of it lies in', () => {
    const { drawer, places } = contents(['A', 'B1', 1], ['A', 'B2', 3], ['B', 'B1', 2])
    expect([drawer.loose, places]).toEqual([
      { A: 4, B: 2 },
      { A: 'Attic', B: 'Hats' },
    ])
  })

  test('stands on a figure as far as its pieces are still there; what else lies with it is loose', () => {
    const { drawer, places } = contents(['H', 'S1', 1], ['M', 'S1', 1], ['X', 'S1', 2])
    expect(drawer).toEqual({ loose: { X: 2 }, donors: [{ code: 'S1', name: 'Drummer', pieces: pieces.slice(0, 2) }] })
    expect(places).toEqual({})
    expect(contents().drawer.donors[0]!.pieces).toEqual([])
  })

  test('of one part more than the figure wears is loose', () => {
    expect(contents(['M', 'S1', 3]).drawer).toMatchObject({ loose: { M: 1 }, donors: [{ pieces: pieces.slice(1) }] })
  })
})

describe('sharing it out', () => {
  const wears = (...parts: string[]) => ({
    level: 4 as const,
    placements: parts.map((part) => ({ slot: 'beside' as const, part, order: 0, turned: false })),
  })
  const shares = shareOut({ loose: { A: 1, B: 2 }, donors: [] }, [wears('A', 'B'), wears('A', 'B', 'B')])

  test('earlier outfits come first, and each sees what those before it leave', () => {
    expect(shares.map(({ drawer }) => drawer.loose)).toEqual([
      { A: 1, B: 2 },
      { A: 0, B: 1 },
    ])
    expect(shares[1]!.sources).toEqual([null, { donor: null }, null])
  })

  test('who has a part is told by name, once for each that is on them', () => {
    const named = shares.map((share, i) => ({ ...share, name: ['Ada', 'Bo'][i]! }))
    expect(takenBy(named)(named[1]!, ['A', 'B', 'C'])).toEqual({ A: ['Ada'], B: ['Ada'] })
    expect(takenBy(named)(named[0]!, ['A', 'B'])).toEqual({ B: ['Bo'] })
  })
})

describe('what stands built', () => {
  const standing = { A: 1, B: 1 }
  const wears = (more: object, ...parts: string[]) => ({
    level: 4 as const,
    placements: parts.map((part) => ({ slot: 'beside' as const, part, order: 0, turned: false })),
    ...more,
  })

  test('is no loose part, but its own outfit’s', () => {
    const stand = [...bins, { code: 'T1', name: 'Stand: Ada', figure: null, outfit: 'ada' }]
    const { drawer, stands } = contentsOf(
      stand,
      [
        { part: 'A', bin: 'T1', qty: 1 },
        { part: 'A', bin: 'B1', qty: 2 },
      ],
      () => [],
    )
    expect(drawer.loose).toEqual({ A: 2 })
    expect(stands).toEqual({ ada: { A: 1 } })
  })

  test('is used before the drawer, by nobody else, and counts as built when it is all there', () => {
    const list = [wears({}, 'A', 'A'), wears({ standing }, 'A', 'B'), wears({}, 'B')]
    const [first, built, last] = shareOut({ loose: { A: 1 }, donors: [] }, list)
    expect(first!.sources).toEqual([{ donor: null }, null])
    expect(built!.sources).toEqual([{ donor: null }, { donor: null }])
    expect(last!.sources).toEqual([null])
    expect(list.map(standsBuilt)).toEqual([false, true, false])
    // What an outfit no longer wears stays on its stand.
    const [, after] = shareOut({ loose: {}, donors: [] }, [wears({ standing }, 'A'), wears({}, 'B')])
    expect(after!.sources).toEqual([null])
    expect(standsBuilt(wears({ standing }, 'A', 'A'))).toBe(false)
    expect(standsBuilt(wears({ standing }))).toBe(false)
  })
})

test('what nobody counts on is what lies loose without what outfits have', () => {
  const wears = (more: object, ...parts: string[]) => ({
    level: 4 as const,
    placements: parts.map((part) => ({ slot: 'beside' as const, part, order: 0, turned: false })),
    ...more,
  })
  const drawer = { loose: { A: 3, B: 1, C: 2 }, donors: [] }
  const shares = shareOut(drawer, [wears({ standing: { A: 1 } }, 'A', 'A'), wears({}, 'B', 'B')])
  expect(looseUsed(shares)).toEqual({ A: 1, B: 1 })
  expect(spareLoose(drawer, shares)).toEqual({ A: 2, C: 2 })
})

describe('what is on the way', () => {
  const outfit = (...parts: string[]) => ({
    placements: parts.map((part) => ({ slot: 'beside' as const, part, order: 0, turned: false })),
    sources: parts.map(() => null),
  })

  test('goes to outfits in their order, from the earliest parcel, no more often than it comes', () => {
    const parcels = [
      { id: 'first', lines: [{ part: 'A', qty: 1 }] },
      { id: 'second', lines: [{ part: 'A', qty: 1 }] },
    ]
    const [ada, bo] = arrivingFor([outfit('A', 'B'), outfit('A', 'A')], parcels)
    expect([ada!.arriving, bo!.arriving]).toEqual([
      ['first', null],
      ['second', null],
    ])
    const owned = { ...outfit('A'), sources: [{ donor: null }] }
    expect(arrivingFor([owned], parcels)[0]!.arriving).toEqual([null])
  })

  test('is one of the places a part comes from', () => {
    const donors = [{ code: 'S1', name: 'Drummer', pieces: [] }]
    const sources = [null, null, { donor: null }, { donor: 'S1' }, { donor: null, elsewhere: true as const }]
    expect(originsOf(sources, [null, 'parcel', null, null, null], { donors })).toEqual([
      'buy',
      'arriving',
      'drawer',
      { donor: 'Drummer' },
      'elsewhere',
    ])
  })
})

test('what is given back is spare, also off a built figure, and what others keep is not', () => {
  const wears = (slot: 'head' | 'beside', part: string) => ({ slot, part, order: 0, turned: false })
  const standing = { H: 1, X: 1 }
  const list = [
    { level: 4 as const, placements: [wears('head', 'H'), wears('beside', 'X')], standing },
    { level: 4 as const, placements: [wears('head', 'A'), wears('beside', 'B')] },
  ]
  const drawer = { loose: { A: 2, B: 1, X: 1 }, donors: [] }
  const heads = (giving: number[]) =>
    spareWhen(drawer, list, (want) => (giving.includes(list.indexOf(want)) ? ['head'] : []), 4)
  expect(heads([])).toMatchObject({ A: 1, B: 0, X: 1 })
  expect(heads([])['H'] ?? 0).toBe(0)
  expect(heads([0])).toMatchObject({ A: 1, H: 1, X: 1 })
  expect(heads([1])).toMatchObject({ A: 2, B: 0 })
  // Two of a part worn with one on the stand: the other comes from the drawer.
  const twice = [{ level: 4 as const, placements: [wears('beside', 'X'), wears('beside', 'X')], standing }]
  expect(spareWhen(drawer, twice, () => [], 4)).toMatchObject({ X: 0 })
})

test('what comes in parcels is told apart from what is to be bought, each unit once', () => {
  const missing = ['A', 'A', 'B'].map((part) => ({ slot: 'beside' as const, part, order: 0, turned: false }))
  const { coming, toBuy } = apartByComing(missing, { A: 1, C: 4 })
  expect([coming, toBuy]).toEqual([[missing[0]], [missing[1], missing[2]]])
  expect(apartByComing([], { A: 1 })).toEqual({ coming: [], toBuy: [] })
})
