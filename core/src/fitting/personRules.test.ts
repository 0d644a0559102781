import { describe, expect, test } from '@jest/globals'
import { takeOff, wear } from '../anatomy/index.ts'
import { emptyBrief } from '../brief/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { houseRulesOf } from '../roster/index.ts'
import { figureNamed, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import type { FittingContext } from './pin.ts'
import { pinsOf } from './pinsOf.ts'

const catalogue = worldCatalogue()
const odile = takeOf('Odile, skipper')
const ruled = (placements: readonly Placement[], rule: string, context: Partial<FittingContext> = {}) =>
  pinsOf(placements, { catalogue, free: {}, ...context }).filter((pin) => pin.rule === rule)
const put = (placements: readonly Placement[], slot: Placement['slot'], name: string, colour: string, mould?: string) =>
  wear(placements, slot, partNamed(name, colour, mould), catalogue)
const headOf = (print: string, colour: string) =>
  [...catalogue.parts.values()].find((part) => part.print === print && part.colours[0] === colour)!

describe('bare skin', () => {
  const sailor = figureNamed('Old sailor')

  test('of arms below short sleeves is the skin of the head', () => {
    expect(ruled(sailor, 'skin-agrees-arm')).toEqual([])
    const [pin] = ruled(wear(sailor, 'head', headOf('D-FACE-GRIN-TAR', 'umber'), catalogue), 'skin-agrees-arm')
    expect(pin).toMatchObject({
      severity: 'problem',
      slots: ['armRight', 'armLeft'],
      title: 'Bare arms are not the skin',
    })
    expect(pin!.detail).toMatch(/^Fawn on Umber, ΔE \d+$/)
  })

  test('of legs below shorts too, and the same shorts in the right skin are one press away', () => {
    const child = figureNamed('Harbour child')
    expect(ruled(child, 'skin-agrees-leg')).toEqual([])
    const fawn = wear(child, 'head', headOf('D-FACE-CALM-COPPER', 'fawn'), catalogue)
    const [pin] = ruled(fawn, 'skin-agrees-leg')
    expect(pin!.title).toBe('Bare legs are not the skin')
    for (const { placements } of pin!.remedies) expect(ruled(placements, 'skin-agrees-leg')).toEqual([])
  })

  test('says nothing of sleeves, gloves and heads that are no skin', () => {
    expect(ruled(figureNamed('Night warden'), 'skin-agrees')).toEqual([])
    expect(ruled(figureNamed('Walking lantern'), 'skin-agrees-arm')).toEqual([])
  })
})

describe('a beard', () => {
  const hale = takeOf('Hale Brook')
  const rain = catalogue.colours.get('rain')!

  test('goes with the hair, printed or hung on', () => {
    expect(ruled(hale, 'beard-against-hair')).toEqual([])
    const long = put(takeOff(hale, 'neck'), 'neck', 'Long beard', 'Rain')
    const [pin] = ruled(wear(long, 'head', headOf('D-FACE-CALM-TAR', 'hazel'), catalogue), 'beard-against-hair')
    expect(pin).toMatchObject({ severity: 'notice', slots: ['neck'], title: 'Beard against hair' })
    expect(pin!.detail).toMatch(new RegExp(`^${rain.name} on Tar, ΔE \\d+$`))
  })

  test('is one remark with the brows where they are of one colour', () => {
    const old = wear(hale, 'head', headOf('D-FACE-GOATEE-PEWTER', 'fawn'), catalogue)
    expect(ruled(old, 'brows-against-hair')).toHaveLength(1)
    expect(ruled(old, 'beard-against-hair')).toEqual([])
  })

  test('under a hat is no question', () => {
    expect(ruled(figureNamed('Net mender'), 'beard-against-hair')).toEqual([])
  })
})

describe('brows against hair', () => {
  const joost = takeOf('Joost Ember')

  test('are mended by a likely head of that skin, or by the hair', () => {
    const [pin] = ruled(joost, 'brows-against-hair')
    expect(pin!.remedies.map(({ label }) => label)).toEqual([
      expect.stringMatching(/^Wear the face /),
      expect.stringMatching(/^Wear Tousled mop in /),
    ])
    for (const { placements } of pin!.remedies) expect(ruled(placements, 'brows-against-hair')).toEqual([])
    const skin = (placements: readonly Placement[]) =>
      catalogue.parts.get(placements.find(({ slot }) => slot === 'head')!.part)!.colours[0]
    expect(skin(pin!.remedies[0]!.placements)).toBe(skin(joost))
  })
})

describe('skin tones', () => {
  const cook = figureNamed('Old primrose cook')
  const rules = (skins: 'any' | 'classic' | 'natural') => ({ rules: houseRulesOf('exchange-only', { skins }) })

  test('are the classic one or natural ones, where the house rules say which', () => {
    expect(ruled(cook, 'skin-tones', rules('natural'))[0]!.title).toBe('Not a natural skin')
    expect(ruled(cook, 'skin-tones', rules('classic'))).toEqual([])
    expect(ruled(odile, 'skin-tones', rules('classic'))[0]!.title).toBe('Not the classic skin')
    expect(ruled(odile, 'skin-tones', rules('natural'))).toEqual([])
    expect(ruled(cook, 'skin-tones', rules('any'))).toEqual([])
    const [pin] = ruled(cook, 'skin-tones', rules('natural'))
    for (const { placements } of pin!.remedies) expect(ruled(placements, 'skin-tones', rules('natural'))).toEqual([])
  })

  test('say nothing of heads that are no skin', () => {
    expect(ruled(figureNamed('Walking lantern'), 'skin-tones', rules('natural'))).toEqual([])
  })
})

describe('an ability', () => {
  const brief = (...abilities: string[]) => ({ brief: { ...emptyBrief(), abilities } })

  test('that nothing shows is hinted at, and a thing that shows it goes into a free hand', () => {
    const [pin] = ruled(odile, 'ability-plays', brief('plays'))
    expect(pin).toMatchObject({ severity: 'hint', detail: 'plays music: no instrument is worn or held' })
    const [first] = pin!.remedies
    expect(ruled(first!.placements, 'ability-plays', brief('plays'))).toEqual([])
    // The oar stays where it is.
    const held = (placements: readonly Placement[]) => placements.find(({ slot }) => slot === 'heldRight')?.part
    expect(held(first!.placements)).toBe(held(odile))
  })

  test('that is seen, worn or held or beside, needs no word', () => {
    expect(ruled(odile, 'ability-rows', brief('rows', 'rescues', 'keeps-animals'))).toEqual([])
    expect(ruled(odile, 'ability-rescues', brief('rows', 'rescues', 'keeps-animals'))).toEqual([])
    expect(ruled(odile, 'ability-keeps-animals', brief('rows', 'rescues', 'keeps-animals'))).toEqual([])
    expect(ruled(odile, 'ability-flies', brief('flies'))).toEqual([])
  })
})

describe('a whole figure', () => {
  const without = (...slots: Placement['slot'][]) => odile.filter(({ slot }) => !slots.includes(slot))

  test('raises nothing, and neither does any released one', () => {
    expect(ruled(odile, 'whole-figure')).toEqual([])
    for (const name of ['Old sailor', 'Harbour child']) expect(ruled(figureNamed(name), 'whole-figure')).toEqual([])
    expect(ruled([], 'whole-figure')).toEqual([])
  })

  test('without an arm or a leg is told so, and gets one like the other in one press', () => {
    const [pin] = ruled(without('armLeft', 'legRight'), 'whole-figure')
    expect(pin).toMatchObject({ severity: 'notice', slots: ['torso', 'hips'], title: 'Something is missing' })
    expect(pin!.detail).toMatch(/^No left arm and no right leg$/)
    const now = pin!.remedies[0]!.placements
    expect(ruled(now, 'whole-figure')).toEqual([])
    const at = (list: readonly Placement[], slot: string) => list.find((p) => p.slot === slot)!.part
    expect([at(now, 'armLeft'), at(now, 'legRight')]).toEqual([at(odile, 'armLeft'), at(odile, 'legRight')])
  })

  test('that is only begun is told what is still to come, as a hint', () => {
    const [pin] = ruled(
      odile.filter(({ slot }) => slot === 'head'),
      'whole-figure',
    )
    expect(pin).toMatchObject({ severity: 'hint', title: 'Not whole yet' })
    expect([pin!.slots, pin!.detail]).toEqual([['head'], 'No torso, no hips, no right leg and no left leg'])
    expect(pin!.remedies).toEqual([])
  })
})
