import { describe, expect, test } from '@jest/globals'
import { takeOff, turn, wear } from '../anatomy/index.ts'
import type { Placement, Slot } from '../catalogue/index.ts'
import { partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { DEDUCTIONS, deductionsBetween, deductionsOf, factsOf, MAIN_COLOURS, NO_FACTS, together } from './facts.ts'

const catalogue = worldCatalogue()
const odile = takeOf('Odile, skipper')
const put = (placements: readonly Placement[], slot: Slot, name: string, colour: string) =>
  wear(placements, slot, partNamed(name, colour), catalogue)
const lost = (placements: readonly Placement[]) =>
  deductionsOf(factsOf(placements, catalogue), catalogue).map(({ rule, words }) => `${rule}: ${words}`)

describe('what parts hold against each other', () => {
  test('nothing in an outfit that goes together', () => {
    expect(lost(odile)).toEqual([])
  })

  test('each hand that is not the skin, but no glove', () => {
    expect(lost(put(odile, 'handLeft', 'Mitt', 'Umber'))).toEqual(['skin: a hand in Umber under a head in Fawn'])
    expect(lost(put(odile, 'handLeft', 'Mitt', 'Tar'))).toEqual([])
  })

  test('brows against hair, unless a helmet hides it', () => {
    const dark = put(odile, 'headgear', 'High bun', 'Tar')
    expect(lost(dark)).toEqual(['brows: brows in Copper under hair in Tar'])
    const helmet = [...catalogue.parts.values()].find(({ mould }) => mould === 'M-LAMPH')!
    expect(factsOf(wear(dark, 'headgear', helmet, catalogue), catalogue).hair).toEqual([])
  })

  test('a print that stops at the belt, which a turned torso does not have in front', () => {
    const coat = takeOf('Bram').filter(({ slot }) => !slot.startsWith('leg') && slot !== 'hips')
    const trousers = odile.filter(({ slot }) => slot.startsWith('leg') || slot === 'hips')
    const rules = (placements: readonly Placement[]) =>
      deductionsOf(factsOf(placements, catalogue), catalogue).map(({ rule }) => rule)
    expect(rules([...coat, ...trousers])).toContain('runsOn')
    expect(rules(turn([...coat, ...trousers], 'torso'))).not.toContain('runsOn')
    expect(rules(takeOf('Bram'))).not.toContain('runsOn')
  })

  test('but not over a skirt, and no skin under a head that is none', () => {
    const coat = takeOf('Bram').filter(({ slot }) => !slot.startsWith('leg') && slot !== 'hips')
    const skirted = put(coat, 'lower', 'Flared skirt', 'Wine')
    expect(lost(skirted).filter((words) => words.startsWith('runsOn'))).toEqual([])
    const lantern = [...catalogue.parts.values()].find(({ mould }) => mould === 'M-HEADL')!
    expect(lost(wear(odile, 'head', lantern, catalogue)).filter((words) => words.startsWith('skin'))).toEqual([])
  })

  test('two garments nearly in one colour', () => {
    const torso = [{ colour: 'poppy', runsOn: null, trousers: false }]
    const legs = (colour: string) => ({ ...NO_FACTS, legs: [{ colour, runsOn: null, trousers: true }] })
    const between = (colour: string) =>
      deductionsBetween({ ...NO_FACTS, torso }, legs(colour), catalogue).map(({ rule }) => rule)
    expect([between('poppy'), between('tar'), between('wine'), between('brick-dust')]).toEqual([
      [],
      [],
      [],
      ['harmony'],
    ])
  })

  test('main colours beyond three, each once', () => {
    const many = { ...NO_FACTS, mains: ['amber', 'coral', 'moss', 'quay-blue', 'wine'] }
    const [found] = deductionsOf(many, catalogue)
    expect(found).toEqual({
      rule: 'mains',
      milli: (5 - MAIN_COLOURS) * DEDUCTIONS.mains,
      words: '5 main colours: Amber, Coral, Moss, Quay Blue, Wine',
    })
    expect(deductionsOf({ ...many, mains: many.mains.slice(2) }, catalogue)).toEqual([])
  })
})

test('facts of two heaps are those of the heap of both', () => {
  const [upper, lower] = [takeOff(odile, 'legRight'), odile.filter(({ slot }) => slot === 'legRight')]
  const sorted = (facts: object) =>
    JSON.stringify(facts, (_, value: unknown) =>
      Array.isArray(value) ? [...value].map((v) => JSON.stringify(v)).sort() : value,
    )
  expect(sorted(together(factsOf(upper, catalogue), factsOf(lower, catalogue)))).toBe(sorted(factsOf(odile, catalogue)))
})
