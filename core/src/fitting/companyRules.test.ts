import { describe, expect, test } from '@jest/globals'
import { turn, wear } from '../anatomy/index.ts'
import { emptyBrief } from '../brief/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { houseRulesOf, type Member, type Person } from '../roster/index.ts'
import { figureNamed, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import type { FittingContext } from './pin.ts'
import { pinsOf } from './pinsOf.ts'

const catalogue = worldCatalogue()
const person = (name: string, about: Partial<Person> = {}): Person => ({
  outfit: name,
  name,
  character: name,
  faction: 'Crew',
  stature: 'full',
  years: null,
  heads: [],
  ...about,
})
const member = (name: string, placements: Placement[], about: Partial<Person> = {}): Member => ({
  ...person(name, about),
  placements,
})
const beside = (self: Person, ...others: Member[]): FittingContext => ({
  catalogue,
  free: {},
  company: { self, others },
})
const ruled = (placements: readonly Placement[], rule: string, context: FittingContext) =>
  pinsOf(placements, context).filter((pin) => pin.rule === rule)
const wen = takeOf('Wen Sorrel')
const bako = takeOf('Bako Thorne')
const odile = takeOf('Odile, skipper')

describe('the same person', () => {
  const twelve = member('Odile at twelve', takeOf('Odile at twelve'), { character: 'Odile Marsh' })
  const self = person('Odile, skipper', { character: 'Odile Marsh' })

  test('keeps the head of her other outfits, and one press puts it on', () => {
    const other = takeOf('Odile, skipper', 'B')
    const [pin] = ruled(other, 'same-person-same-head', beside(self, twelve))
    expect(pin).toMatchObject({ severity: 'notice', slots: ['head'], title: 'Odile Marsh has another head elsewhere' })
    expect(pin!.detail).toMatch(/^Odile at twelve wears /)
    expect(ruled(pin!.remedies[0]!.placements, 'same-person-same-head', beside(self, twelve))).toEqual([])
  })

  test('may show the other side of it, and others may have other heads', () => {
    expect(ruled(turn(odile, 'head'), 'same-person-same-head', beside(self, twelve))).toEqual([])
    expect(ruled(odile, 'same-person-same-head', beside(self, member('Wen', wen)))).toEqual([])
    const loose = { ...beside(self, twelve), rules: houseRulesOf('exchange-only', { sameHead: false }) }
    expect(ruled(takeOf('Odile, skipper', 'B'), 'same-person-same-head', loose)).toEqual([])
  })
})

describe('different people', () => {
  const double = beside(person('Bako'), member('Double', bako))

  test('who agree in face, hair and skin are twins; another face, hair colour or head tells them apart', () => {
    const [pin] = ruled(bako, 'faces-apart', double)
    expect(pin).toMatchObject({ severity: 'problem', slots: ['head'], title: 'Taken for somebody else' })
    expect(pin!.detail).toMatch(/as Double$/)
    expect(pin!.remedies.map(({ label }) => label)[0]).toBe('Turn the head')
    expect(pin!.remedies.length).toBeGreaterThan(1)
    for (const { placements } of pin!.remedies) expect(ruled(placements, 'faces-apart', double)).toEqual([])
  })

  test('with other hair are told apart, unless the house rules want every face its own', () => {
    const crop = wear(bako, 'headgear', partNamed('Curly top', 'Tar'), catalogue)
    expect(ruled(crop, 'faces-apart', double)).toEqual([])
    const rules = houseRulesOf('exchange-only', { faces: 'all-different' })
    const [pin] = ruled(crop, 'faces-apart', { ...double, rules })
    expect(pin).toMatchObject({ severity: 'notice', title: 'A face somebody else has' })
    for (const { placements } of pin!.remedies)
      expect(ruled(placements, 'faces-apart', { ...double, rules })).toEqual([])
    expect(ruled(bako, 'faces-apart', { ...double, rules: houseRulesOf('exchange-only', { faces: 'any' }) })).toEqual(
      [],
    )
  })

  test('one person twice is no twin', () => {
    expect(
      ruled(
        bako,
        'faces-apart',
        beside(person('Bako', { character: 'B' }), member('B again', bako, { character: 'B' })),
      ),
    ).toEqual([])
  })
})

describe('drawing styles', () => {
  const old = figureNamed('Plain old rower')

  test('the odd one out is pinned, with a face in the style of the others', () => {
    const crew = beside(person('Old'), member('Wen', wen), member('Bako', bako), member('Odile', odile))
    const patch = figureNamed('Old sailor')
    const [pin] = ruled(patch, 'drawing-styles', crew)
    expect(pin!.detail).toBe('3 of 4 in this roster are drawn in the new one')
    for (const { placements } of pin!.remedies) expect(ruled(placements, 'drawing-styles', crew)).toEqual([])
    expect(pin!.remedies.length).toBeGreaterThan(0)
    expect(ruled(wen, 'drawing-styles', beside(person('Wen'), member('Bako', bako), member('Old', old)))).toEqual([])
    const mixed = { ...crew, rules: houseRulesOf('exchange-only', { mixedStyles: true }) }
    expect(ruled(patch, 'drawing-styles', mixed)).toEqual([])
  })

  test('in equal parts nobody is the odd one out', () => {
    expect(ruled(old, 'drawing-styles', beside(person('Old'), member('Wen', wen)))).toEqual([])
  })
})

describe('stature', () => {
  const child = takeOf('Odile at twelve')

  test('is what the brief says, in its weight, and legs of the right length are one press away', () => {
    const context = (stature: 'short' | 'full' | 'raised', statureWeight: 'must' | 'nice' | 'none' = 'must') => ({
      catalogue,
      free: {},
      brief: { ...emptyBrief(stature), statureWeight },
    })
    const [pin] = ruled(child, 'stature-agrees', context('full'))
    expect(pin).toMatchObject({ severity: 'problem', detail: 'Stands middle, full is wanted' })
    expect(pin!.remedies[0]!.label).toMatch(/^Use full legs: /)
    expect(ruled(pin!.remedies[0]!.placements, 'stature-agrees', context('full'))).toEqual([])
    expect(ruled(child, 'stature-agrees', context('full', 'nice'))[0]!.severity).toBe('hint')
    expect(ruled(child, 'stature-agrees', context('full', 'none'))).toEqual([])
    expect(ruled(odile, 'stature-agrees', context('full'))).toEqual([])
    const [raise] = ruled(odile, 'stature-agrees', context('raised'))
    expect(ruled(raise!.remedies[0]!.placements, 'stature-agrees', context('raised'))).toEqual([])
  })

  test('the older stands taller, those of one age alike', () => {
    const middle = { stature: 'middle' as const }
    const pim = takeOf('Pim, cox')
    const legs = (name: string, colour: string, mould: string) =>
      wear(pim, 'hips', partNamed(name, colour, mould), catalogue)
    const short = legs('Plain trousers, short', 'Slate', 'M-PAIRS')
    const self = person('Pim', { stature: 'short', years: 9 })
    const [older] = ruled(short, 'stature-in-company', beside(self, member('Odile', child, { ...middle, years: 5 })))
    expect(older!.detail).toMatch(/^Hips \d+\.\d mm lower than Odile, 4 years younger$/)
    const [alike] = ruled(short, 'stature-in-company', beside(self, member('Odile', child, { ...middle, years: 9 })))
    expect(alike!.detail).toMatch(/lower than Odile, of the same age$/)
    expect(
      ruled(
        pim,
        'stature-in-company',
        beside(person('Pim', { ...middle, years: 9 }), member('Odile', child, { ...middle, years: 10 })),
      ),
    ).toEqual([])
    expect(ruled(short, 'stature-in-company', beside(self, member('Odile', child, { ...middle, years: 12 })))).toEqual(
      [],
    )
    // Who does not stand as meant is left to that pin, and is no measure for others.
    expect(ruled(pim, 'stature-in-company', beside(self, member('Odile', child, { ...middle, years: 5 })))).toEqual([])
  })
})
