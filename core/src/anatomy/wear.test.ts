import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { SLOTS, type Placement } from '../catalogue/index.ts'
import { anyOutfit, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { placementFaults, shift, takeOff, turn, wear } from './wear.ts'

const catalogue = worldCatalogue()
const inSlot = (placements: readonly Placement[], slot: string) => placements.filter((p) => p.slot === slot)

describe('wear', () => {
  test('replaces what the slot wore and leaves the rest', () => {
    const before = takeOf('Odile, skipper')
    const bun = partNamed('High bun', 'Copper')
    const after = wear(before, 'headgear', bun, catalogue)
    expect(inSlot(after, 'headgear')).toEqual([{ slot: 'headgear', part: bun.code, order: 0, turned: false }])
    expect(after.filter((p) => p.slot !== 'headgear')).toEqual(before.filter((p) => p.slot !== 'headgear'))
  })

  test('puts every component of an assembly in its slot', () => {
    const jacket = partNamed('Quay jacket', 'Quay Blue', 'M-DRESS')
    const after = wear([], 'torso', jacket, catalogue)
    expect(after.map((p) => p.slot).sort()).toEqual(['armLeft', 'armRight', 'handLeft', 'handRight', 'torso'])
    expect(after.map((p) => p.part).sort()).toEqual(jacket.components.map((c) => c.part).sort())
  })

  test('a skirt takes legs and hips off, legs take the skirt off', () => {
    const skirt = partNamed('Flared skirt', 'Wine')
    const skirted = wear(takeOf('Odile, skipper'), 'lower', skirt, catalogue)
    expect(skirted.filter((p) => ['hips', 'legRight', 'legLeft'].includes(p.slot))).toEqual([])
    const leg = [...catalogue.parts.values()].find((p) => p.mould === 'M-LEGRF')!
    expect(inSlot(wear(skirted, 'legRight', leg, catalogue), 'lower')).toEqual([])
  })

  test('the neck takes several pieces, each further out than the last', () => {
    const scarf = partNamed('Long scarf', 'Bottle')
    const medal = partNamed('Regatta medal', 'Poppy')
    const two = wear(wear([], 'neck', scarf, catalogue), 'neck', medal, catalogue)
    expect(two.map((p) => [p.part, p.order])).toEqual([
      [scarf.code, 0],
      [medal.code, 1],
    ])
  })

  test('a part where it does not fit is refused by name', () => {
    expect(() => wear([], 'torso', partNamed('Otter', 'Peat'), catalogue)).toThrow(
      'Otter (beside) cannot be worn as torso.',
    )
  })

  test('the list that was given stays as it was', () => {
    const before = takeOf('Bram')
    const copy = structuredClone(before)
    wear(before, 'head', partNamed('Warm smile / asleep', 'Umber'), catalogue)
    takeOff(before, 'neck')
    turn(before, 'torso')
    shift(before, 'neck', 0, 1)
    expect(before).toEqual(copy)
  })
})

describe('taking off, turning, moving in a stack', () => {
  const bram = takeOf('Bram')

  test('a slot is emptied, or one piece of a stack', () => {
    expect(inSlot(takeOff(bram, 'neck'), 'neck')).toEqual([])
    expect(inSlot(takeOff(bram, 'neck', 0), 'neck')).toHaveLength(1)
  })

  test('turning twice is not turning', () => {
    expect(turn(turn(bram, 'torso'), 'torso')).toEqual(bram)
    expect(inSlot(turn(bram, 'head'), 'head')[0]!.turned).toBe(true)
  })

  test('a piece moves past its neighbour and stops at the ends', () => {
    const parts = (list: readonly Placement[]) =>
      inSlot(list, 'neck')
        .sort((a, b) => a.order - b.order)
        .map((p) => p.part)
    const [inner, outer] = parts(bram)
    expect(parts(shift(bram, 'neck', 0, 1))).toEqual([outer, inner])
    expect(parts(shift(bram, 'neck', 0, -1))).toEqual([inner, outer])
    expect(parts(shift(bram, 'neck', 1, 1))).toEqual([inner, outer])
    expect(parts(shift(bram, 'neck', 9, 1))).toEqual([inner, outer])
  })
})

describe('placement faults', () => {
  const place = (slot: (typeof SLOTS)[number], part: string, order = 0): Placement => ({
    slot,
    part,
    order,
    turned: false,
  })

  test('any legal outfit has none', () => {
    fc.assert(fc.property(anyOutfit(), (outfit) => placementFaults(outfit, catalogue).length === 0))
  })

  test('unknown parts, wrong slots, assemblies and slots filled twice are told apart', () => {
    const mitt = partNamed('Mitt', 'Fawn').code
    const jacket = partNamed('Quay jacket', 'Quay Blue', 'M-DRESS').code
    const faults = placementFaults(
      [
        place('head', 'P-NONE'),
        place('head', mitt),
        place('torso', jacket),
        place('handLeft', mitt),
        place('handLeft', mitt),
      ],
      catalogue,
    )
    expect(faults).toEqual([
      { index: 0, field: 'part', message: 'there is no part P-NONE' },
      { index: 1, field: 'slot', message: `${mitt} is of kind hand and does not fit head` },
      { index: 2, field: 'part', message: `${jacket} is an assembly; wear its components` },
      { index: 4, field: 'slot', message: 'handLeft is filled twice' },
    ])
  })
})
