import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { placementFaults } from '../anatomy/index.ts'
import type { Placement, Slot } from '../catalogue/index.ts'
import { anyOutfit, takeOf, worldCatalogue } from '../test/world.ts'
import { deviationsOf, dressIn, follow } from './uniform.ts'

const p = (slot: Slot, part: string, order = 0): Placement => ({ slot, part, order, turned: false })
const kit = [p('torso', 'jersey'), p('legRight', 'white'), p('legLeft', 'white'), p('neck', 'vest')]
const worn = (placements: readonly Placement[]) =>
  placements.map(({ slot, part, order }) => `${slot} ${part} ${order}`).sort()

describe('a uniform', () => {
  test('is followed where an outfit did not deviate', () => {
    const outfit = [p('head', 'ada'), ...kit.filter(({ slot }) => slot !== 'legLeft'), p('legLeft', 'striped')]
    expect(deviationsOf(outfit, kit)).toEqual(['legLeft'])
    const after = [p('torso', 'tunic'), p('legRight', 'blue'), p('legLeft', 'blue'), p('neck', 'vest')]
    expect(worn(follow(outfit, kit, after))).toEqual(
      worn([p('head', 'ada'), p('torso', 'tunic'), p('legRight', 'blue'), p('legLeft', 'striped'), p('neck', 'vest')]),
    )
  })

  test('may have company round the neck, which stays where it was', () => {
    const outfit = [...kit, p('neck', 'medal', 1)]
    expect(deviationsOf(outfit, kit)).toEqual([])
    expect(worn(follow(outfit, kit, [...kit.slice(0, 3), p('neck', 'cape')]))).toEqual(
      worn([...kit.slice(0, 3), p('neck', 'cape'), p('neck', 'medal', 1)]),
    )
    expect(worn(follow(outfit, kit, kit.slice(0, 3)))).toEqual(worn([...kit.slice(0, 3), p('neck', 'medal')]))
  })

  test('takes a new slot only where nothing was worn, and no skirt over trousers of one’s own', () => {
    const wider = [...kit, p('waist', 'belt')]
    expect(follow(kit, kit, wider)).toContainEqual(p('waist', 'belt'))
    expect(follow([...kit, p('waist', 'sash')], kit, wider)).not.toContainEqual(p('waist', 'belt'))
    const own = [...kit.filter(({ slot }) => slot !== 'legLeft'), p('legLeft', 'striped')]
    expect(worn(follow(own, kit, [kit[0]!, p('lower', 'skirt')])).some((one) => one.startsWith('lower'))).toBe(false)
  })

  test('dresses whoever joins, whatever they wore there', () => {
    const outfit = [p('head', 'ada'), p('torso', 'coat'), p('lower', 'gown'), p('neck', 'medal')]
    expect(worn(dressIn(outfit, kit))).toEqual(worn([p('head', 'ada'), ...kit, p('neck', 'medal', 1)]))
    expect(deviationsOf(dressIn(outfit, kit), kit)).toEqual([])
  })

  test('changed there and back leaves everybody as they were, and what is worn can be worn', () => {
    const catalogue = worldCatalogue()
    const clothes = (placements: readonly Placement[]) =>
      placements.filter(({ slot }) => ['torso', 'armRight', 'armLeft', 'hips', 'legRight', 'legLeft'].includes(slot))
    const rower = clothes(takeOf('Wen Sorrel'))
    const skipper = clothes(takeOf('Odile, skipper'))
    fc.assert(
      fc.property(anyOutfit(), (outfit) => {
        const there = follow(outfit, rower, skipper)
        expect(placementFaults(dressIn(outfit, rower), catalogue)).toEqual([])
        expect(placementFaults(follow(dressIn(outfit, rower), rower, skipper), catalogue)).toEqual([])
        expect(worn(follow(follow(dressIn(outfit, rower), rower, skipper), skipper, rower))).toEqual(
          worn(dressIn(outfit, rower)),
        )
        expect(deviationsOf(there, rower).every((slot) => rower.some((one) => one.slot === slot))).toBe(true)
      }),
      { numRuns: 60 },
    )
  })
})
