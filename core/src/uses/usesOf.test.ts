import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DRESSINGS, dress, SLOT_FACTS, wear } from '../anatomy/index.ts'
import { emptyBrief, likenessOf, type Brief, type BriefWish } from '../brief/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { anyOutfit, takeOf, worldCatalogue } from '../test/world.ts'
import { useOf, waysToWear } from './index.ts'

const catalogue = worldCatalogue()
const EMPTY = emptyBrief()
const brief = (...wishes: BriefWish[]): Brief => ({ ...EMPTY, wishes })
const wish = (place: BriefWish['place'], trait: string, target: string): BriefWish =>
  ({ place, trait, target, weight: 'matters' }) as BriefWish
const parts = [...catalogue.parts.values()]

describe('a part that is wished for', () => {
  const cap = parts.find(({ mould }) => mould === 'M-DECK')!
  const placements = takeOf('Odile, skipper')

  test('is put where it answers the wish, and frees what was there', () => {
    const wished = brief(wish('headgear', 'shape', cap.mould))
    const use = useOf(cap, { placements, brief: wished, level: 4 }, catalogue)!
    expect(use.way.key).toBe('headgear')
    expect(use.placements.some(({ part }) => part === cap.code)).toBe(true)
    expect(use.after).toBeGreaterThan(use.before)
    expect(use.frees.every(({ part }) => placements.some((worn) => worn.part === part))).toBe(true)
    expect(use.frees.some(({ part }) => use.placements.some((worn) => worn.part === part))).toBe(false)
  })

  test('is of no use to who wears it already, wishes for nothing, or may not have it apart', () => {
    const wished = brief(wish('headgear', 'shape', cap.mould))
    const worn = wear(placements, 'headgear', cap, catalogue)
    expect(useOf(cap, { placements: worn, brief: wished, level: 4 }, catalogue)).toBeNull()
    expect(useOf(cap, { placements, brief: EMPTY, level: 4 }, catalogue)).toBeNull()
    const arm = parts.find(({ mould }) => catalogue.moulds.get(mould)!.kind === 'arm-left')!
    expect(waysToWear(arm, catalogue, 2)).toEqual([])
    expect(waysToWear(arm, catalogue, 3).map(({ key }) => key)).toEqual(['armLeft'])
  })
})

test('the use of any part for any outfit is the best of all ways to dress it', () => {
  const wishes = fc.array(
    fc.constantFrom(
      wish('headgear', 'colour', '#C92B33'),
      wish('torso', 'colour', '#2D5FA3'),
      wish('legs', 'colour', '#232126'),
      wish('hands', 'colour', '#EBB98E'),
      wish('neck', 'colour', '#F5CB2E'),
    ),
    { minLength: 1, maxLength: 4 },
  )
  fc.assert(
    fc.property(anyOutfit(), wishes, fc.constantFrom(...parts), (placements, wished, part) => {
      const own = brief(...wished)
      const likeness = (worn: readonly Placement[]) => likenessOf(worn, own, catalogue).milli
      const { kind } = catalogue.moulds.get(part.mould)!
      const ways = Object.values(DRESSINGS)
        .flat()
        .filter(({ pick, slot }) => {
          const whole = part.components.length > 0
          return SLOT_FACTS[slot].accepts.includes(kind) && (pick === 'assembly') === whole
        })
        .map((way) => likeness(dress(placements, way, part, catalogue)))
      const use = useOf(part, { placements, brief: own, level: 5 }, catalogue)
      const best = Math.max(likeness(placements), ...ways)
      expect([kind, use?.after ?? likeness(placements)]).toEqual([kind, best])
      if (use) expect(likeness(use.placements)).toBe(use.after)
    }),
    { numRuns: 60 },
  )
})

test('what is worn turned round or altered is of use as it is, and is tried as it is', () => {
  const wished = brief(wish('torso', 'garment', 'coat'), wish('torso', 'colour', '#2D5FA3'))
  let gained = 0
  for (const part of parts.filter(
    ({ mould, print }) => catalogue.moulds.get(mould)!.kind === 'torso' && print !== null,
  )) {
    const worn = wear(takeOf('Odile, skipper'), 'torso', part, catalogue)
    for (const change of [{ turned: true }, { altered: [{ kind: 'painted' as const, colour: 'poppy', note: '' }] }]) {
      const placements = worn.map((one) => (one.slot === 'torso' ? { ...one, ...change } : one)) as Placement[]
      const likeness = (all: readonly Placement[]) => likenessOf(all, wished, catalogue).milli
      const best = Math.max(
        ...waysToWear(part, catalogue, 4).map((way) => likeness(dress(placements, way, part, catalogue))),
      )
      const use = useOf(part, { placements, brief: wished, level: 4 }, catalogue)
      expect([part.code, use?.after ?? null]).toEqual([part.code, best > likeness(placements) ? best : null])
      if (use) gained += 1
    }
  }
  expect(gained).toBeGreaterThan(0)
})
