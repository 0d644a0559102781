import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { PART_KINDS, type Part, type PartKind, type Print } from '../catalogue/index.ts'
import { worldCatalogue, worldTable } from '../test/world.ts'
import { drawFigure } from './drawFigure.ts'
import { LAYER_KINDS } from './layerKinds.ts'
import { layerSettings } from './layerSettings.ts'
import { printRecipeOf } from './recipe.ts'
import { svgBody } from './toSvg.ts'

const catalogue = worldCatalogue()
const palette = worldTable('colours')
const blank = (name: string) => ({ name, front: [], back: [] })
const guessed = (name: string, kind: PartKind, colours: string[] = ['oat']) =>
  printRecipeOf({ name, colours }, blank(''), kind, palette)

describe('a recipe', () => {
  test('is the print’s own where it has layers, and none where there is no print', () => {
    const print = catalogue.prints.get('D-TORSO-QUAY-JACKET')!
    expect(printRecipeOf({ name: 'x', colours: [] }, print, 'torso', palette)).toEqual({
      front: print.front,
      back: print.back,
      guessed: false,
    })
    expect(printRecipeOf({ name: 'Torso with jacket', colours: [] }, undefined, 'torso', palette)).toEqual({
      front: [],
      back: [],
      guessed: false,
    })
  })

  test('is guessed from words, in the colours they name', () => {
    const { front, back, guessed: isGuess } = guessed('Torso, Moss jacket with Brass buttons', 'torso')
    expect(isGuess).toBe(true)
    expect(front.map(({ kind }) => kind)).toEqual(['shirt', 'jacket', 'buttons'])
    expect(front.find(({ kind }) => kind === 'jacket')).toMatchObject({ colour: 'moss' })
    expect(front.find(({ kind }) => kind === 'shirt')).toMatchObject({ colour: 'brass' })
    expect(back.map(({ kind }) => kind)).toEqual(['seam-back'])
  })

  test('takes the further colours of the part where the words name none', () => {
    expect(guessed('Striped jersey', 'torso', ['oat', 'wine']).front[0]).toEqual({ kind: 'stripes', colour: 'wine' })
  })

  test('a head always has eyes, brows and a mouth, one of each', () => {
    const kinds = (name: string) => guessed(name, 'head', ['fawn']).front
    expect(kinds('Head').map(({ kind }) => kind)).toEqual(['eyes', 'brows', 'mouth'])
    const angry = kinds('Angry head with beard, glasses and scar')
    expect(angry.find(({ kind }) => kind === 'brows')).toMatchObject({ shape: 'stern' })
    expect(angry.find(({ kind }) => kind === 'mouth')).toMatchObject({ shape: 'shout' })
    expect(angry.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['beard', 'glasses', 'scar']))
  })

  test('asks only for layers the kind of part knows, whatever the words', () => {
    const words = [
      'jacket',
      'striped',
      'beard',
      'glasses',
      'boots',
      'shorts',
      'anchor',
      'star',
      'coat',
      'hood',
      'belt',
      'sad',
    ]
    fc.assert(
      fc.property(fc.constantFrom(...PART_KINDS), fc.subarray(words), (kind, said) => {
        const { front, back } = guessed(said.join(' '), kind)
        for (const layer of [...front, ...back]) expect(LAYER_KINDS[kind]).toContain(layer.kind)
      }),
    )
  })
})

describe('what is drawn of it', () => {
  const draw = (part: Part, prints: Print[], slot: 'torso' | 'hips' | 'head') => {
    const known = {
      ...catalogue,
      parts: new Map([[part.code, part]]),
      prints: new Map(prints.map((print) => [print.code, print])),
    }
    return svgBody(drawFigure([{ slot, part: part.code, order: 0, turned: false }], known).shapes)
  }
  const part = (mould: string, name: string, print: string | null): Part => ({
    code: 'P-G',
    name,
    mould,
    colours: ['oat', 'wine', 'fawn'],
    print,
    year: null,
    photo: null,
    components: [],
  })
  const print = (kind: PartKind): Print => ({ code: 'D-G', name: '', kind, front: [], back: [], traits: {} })

  test('a guess shows on the doll, and another name another guess', () => {
    const plain = draw(part('M-TORSO', 'Torso with jacket', null), [], 'torso')
    const jacket = draw(part('M-TORSO', 'Torso with jacket', 'D-G'), [print('torso')], 'torso')
    const stripes = draw(part('M-TORSO', 'Torso with stripes', 'D-G'), [print('torso')], 'torso')
    expect(new Set([plain, jacket, stripes]).size).toBe(3)
  })

  test('an assembly nobody wrote the components of is drawn whole: legs with their print, sleeves and hands in colour', () => {
    const legs = draw(part('M-PAIRF', 'Legs with tall boots', 'D-G'), [print('leg-left')], 'hips')
    expect(legs).not.toBe(draw(part('M-PAIRF', 'Legs', null), [], 'hips'))
    const dressed = part('M-DRESS', 'Torso', null)
    const drawn = draw(dressed, [], 'torso')
    expect(drawn).not.toBe(draw({ ...dressed, colours: ['oat', 'moss', 'fawn'] }, [], 'torso'))
    expect(drawn).not.toBe(draw({ ...dressed, colours: ['oat', 'wine', 'umber'] }, [], 'torso'))
  })
})

describe('settings of layers', () => {
  test('every layer of every kind has them', () => {
    for (const [kind, layers] of Object.entries(LAYER_KINDS))
      for (const layer of layers!) expect([layer, layerSettings(kind as PartKind, layer)]).not.toContain(null)
    expect(layerSettings('torso', 'mouth')).toBeNull()
    expect(layerSettings('feet', 'jacket')).toBeNull()
  })

  test('name what the sample world sets, and every word has choices', () => {
    for (const { kind, front, back } of catalogue.prints.values())
      for (const { kind: layer, ...set } of [...front, ...back]) {
        const { colours, words } = layerSettings(kind, layer)!
        for (const setting of Object.keys(set))
          expect([layer, setting, [...colours, ...Object.keys(words)].includes(setting)]).toEqual([
            layer,
            setting,
            true,
          ])
        for (const [word, choices] of Object.entries(words)) {
          expect([layer, word, choices.length > 1]).toEqual([layer, word, true])
          if (word in set) expect(choices).toContain(set[word])
        }
      }
  })

  test('every choice of a word draws something else', () => {
    const head: Part = {
      code: 'P-H',
      name: 'Head',
      mould: 'M-HEAD',
      colours: ['fawn'],
      print: 'D-H',
      year: null,
      photo: null,
      components: [],
    }
    for (const layer of ['brows', 'eyes', 'mouth', 'beard', 'glasses', 'face-paint']) {
      const choices = layerSettings('head', layer)!.words['shape']!
      const drawn = choices.map((shape) => {
        const own: Print = {
          code: 'D-H',
          name: '',
          kind: 'head',
          front: [{ kind: layer, shape }],
          back: [],
          traits: {},
        }
        const known = { ...catalogue, parts: new Map([['P-H', head]]), prints: new Map([['D-H', own]]) }
        return svgBody(drawFigure([{ slot: 'head', part: 'P-H', order: 0, turned: false }], known).shapes)
      })
      expect([layer, new Set(drawn).size]).toEqual([layer, choices.length])
    }
  })
})
