import { describe, expect, test } from '@jest/globals'
import { placeOf } from '../brief/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { houseRulesOf } from '../roster/index.ts'
import { partNamed, worldCatalogue, worldTable } from '../test/world.ts'
import { newFigures, type LooseAsk } from './newFigures.ts'

const catalogue = worldCatalogue()
const assemblies = [...catalogue.parts.values()].filter(({ components }) => components.length > 0)
/** The sample drawer, everything in it taken apart. */
const loose: Record<string, number> = {}
for (const { part, qty } of worldTable('owned')) {
  const known = catalogue.parts.get(part)
  for (const code of known?.components.length ? known.components.map((one) => one.part) : [part])
    loose[code] = (loose[code] ?? 0) + Number(qty)
}
const ask = (more: Partial<LooseAsk>): LooseAsk => ({
  ...{ part: partNamed('Boat hook', 'Oak'), catalogue, loose, assemblies, count: 6, seconds: 60, now: () => 0 },
  rules: houseRulesOf('exchange-only', {}, {}),
  ...more,
})
const at = (placements: readonly Placement[], place: string) =>
  placements.filter(({ slot }) => placeOf(slot) === place).map(({ part }) => part)

describe('new figures around a part', () => {
  const figures = newFigures(ask({}))

  test('are whole, wear the part, and are made of what lies loose', () => {
    expect(figures).toHaveLength(6)
    for (const { placements } of figures) {
      for (const place of ['headgear', 'head', 'torso', 'hands', 'legs', 'held'])
        expect(at(placements, place).length).toBeGreaterThan(0)
      expect(placements.map(({ part }) => part)).toContain(partNamed('Boat hook', 'Oak').code)
      const counts = new Map<string, number>()
      for (const { part } of placements) counts.set(part, (counts.get(part) ?? 0) + 1)
      for (const [part, qty] of counts) {
        const has = (loose[part] ?? 0) + (part === partNamed('Boat hook', 'Oak').code ? 1 : 0)
        expect([part, qty <= has]).toEqual([part, true])
      }
    }
  })

  test('differ in torso and head, the most harmonious first', () => {
    for (const place of ['torso', 'head']) {
      const worn = figures.map(({ placements }) => at(placements, place)[0])
      expect(new Set(worn).size).toBe(worn.length)
    }
    expect(figures[0]!.harmony).toBe(Math.max(...figures.map(({ harmony }) => harmony)))
    // Mitts have the skin of the head where there are such.
    for (const { placements } of figures.slice(0, 3)) {
      const colour = (code: string | undefined) => catalogue.parts.get(code ?? '')?.colours[0]
      expect(colour(at(placements, 'hands')[0])).toBe(colour(at(placements, 'head')[0]))
    }
    expect(figures[0]!.reasons.length).toBeGreaterThan(0)
  })

  test('are dressed to go with a torso, and are the same again', () => {
    const part = partNamed('Oilskin coat', 'Marigold', 'M-DRESS')
    const own = newFigures(ask({ part, count: 3 }))
    expect(own.length).toBeGreaterThan(0)
    for (const { placements } of own)
      expect(at(placements, 'torso')).toEqual([part.components.find(({ slot }) => slot === 'torso')!.part])
    expect(newFigures(ask({ part, count: 3 }))).toEqual(own)
  })

  test('are none where a place has nothing, and fewer where there is less', () => {
    const heads = Object.fromEntries(
      Object.entries(loose).filter(
        ([code]) => catalogue.moulds.get(catalogue.parts.get(code)?.mould ?? '')?.kind !== 'head',
      ),
    )
    expect(newFigures(ask({ loose: heads }))).toEqual([])
    const [head] = Object.keys(loose).filter(
      (code) => catalogue.moulds.get(catalogue.parts.get(code)?.mould ?? '')?.kind === 'head',
    )
    expect(newFigures(ask({ loose: { ...heads, [head!]: 1 } }))).toHaveLength(1)
    // A part nobody wears anywhere makes nobody.
    expect(newFigures(ask({ loose: {} }))).toEqual([])
  })
})
