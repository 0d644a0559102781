import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { mouldOf, type Part, type Placement } from '../catalogue/index.ts'
import { drawFigure, svgBody } from '../mannequin/index.ts'
import { partNamed, worldCatalogue } from '../test/world.ts'
import { FLAT_HAIR, overHairOf, sitsOver } from './overHair.ts'
import { placementFaults, takeOff, wear } from './wear.ts'

const catalogue = worldCatalogue()
const crop = partNamed('Close crop', 'Tar')
const bun = partNamed('High bun', 'Copper')
const plaits = partNamed('Two plaits', 'Straw')
const cap = partNamed('Deck cap', 'Quay Blue')
const visor = partNamed('Sun visor', 'Coral')
const helmet = partNamed('Lamp helmet', 'Gunmetal')
const oilskin = partNamed('Oilskin hat', 'Marigold')
const put = (placements: readonly Placement[], part: Part) => wear(placements, 'headgear', part, catalogue)
const worn = (placements: readonly Placement[]) =>
  [...placements].sort((a, b) => a.order - b.order).map(({ part }) => catalogue.parts.get(part)!.name)
const svg = (placements: readonly Placement[], view: 'front' | 'back' = 'front') =>
  svgBody(drawFigure(placements, catalogue, { view }).shapes)

describe('which hats sit over which hair', () => {
  test('flat hair goes under a cap, a bun does not, a visor goes over both', () => {
    const mould = (part: Part) => mouldOf(catalogue, part)
    expect(sitsOver(mould(cap), mould(crop))).toBe(true)
    expect(mould(bun).height).toBeGreaterThan(FLAT_HAIR)
    expect(sitsOver(mould(cap), mould(bun))).toBe(false)
    expect(sitsOver(mould(visor), mould(bun))).toBe(true)
    expect(sitsOver(mould(oilskin), mould(crop))).toBe(false)
    expect(sitsOver(mould(cap), mould(visor))).toBe(false)
    expect(overHairOf(mould(crop))).toBeNull()
  })
})

describe('wearing', () => {
  test('a hat goes over the hair, whichever comes first', () => {
    expect(worn(put(put([], crop), cap))).toEqual(['Close crop', 'Deck cap'])
    expect(worn(put(put([], cap), crop))).toEqual(['Close crop', 'Deck cap'])
  })

  test('other hair replaces the hair and keeps the hat; another hat replaces the hat and keeps the hair', () => {
    const both = put(put([], crop), cap)
    expect(worn(put(both, plaits))).toEqual(['Two plaits', 'Deck cap'])
    expect(worn(put(both, helmet))).toEqual(['Close crop', 'Lamp helmet'])
    expect(worn(put(both, visor))).toEqual(['Close crop', 'Sun visor'])
  })

  test('what does not go together replaces all', () => {
    const both = put(put([], crop), cap)
    expect(worn(put(both, bun))).toEqual(['High bun'])
    expect(worn(put(both, oilskin))).toEqual(['Oilskin hat'])
  })

  test('one piece of two can be taken off', () => {
    const both = put(put([], crop), cap)
    expect(worn(takeOff(both, 'headgear', 1))).toEqual(['Close crop'])
    expect(worn(takeOff(both, 'headgear', 0))).toEqual(['Deck cap'])
  })

  test('whatever is put on a head one after the other is legal, and never more than two', () => {
    const pieces = [...catalogue.parts.values()].filter((part) => mouldOf(catalogue, part).kind === 'headgear')
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...pieces), { maxLength: 6 }), (list) => {
        const placements = list.reduce<Placement[]>(put, [])
        expect(placements.length).toBeLessThanOrEqual(2)
        expect(placementFaults(placements, catalogue)).toEqual([])
        if (list.length > 0) expect(placements.map(({ part }) => part)).toContain(list.at(-1)!.code)
      }),
    )
  })

  test('a faulty pair is told', () => {
    const placed = (part: Part, order: number): Placement => ({
      slot: 'headgear',
      part: part.code,
      order,
      turned: false,
    })
    const faults = (list: Placement[]) => placementFaults(list, catalogue).map(({ message }) => message)
    expect(faults([placed(bun, 0), placed(cap, 1)])).toEqual([`${cap.code} does not sit over what is worn under it`])
    expect(faults([placed(crop, 0), placed(plaits, 1)])).toHaveLength(1)
    expect(faults([placed(crop, 0), placed(cap, 1), placed(visor, 2)])).toHaveLength(1)
    expect(faults([placed(crop, 0), placed(crop, 0)])).toEqual(['headgear 0 is filled twice'])
  })
})

describe('drawing', () => {
  test('hair shows below the brim of a cap, and not at all under a helmet', () => {
    for (const view of ['front', 'back'] as const) {
      expect(svg(put(put([], plaits), cap), view)).not.toBe(svg(put([], cap), view))
      expect(svg(put(put([], plaits), helmet), view)).toBe(svg(put([], helmet), view))
    }
  })

  test('a tall hat over flat hair gives its own height, a visor over a bun that of the bun', () => {
    const height = (placements: readonly Placement[]) => drawFigure(placements, catalogue).height
    const bare = height([])
    expect(height(put(put([], crop), cap)) - bare).toBeCloseTo(mouldOf(catalogue, cap).height, 6)
    expect(height(put(put([], bun), visor)) - bare).toBeCloseTo(mouldOf(catalogue, bun).height, 6)
  })
})
