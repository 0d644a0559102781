import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { layerFaults } from '../mannequin/index.ts'
import { STARTER_COLOURS } from '../starter/index.ts'
import { PART_WORDS } from './lexicon.ts'
import { printMade } from './printMade.ts'

const made = (name: string, colour: string, kind: Parameters<typeof printMade>[2]) =>
  printMade(name, colour, kind, STARTER_COLOURS)
const kinds = (layers: readonly { kind: string }[]) => layers.map(({ kind }) => kind)

describe('a print that is only named', () => {
  test.each([
    ['Kopf mit Bart', 'beard'],
    ['tête avec barbe', 'beard'],
    ['Głowa z brodą', 'beard'],
    ['cabeza con gafas', 'glasses'],
    ['testa con lentiggini', 'freckles'],
    ['hoofd met snor', 'moustache'],
  ])('%s has its layer, whatever the language', (name, layer) => {
    expect(kinds(made(name, 'fawn', 'head').front)).toContain(layer)
  })

  test('faces differ by what they say: grinning, sad, surprised', () => {
    const mouths = ['Kopf grinsend', 'Kopf traurig', 'Kopf lächelnd', 'Kopf überrascht'].map((name) =>
      JSON.stringify(made(name, 'fawn', 'head').front),
    )
    expect(new Set(mouths).size).toBe(4)
  })

  test('has the traits of what it shows', () => {
    expect(made('Kopf mit Bart und Brille', 'fawn', 'head').traits).toMatchObject({ beard: 'full', glasses: 'yes' })
    expect(made('Torso Hemd gestreift', 'chalk', 'torso').traits).toMatchObject({
      garment: 'shirt',
      pattern: 'stripes',
    })
  })

  test('is in the colours its words name, and else in one that shows on the cloth', () => {
    const stripes = (name: string, colour: string) =>
      made(name, colour, 'torso').front.find(({ kind }) => kind === 'stripes')!['colour']
    expect(stripes('Torso weiß, rot gestreift', 'chalk')).toBe('poppy')
    const [onLight, onDark] = [stripes('Torso gestreift', 'chalk'), stripes('Torso gestreift', 'tar')]
    expect(onLight).not.toBe(onDark)
    expect([onLight, onDark]).not.toContain(undefined)
    // A jacket is cut of the cloth itself.
    const jacket = made('Torso Jacke', 'quay-blue', 'torso').front.find(({ kind }) => kind === 'jacket')!
    expect(jacket['colour']).toBeUndefined()
  })

  test('is one that can be drawn and changed, whatever words come together', () => {
    const random = seeded(7)
    const words = Object.entries(PART_WORDS).flatMap(([, list]) => list.split(',').map((word) => word.trim()))
    const pick = () => words[Math.floor(random() * words.length)]!
    for (let i = 0; i < 400; i++)
      for (const kind of ['head', 'torso', 'leg-left', 'arm-right', 'hips', 'neck'] as const) {
        const { front, back } = made(`${pick()} ${pick()} ${pick()}`, 'quay-blue', kind)
        for (const layer of [...front, ...back])
          expect(layerFaults(kind, layer, (code) => STARTER_COLOURS.some((one) => one.code === code))).toEqual([])
      }
  })
})
