import { describe, expect, test } from '@jest/globals'
import type { BriefWish } from '../brief/index.ts'
import { drawFigure } from '../mannequin/index.ts'
import { drawn, portrait } from '../test/pictures.ts'
import { figureNamed, worldCatalogue } from '../test/world.ts'
import {
  againstPicture,
  asideOf,
  isWished,
  proposalsOf,
  proposalWords,
  readPicture,
  statureOf,
  withProposals,
  zonesOfDrawing,
  type PictureReading,
} from './index.ts'

const catalogue = worldCatalogue()
const palette = [...catalogue.colours.values()]
const hexOf = (name: string) => palette.find((colour) => colour.name === name)!.hex.toUpperCase()

const outline = Object.fromEntries(
  Object.entries({
    crown: 0,
    chin: 20,
    shoulderRight: 22,
    shoulderLeft: 22,
    waist: 40,
    hip: 50,
    knees: 75,
    soles: 100,
  }).map(([key, y]) => [key, { x: 0.5, y: y / 100 }]),
) as PictureReading['outline']
const colour = (hex: string, share = 1) => ({ hex, share, lab: [0, 0, 0] as const })
const lab = (hex: string) => readPicture(drawn(square(hex), 40), { outline })!.zones.torso![0]!
const square = (hex: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="40" fill="${hex}"/></svg>`

const reading = (more: Partial<PictureReading>): PictureReading => ({
  outline,
  guessed: [],
  zones: {},
  sleeves: null,
  gloved: null,
  boots: null,
  twoTone: false,
  heads: 5,
  ...more,
})

describe('wishes out of a picture', () => {
  test('say for each zone the nearest of the palette; what is far from all of it keeps its own colour', () => {
    const near = lab('#25538A')
    const found = proposalsOf(reading({ zones: { torso: [near], legRight: [colour('#ff00ff')] } }), palette)
    const torso = found.find(({ wish }) => wish.place === 'torso')!
    expect(torso.wish).toEqual({ place: 'torso', trait: 'colour', target: hexOf('Quay Blue'), weight: 'matters' })
    expect([torso.nearest[0]!.colour.name, torso.seen]).toEqual(['Quay Blue', near.hex])
    expect(found.find(({ wish }) => wish.place === 'legs')!.wish.target).toBe('#FF00FF')
    expect(proposalWords(torso)).toBe('Torso: colour')
  })

  test('of a person: sleeves, gloves and boots as they are worn', () => {
    const gloved = [...Array(40).keys()]
      .map((i) => portrait(9000 + i))
      .find(({ gloves, boot }) => gloves && boot === 'tall')!
    const words = proposalsOf(readPicture(drawn(gloved.svg, 420))!, palette).map(
      ({ wish: { place, trait, target } }) => `${place} ${trait}${target.startsWith('#') ? '' : ` ${target}`}`,
    )
    expect(words).toEqual(
      expect.arrayContaining([
        'headgear colour',
        'head skin',
        'hands glove yes',
        'hands colour',
        'legs boot tall',
        'legs bootColour',
      ]),
    )
    const bare = [...Array(40).keys()].map((i) => portrait(9100 + i)).find(({ sleeves }) => sleeves === 'short')!
    const short = proposalsOf(readPicture(drawn(bare.svg, 420))!, palette)
    expect(short.map(({ wish }) => `${wish.trait} ${wish.target}`)).toContain('sleeve short')
    expect(short.some(({ wish }) => wish.place === 'hands')).toBe(false)
  })

  test('take the place of what was wished for of the same, and leave what it mattered', () => {
    const must: BriefWish = { place: 'torso', trait: 'colour', target: '#FFFFFF', weight: 'must' }
    const other: BriefWish = { place: 'head', trait: 'glasses', target: 'yes', weight: 'nice' }
    const found = proposalsOf(reading({ zones: { torso: [colour(hexOf('Wine'))] }, sleeves: 'short' }), palette)
    const [torso, sleeve] = found
    expect([must, other].map((wish) => isWished([wish], torso!))).toEqual([false, false])
    const merged = withProposals([must, other], found)
    expect(merged).toEqual([{ ...must, target: hexOf('Wine') }, other, sleeve!.wish])
    expect(found.map((one) => isWished(merged, one))).toEqual([true, true])
    expect(isWished([{ ...sleeve!.wish, target: 'long' }], sleeve!)).toBe(false)
    // A colour nobody tells from the one that was seen is wished for already.
    const nearly = `#${(parseInt(hexOf('Wine').slice(1), 16) + 1).toString(16)}`
    expect(isWished([{ ...must, target: nearly }], torso!)).toBe(true)
  })

  test('what no wish can say is told in words', () => {
    const two = reading({
      zones: {
        torso: [colour('#111111', 0.6), colour('#eeeeee', 0.4)],
        legRight: [colour('#111111')],
        legLeft: [colour('#eeeeee')],
      },
      twoTone: true,
    })
    expect(asideOf(two, (hex) => hex)).toEqual([
      'a good part of the torso in #eeeeee',
      'right leg in #111111, left leg in #eeeeee',
    ])
    expect(asideOf(reading({}), (hex) => hex)).toEqual([])
  })

  test('stature is said beside others, by a doll’s legs, or of who is plainly grown up; else nothing', () => {
    const of = (more: Partial<PictureReading>, height: number | null = null) =>
      statureOf(reading(more), height)?.stature ?? null
    expect([0.6, 0.8, 0.95, 1].map((height) => of({}, height))).toEqual(['short', 'middle', 'full', 'full'])
    const legs = (soles: number) => ({ heads: 3.9, outline: { ...outline, soles: { x: 0.5, y: soles } } })
    // A torso of 0.28, and legs of 0.12, 0.17 and 0.22.
    expect([0.62, 0.67, 0.72].map((soles) => of(legs(soles)))).toEqual(['short', 'middle', 'full'])
    expect([of({ heads: 7 }), of({ heads: 5.4 })]).toEqual(['full', null])
  })
})

describe('what is worn against a picture', () => {
  const zones = (name: string) =>
    zonesOfDrawing(drawFigure(figureNamed(name), catalogue, { plinth: false, flat: true }))
  const keeper = zones('Ferry skipper')

  test('a figure is all of its own picture', () => {
    const { points, zones: each } = againstPicture(keeper, keeper)
    expect(points).toBe(100)
    expect(each.map(({ deltaE }) => deltaE)).toEqual(each.map(() => 0))
  })

  test('other legs are told at the legs and nowhere else; a zone that is not there tells nothing of how far', () => {
    const other = { ...keeper, legRight: [colour('#ff00ff')], legLeft: [colour('#ff00ff')] }
    const { points, zones: each } = againstPicture(other, keeper)
    expect(points).toBeLessThan(100)
    expect(each.filter(({ deltaE }) => deltaE !== 0).map(({ label }) => label)).toEqual(['legs'])
    const held = againstPicture({ heldRight: [colour('#ff00ff')] }, { torso: keeper.torso! })
    expect(held).toEqual({
      points: 0,
      zones: [{ label: 'held', deltaE: null, picture: ['#ff00ff'], figure: [] }],
    })
    expect(againstPicture({}, keeper)).toEqual({ points: 0, zones: [] })
  })

  test('what is held is looked for in either hand, and a hand nobody can tell from its sleeve looks like that', () => {
    const { zones: held } = againstPicture({ heldRight: [colour('#123456')] }, { heldLeft: [colour('#123456')] })
    expect(held[0]!.deltaE).toBe(0)
    const { zones: hand } = againstPicture({ handRight: [colour('#123456')] }, { sleeveRight: [colour('#123456')] })
    expect(hand[0]!.deltaE).toBe(0)
  })

  test('two colours of a zone count by their share', () => {
    const half = againstPicture(
      { torso: [colour('#000000', 0.5), colour('#ffffff', 0.5)] },
      { torso: [colour('#000000')] },
    )
    expect(half.zones[0]!.deltaE).toBeCloseTo(50, 0)
  })
})
