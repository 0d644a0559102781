import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { placementFaults, wear } from '../anatomy/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { colourDifference } from '../colour/index.ts'
import { anyOutfit, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { FITTING_LIMITS } from './limits.ts'
import { pinsOf } from './pinsOf.ts'

const catalogue = worldCatalogue()
const context = { catalogue, free: {} as Record<string, number> }
const odile = takeOf('Odile, skipper', 'B')
const rules = (placements: readonly Placement[], free = context.free) => pinsOf(placements, { catalogue, free })
const ruled = (placements: readonly Placement[], rule: string) => rules(placements).filter((pin) => pin.rule === rule)
const put = (placements: readonly Placement[], slot: Placement['slot'], name: string, colour: string, mould?: string) =>
  wear(placements, slot, partNamed(name, colour, mould), catalogue)

test('pins of any outfit stick in worn slots, problems first, and every remedy is a legal outfit without the pin', () => {
  fc.assert(
    fc.property(anyOutfit(), (outfit) => {
      const pins = pinsOf(outfit, context)
      const rank = pins.map(({ severity }) => ['problem', 'notice', 'hint'].indexOf(severity))
      expect(rank).toEqual([...rank].sort())
      for (const pin of pins) {
        for (const slot of pin.slots) expect(outfit.some((p) => p.slot === slot)).toBe(true)
        for (const remedy of pin.remedies) {
          expect(placementFaults(remedy.placements, catalogue)).toEqual([])
          const left = pinsOf(remedy.placements, context).filter((p) => p.rule === pin.rule && p.title === pin.title)
          expect([pin.rule, left.length === 0 || pin.rule === 'neck-stack']).toEqual([pin.rule, true])
        }
      }
    }),
  )
})

describe('skin agrees', () => {
  test('hands of another skin are a problem with the figures in it, mended with the head colour', () => {
    const hazel = put(put(odile, 'handRight', 'Mitt', 'Hazel'), 'handLeft', 'Mitt', 'Hazel')
    const fawnMitt = partNamed('Mitt', 'Fawn').code
    const [pin] = rules(hazel, { [fawnMitt]: 4 }).filter((p) => p.rule === 'skin-agrees')
    const hex = (code: string) => catalogue.colours.get(code)!.hex
    expect(pin).toMatchObject({
      severity: 'problem',
      slots: ['handRight', 'handLeft'],
      title: 'Hands are not the skin',
    })
    expect(pin!.detail).toBe(`Hazel on Fawn, ΔE ${Math.round(colourDifference(hex('hazel'), hex('fawn')))}`)
    expect(pin!.remedies[0]!.label).toBe('Wear Fawn: 4 owned')
    expect(pin!.remedies[0]!.placements.filter((p) => p.part === fawnMitt)).toHaveLength(2)
    expect(ruled(pin!.remedies[0]!.placements, 'skin-agrees')).toEqual([])
  })

  test('one wrong hand is said to be one', () => {
    const one = put(put(odile, 'handRight', 'Mitt', 'Fawn'), 'handLeft', 'Mitt', 'Umber')
    expect(ruled(one, 'skin-agrees')[0]).toMatchObject({ slots: ['handLeft'], title: 'One hand is not the skin' })
  })

  test('gloves and a missing head raise no pin', () => {
    expect(ruled(put(put(odile, 'handRight', 'Mitt', 'Tar'), 'handLeft', 'Mitt', 'Tar'), 'skin-agrees')).toEqual([])
    expect(
      ruled(
        odile.filter((p) => p.slot !== 'head'),
        'skin-agrees',
      ),
    ).toEqual([])
  })
})

describe('brows against hair', () => {
  test('dark brows under straw hair are noticed, under dark hair not', () => {
    const head = put(odile, 'head', 'Warm smile / asleep', 'Umber')
    const straw = ruled(put(head, 'headgear', 'Two plaits', 'Straw'), 'brows-against-hair')
    expect(straw[0]).toMatchObject({ severity: 'notice', slots: ['head'] })
    expect(straw[0]!.detail).toMatch(/^Tar on Straw, ΔE \d+$/)
    expect(Number(straw[0]!.detail.split('ΔE ')[1])).toBeGreaterThan(FITTING_LIMITS.browsAgainstHair)
    expect(ruled(put(head, 'headgear', 'Close crop', 'Tar'), 'brows-against-hair')).toEqual([])
  })

  test('a hat hides the question', () => {
    const head = put(odile, 'head', 'Warm smile / asleep', 'Umber')
    expect(ruled(put(head, 'headgear', 'Oilskin hat', 'Marigold'), 'brows-against-hair')).toEqual([])
  })

  test('hair tucked under a cap is still seen, hair under a helmet is not', () => {
    const head = put(put(odile, 'head', 'Warm smile / asleep', 'Umber'), 'headgear', 'Two plaits', 'Straw')
    const capped = put(head, 'headgear', 'Deck cap', 'Quay Blue')
    expect(capped.filter(({ slot }) => slot === 'headgear')).toHaveLength(2)
    expect(ruled(capped, 'brows-against-hair')[0]!.detail).toMatch(/^Tar on Straw/)
    expect(ruled(put(head, 'headgear', 'Lamp helmet', 'Gunmetal'), 'brows-against-hair')).toEqual([])
  })
})

describe('neck stack', () => {
  test('too many pieces are a problem; the outmost is taken off', () => {
    const bare = odile.filter((p) => p.slot !== 'neck')
    const one = put(bare, 'neck', 'Cork vest', 'Amber')
    expect(ruled(one, 'neck-stack')).toEqual([])
    const two = put(one, 'neck', 'Fringed shawl', 'Heather')
    const [pin] = ruled(two, 'neck-stack')
    expect(pin).toMatchObject({
      severity: 'problem',
      detail: `2 pieces lift the head 2.0 mm; ${FITTING_LIMITS.neckStack} mm fit`,
    })
    expect(pin!.remedies[0]!.label).toBe('Take off fringed shawl')
    expect(pin!.remedies[0]!.placements).toEqual(one)
  })

  test('thin pieces may lie over each other', () => {
    const bare = odile.filter((p) => p.slot !== 'neck')
    expect(ruled(put(put(bare, 'neck', 'Long cape', 'Tar'), 'neck', 'Regatta medal', 'Poppy'), 'neck-stack')).toEqual(
      [],
    )
  })
})

describe('print runs on', () => {
  const bram = takeOf('Bram')

  test('a coat that stops at the belt is noticed, one that runs on is not', () => {
    expect(ruled(bram, 'print-runs-on')).toEqual([])
    const trousers = [...catalogue.parts.values()].find(
      (p) => p.name.startsWith('Work trousers') && p.components.length > 0,
    )!
    const [pin] = ruled(wear(bram, 'hips', trousers, catalogue), 'print-runs-on')
    expect(pin).toMatchObject({ severity: 'notice', title: 'The coat stops at the belt', slots: ['hips'] })
  })

  test('a torso turned round hides its front', () => {
    const trousers = [...catalogue.parts.values()].find(
      (p) => p.name.startsWith('Work trousers') && p.components.length > 0,
    )!
    const turned = wear(bram, 'hips', trousers, catalogue).map((p) => (p.slot === 'torso' ? { ...p, turned: true } : p))
    expect(ruled(turned, 'print-runs-on')).toEqual([])
  })
})
