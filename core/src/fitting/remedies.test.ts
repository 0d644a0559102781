import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { placementFaults } from '../anatomy/index.ts'
import { emptyBrief, type Brief } from '../brief/index.ts'
import { ALTERATION_KINDS, type Alteration, type Placement } from '../catalogue/index.ts'
import { freeIn } from '../allotment/index.ts'
import { type Drawer } from '../drawer/index.ts'
import { houseRulesOf, SCHOOLS, type Company } from '../roster/index.ts'
import { anyOutfit, figureNamed, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { freeOf, sourceOf } from './instead.ts'
import type { FittingContext } from './pin.ts'
import { pinKey, pinsOf } from './pinsOf.ts'
import { mendAll } from './mendAll.ts'

const catalogue = worldCatalogue()
const codes = [...catalogue.parts.keys()]
const donor = {
  code: 'S1',
  name: 'Parade drummer',
  pieces: figureNamed('Parade drummer').map(({ slot, part }) => ({ slot, part })),
}
const company: Company = {
  self: {
    outfit: 'o',
    name: 'Odile',
    character: 'Odile Marsh',
    faction: 'Crew',
    stature: 'full',
    years: 12,
    heads: [],
  },
  others: [
    {
      outfit: 'p',
      name: 'Odile at twelve',
      character: 'Odile Marsh',
      faction: 'Crew',
      stature: 'middle',
      years: 12,
      heads: [],
      placements: takeOf('Odile at twelve'),
    },
    {
      outfit: 'q',
      name: 'Bako',
      character: 'Bako Thorne',
      faction: 'Crew',
      stature: 'full',
      years: 40,
      heads: [],
      placements: takeOf('Bako Thorne'),
    },
  ],
}
const brief: Brief = {
  ...emptyBrief('middle'),
  statureWeight: 'must',
  abilities: ['rows', 'lights'],
  wishes: [
    { place: 'headgear', trait: 'tied', target: 'yes', weight: 'must' },
    { place: 'held', trait: 'item', target: 'oar', weight: 'must' },
  ],
}

/** All a rule can look at: a drawer with a donor, prices, house rules, a brief, company, parts nobody made or wants. */
const anyContext = fc
  .record({
    school: fc.constantFrom(...SCHOOLS),
    loose: fc.dictionary(fc.constantFrom(...codes), fc.integer({ min: 1, max: 2 }), {
      maxKeys: 40,
      noNullPrototype: true,
    }),
    odd: fc.uniqueArray(fc.constantFrom(...codes), { maxLength: 60 }),
    dear: fc.integer({ min: 20, max: 1500 }),
    faces: fc.constantFrom('any' as const, 'told-apart' as const, 'all-different' as const),
    skins: fc.constantFrom('any' as const, 'natural' as const),
  })
  .map(({ school, loose, odd, dear, faces, skins }): FittingContext => {
    const rules = houseRulesOf(school, { faces, skins, spendingLimit: 900, turnedTorsos: dear > 300 })
    const drawer: Drawer = { loose, donors: [donor] }
    return {
      catalogue,
      drawer,
      free: freeIn(drawer, rules.takingApart),
      places: { [codes[0]!]: 'Hats' },
      taken: Object.fromEntries(odd.map((code) => [code, ['Somebody']])),
      brief,
      rules,
      excluded: new Set(odd.slice(0, 10)),
      unmade: new Set(odd.slice(10, 20)),
      company,
      lowest: Object.fromEntries(codes.map((code, i) => [code, i % 5 === 0 ? null : dear + (i % 7)])),
    }
  })

/** Outfits some of whose parts are altered. */
const anyAltered = fc
  .tuple(anyOutfit(), fc.infiniteStream(fc.option(fc.constantFrom(...ALTERATION_KINDS), { freq: 3 })))
  .map(([placements, kinds]): Placement[] =>
    placements.map((placement) => {
      const kind = kinds.next().value
      if (!kind) return placement
      const alteration: Alteration = { kind, note: '', colour: 'tar', share: 20 }
      return { ...placement, altered: [alteration] }
    }),
  )

describe('with all there is to look at', () => {
  test('pins stick in what is worn, each once, and every remedy is an outfit that can be worn', () => {
    fc.assert(
      fc.property(anyAltered, anyContext, (outfit, context) => {
        const pins = pinsOf(outfit, context)
        expect(new Set(pins.map(pinKey)).size).toBe(pins.length)
        for (const pin of pins) {
          expect(pin.slots.length).toBeGreaterThan(0)
          for (const slot of pin.slots) expect(outfit.some((p) => p.slot === slot)).toBe(true)
          expect(pin.detail).not.toMatch(/undefined|NaN|null/)
          for (const { label, placements } of pin.remedies) {
            expect(label).not.toMatch(/undefined|NaN|null/)
            expect([pin.rule, placementFaults(placements, catalogue)]).toEqual([pin.rule, []])
          }
        }
      }),
      { numRuns: 60 },
    )
  })

  test('no remedy offers what nobody made, or what the house rules exclude', () => {
    fc.assert(
      fc.property(anyAltered, anyContext, (outfit, context) => {
        const before = new Set(outfit.map(({ part }) => part))
        for (const { rule, remedies } of pinsOf(outfit, context))
          for (const { placements } of remedies) {
            const fresh = placements.filter(({ part }) => !before.has(part)).map(({ part }) => part)
            // Sleeves, assemblies and another outfit's head come as they are.
            if (['sleeves-agree', 'value-at-risk', 'same-person-same-head'].includes(rule)) continue
            const single = fresh.length === 1 ? fresh : []
            expect([rule, single.filter((part) => context.unmade!.has(part) || context.excluded!.has(part))]).toEqual([
              rule,
              [],
            ])
          }
      }),
      { numRuns: 40 },
    )
  })

  test('the twin of a leg is not offered where the house rules exclude it', () => {
    const [left, right] = [
      partNamed('Patched trousers, left leg', 'Peat'),
      partNamed('Work trousers, right leg', 'Slate'),
    ]
    const twin = partNamed('Patched trousers, right leg', 'Peat')
    const outfit: Placement[] = [
      { slot: 'legRight', part: right.code, order: 0, turned: false },
      { slot: 'legLeft', part: left.code, order: 0, turned: false },
    ]
    const offered = (excluded: string[]) =>
      pinsOf(outfit, { catalogue, drawer: { loose: {}, donors: [] }, free: {}, excluded: new Set(excluded) })
        .filter(({ rule }) => rule === 'symmetry-legs')
        .flatMap(({ remedies }) => remedies.flatMap(({ placements }) => placements.map(({ part }) => part)))
    expect(offered([])).toContain(twin.code)
    expect(offered([twin.code])).not.toContain(twin.code)
  })

  test('mending leaves no more amiss than before', () => {
    const weight = { problem: 100, notice: 10, hint: 1 }
    fc.assert(
      fc.property(anyAltered, anyContext, (outfit, context) => {
        const amiss = (placements: readonly Placement[]) =>
          pinsOf(placements, context).reduce((sum, { severity }) => sum + weight[severity], 0)
        const { placements, done } = mendAll(outfit, context)
        expect(placementFaults(placements, catalogue)).toEqual([])
        if (done.length > 0) expect(amiss(placements)).toBeLessThan(amiss(outfit))
        else expect(placements).toEqual(outfit)
      }),
      { numRuns: 15 },
    )
  })
})

describe('where a part would come from', () => {
  const hat = partNamed('Oilskin hat', 'Marigold')
  const drum = catalogue.parts.get(donor.pieces.find(({ slot }) => slot === 'heldLeft')!.part)!
  const context = (drawer: Drawer, more: Partial<FittingContext> = {}): FittingContext => ({
    catalogue,
    drawer,
    free: freeIn(drawer, 4),
    ...more,
  })

  test('its bin with how many lie there, the figure that would give it up, or its price', () => {
    expect(sourceOf(hat, context({ loose: { [hat.code]: 2 }, donors: [] }, { places: { [hat.code]: 'Hats' } }))).toBe(
      '2 in Hats',
    )
    expect(sourceOf(hat, context({ loose: { [hat.code]: 2 }, donors: [] }))).toBe('2 owned')
    expect(sourceOf(drum, context({ loose: {}, donors: [donor] }))).toBe('1 on Parade drummer')
    expect(
      sourceOf(drum, context({ loose: { [drum.code]: 1 }, donors: [donor] }, { places: { [drum.code]: 'Held' } })),
    ).toBe('1 in Held')
    expect(sourceOf(hat, context({ loose: {}, donors: [] }, { lowest: { [hat.code]: 148 } }))).toBe('from €1.48')
    expect(sourceOf(hat, context({ loose: {}, donors: [] }))).toBe('')
  })

  test('what is sold only with what it is joined to says so', () => {
    const pair = partNamed('Work trousers', 'Slate', 'M-PAIRF')
    const leg = catalogue.parts.get(pair.components.find(({ slot }) => slot === 'legLeft')!.part)!
    const found = sourceOf(leg, context({ loose: {}, donors: [] }, { lowest: { [pair.code]: 210 } }))
    expect(found).toBe('from €2.10 with what it is joined to')
  })

  test('an assembly is owned as often as all its pieces are', () => {
    const pair = partNamed('Work trousers', 'Slate', 'M-PAIRF')
    const loose = Object.fromEntries(pair.components.map(({ part }) => [part, 3]))
    expect(freeOf(pair, context({ loose, donors: [] }))).toBe(3)
  })
})
