import { describe, expect, test } from '@jest/globals'
import { DRESSINGS, isAllowed } from '../anatomy/index.ts'
import { compareTakes, houseRulesOf } from '../roster/index.ts'
import { cardEntries } from '../show/index.ts'
import { drawFigure } from '../mannequin/index.ts'
import { takeOf, worldCatalogue } from '../test/world.ts'
import { alterationsFor, valueLost } from './altering.ts'
import { CAUTIONS, CAUTIONS_OF } from './cautions.ts'
import { ALTERATION_KINDS } from '../catalogue/index.ts'

const catalogue = worldCatalogue()
const odile = takeOf('Odile, skipper')
const placed = (slot: string) => odile.find((p) => p.slot === slot)!

describe('what may be done to a part', () => {
  const kinds = (slot: string, school: string) =>
    alterationsFor(placed(slot), { catalogue, free: {}, rules: houseRulesOf(school) })

  test('is what the school allows and the part can take', () => {
    expect(kinds('torso', 'exchange-only')).toEqual([])
    expect(kinds('torso', 'altered')).toEqual(['print-removed', 'painted', 'sticker'])
    expect(kinds('headgear', 'altered')).toEqual(['trimmed', 'cut', 'painted', 'sticker'])
    expect(kinds('headgear', 'open-bench')).toContain('by-others')
    expect(alterationsFor({ ...placed('torso'), part: 'P-NONE' }, { catalogue, free: {} })).toEqual([])
  })

  test('loses what the part costs today, where anybody sells one', () => {
    const hair = catalogue.parts.get(placed('headgear').part)!
    expect(valueLost(hair, { catalogue, free: {}, lowest: { [hair.code]: 240 } })).toBe(240)
    expect(valueLost(hair, { catalogue, free: {} })).toBeNull()
  })

  test('has its cautions, the declaring among them', () => {
    for (const kind of ALTERATION_KINDS) {
      expect(CAUTIONS_OF[kind]).toContain('declare')
      for (const caution of CAUTIONS_OF[kind]) expect(CAUTIONS[caution]).not.toBe('')
    }
    expect(CAUTIONS_OF['print-removed']).toContain('solvents')
    expect(CAUTIONS_OF.cut).toContain('cutting')
  })
})

describe('an altered part', () => {
  const trimmed = odile.map((p) =>
    p.slot === 'headgear' ? { ...p, altered: [{ kind: 'trimmed' as const, share: 20, note: '' }] } : p,
  )

  test('is told apart from one as it was made where takes are compared', () => {
    const rows = compareTakes([odile, trimmed])
    expect(rows.filter(({ alike }) => !alike).map(({ key }) => key)).toEqual(['headgear'])
  })

  test('is declared on the card', () => {
    const entries = cardEntries(trimmed, catalogue, drawFigure(trimmed, catalogue), () => ({ source: '', price: '' }))
    expect(entries.map(({ name }) => name)).toContain('Long waves, trimmed')
  })
})

describe('ways of dressing', () => {
  const open = (row: string, level: 0 | 1 | 2 | 3 | 4) =>
    DRESSINGS[row]!.filter((dressing) => isAllowed(dressing, level)).map(({ key }) => key)

  test('are open as far as things are taken apart', () => {
    expect(open('hands', 1)).toEqual([])
    expect(open('hands', 2)).toEqual(['both-hands', 'handRight', 'handLeft'])
    expect(open('arms', 2)).toEqual([])
    expect(open('torso', 1)).toEqual(['dressed'])
    expect(open('torso', 3)).toEqual(['dressed', 'torso'])
    expect(open('legs', 3)).toEqual(['pair', 'lower'])
    expect(open('legs', 4)).toContain('legLeft')
    expect(open('headgear', 0)).toEqual(['headgear'])
  })
})
