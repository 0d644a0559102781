import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { emptyBrief, judgesOf, likenessBy, type Brief, type BriefWish } from '../brief/index.ts'
import { mouldOf, type Placement } from '../catalogue/index.ts'
import { takeOf, worldCatalogue } from '../test/world.ts'
import { cutsFor, type CutOutfit } from './cuts.ts'
import { rosterFactsOf, type FactsOutfit } from './rosterFacts.ts'

const catalogue = worldCatalogue()
const outfit = (name: string, from: FactsOutfit['from'][number], more: Partial<FactsOutfit> = {}): FactsOutfit => {
  const placements = takeOf(name)
  return { id: name, name, faction: 'Crew', character: name, placements, from: placements.map(() => from), ...more }
}

describe('the facts of a roster', () => {
  const lowest = Object.fromEntries([...catalogue.parts.keys()].map((code, i) => [code, i % 5 === 0 ? null : 100 + i]))
  const outfits = [
    outfit('Wen Sorrel', 'buy'),
    outfit('Hale Brook', 'buy'),
    outfit('Mirre Vos', 'drawer', { faction: 'Stern' }),
    outfit('Nadi Quill', { donor: 'Parade drummer' }, { faction: 'Stern' }),
    outfit('Sanna Lye', 'arriving', { placements: [], from: [] }),
  ]
  const facts = rosterFactsOf(outfits, catalogue, lowest)

  test('count every part once, by where it comes from', () => {
    const { needed, drawer, donors, arriving, elsewhere, toBuy } = facts.parts
    expect(needed).toBe(outfits.reduce((sum, { placements }) => sum + placements.length, 0))
    expect(drawer + donors + arriving + elsewhere + toBuy).toBe(needed)
    expect(facts.donors).toMatchObject([{ name: 'Parade drummer', outfits: ['Nadi Quill'] }])
  })

  test('put what most wait for first, and what costs most', () => {
    const jersey = takeOf('Wen Sorrel').find(({ slot }) => slot === 'torso')!.part
    expect(facts.waits.find(({ part }) => part === jersey)).toMatchObject({
      qty: 2,
      outfits: ['Wen Sorrel', 'Hale Brook'],
    })
    const waiting = facts.waits.map((one) => one.outfits.length)
    expect(waiting).toEqual([...waiting].sort((a, b) => b - a))
    const costs = facts.dear.map(({ all }) => all)
    expect(costs).toEqual([...costs].sort((a, b) => b - a))
    expect(facts.dear.every(({ each, qty, all }) => all === each! * qty)).toBe(true)
    const bought = outfits.slice(0, 2).flatMap(({ placements }) => placements)
    expect(costs.reduce((sum, cost) => sum + cost, 0)).toBe(
      bought.reduce((sum, { part }) => sum + (lowest[part] ?? 0), 0),
    )
  })

  test('measure colours by faction and find faces that two people share', () => {
    const stern = facts.colours.find(({ faction }) => faction === 'Stern')!
    expect(stern.mains[0]!.share).toBeGreaterThan(0)
    expect(stern.mains.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1.001)
    expect(facts.faces).toMatchObject([{ outfits: ['Mirre Vos', 'Nadi Quill'], turned: false }])
    const onePerson = rosterFactsOf([outfits[2]!, { ...outfits[3]!, character: 'Mirre Vos' }], catalogue, lowest)
    expect(onePerson.faces).toEqual([])
  })
})

describe('what could be cut', () => {
  const lowest = Object.fromEntries([...catalogue.parts.keys()].map((code, i) => [code, 20 + ((i * 37) % 90)]))
  const brief: Brief = {
    ...emptyBrief(),
    wishes: [
      { place: 'headgear', trait: 'colour', target: '#E26A24', weight: 'matters' },
      { place: 'held', trait: 'item', target: 'oar', weight: 'must' },
    ],
  }
  const rower = (name: string, own: Brief = brief): CutOutfit => {
    const placements = takeOf(name)
    return { id: name, name, brief: own, placements, toBuy: placements.map(() => true) }
  }

  test('never costs a must nor hides an ability, and without those the held thing may go', () => {
    const held = (own: Brief) =>
      cutsFor([rower('Wen Sorrel', own)], 10_000, catalogue, lowest, {}).made.some(({ slots }) =>
        slots.includes('heldRight'),
      )
    const [colour, oar] = brief.wishes as [BriefWish, BriefWish]
    expect(held(brief)).toBe(false)
    expect(held({ ...brief, wishes: [colour] })).toBe(true)
    expect(held({ ...brief, wishes: [colour, { ...oar, weight: 'nice' }] })).toBe(true)
    const without = cutsFor(
      [rower('Wen Sorrel', { ...brief, wishes: [colour], abilities: ['rows'] })],
      10_000,
      catalogue,
      lowest,
      {},
    )
    expect(without.made.every(({ placements }) => placements.some(({ slot }) => slot === 'heldRight'))).toBe(true)
  })

  test('leaves alone whose brief wishes for nothing, and says so', () => {
    const { made, unbriefed, enough } = cutsFor([rower('Wen Sorrel', emptyBrief())], 1, catalogue, lowest, {})
    expect([made, unbriefed, enough]).toEqual([[], ['Wen Sorrel'], false])
  })

  test('exchanges garments whole, with legs as long as before', () => {
    const { made } = cutsFor([rower('Pim, cox'), rower('Hale Brook')], 10_000, catalogue, lowest, {})
    const garments = made.filter(({ slots }) => slots.includes('hips') || slots.includes('torso'))
    expect(garments.length).toBeGreaterThan(0)
    const length = (placements: readonly Placement[]) =>
      mouldOf(catalogue, catalogue.parts.get(placements.find(({ slot }) => slot === 'legRight')!.part)!).traits[
        'length'
      ]
    for (const { outfit: id, placements } of garments) expect(length(placements)).toBe(length(takeOf(id)))
  })

  test('saves what it says and loses the likeness it says', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (save) => {
        const outfits = [rower('Wen Sorrel'), rower('Hale Brook')]
        const { made, saved, enough } = cutsFor(outfits, save, catalogue, lowest, {})
        expect(saved).toBe(made.reduce((sum, cut) => sum + cut.saves, 0))
        expect(enough).toBe(saved >= save)
        const cost = (placements: readonly Placement[]) => placements.reduce((sum, { part }) => sum + lowest[part]!, 0)
        for (const cut of made) {
          const before = outfits.find(({ id }) => id === cut.outfit)!
          // Whole garments are bought as such, not piece by piece.
          if (cut.slots.length === 1) expect(cost(before.placements) - cost(cut.placements)).toBe(cut.saves)
          const milli = (placements: readonly Placement[]) =>
            likenessBy(judgesOf(brief, catalogue), placements, catalogue).milli
          expect(milli(before.placements) - milli(cut.placements)).toBe(cut.loses)
        }
        // What comes first loses no more for its money than what comes later.
        const rates = made.map(({ loses, saves }) => loses / saves)
        expect(rates).toEqual([...rates].sort((a, b) => a - b))
      }),
      { numRuns: 20 },
    )
  })

  test('takes an owned part of the kind, as often as it is there', () => {
    const oar = takeOf('Wen Sorrel').find(({ slot }) => slot === 'heldRight')!.part
    const other = [...catalogue.parts.values()].find(
      ({ mould, code }) => mould === catalogue.parts.get(oar)!.mould && code !== oar,
    )!
    const { made } = cutsFor(
      [rower('Wen Sorrel'), rower('Hale Brook')],
      10_000,
      catalogue,
      { ...lowest, [other.code]: null },
      { [other.code]: 1 },
    )
    expect(made.filter(({ placements }) => placements.some(({ part }) => part === other.code))).toHaveLength(1)
  })
})
