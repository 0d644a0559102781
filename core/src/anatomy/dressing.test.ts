import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { mouldOf } from '../catalogue/index.ts'
import { anyOutfit, partNamed, takeOf, withoutComponents, worldCatalogue } from '../test/world.ts'
import { canPick, dress, DRESSINGS, isDressed, otherSideOf, undress } from './dressing.ts'
import { dressedIn, putOn } from './putOn.ts'
import { SLOT_FACTS, SPINE } from './slots.ts'
import { placementFaults } from './wear.ts'

const catalogue = worldCatalogue()
const parts = [...catalogue.parts.values()]
const dressingOf = (row: string, key: string) => DRESSINGS[row]!.find((dressing) => dressing.key === key)!

test('every row of the spine can be dressed, in its own slots', () => {
  for (const { key, slots } of SPINE) {
    expect(DRESSINGS[key]!.length).toBeGreaterThan(0)
    for (const dressing of DRESSINGS[key]!) expect(SLOT_FACTS[dressing.slot].label).toBeTruthy()
    expect(DRESSINGS[key]!.some((dressing) => slots.includes(dressing.slot))).toBe(true)
  }
})

test.each([
  ['known', catalogue],
  ['unknown', withoutComponents(catalogue)],
])('whatever is picked anywhere leaves a legal outfit that wears it, its pieces being %s', (_, catalogue) => {
  const all = Object.values(DRESSINGS).flatMap((list) =>
    list.flatMap((dressing) =>
      [...catalogue.parts.values()]
        .filter(
          (p) =>
            SLOT_FACTS[dressing.slot].accepts.includes(mouldOf(catalogue, p).kind) && canPick(dressing, p, catalogue),
        )
        .map((part) => ({ dressing, part })),
    ),
  )
  fc.assert(
    fc.property(anyOutfit(), fc.constantFrom(...all), (outfit, { dressing, part }) => {
      const dressed = dress(outfit, dressing, part, catalogue)
      expect(placementFaults(dressed, catalogue)).toEqual([])
      expect(isDressed(dressed, dressing, part)).toBe(true)
      const bare = undress(dressed, dressing)
      expect(bare.some((p) => dressing.slots.includes(p.slot))).toBe(false)
    }),
  )
})

describe('both sides', () => {
  test('a sleeve brings its mirrored twin, a mitt is its own', () => {
    const sleeve = partNamed('Quay jacket, sleeve', 'Quay Blue', 'M-ARMR')
    const left = otherSideOf(sleeve, 'armLeft', catalogue)!
    expect([left.mould, left.print, left.colours]).toEqual(['M-ARML', sleeve.print, sleeve.colours])
    const mitt = partNamed('Mitt', 'Umber')
    expect(otherSideOf(mitt, 'handLeft', catalogue)).toBe(mitt)
    const arms = dress([], dressingOf('arms', 'both-arms'), sleeve, catalogue)
    expect(arms.map((p) => [p.slot, p.part])).toEqual([
      ['armRight', sleeve.code],
      ['armLeft', left.code],
    ])
  })

  test('twins are known by how they look where each side has a name of its own; the likest name wins', () => {
    const [right, left] = [
      { ...partNamed('Plain sleeve', 'Bottle', 'M-ARMR'), code: 'mine-1', name: 'Arm rechts, Flaschengrün' },
      { ...partNamed('Plain sleeve', 'Bottle', 'M-ARML'), code: 'mine-2', name: 'Arm links, Flaschengrün' },
    ]
    const other = partNamed('Plain sleeve', 'Bottle', 'M-ARML')
    const own = { ...catalogue, parts: new Map([...catalogue.parts, ['mine-1', right], ['mine-2', left]]) }
    expect(otherSideOf(right, 'armLeft', own)).toBe(left)
    expect(
      otherSideOf(right, 'armLeft', {
        ...own,
        parts: new Map([
          ['mine-1', right],
          [other.code, other],
        ]),
      }),
    ).toBe(other)
    const red = { ...left, code: 'mine-3', colours: [partNamed('Mitt', 'Tar').colours[0]!] }
    expect(
      otherSideOf(right, 'armLeft', {
        ...own,
        parts: new Map([
          ['mine-1', right],
          ['mine-3', red],
        ]),
      }),
    ).toBeNull()
  })

  test('where no twin was made the other side keeps what it wears', () => {
    const sleeve = { ...partNamed('Plain sleeve', 'Bottle', 'M-ARMR'), code: 'P-LONE', print: 'D-LONE' }
    const alone = { ...catalogue, parts: new Map([...catalogue.parts, [sleeve.code, sleeve]]) }
    const before = takeOf('Odile, skipper')
    const after = dress(before, dressingOf('arms', 'both-arms'), sleeve, alone)
    expect(otherSideOf(sleeve, 'armLeft', alone)).toBeNull()
    expect(after.find((p) => p.slot === 'armRight')?.part).toBe('P-LONE')
    expect(after.find((p) => p.slot === 'armLeft')).toEqual(before.find((p) => p.slot === 'armLeft'))
  })
})

test('a stack takes the same part once', () => {
  const vest = partNamed('Cork vest', 'Amber')
  const [neck] = DRESSINGS['neck']!
  const once = dress([], neck!, vest, catalogue)
  expect(dress(once, neck!, vest, catalogue)).toEqual(once)
})

test('a heap of parts hangs on a doll as far as there are slots', () => {
  const jacket = partNamed('Quay jacket', 'Quay Blue', 'M-DRESS')
  const heap = [...jacket.components.map(({ part }) => ({ part, qty: 1 })), { part: 'P-NONE', qty: 1 }]
  const hung = putOn(heap, catalogue)
  expect(placementFaults(hung, catalogue)).toEqual([])
  expect(hung).toHaveLength(jacket.components.length)
  const mitt = partNamed('Mitt', 'Tar').code
  expect(putOn([{ part: mitt, qty: 5 }], catalogue).map((p) => p.slot)).toEqual(['handRight', 'handLeft'])
})

describe('a figure out of a list of its parts', () => {
  test('wears assemblies by their pieces, and leaves what no place is left for', () => {
    const jacket = partNamed('Quay jacket', 'Quay Blue', 'M-DRESS').code
    const mitt = partNamed('Mitt', 'Tar').code
    const { worn, left } = dressedIn(
      [
        { part: jacket, qty: 1 },
        { part: mitt, qty: 1 },
        { part: 'P-NONE', qty: 2 },
      ],
      catalogue,
    )
    // The hands that come with the jacket leave none for the mitt.
    expect(worn.map(({ slot }) => slot).sort()).toEqual(['armLeft', 'armRight', 'handLeft', 'handRight', 'torso'])
    expect(left).toEqual([
      { part: mitt, qty: 1 },
      { part: 'P-NONE', qty: 2 },
    ])
  })

  test('is legal, wears no skirt over legs, loses nothing, and puts nothing twice into one place', () => {
    const some = fc.array(
      fc.record({ part: fc.constantFrom(...parts).map(({ code }) => code), qty: fc.integer({ min: 0, max: 4 }) }),
      { maxLength: 14 },
    )
    fc.assert(
      fc.property(some, (list) => {
        const { worn, left } = dressedIn(list, catalogue)
        expect(placementFaults(worn, catalogue)).toEqual([])
        const pieces = (code: string) => Math.max(1, catalogue.parts.get(code)!.components.length)
        const sum = (counted: readonly { part: string; qty: number }[]) =>
          counted.reduce((all, { part, qty }) => all + qty * pieces(part), 0)
        expect(worn.length + sum(left)).toBe(sum(list))
        expect(new Set(worn.map(({ slot, order }) => `${slot} ${order}`)).size).toBe(worn.length)
      }),
    )
  })
})
