import { describe, expect, test } from '@jest/globals'
import { slotsFor } from '../anatomy/index.ts'
import { mouldOf, type Part } from '../catalogue/index.ts'
import { partNamed, worldCatalogue } from '../test/world.ts'
import { BRIEF_TRAITS, traitNamed, traitsAt } from './traits.ts'
import { lookAt } from './look.ts'
import { PLACE_FACTS, placeOf, PLACES } from './places.ts'
import { type Place } from './index.ts'

const catalogue = worldCatalogue()
const partsAt = (place: Place): Part[] =>
  [...catalogue.parts.values()].filter(
    (part) =>
      part.components.length === 0 &&
      slotsFor(mouldOf(catalogue, part).kind).some((slot) => PLACE_FACTS[place].slots.includes(slot)),
  )
const shown = (trait: string, part: Part, turned = false) => traitNamed(trait).read(lookAt(part, turned, catalogue))
const head = (name: string, skin: string) => partNamed(name, skin)

describe('what parts show', () => {
  test.each(BRIEF_TRAITS.filter(({ key }) => key !== 'shape').map(({ key }) => key))(
    'the sample world has parts that differ in %s',
    (key) => {
      const { places } = traitNamed(key)
      const values = new Set(places.flatMap((place) => partsAt(place).map((part) => shown(key, part))))
      // A plate under the feet either is there or is not, which no part tells.
      expect(values.size).toBeGreaterThan(key === 'riser' ? 0 : 1)
    },
  )

  test('values stand among those that can be wished for, so that any part can be asked for', () => {
    for (const trait of BRIEF_TRAITS.filter(({ kind }) => kind === 'choice' || kind === 'scale' || kind === 'yes-no'))
      for (const place of trait.places)
        for (const part of partsAt(place)) {
          const value = trait.read(lookAt(part, false, catalogue))
          if (value !== null)
            expect([trait.key, part.name, trait.values.includes(value)]).toEqual([trait.key, part.name, true])
        }
  })

  test('colours are written as #RRGGBB', () => {
    for (const trait of BRIEF_TRAITS.filter(({ kind }) => kind === 'colour'))
      for (const place of trait.places)
        for (const part of partsAt(place)) expect(shown(trait.key, part) ?? '#000000').toMatch(/^#[0-9A-Fa-f]{6}$/)
  })

  test('a face shows what its layers show, and its other face when it is turned', () => {
    const calm = head('Calm / out of breath', 'Fawn')
    expect([shown('expression', calm), shown('expression', calm, true)]).toEqual(['smile', 'open'])
    expect(shown('brows', calm)).toBe(catalogue.colours.get('chestnut')!.hex)
    expect(shown('glasses', calm)).toBe('no')
    expect(shown('beard', calm)).toBe('none')
    expect(shown('age', head('Old and kind / dozing', 'Fawn'))).toBe('old')
  })

  test('cloth shows its pattern, boots and what it is below the belt', () => {
    expect(shown('pattern', partNamed('Boat stripes', 'Oat', 'M-TORSO'))).toBe('striped')
    expect(shown('below', partNamed('Flared skirt', 'Wine'))).toBe('skirt')
    expect(shown('glove', partNamed('Mitt', 'Tar'))).toBe('yes')
    expect(shown('glove', partNamed('Mitt', 'Fawn'))).toBe('no')
  })
})

describe('places', () => {
  test('every place has something to wish for, and every slot its place', () => {
    for (const place of PLACES) {
      expect(traitsAt(place).length).toBeGreaterThan(0)
      for (const slot of PLACE_FACTS[place].slots) expect(placeOf(slot)).toBe(place)
    }
    expect(placeOf('hips')).toBe('legs')
  })

  test('traits are known by different keys', () => {
    const keys = BRIEF_TRAITS.map(({ key }) => key)
    expect(new Set(keys).size).toBe(keys.length)
  })
})
