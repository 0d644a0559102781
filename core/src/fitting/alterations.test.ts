import { describe, expect, test } from '@jest/globals'
import { likenessOf, emptyBrief } from '../brief/index.ts'
import { partWorn, type Alteration, type Placement } from '../catalogue/index.ts'
import { boundsOf, drawFigure } from '../mannequin/index.ts'
import { houseRulesOf } from '../roster/index.ts'
import { partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import type { FittingContext } from './pin.ts'
import { pinsOf } from './pinsOf.ts'

const catalogue = worldCatalogue()
const odile = takeOf('Odile, skipper')
const altered = (slot: Placement['slot'], ...list: Omit<Alteration, 'note'>[]) =>
  odile.map((p) => (p.slot === slot ? { ...p, altered: list.map((one) => ({ note: '', ...one })) } : p))
const ruled = (placements: readonly Placement[], rule: string, context: Partial<FittingContext> = {}) =>
  pinsOf(placements, { catalogue, free: {}, ...context }).filter((pin) => pin.rule.startsWith(rule))
const shapes = (placements: readonly Placement[], slot: string) =>
  drawFigure(placements, catalogue).shapes.filter((shape) => shape.slot === slot)

describe('what is done to a part', () => {
  test('is seen on the doll: a removed print is gone, paint is the colour, a sticker the print', () => {
    expect(shapes(altered('torso', { kind: 'print-removed' }), 'torso').length).toBeLessThan(
      shapes(odile, 'torso').length,
    )
    const wine = catalogue.colours.get('wine')!.hex
    expect(shapes(odile, 'headgear').some(({ fill }) => fill === wine)).toBe(false)
    expect(
      shapes(altered('headgear', { kind: 'painted', colour: 'wine' }), 'headgear').some(({ fill }) => fill === wine),
    ).toBe(true)
    const jersey = partNamed('Heron jersey', 'Quay Blue', 'M-TORSO').print!
    const worn = altered('torso', { kind: 'sticker', print: jersey }).find(({ slot }) => slot === 'torso')!
    expect(partWorn(worn, catalogue)!.print).toBe(jersey)
    expect(partWorn(worn, catalogue)!.code).toBe(worn.part)
  })

  test('trimming ends a piece higher by its share, in one line, before and behind the head', () => {
    const lowest = (placements: readonly Placement[]) =>
      Math.max(
        ...shapes(placements, 'headgear').map(({ d, clip }) =>
          Math.min(boundsOf(d).bottom, clip ? boundsOf(clip).bottom : Infinity),
        ),
      )
    const top = Math.min(...shapes(odile, 'headgear').map(({ d }) => boundsOf(d).top))
    const full = lowest(odile)
    const cut = lowest(altered('headgear', { kind: 'trimmed', share: 25 }))
    expect(cut).toBeCloseTo(full - (full - top) * 0.25, 0)
    const more = altered('headgear', { kind: 'trimmed', share: 25 }, { kind: 'cut', share: 25 })
    expect(lowest(more)).toBeCloseTo(full - (full - top) * 0.5, 0)
  })

  test('counts for the brief as it looks', () => {
    const brief = {
      ...emptyBrief(),
      wishes: [
        {
          place: 'headgear' as const,
          trait: 'colour',
          target: catalogue.colours.get('wine')!.hex,
          weight: 'matters' as const,
        },
      ],
    }
    const before = likenessOf(odile, brief, catalogue).milli
    expect(
      likenessOf(altered('headgear', { kind: 'painted', colour: 'wine' }), brief, catalogue).milli,
    ).toBeGreaterThan(before)
  })
})

describe('house rules and alterations', () => {
  test('exchange only alters nothing; the remedy leaves the part as it was made', () => {
    const worn = altered('torso', { kind: 'print-removed' })
    const [pin] = ruled(worn, 'altered-')
    expect(pin).toMatchObject({ severity: 'problem', slots: ['torso'] })
    expect(ruled(pin!.remedies[0]!.placements, 'altered-')).toEqual([])
    expect(ruled(worn, 'altered-', { rules: houseRulesOf('altered') })).toEqual([])
    const noPaint = houseRulesOf('altered', { alterations: ['print-removed'] })
    expect(ruled(altered('torso', { kind: 'painted', colour: 'wine' }), 'altered-', { rules: noPaint })).toHaveLength(1)
  })

  test('what has been done is not left, but one as it was made is worn instead', () => {
    const worn = altered('torso', { kind: 'print-removed', final: true })
    const [pin] = ruled(worn, 'altered-')
    expect(pin!.remedies[0]!.label).toBe('Wear one as it was made')
    const torso = pin!.remedies[0]!.placements.find(({ slot }) => slot === 'torso')!
    expect(torso).toEqual(odile.find(({ slot }) => slot === 'torso'))
  })

  test('a copy by others is for an open bench', () => {
    const worn = altered('headgear', { kind: 'by-others' })
    const [pin] = ruled(worn, 'by-others', { rules: houseRulesOf('altered') })
    expect(ruled(pin!.remedies[0]!.placements, 'by-others', { rules: houseRulesOf('altered') })).toEqual([])
    expect(ruled(worn, 'by-others', { rules: houseRulesOf('open-bench') })).toEqual([])
  })
})

describe('the official version', () => {
  const rules = houseRulesOf('open-bench')

  test('of a painted part is hinted at where there is one, with its price', () => {
    const chestnut = partNamed('Long waves', 'Chestnut')
    const worn = altered('headgear', { kind: 'painted', colour: chestnut.colours[0]! })
    const [pin] = ruled(worn, 'official-version', { rules, lowest: { [chestnut.code]: 240 } })
    expect(pin).toMatchObject({ severity: 'hint', title: 'There is an official one' })
    expect(pin!.detail).toBe('Long waves in Chestnut looks just so: from €2.40')
    const [remedy] = pin!.remedies
    const hair = remedy!.placements.find(({ slot }) => slot === 'headgear')!
    expect([hair.part, hair.altered]).toEqual([chestnut.code, undefined])
  })

  test('is silent where nobody made one, and of what is trimmed', () => {
    expect(ruled(altered('headgear', { kind: 'painted', colour: 'lagoon' }), 'official-version', { rules })).toEqual([])
    expect(ruled(altered('headgear', { kind: 'trimmed', share: 20 }), 'official-version', { rules })).toEqual([])
    expect(ruled(odile, 'official-version', { rules })).toEqual([])
  })

  test('of a copy by others is the part itself, where somebody sells it', () => {
    const worn = altered('headgear', { kind: 'by-others' })
    const code = worn.find(({ slot }) => slot === 'headgear')!.part
    expect(ruled(worn, 'official-version', { rules })).toEqual([])
    expect(ruled(worn, 'official-version', { rules, lowest: { [code]: 300 } })).toHaveLength(1)
  })
})
