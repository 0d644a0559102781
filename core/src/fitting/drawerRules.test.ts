import { describe, expect, test } from '@jest/globals'
import { wear } from '../anatomy/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { EMPTY_DRAWER, type Donor, type Drawer } from '../drawer/index.ts'
import { houseRulesOf } from '../roster/index.ts'
import { figureNamed, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { CAUTIONS } from './cautions.ts'
import type { FittingContext } from './pin.ts'
import { pinsOf } from './pinsOf.ts'

const catalogue = worldCatalogue()
const odile = takeOf('Odile, skipper')
const ruled = (placements: readonly Placement[], rule: string, context: Partial<FittingContext>) =>
  pinsOf(placements, { catalogue, free: {}, ...context }).filter((pin) => pin.rule.startsWith(rule))
const at = (placements: readonly Placement[], slot: Placement['slot']) => placements.find((p) => p.slot === slot)!.part
const donorOf = (name: string): Donor => ({
  code: name,
  name,
  pieces: figureNamed(name).map(({ slot, part }) => ({ slot, part })),
})
const loose = (placements: readonly Placement[]): Drawer['loose'] => {
  const counts: Record<string, number> = {}
  for (const { part } of placements) counts[part] = (counts[part] ?? 0) + 1
  return counts
}

describe('one part, one figure', () => {
  const hair = at(odile, 'headgear')

  test('an owned part another outfit counts on is pinned with who has it, and what another costs', () => {
    const context = { drawer: EMPTY_DRAWER, taken: { [hair]: ['Wen Sorrel'] } }
    const [unsold] = ruled(odile, 'one-part-one-figure', context)
    expect(unsold).toMatchObject({ severity: 'notice', slots: ['headgear'], title: 'On another figure already' })
    expect(unsold!.detail).toMatch(/is on Wen Sorrel; nobody sells another$/)
    const [sold] = ruled(odile, 'one-part-one-figure', { ...context, lowest: { [hair]: 120 } })
    expect([sold!.severity, sold!.detail.endsWith('another from €1.20')]).toEqual(['hint', true])
  })

  test('the remedy is an owned part that is hardly told apart', () => {
    const near = { ...catalogue.parts.get(hair)!, code: 'P-NEAR', colours: ['carrot'] }
    const close = new Map(catalogue.colours).set('carrot', { ...catalogue.colours.get('copper')!, code: 'carrot' })
    const world = { ...catalogue, colours: close, parts: new Map([...catalogue.parts, [near.code, near]]) }
    const context = { catalogue: world, drawer: EMPTY_DRAWER, taken: { [hair]: ['Wen Sorrel'] }, free: { 'P-NEAR': 1 } }
    const [pin] = ruled(odile, 'one-part-one-figure', context)
    expect(at(pin!.remedies[0]!.placements, 'headgear')).toBe('P-NEAR')
  })

  test('a part there are several of, or one that is given, is no matter', () => {
    expect(ruled(odile, 'one-part', { drawer: EMPTY_DRAWER, taken: { [hair]: ['Wen', 'Ilka'] } })).toEqual([])
    expect(
      ruled(odile, 'one-part', { drawer: { loose: { [hair]: 1 }, donors: [] }, taken: { [hair]: ['Wen'] } }),
    ).toEqual([])
  })
})

describe('a donor', () => {
  const hands = loose(odile.filter(({ slot }) => slot.startsWith('hand')))
  const drawer = { loose: hands, donors: [donorOf('Flower seller')] }
  const flower = figureNamed('Flower seller')
  const bare = odile.filter(({ slot }) => slot !== 'headgear')
  const haired = [...bare, flower.find(({ slot }) => slot === 'headgear')!]

  test('that gives up some parts is named with what it stands without', () => {
    const [pin] = ruled(haired, 'donor-incomplete', { drawer })
    expect(pin).toMatchObject({ severity: 'hint', slots: ['headgear'], title: 'Flower seller gives up a part' })
    expect(pin!.detail).toMatch(
      new RegExp(`^It stands without headgear; ${flower.length - 1} of ${flower.length} parts`),
    )
  })

  test('that is used up whole, or not at all, raises nothing', () => {
    expect(ruled(flower, 'donor-incomplete', { drawer: { ...drawer, loose: {} } })).toEqual([])
    expect(
      ruled(
        odile.filter(({ slot }) => slot === 'beside'),
        'donor-incomplete',
        { drawer },
      ),
    ).toEqual([])
    expect(ruled(haired, 'donor-incomplete', { drawer: { ...drawer, loose: loose(haired) } })).toEqual([])
  })
})

describe('value at risk', () => {
  const torso = at(odile, 'torso')
  const swapped = wear(odile, 'armRight', partNamed('Plain sleeve', 'Poppy'), catalogue)
  const context = (price: number): Partial<FittingContext> => ({ lowest: { [torso]: price }, drawer: EMPTY_DRAWER })

  test('an arm pulled from a dear torso is worth a warning, with the usual care', () => {
    const [pin] = ruled(swapped, 'value-at-risk', context(1240))
    expect(pin).toMatchObject({ severity: 'notice', slots: ['armRight'], caution: CAUTIONS.arms })
    expect(pin!.detail).toMatch(/€12\.40 at risk$/)
    expect(ruled(pin!.remedies[0]!.placements, 'value-at-risk', context(1240))).toEqual([])
  })

  test('not from a cheap one, nor where the sleeves stay, nor where the torso lies loose', () => {
    expect(ruled(swapped, 'value-at-risk', context(120))).toEqual([])
    expect(ruled(odile, 'value-at-risk', context(1240))).toEqual([])
    expect(
      ruled(swapped, 'value-at-risk', { ...context(1240), drawer: { loose: { [torso]: 1 }, donors: [] } }),
    ).toEqual([])
  })

  test('a donor whose arm is wanted puts its own torso at risk', () => {
    const donor = donorOf('Regatta rower')
    const own = donor.pieces.find(({ slot }) => slot === 'torso')!.part
    const arm = catalogue.parts.get(donor.pieces.find(({ slot }) => slot === 'armRight')!.part)!
    const worn = wear(odile, 'armRight', arm, catalogue)
    const drawer = { loose: loose(odile), donors: [donor] }
    expect(ruled(worn, 'value-at-risk', { drawer, lowest: { [own]: 900 } })[0]!.detail).toMatch(/€9\.00 at risk$/)
    const kept = { drawer, lowest: { [own]: 900 }, rules: houseRulesOf('as-released') }
    expect(ruled(worn, 'value-at-risk', kept).filter(({ detail }) => detail.includes('9.00'))).toEqual([])
  })
})

describe('the spending limit', () => {
  const [hair, vest] = [at(odile, 'headgear'), at(odile, 'neck')]
  const lowest = { [hair]: 300, [vest]: 900 }
  const rules = houseRulesOf('exchange-only', { spendingLimit: 1000 })

  test('counts what the drawer does not give, and names the dearest', () => {
    const [pin] = ruled(odile, 'spending-limit', { drawer: EMPTY_DRAWER, lowest, rules })
    // What nobody sells singly is not known to cost nothing.
    expect(pin!.detail).toBe('at least €12.00 to buy, €10.00 at most; cork vest is €9.00 of it')
    const two = odile.filter(({ part }) => part === hair || part === vest)
    const [exact] = ruled(two, 'spending-limit', { drawer: EMPTY_DRAWER, lowest, rules })
    expect(exact!.detail).toMatch(/^€12\.00 to buy/)
    expect(ruled(odile, 'spending-limit', { drawer: { loose: { [hair]: 1 }, donors: [] }, lowest, rules })).toEqual([])
    expect(ruled(odile, 'spending-limit', { drawer: EMPTY_DRAWER, lowest })).toEqual([])
  })

  test('counts what is sold as one for less as one', () => {
    const legs = odile.filter(({ slot }) => ['hips', 'legRight', 'legLeft'].includes(slot))
    const whole = [...worldCatalogue().parts.values()].find(
      ({ components }) =>
        components.length === legs.length &&
        components.every(({ slot, part }) => legs.some((worn) => worn.slot === slot && worn.part === part)),
    )!
    const singly = Object.fromEntries(legs.map(({ part }) => [part, 500]))
    const ask = { drawer: EMPTY_DRAWER, rules }
    expect(ruled(legs, 'spending-limit', { ...ask, lowest: singly })[0]!.detail).toMatch(/^€15\.00 to buy/)
    expect(ruled(legs, 'spending-limit', { ...ask, lowest: { ...singly, [whole.code]: 900 } })).toEqual([])
  })
})

describe('a part nobody made', () => {
  const hair = at(odile, 'headgear')

  test('is pinned with the nearest colours the mould was made in', () => {
    const [pin] = ruled(odile, 'never-made', { unmade: new Set([hair]) })
    expect(pin!.detail).toBe('Long waves · Copper is in no figure, release or offer')
    expect(pin!.remedies[0]!.label).toMatch(/^Wear .+, ΔE \d+/)
    expect(ruled(pin!.remedies[0]!.placements, 'never-made', { unmade: new Set([hair]) })).toEqual([])
    expect(ruled(odile, 'never-made', { unmade: new Set(['P-OTHER']) })).toEqual([])
  })
})

describe('what the house rules exclude', () => {
  const hair = at(odile, 'headgear')

  test('is a problem, and a part of the same mould from elsewhere is one press away', () => {
    const [pin] = ruled(odile, 'excluded', { excluded: new Set([hair]) })
    expect(pin).toMatchObject({ severity: 'problem', slots: ['headgear'] })
    expect(ruled(pin!.remedies[0]!.placements, 'excluded', { excluded: new Set([hair]) })).toEqual([])
    expect(ruled(odile, 'excluded', {})).toEqual([])
  })
})
